import { AxeBuilder } from '@axe-core/playwright'
import { expect, test, type Page } from '@playwright/test'
import { openDemo, openLoom, sessionKept, todayOf } from './helpers'

const RYE = '/watch/marlpit-lane-stand-10'

async function forecastShown(page: Page) {
  await expect(page.getByTestId('stages')).toBeVisible()
}

/** A JPEG of soil and leaves whose EXIF note says that it lies on its side and where it was taken. */
async function sidewaysPicture(page: Page): Promise<Buffer> {
  const plain = await page.evaluate(async () => {
    const canvas = document.createElement('canvas')
    canvas.width = 400
    canvas.height = 200
    const context = canvas.getContext('2d')!
    context.fillStyle = 'rgb(112 84 62)'
    context.fillRect(0, 0, 400, 200)
    context.fillStyle = 'rgb(80 130 50)'
    context.fillRect(0, 0, 400, 100)
    const blob = await new Promise<Blob>((resolve) =>
      canvas.toBlob((made) => resolve(made!), 'image/jpeg', 0.9),
    )
    return [...new Uint8Array(await blob.arrayBuffer())]
  })
  const jpeg = Buffer.from(plain)
  // TIFF, little-endian: orientation 6 (turn right), and a GPS block with a marker to search for.
  const tiff = Buffer.alloc(56)
  tiff.write('II*\0', 0, 'binary')
  tiff.writeUInt32LE(8, 4)
  tiff.writeUInt16LE(2, 8)
  tiff.writeUInt16LE(0x0112, 10)
  tiff.writeUInt16LE(3, 12)
  tiff.writeUInt32LE(1, 14)
  tiff.writeUInt16LE(6, 18)
  tiff.writeUInt16LE(0x8825, 22)
  tiff.writeUInt16LE(4, 24)
  tiff.writeUInt32LE(1, 26)
  tiff.writeUInt32LE(38, 30)
  tiff.write('GPSPLACE', 44)
  const note = Buffer.concat([Buffer.from('Exif\0\0', 'binary'), tiff])
  const length = Buffer.alloc(2)
  length.writeUInt16BE(note.length + 2)
  return Buffer.concat([jpeg.subarray(0, 2), Buffer.from([0xff, 0xe1]), length, note, jpeg.subarray(2)])
}

test('the stage guide leads by drawings to a code and says what it means', async ({ page }) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto('/watch/marlpit-lane-stand-01')
  await forecastShown(page)
  await page.getByLabel('Stage of which plant').selectOption('cereal-rye')
  await page.getByRole('button', { name: 'Find the stage by looking' }).click()
  const guide = page.getByRole('region', { name: 'Stage guide' })
  await guide.getByRole('button', { name: 'A swelling in the sheath, or a head' }).click()
  await guide.getByRole('button', { name: 'Felt in the swollen sheath' }).click()
  const meaning = page.getByTestId('stage-meaning')
  await expect(meaning).toContainText(/boot \(BBCH 45\).*about \d+ days to pollen/)
  await expect(meaning).toContainText('leaves most of it standing')
  await guide.getByRole('button', { name: 'Anthers on most heads, dust flies' }).click()
  await expect(meaning).toContainText(/full pollen \(BBCH 65\).*ready to end/)
})

test('cover from a picture: turned upright, stripped of its place, cropped, corrected and kept', async ({
  page,
}) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto(RYE)
  await forecastShown(page)
  await page.getByRole('button', { name: 'From a picture' }).click()
  const chooser = page.locator('input[type=file]')
  await chooser.setInputFiles({
    name: 'note.jpg',
    mimeType: 'image/jpeg',
    buffer: Buffer.from('not a picture'),
  })
  await expect(page.getByText('This file is not a picture, or it is broken')).toBeVisible()
  await chooser.setInputFiles({
    name: 'side.jpg',
    mimeType: 'image/jpeg',
    buffer: await sidewaysPicture(page),
  })
  const cover = page.getByTestId('picture-cover')
  await expect(cover).toContainText(/(49|50|51)\s%/)
  await expect(page.getByText('200 × 400 px, kept at 200 × 400 px')).toBeVisible()
  // Turned right, the green half lies on the right: a frame on the left sees soil only.
  await page.getByLabel('Ground to read').selectOption('frame')
  for (const corner of ['Corner top right', 'Corner bottom right']) {
    await page.getByRole('button', { name: corner }).focus()
    for (let i = 0; i < 45; i++) await page.keyboard.press('ArrowLeft')
  }
  await expect(cover).toContainText(/^\s*[0-3]\s%/)
  await page.getByLabel('Ground to read').selectOption('whole')
  await expect(cover).toContainText(/(49|50|51)\s%/)
  await page.getByRole('slider').fill('-0.2')
  await page.getByRole('button', { name: 'As found' }).click()
  await page.getByRole('button', { name: 'Use this cover' }).click()
  await expect(page.getByLabel('Green cover, %')).toHaveValue(/^(49|50|51)$/)
  await page.getByRole('button', { name: 'Check', exact: true }).click()
  await page.getByRole('button', { name: 'It is as I saw it' }).click()
  await expect(page.getByText(/(49|50|51)\s% green by picture/)).toBeVisible()
  const kept = await page.evaluate(
    () =>
      new Promise<string>((resolve) => {
        const open = indexedDB.open('kilim')
        open.onsuccess = () => {
          const all = open.result.transaction('pictureBytes').objectStore('pictureBytes').getAll()
          all.onsuccess = () =>
            resolve(new TextDecoder('latin1').decode((all.result as { full: Uint8Array }[])[0].full))
        }
      }),
  )
  expect(kept).not.toContain('GPSPLACE')
  expect(kept).not.toContain('Exif')
  await page
    .getByRole('link', { name: /^[A-Z]\d$/ })
    .first()
    .click()
  await expect(page.getByTestId('journal').getByRole('button', { name: /Open the picture/ })).toBeVisible()
})

test('a check that does not fit is questioned, kept as a note, changed and removed', async ({ page }) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto(RYE)
  await forecastShown(page)
  const stages = page.getByTestId('stages')
  const before = await stages.textContent()
  await page.getByLabel('Green cover, %').fill('130')
  await page.getByRole('button', { name: 'Check', exact: true }).click()
  await expect(page.getByText(/^Cover must be between 0 and 100/)).toBeVisible()
  await page.getByLabel('Green cover, %').fill('5')
  await page.getByRole('button', { name: 'Check', exact: true }).click()
  const doubts = page.getByTestId('doubts')
  await expect(doubts).toContainText(/You saw 5\s% green; the forecast had/)
  await doubts.getByRole('button', { name: 'Keep it as a note only' }).click()
  await expect(page.getByText('kept as a note only')).toBeVisible()
  await expect(stages).toHaveText(before ?? '')
  // A draft outlives a reload.
  await page.getByLabel('Height, cm').fill('20')
  await sessionKept(page, '"20"')
  await page.reload()
  await forecastShown(page)
  await expect(page.getByLabel('Height, cm')).toHaveValue('20')
  await page.getByText('A weighed sample').click()
  await page.getByLabel('Fresh weight, g').fill('90')
  await page.getByLabel('Dry weight, g').fill('400')
  await page.getByRole('button', { name: 'Check', exact: true }).click()
  await expect(page.getByText('Exchange the two')).toBeVisible()
  await page.getByLabel('Fresh weight, g').fill('')
  await page.getByLabel('Dry weight, g').fill('')
  await page
    .getByRole('button', { name: /^Change the check/ })
    .first()
    .click()
  await expect(page.getByLabel('Green cover, %')).toHaveValue('5')
  await page.getByLabel('Green cover, %').fill('75')
  await page.getByRole('button', { name: 'Keep the change' }).click()
  await expect(page.getByText(/^75\s% green/)).toBeVisible()
  await page
    .getByRole('button', { name: /^Remove the check/ })
    .first()
    .click()
  await expect(page.getByText(/^75\s% green/)).toHaveCount(0)
  await expect(stages).toHaveText(before ?? '')
})

test('a picture travels in the zip of the garden and comes back', async ({ page }, info) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto(RYE)
  await forecastShown(page)
  await page.getByRole('button', { name: 'From a picture' }).click()
  await page.getByRole('button', { name: 'Try a made-up picture' }).click()
  await page.getByRole('button', { name: 'Only keep the picture' }).click()
  await page.getByRole('button', { name: 'Check', exact: true }).click()
  const remove = page.getByRole('button', { name: /^Remove the check of 20 Apr/ })
  await expect(remove).toBeVisible()
  await page.goto('/garden')
  await page.getByLabel('with its pictures').check()
  const handed = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Export this garden' }).click()
  const download = await handed
  expect(download.suggestedFilename()).toBe('marlpit-lane.kilim.zip')
  const file = info.outputPath('garden.zip')
  await download.saveAs(file)
  await page.goto(RYE)
  await remove.click()
  await expect(remove).toHaveCount(0)
  await page.goto('/garden')
  await page.setInputFiles('input[type=file]', file)
  // Brought together, what was removed since would stay removed.
  const preview = page.getByRole('form', { name: 'Import' })
  await expect(preview).toContainText('Nothing new is in the file.')
  await preview.getByRole('radio', { name: /In the place of the garden here/ }).check()
  await preview.getByRole('button', { name: 'Import it' }).click()
  await page.waitForURL((url) => url.pathname === '/')
  await page.goto('/bed/marlpit-lane-L4')
  await page
    .getByTestId('journal')
    .getByRole('button', { name: /Open the picture/ })
    .click()
  await expect(page.getByRole('dialog').getByRole('img')).toBeVisible()
})

test('storage that fills up while a picture is stored loses nothing', async ({ page }) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto(RYE)
  await forecastShown(page)
  await page.getByLabel('Height, cm').fill('45')
  await page.getByRole('button', { name: 'From a picture' }).click()
  await page.getByRole('button', { name: 'Try a made-up picture' }).click()
  await page.getByRole('button', { name: 'Only keep the picture' }).click()
  await page.evaluate(() => {
    const put = IDBObjectStore.prototype.put
    IDBObjectStore.prototype.put = function (...args: Parameters<typeof put>) {
      if (this.name === 'pictureBytes') throw new DOMException('full', 'QuotaExceededError')
      return put.apply(this, args)
    }
  })
  await page.getByRole('button', { name: 'Check', exact: true }).click()
  await expect(page.getByText(/storage is full.*What you filled in is still here/)).toBeVisible()
  await expect(page.getByLabel('Height, cm')).toHaveValue('45')
  await page.getByRole('button', { name: 'Save without the pictures' }).click()
  await expect(page.getByText(/^45\scm/)).toBeVisible()
})

test('a named disease goes from the check to the bed and its journal', async ({ page }) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto(RYE)
  await forecastShown(page)
  await page.getByText('Damage', { exact: true }).click()
  await page.getByLabel('By', { exact: true }).selectOption('disease')
  await page.getByLabel('What it was').fill('brown rust')
  await page.getByLabel('Plants lost, %').fill('5')
  await page.getByRole('button', { name: 'Check', exact: true }).click()
  await expect(page.getByText(/disease \(brown rust\)/).first()).toBeVisible()
  await page.goto('/bed/marlpit-lane-L4')
  await page.getByLabel('Search the journal').fill('brown rust poaceae')
  await expect(page.getByTestId('journal').getByRole('listitem')).toHaveCount(1)
  await expect(page.getByTestId('journal')).toContainText('Choose keeps the family away')
})

test('a thin stand raises a decision, and a part is planned to be sown again', async ({ page }) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto(RYE)
  await forecastShown(page)
  await page.getByText('Plants in a ring').click()
  await page.getByLabel('Plants in each ring').fill('3 2 4')
  await page.getByRole('button', { name: 'Check', exact: true }).click()
  const decisions = page.getByTestId('decisions')
  await expect(decisions).toContainText(/Thin: .* only \d+\s% of the plants expected/)
  await page.goto('/rounds')
  await expect(page.getByTestId('jobs')).toContainText('Decide on')
  await page.goto(RYE)
  await decisions.getByRole('button', { name: 'Sow a part again' }).click()
  await page.getByLabel('To, m').fill('3')
  await expect(decisions).toContainText(/About [\d.]+\s*(g|kg) of/)
  await page.getByRole('button', { name: 'Plan it for today' }).click()
  await expect(page).toHaveURL(/\/sow\//)
})

/** Text contrast of 7:1, and targets a thumb can hit. */
async function readable(page: Page) {
  const result = await new AxeBuilder({ page })
    .include('#room')
    .withRules(['color-contrast-enhanced', 'label', 'button-name', 'link-name'])
    .analyze()
  expect(result.violations.map(({ id, nodes }) => `${id}: ${nodes[0].html}`)).toEqual([])
  const small = await page
    .locator('#room button, #room a')
    .evaluateAll((all) =>
      all.filter((one) => one.getBoundingClientRect().height < 36).map((one) => one.textContent),
    )
  expect(small).toEqual([])
}

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })

  test('a check takes at most six taps, with the server gone, at enhanced contrast', async ({
    page,
    context,
  }) => {
    await openLoom(page, 'marlpit-lane')
    await page.goto('/check')
    await expect(page.getByRole('heading', { name: 'Check which bed?' })).toBeVisible()
    await page.evaluate(() => navigator.serviceWorker.ready)
    await context.setOffline(true)
    const started = Date.now()
    let taps = 0
    const tap = async (name: string | RegExp, role: 'link' | 'button' = 'button') => {
      await page.getByRole(role, { name }).first().tap()
      taps++
    }
    await tap(/^L1/, 'link')
    await tap('stems lengthening')
    if (await page.getByRole('heading', { name: 'How much of the ground is green?' }).isVisible())
      await tap('90 % green')
    await expect(page.getByTestId('quick-summary')).toContainText('stems lengthening')
    await tap('Save')
    await expect(page.getByText('Saved.')).toBeVisible()
    console.log(`a check on a phone: ${taps} taps, ${((Date.now() - started) / 1000).toFixed(1)} s`)
    expect(taps).toBeLessThanOrEqual(6)
    await expect(page.getByTestId('change')).toContainText('After the check of')
    await tap(/^Next/, 'link')
    await expect(page.getByRole('heading', { name: 'Stage of the' })).toBeVisible()
    await readable(page)
    await tap('other bed', 'link')
    await expect(page.getByRole('heading', { name: 'Check which bed?' })).toBeVisible()
    await readable(page)
    await context.setOffline(false)
    expect(await todayOf(page)).not.toBeNull()
  })
})

test('a check begins with a photo: it is kept, and what it shows can answer for the eye', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await openDemo(page, 'marlpit-lane')
  await page.goto('/check/marlpit-lane-stand-10')
  const photo = page.getByLabel('Photo first')
  await photo.setInputFiles('docs/screenshots/reference.png')
  await expect(page.getByRole('img', { name: 'Taken for this check' })).toBeVisible()
  await page.getByRole('button', { name: /^It shows .* green: take that/ }).click()
  await page.getByRole('button', { name: 'stems lengthening' }).click()
  // The green is not asked again.
  await expect(page.getByTestId('quick-summary')).toHaveText(/stems lengthening, \d+ % green/)
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  const anyway = page.getByRole('button', { name: /is right|Store it|anyway|Keep/i }).first()
  await expect(page.getByText('Saved.').or(anyway)).toBeVisible()
})

test('a photo that is none is refused in words, and the questions go on', async ({ page }) => {
  await openDemo(page, 'marlpit-lane')
  await page.goto('/check/marlpit-lane-stand-10')
  await page
    .getByLabel('Photo first')
    .setInputFiles({ name: 'notes.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('no picture') })
  await expect(page.getByText(/picture/i).first()).toBeVisible()
  await expect(page.getByRole('button', { name: 'stems lengthening' })).toBeVisible()
})
