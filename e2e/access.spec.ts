import AxeBuilder from '@axe-core/playwright'
import { expect, test } from '@playwright/test'
import { openDemo } from './helpers'

const ROOMS = {
  loom: '/',
  'choose, list': '/choose',
  choose: '/choose/marlpit-lane-P3',
  'sow, list': '/sow',
  sow: '/sow/marlpit-lane-stand-03',
  rounds: '/rounds',
  pacer: '/sow/marlpit-lane-stand-08/pacer',
  seed: '/seed',
  'check, list': '/check',
  check: '/check/marlpit-lane-stand-10',
  watch: '/watch/marlpit-lane-stand-01',
  end: '/end/marlpit-lane-stand-01',
  plant: '/plant/marlpit-lane-stand-01',
  bed: '/bed/marlpit-lane-L1',
  'plants, table': '/plants',
  plants: '/plants/hairy-vetch',
  weather: '/weather',
  garden: '/garden',
  start: '/start',
}

for (const theme of ['light', 'dark'] as const)
  test(`axe finds nothing in any room, ${theme}`, async ({ page }) => {
    // Twenty rooms one after another: longer than other tests where the machine is busy.
    test.setTimeout(360_000)
    await page.emulateMedia({ colorScheme: theme, reducedMotion: 'reduce' })
    await openDemo(page, 'marlpit-lane')
    for (const [name, path] of Object.entries(ROOMS)) {
      await page.goto(path)
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
      if (name === 'choose') {
        await expect(page.getByTestId('candidates')).toBeVisible({ timeout: 60_000 })
        await page.getByText('It must', { exact: true }).click()
        await page.getByText('What if', { exact: true }).click()
      }
      if (name === 'sow') await page.getByText('Check with a ring').click()
      if (name === 'seed')
        for (const fold of ['Add a bag or packet', 'Packs that can be bought'])
          await page.getByText(fold).click()
      if (name === 'plants') {
        await expect(page.getByTestId('plant-year')).toBeVisible({ timeout: 60_000 })
        await page.getByText('Numbers it grows by').click()
      }
      if (name === 'end') await expect(page.getByTestId('endings')).toBeVisible({ timeout: 60_000 })
      if (name === 'plant') await expect(page.getByTestId('gates')).toBeVisible({ timeout: 60_000 })
      if (name === 'weather') {
        await expect(page.getByTestId('frosts')).toBeVisible({ timeout: 60_000 })
        for (const fold of ['Observed days', 'Import daily weather', 'Place and normals by hand'])
          await page.getByText(fold, { exact: true }).click()
      }
      if (name === 'watch') await expect(page.getByTestId('stages')).toBeVisible({ timeout: 60_000 })
      const { violations } = await new AxeBuilder({ page }).analyze()
      expect(
        violations.map(
          ({ id, nodes }) =>
            `${name}: ${id} at ${nodes
              .map((node) => node.target.join(' '))
              .slice(0, 3)
              .join(', ')}`,
        ),
      ).toEqual([])
    }
  })

test('no room scrolls sideways on a phone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await openDemo(page, 'marlpit-lane')
  for (const [name, path] of Object.entries(ROOMS)) {
    await page.goto(path)
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    if (name === 'watch') await expect(page.getByTestId('stages')).toBeVisible({ timeout: 60_000 })
    if (name === 'end') await expect(page.getByTestId('endings')).toBeVisible({ timeout: 60_000 })
    expect([name, await page.evaluate(() => document.documentElement.scrollWidth)]).toEqual([name, 390])
  }
})
