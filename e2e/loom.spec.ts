import { expect, test } from '@playwright/test'
import { openDemo, openLoom, ranked, woven } from './helpers'

test('the first visit opens Marlpit Lane: 14 beds and 60 weeks fit 1280 × 800', async ({ page }) => {
  await page.goto('/')
  await woven(page)
  await expect(page.getByRole('heading', { name: 'Marlpit Lane' })).toBeVisible()
  await expect(page.locator('canvas')).toHaveCount(14)
  const size = await page.evaluate(() => ({
    wide: document.documentElement.scrollWidth,
    tall: document.documentElement.scrollHeight,
  }))
  expect(size.wide).toBeLessThanOrEqual(1280)
  expect(size.tall).toBeLessThanOrEqual(800)
})

test('no label is clipped, overlapped or crossed by today’s line', async ({ page }) => {
  await openLoom(page, 'marlpit-lane')
  const faults = await page.evaluate(() => {
    const sheet = document.querySelector('.loom-sheet')!.getBoundingClientRect()
    const line = document.querySelector('.loom-today')!.getBoundingClientRect()
    const boxes = [...document.querySelectorAll('.loom-label')].map((label) => ({
      text: label.textContent,
      box: label.getBoundingClientRect(),
      column: label.parentElement!.parentElement!.getBoundingClientRect(),
    }))
    return boxes.flatMap(({ text, box, column }, i) => [
      ...(box.bottom > line.top && box.top < line.bottom ? [`${text} crosses today`] : []),
      ...(box.top < sheet.top - 1 || box.bottom > sheet.bottom + 1 ? [`${text} leaves the sheet`] : []),
      ...(box.left < column.left - 4 || box.right > column.right + 4
        ? [`${text} is wider than its bed`]
        : []),
      ...boxes
        .slice(i + 1)
        .filter(
          (other) =>
            other.box.left < box.right &&
            box.left < other.box.right &&
            other.box.top < box.bottom - 1 &&
            box.top < other.box.bottom - 1,
        )
        .map((other) => `${text} over ${other.text}`),
    ])
  })
  expect(faults).toEqual([])
})

test('the keyboard alone: arrows to a gap, Enter to Choose, Tab and Enter to plan', async ({ page }) => {
  await openLoom(page, 'marlpit-lane')
  await page.getByTestId('loom').focus()
  for (let i = 0; i < 7; i++) await page.keyboard.press('ArrowRight')
  await page.keyboard.press('ArrowDown')
  await expect(page.getByTestId('spot')).toContainText('P3')
  await expect(page.getByTestId('spot')).toContainText('bare')
  await page.keyboard.press('Enter')
  await ranked(page)
  const button = page.getByTestId('candidates').getByRole('button').first()
  await page.getByLabel('Free from').focus()
  for (let i = 0; i < 60; i++) {
    await page.keyboard.press('Tab')
    if (await button.evaluate((element) => element === document.activeElement)) break
  }
  await expect(button).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/sow\//)
})

test('a planned crop is moved with the keyboard, and undone', async ({ page }) => {
  await openLoom(page, 'marlpit-lane')
  const pumpkin = page.getByRole('button', { name: /^L1: pumpkin/ })
  const before = await pumpkin.getAttribute('aria-label')
  // What listens for moving is fetched once the page has nothing better to do; the focus stays.
  await pumpkin.focus()
  await expect(pumpkin).toHaveAttribute('aria-describedby', /./)
  await expect(pumpkin).toBeFocused()
  await page.keyboard.press('Space')
  await expect(pumpkin).toHaveClass(/is-dragging/)
  const top = () => pumpkin.evaluate((button) => button.getBoundingClientRect().top)
  for (let i = 0; i < 2; i++) {
    const before = await top()
    await page.keyboard.press('ArrowDown')
    await expect.poll(top).toBeGreaterThan(before)
  }
  await page.keyboard.press('Space')
  await expect(pumpkin).not.toHaveAttribute('aria-label', before ?? '')
  await page.keyboard.press('Control+z')
  await expect(pumpkin).toHaveAttribute('aria-label', before ?? '')
})

test('a longer bed needs more seed', async ({ page }) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto('/sow/marlpit-lane-stand-03')
  const grams = page.getByTestId('total-grams')
  const small = await grams.textContent()
  await page.goto('/garden')
  await page.getByRole('button', { name: 'Edit L1' }).click()
  await page.getByRole('dialog').getByLabel('Length, m').fill('36')
  await page.getByRole('button', { name: 'Save bed' }).click()
  await expect(page.getByRole('dialog')).toBeHidden()
  await page.goto('/sow/marlpit-lane-stand-03')
  await expect(grams).not.toHaveText(small ?? '')
})

test('works with no network once opened', async ({ page, context }) => {
  await openLoom(page, 'marlpit-lane')
  await page.evaluate(() => navigator.serviceWorker.ready)
  await context.setOffline(true)
  await page.goto('/choose/marlpit-lane-P3')
  await expect(page.getByTestId('candidates').getByRole('listitem').first()).toBeVisible()
})

test('a later sowing date and a later planting date change the answer', async ({ page }) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto('/choose/marlpit-lane-P3')
  await ranked(page)
  const before = await page.getByTestId('candidates').textContent()
  await page.getByLabel('Free from').fill('2026-05-12')
  await expect(page.getByTestId('candidates')).not.toHaveText(before ?? '')
  await page.getByLabel('Needed by').fill('2026-05-28')
  await expect(page.getByTestId('rejections')).toContainText('Too little time')
})
