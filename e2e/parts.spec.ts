import { expect, test, type Locator, type Page } from '@playwright/test'
import { openDemo, stepWeeks, todayOf } from './helpers'

const RYE = '/end/marlpit-lane-stand-10'

async function partIt(page: Page) {
  await page.goto(RYE)
  await page.getByText('Treat its parts apart').click()
  await page.getByRole('button', { name: 'Part it' }).click()
  await expect(page).toHaveURL(/\/bed\/marlpit-lane-L4$/)
}

const compared = (page: Page) => page.getByTestId('parts-compared')

async function endPart(page: Page, part: string, method: string, minutes: string) {
  await page.goto('/bed/marlpit-lane-L4')
  await compared(page).getByRole('link', { name: part }).click()
  await page.getByRole('link', { name: 'Afterwards' }).click()
  const form = page.getByRole('form', { name: 'Record the end' })
  await form.getByLabel('How', { exact: true }).selectOption(method)
  await form.getByLabel('Done on').fill(await todayOf(page))
  await form.getByLabel('Minutes').fill(minutes)
  await form.getByRole('button', { name: 'Record the end' }).click()
  await expect(page.getByRole('form', { name: 'Count what stands again' })).toBeVisible()
}

async function count(page: Page, part: string, standing: string) {
  await page.goto('/bed/marlpit-lane-L4')
  await compared(page).getByRole('link', { name: part }).click()
  const form = page.getByRole('form', { name: 'Count what stands again' })
  await form.getByLabel('Counted on').fill(await todayOf(page))
  await form.getByLabel('Plants standing again').fill(standing)
  await form.getByLabel('Stood there before').fill('40')
  await form.getByRole('button', { name: 'Record the count' }).click()
  await expect(page.getByRole('table', { name: 'Counts after the end' })).toContainText(`${standing} of 40`)
}

test('two halves of a bed are ended differently, counted, and held against each other', async ({ page }) => {
  test.slow()
  await openDemo(page, 'marlpit-lane')
  await page.goto('/bed/marlpit-lane-L4')
  const at = page.getByTestId('at-the-bed')
  await expect(at).toContainText('nearly certain')
  await partIt(page)
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click()
  await expect(compared(page)).toHaveCount(0)
  await partIt(page)

  // Either half says the same of its plan as the whole did, and no ground has become bare by it.
  await expect(at.getByText(/first half\./)).toBeVisible()
  await expect(at.getByText(/second half\./)).toBeVisible()
  await expect(at.getByText(/nearly certain/)).toHaveCount(2)
  await expect(page.getByText(/^Bare .* to 18 Jun/)).toHaveCount(0)
  // What has grown is that of the half in both rooms.
  const today = page.getByText(/Today:? .* of the ground green.* dry matter/)
  const grown = async () => / ([\d.]+\s(?:kg|g)) dry matter/.exec((await today.textContent())!)![1]
  const onBed = await grown()
  await page
    .getByRole('listitem')
    .filter({ hasText: /rye.*first half/ })
    .getByRole('link', { name: 'Watch', exact: true })
    .click()
  await expect(page.getByText('first half, ', { exact: false }).first()).toBeVisible()
  expect(await grown()).toBe(onBed)
  await stepWeeks(page, 2)
  await page.goto('/rounds')
  for (const part of ['first half', 'second half'])
    await expect(page.getByText(new RegExp(`^End cereal rye, ${part}`))).toBeVisible()

  await stepWeeks(page, 3)
  await endPart(page, 'first half', 'crimp', '12')
  await endPart(page, 'second half', 'chop', '20')
  await page.goto('/bed/marlpit-lane-L4')
  await expect(compared(page)).toContainText('Count on either part')
  await stepWeeks(page, 2)
  await count(page, 'first half', '2')
  await count(page, 'second half', '18')
  await page.goto('/bed/marlpit-lane-L4')
  await expect(compared(page).getByRole('row', { name: /first half/ })).toContainText(/crimp.*5\s%.*12\smin/)
  await expect(compared(page).getByRole('row', { name: /second half/ })).toContainText(
    /chop and drop.*45\s%.*20\smin/,
  )
  await expect(compared(page)).toContainText(
    /Fewer stood again on the first half \(crimp\)\. That this is no accident: nearly certain/,
  )
  await expect(compared(page)).toContainText('One bed in one year')
})

/** Draws a piece on a form's bed from above, by shares of its length and width. */
async function draw(page: Page, form: Locator, from: [number, number], to: [number, number]) {
  const plan = form.getByRole('img')
  const once = async () => {
    await plan.scrollIntoViewIfNeeded()
    const box = (await plan.boundingBox())!
    // The figures lie under the bed.
    const at = ([along, across]: [number, number]) =>
      [box.x + along * box.width, box.y + across * (box.height - 22)] as const
    await page.mouse.move(...at(from))
    await page.mouse.down()
    await page.mouse.move(...at([(from[0] + to[0]) / 2, (from[1] + to[1]) / 2]))
    await page.mouse.move(...at(to))
    await page.mouse.up()
    // Answers that come meanwhile push the bed down: then it is drawn once more.
    expect(await plan.boundingBox()).toEqual(box)
    await expect(form.getByLabel('From, m')).not.toHaveValue('', { timeout: 1000 })
  }
  await expect(once).toPass({ intervals: [500] })
}

test('a corner is drawn out of a bed from above, a post put in, and a crop planted on a part', async ({
  page,
}) => {
  test.slow()
  await openDemo(page, 'marlpit-lane')
  await page.goto('/bed/marlpit-lane-Y2')
  const stays = page.getByTestId('what-stays')
  await stays.locator('summary').click()
  await expect(stays).toContainText('Rhubarb, plants to keep, takes 1.2 m²')
  const form = stays.getByRole('form', { name: 'What stays in this bed' })
  await draw(page, form, [0.7, 0.3], [0.8, 0.6])
  await form.getByLabel('What stays').selectOption('post')
  await form.getByRole('button', { name: 'It stays' }).click()
  await expect(form.getByRole('alert')).toContainText('Name')
  await form.getByLabel('Name').fill('trellis')
  await form.getByRole('button', { name: 'It stays' }).click()
  await expect(stays).toContainText(/trellis, post or trellis, takes .* across/)

  // A corner without the rhubarb, from its middle to its end: the rest falls into two parts.
  await page.goto('/end/marlpit-lane-stand-27')
  await page.getByText('Treat its parts apart').click()
  const parting = page.getByTestId('part-bed')
  await draw(page, parting, [0.5, 0], [1, 0.5])
  await expect(parting.getByLabel('From, m')).toHaveValue('4')
  await expect(parting.getByLabel('To, across, m')).toHaveValue('0.6')
  await expect(parting).toContainText(/first half, 3\.6\sm²; 4\sm to 8\sm, 0\sm to 0\.6\sm across/)
  await parting.getByLabel('To, m').fill('9')
  await expect(parting).toContainText('must lie on the bed')
  await expect(parting.getByRole('button', { name: 'Part it' })).toBeDisabled()
  await parting.getByLabel('To, m').fill('8')
  await parting.getByRole('button', { name: 'Part it' }).click()
  await expect(page).toHaveURL(/\/bed\/marlpit-lane-Y2$/)
  await expect(page.getByTestId('at-the-bed').getByText(/across\./)).toHaveCount(2)

  // A crop takes the corner alone; the rest of the cover goes on.
  await page.goto('/')
  await page.getByRole('button', { name: 'Crop', exact: true }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Bed', { exact: true }).selectOption({ label: 'Y2' })
  await dialog.getByLabel('Crop', { exact: true }).selectOption('lettuce')
  await dialog.getByLabel('Ground', { exact: true }).selectOption('part')
  await dialog.getByLabel('From, m').fill('4')
  await dialog.getByLabel('To, across, m').fill('0,6')
  await dialog.getByRole('button', { name: 'Add crop' }).click()
  await expect(dialog).toHaveCount(0)
  await page.goto('/bed/marlpit-lane-Y2')
  await expect(
    page.getByRole('listitem').filter({ hasText: /^Lettuce.*4\sm to 8\sm, 0\sm to 0\.6\sm across/ }),
  ).toHaveCount(1)
  const at = page.getByTestId('at-the-bed')
  await expect(at.getByText(/0\sm to 0\.6\sm across\. Chop and drop now/)).toBeVisible()
  await expect(at.getByText(/0\.6\sm to 1\.2\sm across\. Wait until 18 Jun/)).toBeVisible()
})
