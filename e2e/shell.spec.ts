import { spawnSync } from 'node:child_process'
import { expect, test } from '@playwright/test'
import { openDemo, openLoom, sessionKept, stepWeeks, todayOf, woven } from './helpers'

test('the demo clock steps a day and a week, and keeps its day over a reload', async ({ page }) => {
  await openDemo(page, 'marlpit-lane')
  expect(await todayOf(page)).toBe('2026-04-20')
  await page.getByRole('button', { name: '+ day' }).click()
  await expect.poll(() => todayOf(page)).toBe('2026-04-21')
  await stepWeeks(page, 2)
  await page.reload()
  await woven(page)
  expect(await todayOf(page)).toBe('2026-05-05')
})

test('steps taken faster than the station is heard all count', async ({ page }) => {
  await openDemo(page, 'marlpit-lane')
  const step = page.getByRole('group', { name: 'Clock' }).getByRole('button', { name: '+ week' })
  for (let i = 0; i < 3; i++) await step.click({ noWaitAfter: true })
  await expect(page.getByTestId('today')).toHaveAttribute('datetime', '2026-05-11')
})

test('each demo garden has its own day', async ({ page }) => {
  await openDemo(page, 'marlpit-lane')
  await stepWeeks(page, 1)
  await openDemo(page, 'harrier-point')
  expect(await todayOf(page)).toBe('2026-09-28')
  await openDemo(page, 'marlpit-lane')
  expect(await todayOf(page)).toBe('2026-04-27')
})

test('what was planned and not done moves on with the clock', async ({ page }) => {
  await openLoom(page, 'marlpit-lane')
  await expect(page.getByText('tarp rye in L4, 6 May')).toBeVisible()
  await stepWeeks(page, 3)
  await woven(page)
  await expect(page.getByText('tarp rye in L4, 11 May')).toBeVisible()
  await page.goto('/bed/marlpit-lane-L4')
  await expect(page.getByText(/end planned by black tarp, 6 May 2026/)).toBeVisible()
})

test('a form half filled in stays with its tab, and is offered to the next once that is closed', async ({
  page,
  context,
}) => {
  const note = (on: typeof page) => on.getByRole('form', { name: 'Record the end' }).getByLabel('Note')
  const path = '/end/marlpit-lane-stand-10'
  await openDemo(page, 'marlpit-lane')
  await page.goto(path)
  await note(page).fill('half of it cut')
  await sessionKept(page, 'half of it cut')
  const other = await context.newPage()
  await other.goto(path)
  await expect(note(other)).toHaveValue('')
  await note(other).fill('the other half')
  await sessionKept(other, 'the other half')
  await page.reload()
  await expect(note(page)).toHaveValue('half of it cut')
  await expect(page.getByText(/in a tab that is closed/)).toHaveCount(0)
  await other.close()
  await page.reload()
  const offer = page.getByRole('status').filter({ hasText: 'in a tab that is closed, and not stored' })
  await offer.getByRole('button', { name: 'Continue with it' }).click()
  await expect(note(page)).toHaveValue('the other half')
  await expect(offer).toHaveCount(0)
  await page.reload()
  await expect(note(page)).toHaveValue('the other half')
})

test('the theme follows the system, then the choice, over a reload', async ({ page }) => {
  await openDemo(page, 'marlpit-lane')
  const theme = () => page.evaluate(() => document.documentElement.dataset.theme)
  expect(await theme()).toBe('wool')
  await page.getByRole('button', { name: /^Theme/ }).click()
  await page.getByRole('button', { name: /^Theme/ }).click()
  expect(await theme()).toBe('gall')
  await sessionKept(page, '"dark"')
  await page.reload()
  await expect.poll(theme).toBe('gall')
})

test('the sheet pages a season back and forth', async ({ page }) => {
  await openLoom(page, 'marlpit-lane')
  await expect(page.getByRole('button', { name: 'A season later' })).toBeDisabled()
  const months = page.getByRole('img', { name: /Months, chance of frost/ })
  const now = await months.textContent()
  await page.getByRole('button', { name: 'A season earlier' }).click()
  await expect(months).not.toHaveText(now ?? '')
  await page.getByRole('button', { name: 'A season later' }).click()
  await expect(months).toHaveText(now ?? '')
})

test('? lists the keys, Escape closes, and addresses that lead nowhere say so', async ({ page }) => {
  await openDemo(page, 'marlpit-lane')
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog', { name: 'Keyboard' })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog', { name: 'Keyboard' })).toBeHidden()
  for (const [path, words] of [
    ['/nowhere', 'This address leads nowhere'],
    ['/bed/none', 'It is not in this garden'],
    ['/demo/none', 'There is no demo garden of this name'],
    ['/sow/none', 'Covers planned and not yet sown'],
    ['/watch/none', 'Covers that are growing'],
  ]) {
    await page.goto(path)
    await expect(page.getByText(words)).toBeVisible()
  }
})

test.describe('without what is kept for offline', () => {
  test.use({ serviceWorkers: 'block' })
  test('a room that cannot be loaded says so, and opens once it can', async ({ page }) => {
    await openDemo(page, 'marlpit-lane')
    await page.route('**/assets/RoundsRoom*', (route) => route.abort())
    await page.getByRole('link', { name: 'Rounds' }).click()
    await expect(page.getByRole('alert')).toContainText('It could not be loaded. Check the connection')
    await page.unroute('**/assets/RoundsRoom*')
    await page.getByRole('link', { name: 'Back to the loom' }).click()
    await page.getByRole('link', { name: 'Rounds' }).click()
    await expect(page.getByRole('heading', { level: 1, name: 'Rounds' })).toBeVisible()
  })
})

test('the server says it is well, and what it does not have', async ({ request }) => {
  expect(await (await request.get('/api/health')).json()).toEqual({ ok: true })
  expect((await request.get('/api/none')).status()).toBe(404)
  expect((await request.get('/bed/anything')).headers()['content-type']).toContain('text/html')
})

test('a server that cannot listen says why, and never that it is ready', async ({ baseURL }) => {
  const start = (env: Record<string, string>) =>
    spawnSync('node', ['dist/server/server.js'], {
      env: { ...process.env, ...env },
      encoding: 'utf8',
      timeout: 20_000,
    })
  const taken = start({ PORT: new URL(baseURL!).port })
  expect(taken.status).toBe(1)
  expect(taken.stdout).not.toContain('ready')
  expect(taken.stderr).toMatch(/Port \d+ is taken/)
  const odd = start({ PORT: 'soon' })
  expect(odd.status).toBe(1)
  expect(odd.stderr).toMatch(/PORT is “soon”/)
})
