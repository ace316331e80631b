import AxeBuilder from '@axe-core/playwright'
import { expect, test, type Page } from '@playwright/test'
import { openChange, openDemo } from './helpers'

/**
 * Every room once in each of two languages and systems of units: what axe finds in three themes, whether anything scrolls
 * sideways at twice the size or on a phone, whether a thumb meets every control, and whether a foreign unit or month is said.
 */
const ROOMS = {
  loom: '/',
  'choose, list': '/choose',
  choose: '/choose/marlpit-lane-P3',
  'sow, list': '/sow',
  sow: '/sow/marlpit-lane-stand-08',
  rounds: '/rounds',
  pacer: '/sow/marlpit-lane-stand-08/pacer',
  shed: '/shed',
  beds: '/beds',
  standing: '/standing',
  'check, list': '/check',
  check: '/check/marlpit-lane-stand-10',
  watch: '/watch/marlpit-lane-stand-01',
  end: '/end/marlpit-lane-stand-01',
  'end, plan': '/end/marlpit-lane-stand-10/plan',
  'end, regrowth': '/end/marlpit-lane-stand-10/regrowth',
  'end, animals': '/end/marlpit-lane-stand-24/animals',
  'end, cut': '/end/marlpit-lane-stand-01/cut',
  'end, after': '/end/marlpit-lane-stand-37/after',
  plant: '/plant/marlpit-lane-stand-01',
  'plant, done': '/plant/marlpit-lane-stand-37',
  bed: '/bed/marlpit-lane-L1',
  'bed with a mix': '/bed/marlpit-lane-L4',
  'bed to be sown': '/bed/marlpit-lane-L5',
  reference: '/reference',
  'reference, a plant': '/reference/hairy-vetch',
  weather: '/weather',
  garden: '/garden',
  start: '/start',
}

type Room = [name: string, path: string]

/** Rooms that say few numbers. */
const FEW_NUMBERS = ['choose, list', 'sow, list', 'check, list', 'check', 'pacer', 'start']
/** Rooms that are used outdoors. */
const OUTDOORS = ['rounds', 'check', 'bed', 'sow', 'watch', 'end', 'plant', 'shed']

/** What must be there before a room is looked over. */
const READY: Record<string, string> = {
  watch: 'stages',
  end: 'endings',
  'end, plan': 'materials',
  'end, regrowth': 'grows-back-numbers',
  'end, animals': 'animal-numbers',
  'end, cut': 'cut-outcome',
  'end, after': 'own-table',
  plant: 'gates',
}

const reported = (name: string, violations: { id: string; nodes: { target: unknown[] }[] }[]) =>
  violations.map(
    ({ id, nodes }) =>
      `${name}: ${id} at ${nodes
        .map((node) => node.target.join(' '))
        .slice(0, 3)
        .join(', ')}`,
  )

const METRIC =
  /(?:^|[\d½¼¾,.–( ])\s?(?:m²|m³|cm|mm|km|kg|ml|°C|t\/ha|kg\/ha|g\/m²|ha)(?![\p{L}])|\d\s?(?:m|g|l)(?![\p{L}\d/])|per m²/u
const IMPERIAL =
  /(?:^|[\d½¼¾,.–( ])\s?(?:ft²|ft³|ft|lb|lb\/acre|oz|gal|°F|acre)(?![\p{L}])|\d\s?in(?![\p{L} ])|per ft²/u

/** All that a page says: text, labels, hints in fields, titles, and the text of drawings. */
const said = (page: Page) =>
  page.evaluate(() => {
    // The model's own parameters are told in the units of science.
    document.querySelectorAll('[data-si]').forEach((table) => table.setAttribute('hidden', ''))
    // Prints, and what is folded away, count too; answers bring more of it as they come.
    document.querySelectorAll('details').forEach((one) => (one.open = true))
    const lines: string[] = document.body.innerText.split('\n')
    for (const element of document.querySelectorAll('*')) {
      if (element.closest('[data-si]')) continue
      for (const name of ['aria-label', 'placeholder', 'title', 'aria-valuetext', 'alt'])
        if (element.hasAttribute(name)) lines.push(element.getAttribute(name)!)
      if (element instanceof SVGTextElement) lines.push(element.textContent)
    }
    return lines.map((line) => line.replaceAll('\u00a0', ' ').trim()).filter((line) => line !== '')
  })

/** Waits until the page says no more than it did a moment before. */
async function settled(page: Page) {
  let before = ''
  const same = async () => {
    const now = (await said(page)).join('\n')
    const still = now === before
    before = now
    return still
  }
  await expect.poll(same, { intervals: [700] }).toBe(true)
}

/** Months that German writes otherwise; alone, or beside a day or year. */
const ENGLISH_MONTH =
  /(?:\d\.?|^)\s?(?:May|Mar|March|June|July|Oct|October|Dec|December|January|February)(?:$|[ ,.]*\d)|\b(?:May|Mar|Oct|Dec)\s\d/

/** Goes to a room as a link in the app does, without loading the page anew. */
async function moveTo(page: Page, path: string) {
  await page.evaluate((to) => {
    document.querySelector('main > *')?.setAttribute('data-left', '')
    history.pushState(null, '', to)
    dispatchEvent(new PopStateEvent('popstate'))
  }, path)
  // The room before stands there until the next is read; where it is the same with other content, what is looked for in it tells.
  await page
    .locator('[data-left]')
    .waitFor({ state: 'detached', timeout: 3000 })
    .catch(() => undefined)
  await expect(page.locator('h1').first()).toBeAttached()
}

/** Opens what is folded away in a room and only said there. */
async function unfold(page: Page, name: string) {
  if (name in READY) await expect(page.getByTestId(READY[name])).toBeVisible()
  if (name === 'choose') {
    await expect(page.getByTestId('candidates')).toBeVisible()
    await page.getByText('It must', { exact: true }).click()
    await page.getByText('What if', { exact: true }).click()
  }
  if (name === 'sow') await page.getByText('Check with a ring').click()
  if (name === 'end') await page.getByText('Your own rules').first().click()
  if (name === 'plant') await page.getByText('Take the residue off instead').click()
  if (name === 'weather') {
    await expect(page.getByTestId('frosts')).toBeVisible()
    for (const fold of ['Observed days', 'Import daily weather', 'Place and usual year', 'Normals by hand'])
      await page.getByText(fold, { exact: true }).click()
  }
}

/** What axe finds in light, what is too faint in the dark, and outdoors. */
async function axeFinds(page: Page, name: string): Promise<string[]> {
  const light = await new AxeBuilder({ page }).analyze()
  // The other themes change colours only.
  const themed = async (theme: string, rule: string) => {
    await page.evaluate((to) => void (document.documentElement.dataset.theme = to), theme)
    return reported(
      `${name}, ${theme}`,
      (await new AxeBuilder({ page }).withRules([rule]).analyze()).violations,
    )
  }
  const dark = await themed('gall', 'color-contrast')
  const noon = OUTDOORS.includes(name) ? await themed('noon', 'color-contrast-enhanced') : []
  await page.evaluate(() => void (document.documentElement.dataset.theme = 'wool'))
  return [...reported(`${name}, light`, light.violations), ...dark, ...noon]
}

/** Controls that a thumb would miss. */
const tooSmall = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('button, input, select, textarea, summary, nav a, a.btn')]
      .filter(
        (element) =>
          element.checkVisibility() &&
          !element.closest('[aria-hidden="true"], .sr-only, dialog:not([open]), .loom-sheet'),
      )
      .flatMap((element) => {
        // The loom is one picture of many beds, opened from the lists too. A box to tick is touched by its words too; a link in a sentence is part of it.
        const touched = element.matches('[type=checkbox], [type=radio]')
          ? (element.closest('label') ?? element)
          : element
        const { width, height } = touched.getBoundingClientRect()
        return height > 0 && (height < 43.5 || width < 43.5)
          ? [
              `${element.tagName} ${(element.getAttribute('aria-label') ?? element.textContent ?? '').slice(0, 40)} ${Math.round(width)}×${Math.round(height)}`,
            ]
          : []
      }),
  )

/** What does not fit: at twice the size 1280 px are 640 wide, a phone is 390. */
async function doesNotFit(page: Page, name: string): Promise<string[]> {
  const found: string[] = []
  for (const [width, height] of [
    [640, 400],
    [390, 844],
  ]) {
    await page.setViewportSize({ width, height })
    await page.evaluate(() => new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve, 50))))
    const wide = await page.evaluate(() => document.documentElement.scrollWidth)
    if (wide !== width) found.push(`${name}: ${wide} px wide on ${width}`)
  }
  found.push(...(await tooSmall(page)).map((text) => `${name}: ${text}`))
  await page.setViewportSize({ width: 1280, height: 800 })
  return found
}

/** Lines of a room that say what they should not. */
async function strange(page: Page, name: string, foreign: readonly RegExp[]): Promise<string[]> {
  // The pacer’s own bar stays: it tells how far one has walked.
  if (name !== 'pacer') await expect(page.getByRole('progressbar')).toHaveCount(0)
  await settled(page)
  const lines = await said(page)
  if (!FEW_NUMBERS.includes(name))
    expect(lines.filter((line) => /\d/.test(line)).length, name).toBeGreaterThan(4)
  // What a grower called a pack of seed stays as it was called.
  const own = lines.map((line) => line.replaceAll('Phacelia, 100 g', ''))
  return [
    ...new Set(
      own
        .filter((line) => foreign.some((one) => one.test(line)))
        .map((line) => `${name}: ${line.slice(0, 140)}`),
    ),
  ]
}

const all: Room[] = Object.entries(ROOMS)
const parts = [all.filter((_, i) => i % 2 === 0), all.filter((_, i) => i % 2 === 1)]

for (const [part, rooms] of parts.entries()) {
  test.describe(`in English and metric, part ${part + 1}`, () => {
    test.use({ hasTouch: true, colorScheme: 'light' })
    test('every room passes axe in three themes, fits a phone and a thumb, and says no imperial unit', async ({
      page,
    }) => {
      await openDemo(page, 'marlpit-lane')
      const found: string[] = []
      for (const [name, path] of rooms) {
        await moveTo(page, path)
        await unfold(page, name)
        found.push(...(await axeFinds(page, name)))
        found.push(...(await doesNotFit(page, name)))
        found.push(...(await strange(page, name, [IMPERIAL])))
      }
      expect(found).toEqual([])
    })
  })
  test.describe(`in German and imperial, part ${part + 1}`, () => {
    test.use({ locale: 'de-DE' })
    test('every room says no metric unit and no English date', async ({ page }) => {
      await openDemo(page, 'marlpit-lane')
      await moveTo(page, '/garden')
      await openChange(page)
      await page.getByLabel('Units').selectOption('imperial')
      await page.getByRole('button', { name: 'Save settings' }).click()
      // Leaving before it is stored would leave it unchanged.
      await expect(page.getByRole('link', { name: /^This week: .* in of rain/ })).toBeVisible()
      const found: string[] = []
      for (const [name, path] of rooms) {
        await moveTo(page, path)
        if (name in READY) await expect(page.getByTestId(READY[name])).toBeVisible()
        // The page for a new garden speaks the units of the browser’s country.
        found.push(
          ...(await strange(page, name, name === 'start' ? [ENGLISH_MONTH] : [METRIC, ENGLISH_MONTH])),
        )
      }
      expect(found).toEqual([])
      expect(ENGLISH_MONTH.test('12 May')).toBe(true)
    })
  })
}
