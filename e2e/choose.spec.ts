import { expect, test } from '@playwright/test'
import { openDemo, openLoom, ranked, woven } from './helpers'

test('purposes, limits and tools each change what fits, and say why', async ({ page }) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto('/choose/marlpit-lane-P3')
  await ranked(page)
  const list = page.getByTestId('candidates')
  const left = page.getByTestId('rejections')
  await expect(list.getByRole('listitem').first()).toContainText(/next:|next\.|next, which has/)
  const before = await list.textContent()

  await page.getByRole('checkbox', { name: 'Feed insects' }).check()
  await expect(list).toContainText('in flower for insects')
  await ranked(page)
  await expect(list).not.toHaveText(before ?? '')

  await page.getByText('It must', { exact: true }).click()
  await page.getByRole('checkbox', { name: 'no grasses' }).check()
  await ranked(page)
  await expect(left).toContainText('A grass, and you asked for none.')
  await expect(list).not.toContainText('Oats')

  await page.getByRole('checkbox', { name: 'only seed at hand' }).check()
  await expect(left).toContainText('No seed of it is marked as at hand.')
  await ranked(page)
  await expect(list).toContainText('Buckwheat')
  await expect(list).not.toContainText('Phacelia')
  await page.getByRole('checkbox', { name: 'only seed at hand' }).uncheck()

  await page.getByLabel('Not taller than, m').fill('9')
  await expect(page.getByRole('alert')).toContainText('between 0.1 and 5 m')
  await page.getByLabel('Not taller than, m').fill('')

  await page.getByText('What if', { exact: true }).click()
  for (const tool of await page.getByRole('group', { name: 'With these tools' }).getByRole('checkbox').all())
    await tool.uncheck()
  await expect(left).toContainText('Cannot be ended in time')
})

test('the grower’s own mix is grown as its shares move, and can be chosen', async ({ page }) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto('/choose/marlpit-lane-P3')
  await ranked(page)
  const own = page.getByRole('region', { name: 'Own mix' })
  await own.getByLabel('Add a species').selectOption('oats')
  await own.getByLabel('Add a species').selectOption('field-pea')
  const result = page.getByTestId('own-mix')
  await expect(result).toContainText('dry matter grown')
  const before = await result.textContent()
  await own.getByRole('slider', { name: /Oats/ }).fill('25')
  await expect(result).not.toHaveText(before ?? '')
  await own.getByRole('button', { name: 'Choose this mix' }).click()
  await expect(page).toHaveURL(/\/sow\//)
  await expect(page.getByRole('heading', { level: 1 })).toContainText(/Oats with field pea/i)
})

test('light under a standing crop: from the loom to a plan under it', async ({ page }) => {
  await openLoom(page, 'marlpit-lane')
  const thread = page.getByRole('link', { name: /^L2: sow under tomato from .* bare weeks recovered/ })
  await expect(thread).toBeVisible()
  await thread.click()
  await expect(page.getByText(/Under tomato: sow from .*; light returns about/)).toBeVisible()
  // Beside the weeks it fills stands what it may cost the crop.
  await expect(page.getByTestId('cost-above').first()).toContainText(
    /(May cost|Costs) the tomato .*for \d+ bare weeks filled/,
  )
  await ranked(page)
  await page
    .getByTestId('candidates')
    .getByRole('button', { name: /^Choose/ })
    .first()
    .click()
  await expect(page).toHaveURL(/\/sow\//)
  await page.goto('/')
  await woven(page)
  await expect(page.getByRole('link', { name: /^L2: sow under tomato/ })).toHaveCount(0)
})

test('what was bad in a bed keeps its family away', async ({ page }) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto('/bed/marlpit-lane-P3')
  await page.getByText('Diseases and pests').click()
  const form = page.getByRole('form', { name: 'Disease or pest' })
  await form.getByRole('button', { name: 'Note it' }).click()
  await expect(page.getByRole('alert').first()).toContainText('Plant family')
  await form.getByLabel('Plant family').selectOption('Brassicaceae')
  await form.getByLabel('Trouble').fill('clubroot')
  await form.getByRole('button', { name: 'Note it' }).click()
  await expect(page.getByText('clubroot on Brassicaceae')).toBeVisible()
  await page.goto('/choose/marlpit-lane-P3')
  await ranked(page)
  await expect(page.getByTestId('rejections')).toContainText('as what had clubroot here in 2026')
})

test('plants are searched, filtered and sorted; each shows its year here and its numbers', async ({
  page,
}) => {
  await openDemo(page, 'harrier-point')
  await page.goto('/reference')
  const rows = page.getByTestId('plants').getByRole('row')
  await expect(rows).toHaveCount(42)
  await page.getByLabel('Search').fill('trifolium')
  await expect(rows).toHaveCount(6)
  await page.getByLabel('Search').fill('')
  await page.getByLabel('Only what').selectOption('nematodes')
  await page.getByRole('button', { name: 'Height' }).click()
  await expect(rows.nth(1)).toContainText('Black oat')
  await page.getByRole('link', { name: 'Black oat' }).click()
  await expect(page.getByTestId('plant-year').getByRole('row')).toHaveCount(13)
  await page.getByRole('button', { name: 'Mark seed as at hand' }).click()
  await page.getByText('Numbers it grows by').click()
  await expect(page.getByTestId('parameters')).toContainText('judgement')
  await expect(page.getByTestId('parameters')).toContainText('published')
  await page.goto('/reference')
  await page.getByLabel('Search').fill('strigosa')
  await expect(rows.nth(1)).toContainText('seed at hand')
})
