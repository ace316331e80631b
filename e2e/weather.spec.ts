import { expect, test } from '@playwright/test'
import { openDemo } from './helpers'

test('the place moved north makes the last frost later; a wrong latitude is refused with the reason', async ({
  page,
}) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto('/weather')
  const frosts = page.getByTestId('frosts')
  await expect(frosts).toBeVisible({ timeout: 60_000 })
  const before = await frosts.textContent()
  await page.getByText('Place and normals by hand').click()
  const form = page.getByRole('form', { name: 'Place and normals' })
  await form.getByLabel('Latitude').fill('71')
  await form.getByRole('button', { name: 'Save the place' }).click()
  await expect(form.getByRole('alert')).toContainText('Latitude must be between -66 and 66')
  await form.getByLabel('Latitude').fill('60')
  await form.getByLabel('Start from a climate').selectOption('boreal')
  await form.getByRole('button', { name: 'Save the place' }).click()
  await expect(form.getByRole('alert')).toHaveCount(0)
  await expect(frosts).not.toHaveText(before ?? '', { timeout: 60_000 })
  await page.reload()
  await expect(page.getByText('60° N')).toBeVisible()
})

test('the bed shows its year, its stages and four bands with the checks', async ({ page }) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto('/bed/marlpit-lane-L1')
  await expect(page.getByTestId('stages')).toBeVisible({ timeout: 60_000 })
  for (const name of ['Green cover', 'Dry matter', 'Height', 'Nitrogen in the growth'])
    await expect(page.getByRole('img', { name: new RegExp(`^${name} over time`) })).toBeVisible()
  await expect(
    page.getByRole('img', { name: /Green cover over time with its range and 1 checks/ }),
  ).toBeVisible()
  await expect(page.getByRole('img', { name: /The year of L1/ })).toBeVisible()
})
