import { expect, test } from '@playwright/test'
import { openField } from './fieldGarden'
import { roundsUntil } from './helpers'

test('two crops follow one cover on its halves, each with its chance; the one is planted through fabric that is owned, then the plan goes on to the other', async ({
  page,
}, info) => {
  test.slow()
  await openField(page, info)
  await page.goto('/shed#tools')
  const tools = page.getByRole('form', { name: 'Tools' })
  await tools.getByRole('checkbox', { name: 'woven fabric' }).check()
  const fabric = tools.getByRole('listitem').filter({ hasText: 'woven fabric' })
  await fabric.getByLabel(/^width/).fill('1.3')
  await fabric.getByLabel(/^length/).fill('6')
  await fabric.getByLabel(/^holes apart/).fill('28')
  await fabric.getByLabel(/^bought in/).fill('2012')
  await tools.getByRole('button', { name: 'Save tools' }).click()
  await expect(page.getByText(/Changed/).first()).toBeVisible()

  const add = async (crop: string, ground: string, day: string) => {
    await page.goto('/')
    await page.getByRole('button', { name: 'Crop', exact: true }).click()
    const dialog = page.getByRole('dialog')
    await dialog.getByLabel('Bed', { exact: true }).selectOption({ label: 'R1' })
    await dialog.getByLabel('Crop', { exact: true }).selectOption(crop)
    await dialog.getByLabel('Ground', { exact: true }).selectOption(ground)
    await dialog.getByLabel('From', { exact: true }).fill(day)
    await dialog.getByRole('button', { name: 'Add crop' }).click()
    await expect(dialog).toHaveCount(0)
  }
  await add('lettuce', 'first half', '2026-06-12')
  await add('squash', 'second half', '2026-06-20')

  // Every room tells both, each with its own chance.
  const beside = page.getByTestId('plan-beside')
  const line = page.getByTestId('plan-line')
  const told: string[] = []
  for (const room of ['end', 'plant']) {
    await page.goto(`/${room}/field-R1`)
    await expect(line).toContainText('lettuce, first half, 12 Jun')
    await expect(beside).toContainText(
      /^Squash, second half 20 Jun: (\d+ in 100|nearly certain|very unlikely)/,
    )
    told.push(`${await beside.textContent()} ${await line.getAttribute('data-chance')}`)
  }
  expect(told[0]).toBe(told[1])

  // The grower chooses which of them the plan goes on to, and every room goes with it.
  await beside.getByRole('button', { name: 'Go on to Squash, second half' }).click()
  await expect(line).toContainText('squash, second half, 20 Jun')
  await expect(beside).toContainText(/^Lettuce, first half 12 Jun: /)
  await page.goto('/end/field-R1')
  await expect(line).toContainText('squash, second half, 20 Jun')
  await beside.getByRole('button', { name: 'Go on to Lettuce, first half' }).click()
  await expect(line).toContainText('lettuce, first half, 12 Jun')
  await page.goto('/plant/field-R1')

  // The fabric that lies in the shed fits the lettuce by its holes, and is old.
  const film = page.getByTestId('through').getByRole('listitem').filter({ hasText: 'Film or fabric' })
  await expect(film.getByTestId('own-film')).toContainText(
    /Your woven fabric 1\.3\sm × 6\sm, holes 28\scm apart; 5 years past its life/,
  )
  await film.getByRole('button', { name: /^Plan/ }).click()
  await page.getByTestId('plan-change').getByRole('button', { name: 'Keep' }).click()
  await expect(page.getByTestId('plan-change')).toHaveCount(0)
  await page.goto('/shed#tools')
  await expect(page.getByTestId('sheets-lying')).toContainText(/R1, first half.*lettuce.*planned 12 Jun/)
  await expect(page.getByTestId('sheets-lying')).toContainText(/5 years past its life/)

  // Once the lettuce stands the plan goes on to the squash.
  await page.goto('/rounds')
  const ended = page.getByRole('button', { name: /^Done: End cereal rye, R1/ })
  await roundsUntil(page, ended)
  await ended.click()
  const planted = page.getByRole('button', { name: /^Done: Plant lettuce, R1/ })
  await roundsUntil(page, planted)
  await planted.click()
  await expect(planted).toHaveCount(0)
  await page.goto('/plant/field-R1')
  await expect(line).toContainText('squash, second half, 20 Jun')
  await expect(beside).toContainText(/Lettuce, first half \d+ Jun: planted/)
})
