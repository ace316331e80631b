import AxeBuilder from '@axe-core/playwright'
import { expect, test } from '@playwright/test'
import { chunk } from 'lodash-es'
import { openDemo } from './helpers'

const ROOMS = {
  loom: '/',
  'choose, list': '/choose',
  choose: '/choose/marlpit-lane-P3',
  'sow, list': '/sow',
  sow: '/sow/marlpit-lane-stand-03',
  rounds: '/rounds',
  pacer: '/sow/marlpit-lane-stand-08/pacer',
  shed: '/shed',
  beds: '/beds',
  standing: '/standing',
  'check, list': '/check',
  check: '/check/marlpit-lane-stand-10',
  watch: '/watch/marlpit-lane-stand-01',
  end: '/end/marlpit-lane-stand-01',
  'end, plan': '/end/marlpit-lane-stand-10/plan',
  'end, regrowth': '/end/marlpit-lane-stand-10/regrowth',
  'end, animals': '/end/marlpit-lane-stand-24/animals',
  'end, cut': '/end/marlpit-lane-stand-01/cut',
  'end, after': '/end/marlpit-lane-stand-37/after',
  plant: '/plant/marlpit-lane-stand-01',
  'plant, done': '/plant/marlpit-lane-stand-37',
  bed: '/bed/marlpit-lane-L1',
  reference: '/reference',
  'reference, a plant': '/reference/hairy-vetch',
  weather: '/weather',
  garden: '/garden',
  start: '/start',
}

/** What must be there before a room is looked over. */
const READY: Record<string, string> = {
  watch: 'stages',
  end: 'endings',
  'end, plan': 'materials',
  'end, regrowth': 'grows-back-numbers',
  'end, animals': 'animal-numbers',
  'end, cut': 'cut-outcome',
  'end, after': 'own-table',
  plant: 'gates',
}

const reported = (name: string, violations: { id: string; nodes: { target: unknown[] }[] }[]) =>
  violations.map(
    ({ id, nodes }) =>
      `${name}: ${id} at ${nodes
        .map((node) => node.target.join(' '))
        .slice(0, 3)
        .join(', ')}`,
  )

/** Rooms looked over in one test. */
const AT_ONCE = 7

for (const rooms of chunk(Object.entries(ROOMS), AT_ONCE))
  test(`axe finds nothing from ${rooms[0][0]} to ${rooms.at(-1)![0]}, in light nor in dark`, async ({
    page,
  }) => {
    await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' })
    await openDemo(page, 'marlpit-lane')
    for (const [name, path] of rooms) {
      await page.goto(path)
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
      if (name === 'choose') {
        await expect(page.getByTestId('candidates')).toBeVisible()
        await page.getByText('It must', { exact: true }).click()
        await page.getByText('What if', { exact: true }).click()
      }
      if (name === 'sow') await page.getByText('Check with a ring').click()
      if (name === 'seed')
        for (const fold of ['Add a bag or packet', 'Packs that can be bought'])
          await page.getByText(fold).click()
      if (name === 'plants') {
        await expect(page.getByTestId('plant-year')).toBeVisible()
        await page.getByText('Numbers it grows by').click()
      }
      if (name in READY) await expect(page.getByTestId(READY[name])).toBeVisible()
      if (name === 'end') await page.getByText('Your own rules').first().click()
      if (name === 'plant') await page.getByText('Take the residue off instead').click()
      if (name === 'weather') {
        await expect(page.getByTestId('frosts')).toBeVisible()
        for (const fold of ['Observed days', 'Import daily weather', 'Place and normals by hand'])
          await page.getByText(fold, { exact: true }).click()
      }
      const light = await new AxeBuilder({ page }).analyze()
      expect(reported(`${name}, light`, light.violations)).toEqual([])
      // The dark theme changes colours only.
      await page.emulateMedia({ colorScheme: 'dark', reducedMotion: 'reduce' })
      await expect(page.locator('html')).toHaveCSS('color-scheme', 'dark')
      const dark = await new AxeBuilder({ page }).withRules(['color-contrast']).analyze()
      expect(reported(`${name}, dark`, dark.violations)).toEqual([])
      await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' })
    }
  })

test('outdoors every word stands out by seven to one', async ({ page }) => {
  test.slow()
  await openDemo(page, 'marlpit-lane')
  for (const press of ['system', 'light', 'dark'])
    await page.getByRole('button', { name: `Theme: ${press}. Change` }).click()
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'noon')
  for (const name of ['rounds', 'check', 'bed', 'sow', 'watch', 'end', 'plant', 'shed'] as const) {
    await page.goto(ROOMS[name])
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    if (name in READY) await expect(page.getByTestId(READY[name])).toBeVisible()
    await expect(page.locator('html')).toHaveAttribute('data-theme', 'noon')
    const found = await new AxeBuilder({ page }).withRules(['color-contrast-enhanced']).analyze()
    expect(reported(name, found.violations)).toEqual([])
  }
})

test('on a phone every control is a thumb wide and high, and no room scrolls sideways', async ({
  browser,
}) => {
  test.slow()
  const page = await browser.newPage({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    isMobile: true,
  })
  await openDemo(page, 'marlpit-lane')
  const small: string[] = []
  for (const [name, path] of Object.entries(ROOMS)) {
    await page.goto(path)
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    if (name in READY) await expect(page.getByTestId(READY[name])).toBeVisible()
    expect([name, await page.evaluate(() => document.documentElement.scrollWidth)]).toEqual([name, 390])
    small.push(
      ...(
        await page.evaluate(() =>
          [
            ...document.querySelectorAll<HTMLElement>(
              'button, input, select, textarea, summary, nav a, a.btn',
            ),
          ]
            .filter(
              (element) =>
                element.checkVisibility() &&
                !element.closest('[aria-hidden="true"], .sr-only, dialog:not([open]), .loom-sheet'),
            )
            .flatMap((element) => {
              // The loom is one picture of many beds, opened from the lists too. A box to tick is touched by its words too; a link in a sentence is part of it.
              const touched = element.matches('[type=checkbox], [type=radio]')
                ? (element.closest('label') ?? element)
                : element
              const { width, height } = touched.getBoundingClientRect()
              return height > 0 && (height < 43.5 || width < 43.5)
                ? [
                    `${element.tagName} ${(element.getAttribute('aria-label') ?? element.textContent ?? '').slice(0, 40)} ${Math.round(width)}×${Math.round(height)}`,
                  ]
                : []
            }),
        )
      ).map((text) => `${name}: ${text}`),
    )
  }
  await page.close()
  expect(small).toEqual([])
})

test('at twice the size nothing is lost: no room scrolls sideways', async ({ page }) => {
  // 1280 px at 200 % are 640 px wide.
  await page.setViewportSize({ width: 640, height: 400 })
  await openDemo(page, 'marlpit-lane')
  for (const [name, path] of Object.entries(ROOMS)) {
    await page.goto(path)
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    if (name in READY) await expect(page.getByTestId(READY[name])).toBeVisible()
    expect([name, await page.evaluate(() => document.documentElement.scrollWidth)]).toEqual([name, 640])
  }
})
