import { expect, test, type Page } from '@playwright/test'
import { openChange, openDemo } from './helpers'

/** Rooms that show many quantities each. */
const ROOMS = [
  '/',
  '/rounds',
  '/beds',
  '/bed/marlpit-lane-L1',
  '/bed/marlpit-lane-L4',
  '/bed/marlpit-lane-L5',
  '/choose/marlpit-lane-P3',
  '/sow/marlpit-lane-stand-08',
  '/watch/marlpit-lane-stand-01',
  '/end/marlpit-lane-stand-01',
  '/end/marlpit-lane-stand-01/plan',
  '/end/marlpit-lane-stand-10/regrowth',
  '/end/marlpit-lane-stand-24/animals',
  '/end/marlpit-lane-stand-01/cut',
  '/end/marlpit-lane-stand-37/after',
  '/plant/marlpit-lane-stand-01',
  '/shed',
  '/reference',
  '/reference/cereal-rye',
  '/weather',
  '/garden',
  '/standing',
]

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

async function strange(page: Page, foreign: RegExp, rooms = ROOMS): Promise<string[]> {
  const found: string[] = []
  for (const room of rooms) {
    await page.goto(room)
    await expect(page.locator('main h1').first()).toBeAttached()
    await expect(page.getByRole('progressbar')).toHaveCount(0)
    await page.waitForLoadState('networkidle')
    await settled(page)
    const lines = await said(page)
    expect(lines.filter((line) => /\d/.test(line)).length, room).toBeGreaterThan(4)
    // What a grower called a pack of seed stays as it was called.
    found.push(
      ...lines
        .filter((line) => foreign.test(line.replaceAll('Phacelia, 100 g', '')))
        .map((line) => `${room}: ${line.slice(0, 140)}`),
    )
  }
  return [...new Set(found)]
}

test('an imperial garden shows no metric unit', async ({ page }) => {
  test.slow()
  await openDemo(page, 'marlpit-lane')
  await page.goto('/garden')
  await openChange(page)
  await page.getByLabel('Units').selectOption('imperial')
  await page.getByRole('button', { name: 'Save settings' }).click()
  // Leaving before it is stored would leave it unchanged.
  await expect(page.getByRole('link', { name: /^This week: .* in of rain/ })).toBeVisible()
  expect(await strange(page, METRIC)).toEqual([])
})

test('a metric garden shows no imperial unit', async ({ page }) => {
  test.slow()
  await openDemo(page, 'marlpit-lane')
  expect(await strange(page, IMPERIAL)).toEqual([])
})

test.describe('in German', () => {
  test.use({ locale: 'de-DE' })
  // Months that German writes otherwise; alone, or beside a day or year.
  const ENGLISH_MONTH =
    /(?:\d\.?|^)\s?(?:May|Mar|March|June|July|Oct|October|Dec|December|January|February)(?:$|[ ,.]*\d)|\b(?:May|Mar|Oct|Dec)\s\d/
  test('no date is told in English', async ({ page }) => {
    test.slow()
    await openDemo(page, 'marlpit-lane')
    expect(await strange(page, ENGLISH_MONTH)).toEqual([])
    // The other way round, the words looked for are those that English shows.
    expect(ENGLISH_MONTH.test('12 May')).toBe(true)
  })
})

/** The first number before a unit in some text. */
const number = (text: string, unit: RegExp) =>
  Number(
    new RegExp(String.raw`([\d.,]+)\s(?=${unit.source})`)
      .exec(text.replaceAll('\u00a0', ' '))?.[1]
      .replace(',', ''),
  )

test('amounts for the bed and per area are one: grams by ground are the rate, and the switch changes nothing else', async ({
  page,
}) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto('/sow/marlpit-lane-stand-08')
  await expect(page.getByTestId('total-grams')).toBeVisible()
  const heading = await page.getByRole('heading', { name: /^Weigh/ }).innerText()
  const areaM2 = number(heading, /m²/)
  const line = await page
    .getByRole('list', { name: 'Recipe' })
    .getByRole('listitem')
    .filter({ hasText: 'Buckwheat' })
    .innerText()
  const rate = number(line, /g\/m²/)
  expect(number(line, /g/) / areaM2 / rate).toBeGreaterThan(0.93)
  expect(number(line, /g/) / areaM2 / rate).toBeLessThan(1.07)

  await page.goto('/bed/marlpit-lane-L1')
  const told = page.getByText(/^Today .* of the ground green/).first()
  await expect(told).toBeVisible()
  const bed = await told.innerText()
  const ground = number(await page.getByText(/to sow, in-ground/).innerText(), /m² to sow/)
  await page.getByRole('button', { name: /^Amounts per hectare/ }).click()
  await expect(told).toContainText('t/ha')
  const perArea = await told.innerText()
  const tonnes = (number(bed, /kg dry matter/) / ground) * 10
  expect(tonnes / number(perArea, /t\/ha dry matter/)).toBeCloseTo(1, 1)
  const nitrogen = (number(bed, /g nitrogen/) / ground) * 10
  expect(nitrogen / number(perArea, /kg\/ha nitrogen/)).toBeCloseTo(1, 1)
})
