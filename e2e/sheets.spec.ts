import { expect, test, type Page } from '@playwright/test'
import { openField } from './fieldGarden'
import { stepWeeks } from './helpers'

/** Does a job of the rounds; it leaves the list once it is recorded. */
async function done(page: Page, name: RegExp) {
  const job = page.getByRole('button', { name })
  await job.click()
  await expect(job).toHaveCount(0)
}

test('a sheet on a bed made ready is planned around what stands there, laid and taken off from Rounds', async ({
  page,
}, info) => {
  test.setTimeout(100_000)
  await openField(page, info)
  await page.goto('/bed/C1')
  const here = page.getByTestId('sheet-here')
  await here.locator('summary').first().click()
  const form = page.getByRole('form', { name: 'A sheet on this bed' })
  await form.getByLabel('On', { exact: true }).selectOption('weed flush')
  await form.getByLabel('Laid on').fill('2026-04-25')
  await form.getByLabel('Off on').fill('2026-05-08')
  await expect(here).toContainText(/Cabbage stands there until 28 Apr/)
  await expect(here).toContainText(/Potato begins there on 5 May.*Take the sheet off before/)
  await expect(form.getByRole('button')).toBeDisabled()
  await form.getByLabel('Laid on').fill('2026-04-28')
  await form.getByLabel('Off on').fill('2026-05-05')
  await expect(here.getByTestId('sheet-outlook')).toContainText(
    /Done by 5 May 2026: (\d+ in 100|very unlikely)/,
  )
  await form.getByRole('button', { name: 'Plan it' }).click()
  await expect(here.getByRole('listitem')).toContainText('to be laid 28 Apr 2026, off 5 May')

  // The loom weaves it, the Shed tells where it lies, and the bed is not bare under it.
  await expect(page.getByText('Black sheet on a bed made ready').first()).toBeVisible()
  await page.goto('/shed')
  await expect(page.getByTestId('sheets-lying')).toContainText(/C1.*planned 28 Apr/)
  await page.goto('/')
  await expect(page.getByRole('button', { name: /^C1: sheet, planned from 28 Apr/ })).toBeVisible()
  await stepWeeks(page, 2)
  await page.goto('/rounds')
  await done(page, /^Done: Lay the black sheet/)
  await page.goto('/bed/C1')
  await here.locator('summary').first().click()
  await expect(here.getByRole('listitem')).toContainText(/lies since 4 May 2026, off 5 May/)
  await stepWeeks(page, 1)
  await page.goto('/rounds')
  await done(page, /^Done: Take the black sheet.* off/)
  await page.goto('/bed/C1')
  await expect(page.getByText(/Took off black sheet on a bed made ready/)).toBeVisible()
})
