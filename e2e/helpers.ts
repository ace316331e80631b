import { expect, test, type Browser, type BrowserContext, type Locator, type Page } from '@playwright/test'
import { readFileSync } from 'node:fs'

/** Waits until every strip of the loom has been computed. */
export async function woven(page: Page) {
  await expect(page.getByTestId('loom')).toBeVisible()
  await expect(page.locator('[data-woven]').first()).toBeAttached()
  await expect(page.locator('[data-woven="false"]')).toHaveCount(0)
}

type DemoName = 'marlpit-lane' | 'harrier-point'
type Stored = Awaited<ReturnType<BrowserContext['storageState']>>

/** What a browser has stored once it has opened a demo garden and woven its loom; worked out once by each of the workers. */
const opened = new Map<string, Promise<Stored>>()

/** How many answers are kept in a browser. */
const answersKept = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const opening = indexedDB.open('kilim-answers')
        opening.onsuccess = () => {
          const counting = opening.result.transaction('answers').objectStore('answers').count()
          counting.onsuccess = () => {
            opening.result.close()
            resolve(counting.result)
          }
        }
      }),
  )

async function openOnce(browser: Browser, name: DemoName, baseURL: string): Promise<Stored> {
  const context = await browser.newContext({ baseURL })
  try {
    const page = await context.newPage()
    await openDemo(page, name, 'for the first time')
    await woven(page)
    // They are kept a while after they are shown.
    await expect
      .poll(
        async () => {
          const before = await answersKept(page)
          await page.waitForTimeout(500)
          return before > 0 && before === (await answersKept(page))
        },
        { intervals: [0] },
      )
      .toBe(true)
    return await context.storageState({ indexedDB: true })
  } finally {
    await context.close()
  }
}

/** Makes an empty browser one that had the demo garden open before, so that each test need not work out its loom again. */
async function asOpenedBefore(page: Page, name: DemoName): Promise<void> {
  const context = page.context()
  const { baseURL } = test.info().project.use
  const browser = context.browser()
  if (!browser || !baseURL || page.url() !== 'about:blank' || context.pages().length > 1) return
  if (!opened.has(name)) opened.set(name, openOnce(browser, name, baseURL))
  await context.setStorageState(await opened.get(name)!)
}

/** Opens a demo garden; its loom may still be computed where it is opened for the first time. */
export async function openDemo(
  page: Page,
  name: DemoName,
  how: 'again' | 'for the first time' = 'again',
): Promise<void> {
  if (how === 'again') await asOpenedBefore(page, name)
  await page.goto(`/demo/${name}`)
  await page.waitForURL((url) => url.pathname === '/')
  await expect(page.getByTestId('loom')).toBeVisible()
}

/** Opens a demo garden and waits for all of its loom. */
export async function openLoom(page: Page, name: DemoName, how?: 'again' | 'for the first time') {
  await openDemo(page, name, how)
  await woven(page)
}

/** Waits until a value is among those of the session in storage: they are written a moment after they are shown. */
export const sessionKept = (page: Page, value: string) =>
  expect
    .poll(() =>
      page.evaluate(
        () =>
          new Promise<string>((resolve) => {
            const opening = indexedDB.open('kilim')
            opening.onsuccess = () => {
              const db = opening.result
              const reading = db.transaction('session').objectStore('session').getAll()
              reading.onsuccess = () => {
                db.close()
                resolve(JSON.stringify(reading.result))
              }
            }
          }),
      ),
    )
    .toContain(value)

/** Steps the demo clock by weeks. */
export async function stepWeeks(page: Page, weeks: number) {
  const clock = page.getByRole('group', { name: 'Clock' })
  for (let i = 0; i < weeks; i++) {
    const before = await page.getByTestId('today').textContent()
    await clock.getByRole('button', { name: '+ week' }).click()
    await expect(page.getByTestId('today')).not.toHaveText(before ?? '')
  }
  await sessionKept(page, (await todayOf(page)) ?? '')
}

/** Waits until Rounds has looked at all that grows. */
export const lookedAround = (page: Page) => expect(page.locator('[data-pending="0"]')).toBeVisible()

/** Steps the demo clock by weeks at a time until a job stands in Rounds. */
export async function roundsUntil(page: Page, job: Locator, weeks = 1) {
  await lookedAround(page)
  while ((await job.count()) === 0) {
    await stepWeeks(page, weeks)
    await lookedAround(page)
  }
}

/** ISO date shown by the clock. */
export async function todayOf(page: Page): Promise<string> {
  return (await page.getByTestId('today').getAttribute('datetime')) ?? ''
}

/** Grams as a number from a text like `246 g` or `2.1 kg`. */
export function gramsIn(text: string | null): number {
  const match = /([\d.,]+)\s*(kg|g)/.exec(text ?? '')
  if (!match) return NaN
  return Number(match[1].replace(',', '')) * (match[2] === 'kg' ? 1000 : 1)
}

/** Waits until the covers of a window are ranked for good. */
export async function ranked(page: Page) {
  await expect(page.getByTestId('candidates').getByRole('listitem').first()).toBeVisible()
  await expect(page.getByText(/Growing \d+ covers and their mixes/)).toHaveCount(0)
}

/** Says where an own garden lies: inland at a latitude. */
export async function placeTold(page: Page, latitude = '44.5') {
  await page.getByLabel('or its latitude').fill(latitude)
  await page.getByLabel('and longitude').fill('-85')
}

/** Starts an own garden of one bed, 8 m by 1.2, from the page for it. */
export async function startOwn(
  page: Page,
  {
    name,
    units = 'metric',
    tools = [],
  }: { name: string; units?: 'metric' | 'imperial'; tools?: readonly string[] },
) {
  await page.goto('/start')
  await placeTold(page)
  await page.getByText('Name, units, tools').click()
  await page.getByLabel('Garden name').fill(name)
  await page.getByLabel('Units').selectOption(units)
  const [length, width, unit] = units === 'metric' ? ['8', '1.2', 'm'] : ['26', '4', 'ft']
  await page.getByLabel(`Length, ${unit}`).fill(length)
  await page.getByLabel(`Width, ${unit}`).fill(width)
  for (const tool of tools) await page.getByRole('checkbox', { name: tool }).check()
  await page.getByLabel('How many').fill('6')
  await page.getByRole('button', { name: /^Next/ }).click()
  await page.getByRole('link', { name: 'Open the loom' }).click()
  await expect(page.getByTestId('loom')).toBeVisible()
}

/** Opens the fields behind an answer’s line. */
export const openChange = (page: Page) => page.locator('summary', { hasText: 'Change' }).first().click()

/** What the browser is given when a garden is exported. */
export async function exportGarden(page: Page): Promise<string> {
  await page.goto('/garden')
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export this garden' }).click(),
  ])
  return readFileSync(await download.path(), 'utf8')
}
