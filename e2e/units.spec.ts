import { expect, test } from '@playwright/test'
import { openDemo } from './helpers'

/** The first number before a unit in some text. */
const number = (text: string, unit: RegExp) =>
  Number(
    new RegExp(String.raw`([\d.,]+)\s(?=${unit.source})`)
      .exec(text.replaceAll('\u00a0', ' '))?.[1]
      .replace(',', ''),
  )

/** Half of what the last digit of a number in two significant digits, or in one, stands for: what was rounded away. */
const rounding = (told: number) => 10 ** Math.floor(Math.log10(told) - 1) / 2

/** An amount of the bed and the same per area are one, as far as the digits told can say (g/m² are ten kg/ha). */
function expectSame(bed: string, ofBed: RegExp, ground: number, perArea: string, ofArea: RegExp) {
  const amount = number(bed, ofBed)
  const rate = number(perArea, ofArea)
  const least = ((amount - rounding(amount)) / (ground + 0.5)) * 10
  const most = ((amount + rounding(amount)) / (ground - 0.5)) * 10
  expect(most).toBeGreaterThan(rate - rounding(rate))
  expect(least).toBeLessThan(rate + rounding(rate))
}

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
  expectSame(bed, /kg dry matter/, ground, perArea, /t\/ha dry matter/)
  expectSame(bed, /g nitrogen/, ground, perArea, /kg\/ha nitrogen/)
})
