import { expect, test } from '@playwright/test'
import { gramsIn, openDemo } from './helpers'

test('from the recipe to the pacer, running out, the recorded sowing and the stock drawn down', async ({
  page,
}) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto('/shed')
  await page.getByText('Add a bag or packet').click()
  const lot = page.getByRole('form', { name: 'Seed lot' })
  await lot.getByLabel('What is in it').selectOption('buckwheat')
  await lot.getByLabel('Weight, g').fill('a sack')
  await lot.getByRole('button', { name: 'Add it' }).click()
  await expect(lot.getByText('The weight must be a number.')).toBeVisible()
  await lot.getByLabel('Weight, g').fill('1000')
  await lot.getByLabel('Price, EUR').fill('4,50')
  await lot.getByLabel('Seeds laid out').fill('50')
  await lot.getByLabel('Of them sprouted').fill('60')
  await lot.getByRole('button', { name: 'Add it' }).click()
  await expect(lot.getByText('More seeds sprouted than were laid out')).toBeVisible()
  await lot.getByLabel('Of them sprouted').fill('40')
  await lot.getByRole('button', { name: 'Add it' }).click()
  await expect(page.getByTestId('lots')).toContainText('79 % by own test')
  await expect(page.getByTestId('needs')).toContainText('Buckwheat')

  await page.goto('/sow/marlpit-lane-stand-08')
  await expect(page.getByTestId('portions-medium')).toContainText('over 9 paces')
  await expect(page.getByTestId('bare-patches')).toContainText('in 2 passes')
  await expect(page.getByTestId('sowing-days')).toBeVisible()
  await page.getByRole('button', { name: 'Use it for the recipe' }).click()
  // The older bag, 120 g of last year, is used up first, so its germination counts.
  await expect(page.getByLabel('Germination, %')).toHaveValue('81')
  const total = gramsIn(await page.getByTestId('total-grams').textContent())

  await page.getByText('Check with a ring').click()
  await page.getByLabel('Buckwheat, counted').fill('30 34 31')
  await expect(page.getByTestId('ring')).toContainText('throw the rest at')

  await page.getByRole('link', { name: 'Start the pacer' }).click()
  const pacer = page.getByTestId('pacer')
  await pacer.getByLabel('Pace').selectOption('0.8')
  await pacer.getByRole('button', { name: 'Start' }).click()
  await expect(page.getByTestId('cast')).toHaveText(/^[3-9] /)
  await pacer.getByRole('button', { name: 'I ran out here' }).click()
  await pacer.getByRole('slider').fill('50')
  await pacer.getByRole('button', { name: 'Share out what is left' }).click()
  await expect(page.getByTestId('ran-out')).toContainText('too thick as far as it went')
  await expect(page.getByTestId('ran-out')).toContainText(/weigh [\d,]+\sg more/)
  await page.getByRole('link', { name: 'Back to the recipe' }).click()

  await page.getByRole('button', { name: 'Record sowing' }).click()
  await expect(page).toHaveURL(/\/watch\//)
  await expect(page.getByTestId('up-yet')).toContainText('is not due yet')
  await page.goto('/shed')
  const bags = page.getByTestId('lots').getByRole('row', { name: /Buckwheat/ })
  await expect(bags).toHaveCount(2)
  const left = await bags.evaluateAll((rows) => rows.map((row) => row.querySelectorAll('td')[2].textContent))
  expect(left[0]).toMatch(/^0\s/)
  expect(Math.abs(gramsIn(left[1]) - (1120 - total))).toBeLessThan(2)
})

test('the pacer calls by the clock: it counts on through a stall, and stands still while paused', async ({
  page,
}) => {
  await openDemo(page, 'harrier-point')
  await page.goto('/sow')
  await page.getByRole('link', { name: /Buckwheat/ }).click()
  await page.getByRole('link', { name: 'Start the pacer' }).click()
  const pacer = page.getByTestId('pacer')
  const casts = page.getByTestId('cast')
  await pacer.getByLabel('Pace').selectOption('0.8')
  // Time made by the test, so that a busy machine cannot make it late.
  await page.clock.install()
  await page.clock.pauseAt(Date.now() + 3_600_000)
  await pacer.getByRole('button', { name: 'Start' }).click()
  await page.clock.runFor(2500)
  await expect(casts).toHaveText(/^4 /)
  expect(Number(await pacer.getAttribute('data-late-ms'))).toBeLessThanOrEqual(16)
  await pacer.getByRole('button', { name: 'Pause' }).click()
  await page.clock.runFor(5000)
  await expect(casts).toHaveText(/^4 /)
  await pacer.getByRole('button', { name: 'Go on' }).click()
  await page.clock.fastForward(1700)
  await page.clock.runFor(20)
  await expect(casts).toHaveText(/^6 /)
})

test('hands are measured, a batch is weighed for two beds, and the cheapest packs are found', async ({
  page,
}) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto('/shed')
  const measures = page.getByRole('form', { name: 'Own measures' })
  await measures.getByLabel('Name').fill('Jo')
  await measures.getByLabel('In the cup, g').fill('0')
  await measures.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByRole('alert')).toContainText('What is in the cup must be above 0')
  await measures.getByLabel('In the cup, g').fill('150')
  await measures.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByTestId('sowers')).toContainText('Jo: 30 g medium')

  await page.getByText('Packs that can be bought').click()
  const pack = page.getByRole('form', { name: 'Pack' })
  for (const [weight, price] of [
    ['500', '2'],
    ['5000', '9'],
  ]) {
    await pack.getByLabel('Seed of').selectOption('sorghum-sudangrass')
    await pack.getByLabel('Weight, g').fill(weight)
    await pack.getByLabel('Price, EUR').fill(price)
    await pack.getByRole('button', { name: 'List it' }).click()
    await expect(page.getByText(new RegExp(`Sorghum-sudangrass .*, €${price}\\.00`))).toBeVisible()
  }
  await expect(page.getByTestId('basket')).toContainText('1 × Sorghum-sudangrass 500 g')

  await page.goto('/sow')
  await page.getByText('Weigh one batch for several beds').click()
  await page.getByRole('checkbox', { name: /^L1: Cereal rye/ }).check()
  await page.getByRole('checkbox', { name: /^P4: Cereal rye/ }).check()
  await page.getByLabel('Sowers').fill('2')
  await expect(page.getByTestId('batch').getByRole('row')).toHaveCount(4)
  await expect(page.getByTestId('batch')).toContainText('Each of 2')

  await page.goto('/sow/marlpit-lane-stand-08')
  await expect(page.getByLabel('Thrown by')).toBeVisible()
})

test('small sums: a packet, a spreader, a blend against own seed', async ({ page }) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto('/reference')
  const sums = page.getByRole('region', { name: 'Small sums' })
  await sums.getByLabel('Weight, g').fill('50')
  await expect(page.getByTestId('packet')).toContainText(/about \d+\sm²/)
  await sums.getByLabel('Lost over the strip, g').fill('300')
  await expect(page.getByTestId('spreader')).toContainText('5 g/m²')
  await sums.getByLabel('Kind 1').selectOption('buckwheat')
  await sums.getByLabel('Kind 2').selectOption('phacelia')
  await sums.getByLabel('Seeds counted').first().fill('80')
  await sums.getByLabel('Seeds counted').last().fill('300')
  await sums.getByLabel(/Price of the blend/).fill('9')
  await expect(page.getByTestId('blend')).toContainText('buckwheat 79')
  await sums.getByLabel('Sown at, g/m²').fill('10')
  await expect(page.getByTestId('blend')).toContainText('of phacelia')
  await expect(page.getByTestId('blend')).toContainText('The same from straight seed costs')
})
