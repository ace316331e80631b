import { expect, test, type Locator, type Page } from '@playwright/test'
import { readFileSync, writeFileSync } from 'node:fs'
import { parse } from 'csv-parse/sync'
import { unzipSync } from 'fflate'
import { exportGarden, openChange, openDemo, placeTold, startOwn, woven } from './helpers'

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
  await expect(other.getByRole('form', { name: 'Import' })).toContainText(
    'Harrier Point, from garden.json: 6 beds',
  )
  await other.getByRole('button', { name: 'Import it' }).click()
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
  const next = page.getByRole('button', { name: /^Next/ })
  await next.click()
  await expect(page.getByText('Pick a town from the list, or type latitude and longitude.')).toBeVisible()
  await page.getByText('Name, units, tools').click()
  await page.getByLabel('Units').selectOption('metric')
  await page.getByLabel('Garden name').fill('Our patch')
  await placeTold(page, '71')
  await page.getByLabel('How many').fill('6')
  await page.getByLabel('Length, m').fill('0')
  await page.getByLabel('Width, m').fill('1.2')
  await next.click()
  await expect(page.getByText(/Latitude must be between -66 and 66/)).toBeVisible()
  await expect(page.getByText(/Length must be between 0.2 and 500/)).toBeVisible()
  await page.getByLabel('or its latitude').fill('49.5')
  await page.getByLabel('Length, m').fill('8')
  await page.getByRole('checkbox', { name: 'black tarp' }).check()
  await next.click()
  await expect(page.getByRole('heading', { name: 'What stands in your beds today?' })).toBeVisible()
  await page.getByRole('link', { name: 'Open the loom' }).click()
  await woven(page)
  await expect(page.locator('canvas')).toHaveCount(6)
  await expect(page.getByText('demo clock')).toHaveCount(0)

  await page.getByRole('button', { name: 'Crop', exact: true }).click()
  const dialog = page.getByRole('dialog')
  const from = await dialog.getByLabel('From').inputValue()
  await dialog.getByLabel('Crop').selectOption('leek')
  await dialog.getByLabel('Until').fill(from)
  await dialog.getByRole('button', { name: 'Add crop' }).click()
  await expect(dialog.getByText('The end must be after the start. Choose a later date.')).toBeVisible()
  await dialog.getByLabel('Until').fill(`${Number(from.slice(0, 4)) + 1}${from.slice(4)}`)
  await dialog.getByRole('button', { name: 'Add crop' }).click()
  await expect(page.getByRole('button', { name: /^A1: leek/ })).toBeVisible()
  await page.reload()
  await expect(page.getByRole('button', { name: /^A1: leek/ })).toBeVisible()
  await page.goto('/garden')
  await openChange(page)
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
  await openChange(page)
  await page.getByLabel('Garden name').fill('Never stored')
  await page.getByRole('button', { name: 'Save settings' }).click()
  await expect(page.getByText(/storage is full, so nothing was changed/)).toBeVisible()
  await page.reload()
  await expect(page.getByRole('heading', { name: 'Marlpit Lane' })).toBeVisible()
})

/** Presses a button and leaves the page while the database is busy with something else, so that nothing is stored before. */
async function pressAndLeave(button: Locator, url: string) {
  await button.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const opened = indexedDB.open('kilim')
        opened.onsuccess = () => {
          const { result: db } = opened
          const store = db.transaction([...db.objectStoreNames], 'readwrite').objectStore('gardens')
          const stayBusy = () => {
            store.count().onsuccess = stayBusy
          }
          stayBusy()
          resolve()
        }
      }),
  )
  await button.evaluate((element: HTMLElement, to) => (element.click(), location.assign(to)), url)
}

test('what is pressed in the moment a page is left is done, once, by the next', async ({ page }) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto('/end/marlpit-lane-stand-10')
  await page.getByText('Treat its parts apart').click()
  await pressAndLeave(page.getByRole('button', { name: 'Part it' }), '/bed/marlpit-lane-L4')
  const parts = page.getByTestId('parts-compared')
  await expect(page.getByText('Done after the page was left: Parted')).toBeVisible()
  await expect(parts.getByRole('row', { name: /first half/ })).toBeVisible()
  const undo = page.getByRole('banner').getByRole('button', { name: 'Undo', exact: true })
  await pressAndLeave(undo, '/bed/marlpit-lane-L4')
  await expect(page.getByText('Done after the page was left: Undo: Parted')).toBeVisible()
  await expect(page.getByTestId('at-the-bed')).toContainText('nearly certain')
  await expect(parts).toHaveCount(0)
  await page.reload()
  await expect(page.getByTestId('at-the-bed')).toContainText('nearly certain')
  await expect(parts).toHaveCount(0)
  await expect(page.getByText(/Done after the page/)).toHaveCount(0)
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

test('what a newer Kilim has stored is left alone, said, and can be saved as it lies there', async ({
  page,
}) => {
  await openDemo(page, 'harrier-point')
  await page.goto('/garden')
  await page.evaluate(
    () =>
      new Promise<void>((resolve, reject) => {
        const newer = indexedDB.open('kilim', 990)
        newer.onupgradeneeded = () => newer.result.createObjectStore('harvests')
        newer.onerror = () => reject(newer.error)
        newer.onsuccess = () => {
          newer.result.close()
          resolve()
        }
      }),
  )
  await page.reload()
  await expect(page.getByRole('alert')).toContainText('A newer Kilim has written in this browser')
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save what is stored' }).click(),
  ])
  const saved = JSON.parse(readFileSync(await file.path(), 'utf8')) as { version: number; stores: object }
  expect(saved.version).toBe(990)
  expect(Object.keys(saved.stores)).toEqual(expect.arrayContaining(['beds', 'stands', 'harvests']))
})

test('one garden on a phone and at the table: changed on both, brought together, the other value taken', async ({
  page,
  browser,
}, info) => {
  const files = { table: info.outputPath('table.json'), phone: info.outputPath('phone.json') }
  const editBed = async (on: Page, field: RegExp, value: string) => {
    await on.goto('/garden')
    await on.getByRole('button', { name: 'Edit L4' }).click()
    await on.getByRole('dialog').getByLabel(field).fill(value)
    await on.getByRole('dialog').getByRole('button', { name: 'Save bed' }).click()
    await expect(on.getByRole('dialog')).toBeHidden()
  }
  const take = async (on: Page, file: string) => {
    await on.setInputFiles('input[type=file]', file)
    const preview = on.getByRole('form', { name: 'Import' })
    await expect(preview).toContainText('This garden is here already.')
    await expect(preview.getByRole('radio', { name: /Bring it together/ })).toBeChecked()
    return preview
  }
  await openDemo(page, 'marlpit-lane')
  writeFileSync(files.table, await exportGarden(page))
  const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage()
  await openDemo(phone, 'marlpit-lane')
  await phone.goto('/start')
  await (await take(phone, files.table)).getByRole('button', { name: 'Import it' }).click()
  await phone.waitForURL((url) => url.pathname === '/')
  await editBed(phone, /^Shade/, '30')
  await editBed(page, /^Length/, '9')
  await editBed(page, /^Shade/, '10')
  writeFileSync(files.table, await exportGarden(page))
  writeFileSync(files.phone, await exportGarden(phone))

  const preview = await take(page, files.phone)
  await expect(preview).toContainText(/changed on both/)
  await preview.getByRole('button', { name: 'Import it' }).click()
  const both = page.getByRole('region', { name: 'Changed on both devices' })
  await expect(both).toContainText(/Bed L4, shade: now 10\s%; on the other device 30\s%/)
  await take(phone, files.table).then((form) => form.getByRole('button', { name: 'Import it' }).click())
  await expect(phone.getByRole('region', { name: 'Changed on both devices' })).toContainText(/now 10\s%/)
  await both.getByRole('button', { name: 'Take the other' }).click()
  await expect(both).toBeHidden()
  await expect(page.getByRole('row', { name: /^4 L4/ })).toContainText(/30\s%/)
  await expect(phone.getByRole('row', { name: /^4 L4/ })).toContainText(/9\s?m/)
  writeFileSync(files.table, await exportGarden(page))
  await take(phone, files.table).then((form) => form.getByRole('button', { name: 'Import it' }).click())
  await phone.waitForURL((url) => url.pathname === '/')
  await phone.goto('/garden')
  await expect(phone.getByRole('row', { name: /^4 L4/ })).toContainText(/30\s%/)
})

test('a file that the machine opens Kilim with is shown to be taken in, and nothing is stored before', async ({
  page,
}) => {
  await page.addInitScript(() =>
    Object.defineProperty(window, 'launchQueue', {
      value: { setConsumer: (take: unknown) => Object.assign(window, { openWith: take }) },
    }),
  )
  await openDemo(page, 'marlpit-lane')
  const text = await exportGarden(page)
  await page.goto('/rounds')
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await page.evaluate((content) => {
    const file = new File([content.replaceAll('marlpit-lane', 'other-lane')], 'other.kilim.json')
    const { openWith } = window as unknown as { openWith: (launch: object) => void }
    openWith({ files: [{ getFile: async () => file }] })
  }, text)
  await expect(page.getByRole('form', { name: 'Import' })).toContainText('from other.kilim.json: 14 beds')
  await page.getByRole('button', { name: 'Leave it' }).click()
  await expect(page.getByRole('form', { name: 'Import' })).toBeHidden()
  await expect(page.getByLabel('Open', { exact: true })).toHaveCount(0)
})

test('an own garden that was not exported for long says so, exports with one press, and is quiet then', async ({
  page,
}) => {
  await startOwn(page, { name: 'Our patch', units: 'imperial' })
  const line = page.getByText('of Our patch is in this browser only')
  await expect(line).toHaveCount(0)
  await page.clock.install({ time: Date.now() + 40 * 864e5 })
  await page.reload()
  await expect(line).toBeVisible()
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export it now' }).click(),
  ])
  expect(file.suggestedFilename()).toBe('our-patch.kilim.json')
  await expect(line).toHaveCount(0)
  await page.goto('/garden')
  await expect(page.getByText(/^Kept outside this browser too as of/)).toBeVisible()
})

test('backups go into a folder by themselves, a file a day; a folder that fails is said', async ({
  page,
}) => {
  // A folder of the browser's own stands in for one of the machine.
  await page.addInitScript(() =>
    Object.assign(window, {
      showDirectoryPicker: async () =>
        (await navigator.storage.getDirectory()).getDirectoryHandle('backups', { create: true }),
    }),
  )
  // While the browser writes a file, another lies beside it.
  const names = () =>
    page.evaluate(async () => {
      const folder = await (await navigator.storage.getDirectory()).getDirectoryHandle('backups')
      const found: string[] = []
      for await (const name of folder.keys()) if (name.endsWith('.json')) found.push(name)
      return found.sort()
    })
  const textOf = (name: string) =>
    page.evaluate(async (asked) => {
      const folder = await (await navigator.storage.getDirectory()).getDirectoryHandle('backups')
      return (await (await folder.getFileHandle(asked)).getFile()).text()
    }, name)
  await startOwn(page, { name: 'Our patch' })
  await page.goto('/garden')
  await page.getByRole('button', { name: 'Write backups into a folder' }).click()
  await expect(page.getByText('Backups go to the folder “backups”')).toBeVisible()
  await expect.poll(names).toEqual([expect.stringMatching(/^our-patch \d{4}-\d\d-\d\d\.kilim\.json$/)])
  await openChange(page)
  await page.getByLabel('Garden name').fill('Our new patch')
  await page.getByRole('button', { name: 'Save settings' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Our new patch')
  // Left for another tab, the page writes what is not written yet.
  await page.evaluate(() => {
    Object.defineProperty(document, 'visibilityState', { value: 'hidden', configurable: true })
    document.dispatchEvent(new Event('visibilitychange'))
  })
  await expect
    .poll(names)
    .toEqual([expect.stringMatching(/^our-new-patch .*json$/), expect.stringMatching(/^our-patch .*json$/)])
  const [name] = await names()
  await expect.poll(() => textOf(name)).toContain('"name": "Our new patch"')
  await page.evaluate(async () =>
    (await navigator.storage.getDirectory()).removeEntry('backups', { recursive: true }),
  )
  await page.getByLabel('Garden name').fill('Our patch again')
  await page.getByRole('button', { name: 'Save settings' }).click()
  await expect(
    page.getByRole('status').filter({ hasText: 'could not be written into its folder' }),
  ).toBeVisible()
})

test('the tables of a garden are read by other programs and hold a row for each bed', async ({ page }) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto('/garden')
  const [zip] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export tables and outlines' }).click(),
  ])
  expect(zip.suggestedFilename()).toBe('marlpit-lane-tables.zip')
  const files = unzipSync(new Uint8Array(readFileSync(await zip.path())))
  const tables = ['beds', 'checks', 'covers-and-crops', 'results', 'seed', 'weather']
  expect(Object.keys(files).sort()).toEqual(['beds.geojson', ...tables.map((name) => `${name}.csv`)].sort())
  expect(JSON.parse(Buffer.from(files['beds.geojson']).toString('utf8')).features).toHaveLength(14)
  const rows = (name: string) => parse(Buffer.from(files[`${name}.csv`]), { columns: true })
  expect(rows('beds')).toHaveLength(14)
  expect(rows('beds')[0]).toMatchObject({ bed: 'L1', section: 'Long field', length_m: '18' })
  expect(rows('weather').length).toBeGreaterThan(300)
})
