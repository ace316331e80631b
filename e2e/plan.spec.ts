import { expect, test, type Page } from '@playwright/test'
import { ranked, startOwn } from './helpers'

const line = (page: Page) => page.getByTestId('plan-line')

/** What the plan line says of a plan, once it is worked out. */
async function said(page: Page) {
  const worked = await page.waitForFunction(() => {
    const node = document.querySelector<HTMLElement>('[data-testid="plan-line"][data-state="ready"]')
    if (!node) return null
    const { chance, sown, end, plant, method, crop } = node.dataset
    return { chance, sown, end, plant, method, crop }
  }, null)
  return (await worked.jsonValue())!
}

/** An own garden of one bed from an empty browser, on today's date. */
async function ownGarden(page: Page, units: 'metric' | 'imperial') {
  const tools = ['hand shears', 'black tarp', 'rake', 'wheelbarrow', 'spade or fork']
  await startOwn(page, { name: 'Behind the barn', units, tools })
  await page
    .getByRole('link', { name: /^A1: bare .* Choose a cover/ })
    .first()
    .click()
}

const dayAfter = (date: string) => new Date(Date.parse(date) + 86_400_000).toISOString().slice(0, 10)
const inDays = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10)

test('one plan, one truth: Choose, Sow, Watch, End and Plant say the same of an own bed', async ({
  page,
}) => {
  await ownGarden(page, 'metric')
  // No day is invented where nothing follows.
  await expect(page.getByLabel('Needed by')).toHaveValue('')
  const plant = inDays(200)
  await page.getByLabel('Next crop').selectOption('leek')
  await expect(page.getByRole('alert')).toContainText('Say when the crop is to be planted')
  await page.getByLabel('Needed by').fill(plant)
  await ranked(page)
  const chosen = await said(page)
  expect(chosen).toMatchObject({ plant, crop: 'leek' })
  await page
    .getByTestId('candidates')
    .getByRole('button', { name: /^Choose/ })
    .first()
    .click()
  await expect(page).toHaveURL(/\/sow\//)
  const id = new URL(page.url()).pathname.split('/').pop()
  await expect(page.getByTestId('total-grams')).toBeVisible()
  expect(await said(page)).toEqual(chosen)

  await page.goto(`/watch/${id}`)
  expect(await said(page)).toEqual(chosen)
  await page.goto(`/end/${id}`)
  expect(await said(page)).toEqual(chosen)
  await expect(page.getByLabel('Plant leek on')).toHaveValue(plant)
  await expect(page.getByText('Ending this stand by every way')).toHaveCount(0)
  const planned = page
    .getByRole('row')
    .filter({ has: page.getByRole('button', { name: /^Plan/ }) })
    .filter({ hasText: 'Planned' })
  await expect(planned).toContainText(`${chosen.chance} in 100`)

  await page.goto(`/plant/${id}`)
  expect(await said(page)).toEqual(chosen)
  await expect(page.getByLabel('Crop', { exact: true })).toHaveValue('leek')
  await expect(page.getByLabel('Planting planned for')).toHaveValue(plant)

  // A change in one room changes the line, says by how much, and is put back or kept for all.
  await page.getByLabel('Planting planned for').fill(inDays(212))
  await expect(page.getByTestId('plan-change')).toContainText(/in 100 (more|less) than the plan|stays at/)
  await page.goto(`/end/${id}`)
  expect((await said(page)).plant).toBe(inDays(212))
  await page.getByRole('button', { name: 'Put back' }).click()
  expect(await said(page)).toEqual(chosen)

  // What cannot be is said on the line, and nothing stored changes.
  await page.goto(`/plant/${id}`)
  await page.getByLabel('Planting planned for').fill(dayAfter(chosen.sown!))
  await expect(line(page).getByRole('alert')).toContainText('comes before the cover is ended')
  await expect(line(page).getByRole('button', { name: 'Keep' })).toBeDisabled()
  await page.getByRole('button', { name: 'Put back' }).click()
  expect(await said(page)).toEqual(chosen)
})
