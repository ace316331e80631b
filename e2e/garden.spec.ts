import { expect, test, type Page } from '@playwright/test'
import { readFileSync, writeFileSync } from 'node:fs'
import { openDemo, woven } from './helpers'

async function exportGarden(page: Page): Promise<string> {
  await page.goto('/garden')
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export this garden' }).click(),
  ])
  return readFileSync(await download.path(), 'utf8')
}

const withoutTime = (text: string) => text.replace(/"exportedAt": "[^"]*"/, '')

test('export, import into an empty browser, export again: the same bytes but for the time', async ({
  page,
  browser,
}, info) => {
  await openDemo(page, 'harrier-point')
  const first = await exportGarden(page)
  const file = info.outputPath('garden.json')
  writeFileSync(file, first)
  const other = await (await browser.newContext()).newPage()
  await other.goto('/garden')
  await other.setInputFiles('input[type=file]', file)
  await other.waitForURL((url) => url.pathname === '/')
  await expect(other.getByRole('heading', { name: 'Harrier Point' })).toBeVisible()
  expect(withoutTime(await exportGarden(other))).toBe(withoutTime(first))
})

test('broken, foreign and inconsistent files are refused with the place and the fix, and nothing changes', async ({
  page,
}, info) => {
  await openDemo(page, 'harrier-point')
  const good = JSON.parse(await exportGarden(page)) as {
    data: { beds: { lengthM: number }[]; stands: { bedId: string }[] }
  }
  const before = withoutTime(await exportGarden(page))
  const refuse = async (name: string, text: string, message: RegExp) => {
    const file = info.outputPath(name)
    writeFileSync(file, text)
    await page.setInputFiles('input[type=file]', file)
    await expect(page.getByRole('alert')).toContainText(message)
  }
  await refuse('broken.json', '{"format": "kilim-garden", ', /not readable JSON/)
  await refuse('foreign.json', '{"some": "file"}', /not a Kilim garden file/)
  good.data.beds[0].lengthM = 0
  await refuse('zero.json', JSON.stringify(good), /Length must be between 0.2 and 500 m/)
  good.data.beds[0].lengthM = 3
  good.data.stands[0].bedId = 'nowhere'
  await refuse('lost.json', JSON.stringify(good), /bed that is not there/)
  expect(withoutTime(await exportGarden(page))).toBe(before)
})

test('start your own: a place, beds in bulk, tools, crops; then a useful loom', async ({ page }) => {
  await page.goto('/start')
  await page.getByRole('button', { name: 'Open the loom' }).click()
  await expect(page.getByText('Give the garden a name.')).toBeVisible()
  await page.getByLabel('Garden name').fill('Our patch')
  await page.getByLabel('Latitude').fill('71')
  await page.getByLabel('Elevation, m').fill('240')
  await page.getByLabel('Climate nearest to yours').selectOption('temperate-inland')
  await page.getByLabel('Length, m').fill('0')
  await page.getByLabel('Width, m').fill('1.2')
  await page.getByRole('button', { name: 'Open the loom' }).click()
  await expect(page.getByText(/Latitude must be at most 66/)).toBeVisible()
  await expect(page.getByText('Length must be at least 0.5.')).toBeVisible()
  await page.getByLabel('Latitude').fill('49.5')
  await page.getByLabel('Length, m').fill('8')
  await page.getByRole('checkbox', { name: 'black tarp' }).check()
  await page.getByRole('button', { name: 'Open the loom' }).click()
  await woven(page)
  await expect(page.locator('canvas')).toHaveCount(6)
  await expect(page.getByText('demo clock')).toHaveCount(0)

  await page.getByRole('button', { name: 'Crop', exact: true }).click()
  const dialog = page.getByRole('dialog')
  const from = await dialog.getByLabel('From').inputValue()
  await dialog.getByLabel('Crop').selectOption('leek')
  await dialog.getByLabel('Until').fill(from)
  await dialog.getByRole('button', { name: 'Add crop' }).click()
  await expect(dialog.getByText('Until must lie after from. Choose a later date.')).toBeVisible()
  await dialog.getByLabel('Until').fill(`${Number(from.slice(0, 4)) + 1}${from.slice(4)}`)
  await dialog.getByRole('button', { name: 'Add crop' }).click()
  await expect(page.getByRole('button', { name: /^A1: leek/ })).toBeVisible()
  await page.reload()
  await expect(page.getByRole('button', { name: /^A1: leek/ })).toBeVisible()
  await page.goto('/garden')
  await page.getByLabel('Units').selectOption('imperial')
  await page.getByRole('button', { name: 'Save settings' }).click()
  await expect(page.getByRole('cell', { name: '26.2 ft × 3.9 ft' }).first()).toBeVisible()
})

test('a full disk is said, and what was stored stays', async ({ page }) => {
  await page.addInitScript(() => {
    const put = IDBObjectStore.prototype.put
    IDBObjectStore.prototype.put = function (...args: Parameters<typeof put>) {
      if ((window as unknown as { diskFull?: boolean }).diskFull)
        throw new DOMException('full', 'QuotaExceededError')
      return put.apply(this, args)
    }
  })
  await openDemo(page, 'marlpit-lane')
  await page.goto('/garden')
  await page.evaluate(() => Object.assign(window, { diskFull: true }))
  await page.getByLabel('Garden name').fill('Never stored')
  await page.getByRole('button', { name: 'Save settings' }).click()
  await expect(page.getByText(/storage is full, so nothing was changed/)).toBeVisible()
  await page.reload()
  await expect(page.getByRole('heading', { name: 'Marlpit Lane' })).toBeVisible()
})

test('a blocked database is said with the fix', async ({ page }) => {
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('denied', 'InvalidStateError')
    }
  })
  await page.goto('/')
  await expect(page.getByRole('alert')).toContainText('does not let Kilim open its storage')
})
