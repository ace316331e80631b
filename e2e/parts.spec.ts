import { expect, test, type Page } from '@playwright/test'
import { openDemo, stepWeeks, todayOf } from './helpers'

const RYE = '/end/marlpit-lane-stand-10'

async function partIt(page: Page) {
  await page.goto(RYE)
  await page.getByText('Treat its parts apart').click()
  await page.getByRole('button', { name: 'Part it' }).click()
  await expect(page).toHaveURL(/\/bed\/marlpit-lane-L4$/)
}

const compared = (page: Page) => page.getByTestId('parts-compared')

async function endPart(page: Page, part: string, method: string, minutes: string) {
  await page.goto('/bed/marlpit-lane-L4')
  await compared(page).getByRole('link', { name: part }).click()
  await page.getByRole('link', { name: 'Afterwards' }).click()
  const form = page.getByRole('form', { name: 'Record the end' })
  await form.getByLabel('How', { exact: true }).selectOption(method)
  await form.getByLabel('Done on').fill(await todayOf(page))
  await form.getByLabel('Minutes').fill(minutes)
  await form.getByRole('button', { name: 'Record the end' }).click()
  await expect(page.getByRole('form', { name: 'Count what stands again' })).toBeVisible()
}

async function count(page: Page, part: string, standing: string) {
  await page.goto('/bed/marlpit-lane-L4')
  await compared(page).getByRole('link', { name: part }).click()
  const form = page.getByRole('form', { name: 'Count what stands again' })
  await form.getByLabel('Counted on').fill(await todayOf(page))
  await form.getByLabel('Plants standing again').fill(standing)
  await form.getByLabel('Stood there before').fill('40')
  await form.getByRole('button', { name: 'Record the count' }).click()
  await expect(page.getByRole('table', { name: 'Counts after the end' })).toContainText(`${standing} of 40`)
}

test('two halves of a bed are ended differently, counted, and held against each other', async ({ page }) => {
  test.slow()
  await openDemo(page, 'marlpit-lane')
  await page.goto('/bed/marlpit-lane-L4')
  const at = page.getByTestId('at-the-bed')
  await expect(at).toContainText('nearly certain', { timeout: 60_000 })
  await partIt(page)
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click()
  await expect(compared(page)).toHaveCount(0)
  await partIt(page)

  // Either half says the same of its plan as the whole did, and no ground has become bare by it.
  await expect(at.getByText(/first half\./)).toBeVisible()
  await expect(at.getByText(/second half\./)).toBeVisible()
  await expect(at.getByText(/nearly certain/)).toHaveCount(2, { timeout: 60_000 })
  await expect(page.getByText(/^Bare .* to 18 Jun/)).toHaveCount(0)
  await stepWeeks(page, 2)
  await page.goto('/rounds')
  for (const part of ['first half', 'second half'])
    await expect(page.getByText(new RegExp(`^End cereal rye, ${part}`))).toBeVisible({ timeout: 60_000 })

  await stepWeeks(page, 3)
  await endPart(page, 'first half', 'crimp', '12')
  await endPart(page, 'second half', 'chop', '20')
  await page.goto('/bed/marlpit-lane-L4')
  await expect(compared(page)).toContainText('Count on either part')
  await stepWeeks(page, 2)
  await count(page, 'first half', '2')
  await count(page, 'second half', '18')
  await page.goto('/bed/marlpit-lane-L4')
  await expect(compared(page).getByRole('row', { name: /first half/ })).toContainText(/crimp.*5\s%.*12\smin/)
  await expect(compared(page).getByRole('row', { name: /second half/ })).toContainText(
    /chop and drop.*45\s%.*20\smin/,
  )
  await expect(compared(page)).toContainText(
    /Fewer stood again on the first half \(crimp\)\. That this is no accident: nearly certain/,
  )
  await expect(compared(page)).toContainText('One bed in one year')
})
