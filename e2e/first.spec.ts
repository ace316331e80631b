import { expect, test, type Locator, type Page } from '@playwright/test'
import { woven } from './helpers'

test.use({ locale: 'en-US' })

/** Counts what a grower's hand does: each tap, and each field filled in. */
class Hand {
  taps = 0
  fields = 0
  async tap(what: Locator) {
    this.taps++
    await what.click()
  }
  async fill(what: Locator, text: string) {
    this.fields++
    await what.fill(text)
  }
  get all() {
    return this.taps + this.fields
  }
}

const ago = (days: number) => new Date(Date.now() - days * 86_400_000).toISOString().slice(0, 10)
const chip = (page: Page, name: RegExp | string) => page.getByRole('button', { name })

async function place(page: Page, hand: Hand) {
  await page.goto('/start')
  await hand.fill(page.getByRole('combobox', { name: 'The town nearest to you' }), 'Springfield, mis')
  await hand.tap(page.getByRole('option', { name: /^Springfield, Missouri/ }))
  await expect(page.getByLabel('or its latitude')).toHaveValue('37.2')
  await expect(page.getByTestId('usual-year')).toContainText(/first frost (Oct|Nov)/)
}

async function growing(page: Page, hand: Hand, species: string, sown: string) {
  const dialog = page.getByRole('dialog')
  await hand.tap(dialog.getByRole('button', { name: species, exact: true }))
  await hand.fill(dialog.getByLabel('Sown about'), sown)
  await hand.tap(dialog.getByRole('button', { name: 'Record as growing' }))
  await expect(dialog).toBeHidden()
}

test('an own garden with one growing cover stands after twelve taps and fields', async ({ page }) => {
  const hand = new Hand()
  await place(page, hand)
  await hand.fill(page.getByLabel('Length, ft'), '28')
  await hand.tap(chip(page, /^Next/))
  await hand.tap(chip(page, /^A1/))
  await hand.tap(chip(page, 'A cover grows there'))
  await growing(page, hand, 'Cereal rye', ago(70))
  await expect(chip(page, /^A1 cereal rye/)).toBeVisible()
  await hand.tap(page.getByRole('link', { name: 'Open the loom' }))
  await woven(page)
  await expect(page.getByText('1 of 1')).toBeVisible()
  expect(hand.all).toBeLessThanOrEqual(12)

  // An uncertain day is told as a range; nothing has been seen of it yet.
  await page.goto('/beds')
  await page.getByRole('link', { name: 'A1', exact: true }).click()
  await expect(page.getByTestId('sown-on')).toHaveText(/^Sown between .*, as was said\.$/)
})

test('fourteen beds of which five grow stand after thirty; a growing cover later is three taps and a date', async ({
  page,
}) => {
  const hand = new Hand()
  await place(page, hand)
  await hand.fill(page.getByLabel('How many'), '14')
  await hand.fill(page.getByLabel('Length, ft'), '28')
  await hand.tap(chip(page, /^Next/))
  for (const label of ['A1', 'A2', 'A5']) await hand.tap(chip(page, new RegExp(`^${label}\\b`)))
  await hand.tap(chip(page, 'A cover grows there'))
  await growing(page, hand, 'Hairy vetch', ago(75))
  for (const label of ['A8', 'A9']) await hand.tap(chip(page, new RegExp(`^${label}\\b`)))
  await hand.tap(chip(page, 'A cover grows there'))
  await growing(page, hand, 'Oats', ago(60))
  await hand.tap(page.getByRole('link', { name: 'Open the loom' }))
  await woven(page)
  await expect(page.getByText('5 of 14')).toBeVisible()
  expect(hand.all).toBeLessThanOrEqual(30)

  // Bare weeks count from the day the garden began.
  await page.goto('/choose')
  const row = page.getByRole('row', { name: /^A4/ })
  await expect(row.getByRole('cell').nth(1)).toHaveText('0')

  for (const where of ['loom', 'rounds', 'bed'] as const) {
    const later = new Hand()
    await page.goto(where === 'rounds' ? '/rounds' : '/')
    if (where === 'bed') {
      await page.goto(await addressOfBed(page, 'A11'))
    }
    await later.tap(
      where === 'loom'
        ? chip(page, 'A cover grows in A11 already')
        : where === 'rounds'
          ? chip(page, /^A11$/)
          : chip(page, 'A cover grows here already'),
    )
    await growing(page, later, 'Oats', ago(50))
    expect([later.taps, later.fields]).toEqual([3, 1])
    await page.getByRole('button', { name: 'Undo', exact: true }).last().click()
    await expect(page.getByText(/^Undone/).last()).toBeVisible()
  }
})

/** The address of a bed's page, as the shortest way there: Choose names it. */
async function addressOfBed(page: Page, label: string): Promise<string> {
  await page.goto('/choose')
  const link = page.getByRole('link', { name: `Fill the first bare weeks of ${label}`, exact: true })
  const [, id] = /choose\/([^?]+)/.exec((await link.getAttribute('href'))!)!
  return `/bed/${id}`
}

test('what cannot be is told with the fix: no such town, sown tomorrow, many beds, and what people type', async ({
  page,
}) => {
  await page.goto('/start')
  const town = page.getByRole('combobox', { name: 'The town nearest to you' })
  await town.fill('Xyzzyville')
  await expect(page.getByText(/No town of that name/)).toBeVisible()
  await page.getByLabel('How many').fill('400')
  await page.getByLabel('Length, ft').fill('3\'6"')
  await chip(page, /^Next/).click()
  await expect(page.getByText(/number of beds must be between 1 and 300/)).toBeVisible()
  await page.getByLabel('How many').fill('0')
  await expect(page.getByText(/number of beds must be between 1 and 300/)).toBeVisible()
  await page.getByLabel('How many').fill('2')
  // All of the place may wait; what that costs is said for as long.
  await page.getByRole('button', { name: 'Skip for now' }).click()
  await chip(page, /^Next/).click()
  await expect(
    page.getByText(/does not know where this garden is yet: all dates may be a month off/),
  ).toBeVisible()
  await chip(page, /^A1/).click()
  await chip(page, 'A cover grows there').click()
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('button', { name: 'Oats', exact: true }).click()
  await dialog.getByLabel('Sown about').fill(ago(-1))
  await dialog.getByRole('button', { name: 'Record as growing' }).click()
  await expect(dialog.getByText(/This lies ahead/)).toBeVisible()
})

test('without the list of towns, and where the browser does not tell, the latitude is typed', async ({
  page,
  context,
}) => {
  await context.route('**/towns.txt', (route) => route.abort())
  await page.goto('/start')
  await page.getByRole('combobox', { name: 'The town nearest to you' }).fill('Spring')
  await expect(page.getByText(/list of towns could not be loaded/)).toBeVisible()
  await page.getByRole('button', { name: 'Use my location' }).click()
  await expect(page.getByText(/The browser gave no location/)).toBeVisible()
})

test('bad weeds are named once for many beds, and no way of ending promises to clear them', async ({
  page,
}) => {
  const hand = new Hand()
  await place(page, hand)
  await page.getByLabel('How many').fill('3')
  await page.getByLabel('Length, ft').fill('28')
  await chip(page, /^Next/).click()
  await chip(page, /^A1/).click()
  await chip(page, 'A cover grows there').click()
  await growing(page, hand, 'Cereal rye', ago(70))
  await chip(page, /^A1/).click()
  await chip(page, /^A2/).click()
  await chip(page, 'Bad weeds creep there').click()
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('button', { name: 'Record weeds' }).click()
  await expect(dialog.getByText('Choose at least one weed.')).toBeVisible()
  await dialog.getByRole('button', { name: 'bindweed', exact: true }).click()
  await dialog.getByRole('button', { name: 'Record weeds' }).click()
  await expect(dialog).toBeHidden()
  await expect(chip(page, /^A1 cereal rye, bindweed/)).toBeVisible()
  await expect(chip(page, /^A2 bindweed/)).toBeVisible()
  await page.getByRole('link', { name: 'Open the loom' }).click()
  await page.goto('/end')
  await page
    .getByRole('link', { name: /cereal rye/i })
    .first()
    .click()
  await expect(page.getByText(/Bindweed is named in this bed. Nothing here ends it/).first()).toBeVisible()
})

test('the days ahead are told by a tap each, kept, taken back, and heard by the weather', async ({
  page,
}) => {
  const hand = new Hand()
  await place(page, hand)
  await page.getByLabel('Length, ft').fill('28')
  await chip(page, /^Next/).click()
  await page.getByRole('link', { name: 'Open the loom' }).click()
  await page.goto('/rounds')
  await page.getByText('The days ahead as you have heard').click()
  const days = page.getByTestId('days-ahead').getByRole('listitem')
  await expect(days).toHaveCount(7)
  const week = page.getByRole('link', { name: /^This week:/ })
  const inches = async () =>
    Number(/([\d.]+)\sin of rain/.exec((await week.innerText()).replaceAll('\u00a0', ' '))?.[1])
  await expect(week).toBeVisible()
  const before = await inches()
  for (let day = 0; day < 7; day++) {
    const wet = days.nth(day).getByRole('button', { name: / wet$/ })
    await wet.click()
    await expect(wet).toHaveAttribute('aria-pressed', 'true')
  }
  await expect(page.getByText('The days ahead as you have heard: 7 told')).toBeVisible()
  await expect.poll(inches).toBeGreaterThan(before + 1)
  await page.reload()
  await expect(page.getByText('The days ahead as you have heard: 7 told')).toBeVisible()
  await page.getByText('The days ahead as you have heard').click()
  await days.first().getByRole('button', { name: / wet$/ }).click()
  await expect(page.getByText('The days ahead as you have heard: 6 told')).toBeVisible()
})
