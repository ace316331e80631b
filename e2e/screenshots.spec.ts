import { expect, test, type Locator, type Page } from '@playwright/test'
import { openLoom, ranked, woven } from './helpers'

/** Pictures of the main views for the docs: `npm run screenshots`. Not part of the tests. */
const VIEWS = [
  { name: 'rounds', path: '/rounds', ready: 'jobs' },
  { name: 'reference', path: '/reference/crimson-clover', ready: 'plant-year' },
  { name: 'sow', path: '/sow/marlpit-lane-stand-08', ready: 'total-grams' },
  { name: 'shed', path: '/shed', ready: 'lots' },
  { name: 'watch', path: '/watch/marlpit-lane-stand-01', ready: 'stages' },
  { name: 'end', path: '/end/marlpit-lane-stand-01', ready: 'endings' },
  { name: 'plant', path: '/plant/marlpit-lane-stand-01', ready: 'gates' },
  { name: 'weather', path: '/weather', ready: 'frosts' },
  { name: 'garden', path: '/garden', ready: null },
]

/** What a page says that still waits; a picture of it would show nothing. */
const WAITS = /\u2026\s*$|still looking at|weaving, /m

/** Takes a picture, and fails where the page still waits for something. */
async function picture(page: Page, name: string) {
  await expect(page.locator('[data-state="computing"], progress, [data-woven="false"]')).toHaveCount(0)
  await expect.poll(async () => WAITS.exec(await page.locator('main').innerText())?.[0] ?? null).toBeNull()
  await expect(page.getByRole('region', { name: /^Notifications/ }).getByRole('listitem')).toHaveCount(0)
  await page.waitForTimeout(400)
  await page.screenshot({ path: `docs/screenshots/${name}.png` })
}

/** Opens the demo with the lines for the first use put away. */
async function opened(page: Page) {
  await openLoom(page, 'marlpit-lane')
  await page.getByRole('button', { name: 'Hide tips' }).click()
}

/** Scrolls until something stands at the lower end of the page. */
const lowestInSight = (part: Locator) => part.evaluate((element) => element.scrollIntoView({ block: 'end' }))

test('desktop', async ({ page }) => {
  await opened(page)
  await expect(page.getByTestId('stored-chance')).toBeVisible()
  await picture(page, 'loom')
  for (const { name, path, ready } of VIEWS) {
    await page.goto(path)
    if (ready) await expect(page.getByTestId(ready)).toBeVisible()
    if (name === 'end') await expect(page.getByText('Ending this stand by every way')).toHaveCount(0)
    if (name === 'rounds') await expect(page.getByText(/still looking at/)).toHaveCount(0)
    if (name === 'shed') await lowestInSight(page.getByTestId('sheets-lying'))
    await picture(page, name)
    if (name === 'watch') {
      await page.setViewportSize({ width: 1280, height: 1250 })
      await page.getByLabel('Stage of which plant').selectOption('cereal-rye')
      await page.getByRole('button', { name: 'Find the stage by looking' }).click()
      await page.getByRole('button', { name: 'A swelling in the sheath, or a head' }).click()
      await page.getByRole('button', { name: 'Felt in the swollen sheath' }).click()
      await page.getByRole('button', { name: 'From a picture' }).click()
      await page.getByRole('button', { name: 'Try a made-up picture' }).click()
      await expect(page.getByTestId('picture-cover')).toBeVisible()
      await page.getByLabel('Ground to read').selectOption('ring')
      await page.waitForTimeout(600)
      await page.screenshot({ path: 'docs/screenshots/watch-look.png' })
      await page.setViewportSize({ width: 1280, height: 800 })
    }
  }
  await page.goto('/')
  await page
    .getByRole('link', { name: /: sow under .* bare weeks recovered/ })
    .first()
    .click()
  await ranked(page)
  await picture(page, 'choose')
  await page.emulateMedia({ colorScheme: 'dark' })
  await page.goto('/')
  await woven(page)
  await expect(page.getByTestId('stored-chance')).toBeVisible()
  await picture(page, 'loom-dark')
  await page.emulateMedia({ colorScheme: 'light' })
  await page.goto('/end/marlpit-lane-stand-01')
  await page.getByText('Treat its parts apart').click()
  await page.getByRole('button', { name: 'Part it' }).click()
  await expect(page.getByRole('group', { name: 'Which part is shown' })).toBeVisible()
  await expect(page.getByTestId('stages')).toBeVisible()
  await expect(page.getByTestId('bed-picture').locator('svg').last()).toBeVisible()
  await picture(page, 'bed')
})

test('phone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await opened(page)
  await picture(page, 'loom-phone')
  await page.goto('/bed/marlpit-lane-L1')
  await expect(page.getByTestId('bed-picture').first()).toBeVisible()
  await page.getByRole('button', { name: 'Before crimp' }).first().click()
  await page
    .getByTestId('bed-picture')
    .first()
    .evaluate((element) => element.scrollIntoView())
  await picture(page, 'bed-phone')
  await page.goto('/check/marlpit-lane-stand-10')
  await expect(page.getByRole('heading', { name: 'Stage of the' })).toBeVisible()
  await page.waitForTimeout(600)
  await picture(page, 'check-phone')
  await page.goto('/end/marlpit-lane-stand-24')
  const turns = page.getByTestId('in-turns')
  await turns.getByText('In turns: mow, wait, mow again, then end it').click()
  await turns
    .getByRole('listitem')
    .filter({ hasText: /Mow to .* twice.*black tarp/ })
    .getByRole('button', { name: /^Plan in turns/ })
    .click()
  await expect(page.getByTestId('planned-turns')).toBeVisible()
  await page.goto('/end/marlpit-lane-stand-24/plan')
  await expect(page.getByTestId('work-plan').getByRole('heading').first()).toBeVisible()
  await page.getByTestId('planned-turns').evaluate((element) => element.scrollIntoView())
  await page.screenshot({ path: 'docs/screenshots/plan-phone.png' })
  await page.goto('/sow/marlpit-lane-stand-08/pacer')
  await page.getByRole('button', { name: 'Start' }).click()
  await expect(page.getByTestId('cast')).toContainText('3')
  await page.screenshot({ path: 'docs/screenshots/pacer-phone.png' })
})
