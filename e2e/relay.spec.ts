import { expect, test, type Page } from '@playwright/test'
import { openField } from './fieldGarden'
import { ranked, roundsUntil, stepWeeks } from './helpers'

const line = (page: Page) => page.getByTestId('plan-line')
const ready = (page: Page) => expect(line(page)).toHaveAttribute('data-state', 'ready')

/** Chooses a cover by name from what fits, once all is known. */
async function choose(page: Page, name: RegExp) {
  await ranked(page)
  const all = page.getByRole('button', { name: /^Show all/ })
  if (await all.isVisible()) await all.click()
  await page.getByTestId('candidates').getByRole('button', { name }).first().click()
  await expect(page).toHaveURL(/\/sow\//)
}

test('clover goes into standing wheat, and is kept after its harvest', async ({ page }, info) => {
  await openField(page, info)
  await page
    .getByRole('link', { name: /^W1: sow under winter wheat for grain from .* bare weeks recovered/ })
    .click()
  await expect(page.getByText(/^Under winter wheat for grain: sow from /)).toBeVisible()

  // The last weeding is the grower's to say; the time for sowing moves with it.
  await page.locator('summary', { hasText: 'Last weeding of winter wheat' }).click()
  await page.getByLabel('Last weeding of winter wheat for grain').fill('2026-04-27')
  await expect(page.getByText(/195 days after planting, your own/)).toBeVisible()
  await expect(page.getByText(/^Under winter wheat for grain: sow from 27 Apr/)).toBeVisible()

  await choose(page, /^Choose Red clover$/)
  await ready(page)
  await expect(line(page)).toContainText(/Red clover sown (27|28|29|30) Apr|Red clover sown \d+ May/)
  // The wheat stands on above it until its harvest.
  await page.goto('/bed/W1')
  await expect(page.getByText('Winter wheat for grain').first()).toBeVisible()
  await stepWeeks(page, 15)
  await page.goto('/rounds')
  await expect(page.getByText(/^Clear winter wheat for grain/)).toBeVisible()
})

test('a new cover is sown into the old one, which is cut over it', async ({ page }, info) => {
  await openField(page, info)
  await page.getByRole('link', { name: /^R1: sow under cereal rye/ }).click()
  await expect(page.getByText(/^Under cereal rye: .* as it is cut over the seed/)).toBeVisible()
  // Sown on the day of the cut: the growth falls over its seed.
  await page.getByText('What if', { exact: true }).click()
  await page.getByLabel('Sown on').fill('2026-05-20')
  await ranked(page)
  const all = page.getByRole('button', { name: /^Show all/ })
  if (await all.isVisible()) await all.click()
  const dropped = page
    .getByTestId('candidates')
    .getByRole('listitem')
    .filter({ hasText: /crop dropped over/ })
  await dropped
    .first()
    .getByRole('button', { name: /^Choose/ })
    .click()
  await expect(page).toHaveURL(/\/sow\//)
  await ready(page)
  const [, name] = /^(.+?) sown/.exec((await line(page).getByRole('listitem').first().textContent())!)!
  await page.goto('/bed/R1')
  await expect(page.getByText(/Cereal rye/).first()).toBeVisible()
  await expect(page.getByText(name).first()).toBeVisible()

  // It was chosen for the day on which the old one is cut: seed, cut, mulch over it, water and the day are one card, and one
  // job of the rounds.
  await page.goBack()
  const card = page.getByRole('region', { name: 'Sow and drop' })
  await expect(card.getByTestId('drop-over')).toContainText(/about .* dry growth falls/)
  await expect(card.getByTestId('drop-water')).toContainText(/Moist for 12 days by itself|Water it until/)
  const together = card.getByText('Planned so: Rounds has both as one.')
  await expect(together).toBeVisible()
  await page.goto('/rounds')
  const done = page.getByRole('button', {
    name: new RegExp(`^Done: Sow ${name} and drop cereal rye over it`, 'i'),
  })
  await roundsUntil(page, done)
  await done.click()
  await expect(done).toHaveCount(0)
  await page.goto('/bed/R1')
  await expect(page.getByText(/ended by chop/).first()).toBeVisible()
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click()
  await expect(page.getByText(/ended by chop/)).toHaveCount(0)
})

test('mow, wait, mow and sheet are one plan, told alike in all rooms, and come up in Rounds', async ({
  page,
}, info) => {
  await openField(page, info)
  await page.goto('/end/field-R1')
  const turns = page.getByTestId('in-turns')
  await turns.getByText('In turns: mow, wait, mow again, then end it').click()
  const row = turns.getByRole('listitem').filter({ hasText: /Mow to 8\scm twice/ })
  const chance = /very unlikely|nearly certain|\d+ in 100/
  await expect(row).toContainText(chance)
  await expect(row).toContainText('The cuttings lie between the plants and the sheet')
  const [told] = chance.exec(await row.innerText())!
  await row.getByRole('button', { name: /^Plan in turns/ }).click()
  await expect(page.getByTestId('planned-turns')).toContainText(/Before its end: mow .* and /)
  await ready(page)
  await expect(line(page)).toContainText(/mow \d+ \w+ and \d+ \w+/)
  await expect(page.getByTestId('plan-chance')).toContainText(told)
  await page.goto('/watch/field-R1')
  await ready(page)
  await expect(page.getByTestId('plan-chance')).toContainText(told)

  await page.goto('/bed/R1')
  await expect(page.getByTestId('at-the-bed')).toContainText(
    /Wait until .*, then mow it; its end is planned for/,
  )

  // The first mowing comes up in its week, is recorded by one press, and leaves the list.
  await page.goto('/rounds')
  const done = page.getByRole('button', { name: /^Done: Mow cereal rye to 8/ })
  await roundsUntil(page, done, 2)
  const jobs = await done.count()
  await done.first().click()
  await expect(done).toHaveCount(jobs - 1)
  await page.goto('/end/field-R1/cut')
  await expect(page.getByText(/8\scm/).first()).toBeVisible()
})

test('oats that are let seed are taken as the next stand', async ({ page }, info) => {
  await openField(page, info)
  await page.goto('/end/field-O1')
  await page.getByTestId('let-seed').getByText('Let it seed: leave it or cut it').click()
  const seed = page.getByTestId('let-seed')
  await expect(seed).toContainText(
    /Cut it by .* and no seed is fit to sprout|Some seed is fit to sprout already/,
  )
  await seed.getByRole('button', { name: 'Take its seedlings as the next stand' }).click()
  await expect(page).toHaveURL(/\/watch\//)
  await ready(page)
  await expect(line(page)).toContainText(/Oats sows itself/)
  // Nothing is to be weighed or bought for it.
  const id = new URL(page.url()).pathname.split('/').at(-1)
  await page.goto(`/sow/${id}`)
  await expect(page.getByTestId('self-sown')).toContainText('there is nothing to weigh')
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click()
  await expect(page.getByTestId('self-sown')).toHaveCount(0)
  await page.goto('/end/field-O1')
  await expect(line(page)).toContainText('no end planned')
})

test('hens on spent cabbage, then potatoes: one clock for their manure', async ({ page }, info) => {
  await openField(page, info)
  await page.goto('/bed/C1')
  const here = page.getByTestId('animals-here')
  await here.getByText('Animals on spent crops or weeds').click()
  const form = here.getByRole('form', { name: 'Animals on this bed' })
  await form.getByLabel('How many').fill('4')
  await form.getByLabel('Until').fill('2026-04-18')
  await expect(here).toContainText('They leave before they arrive')
  await form.getByLabel('Until').fill('2026-04-24')
  // Ready on 29 July, 85 days after planting; the interval ends 120 days after the hens have left.
  await expect(here).toContainText(/no harvest of what touches soil or its splash before 22 Aug 2026/)
  await expect(here).toContainText(/Potato would be ready about 29 Jul 2026, before 22 Aug 2026/)
  await form.getByRole('button', { name: 'Record their stay' }).click()
  await expect(here.getByRole('listitem')).toContainText('4 hens on cabbage, 20 Apr 2026 to 24 Apr 2026')

  // Potato tops are kept from them.
  await form.getByLabel('How many').fill('4')
  await form.getByLabel('Until').fill('2026-06-24')
  await form.getByLabel('From').fill('2026-06-20')
  await expect(here).toContainText('Potato and hens: Leaves, stems and green fruit or tubers of nightshades')
  await expect(form.getByRole('button', { name: 'Record their stay' })).toBeDisabled()
  await here.getByRole('button', { name: 'Remove 4 hens on cabbage' }).click()
  await expect(here.getByRole('listitem')).toHaveCount(0)
})

test('a living aisle is mown by the crop beside it, and its cuttings land on the bed', async ({
  page,
}, info) => {
  await openField(page, info)
  await page.goto('/end/field-aisle/cut')
  const aisle = page.getByTestId('aisle')
  await expect(aisle).toContainText(/Mown \d+ times in the months ahead/)
  await expect(aisle.getByRole('row').filter({ hasText: 'potato' }).first()).toBeVisible()
  await expect(aisle.getByRole('img', { name: /with the clear collar around each stem/ })).toBeVisible()
  // Ryegrass does not stay for years: what follows it is told, and asks for its end first.
  await expect(aisle.getByTestId('aisle-after')).toContainText(
    /Annual ryegrass does not live on\. For an aisle of years white clover can follow once an end is planned/,
  )
  const mowings = (await aisle.getByRole('row').count()) - 1
  await aisle.getByText('Over 5 years').click()
  const years = page.getByTestId('aisle-years')
  await expect(years.getByRole('row')).toHaveCount(6)
  await expect(years).toContainText(/It stays closed|closes over \d+/)
  await aisle.getByRole('button', { name: 'Plan these mowings' }).click()
  const planned = page.getByRole('region', { name: 'Cuts so far' }).getByRole('listitem')
  await expect(planned).toHaveCount(mowings)
  await expect(planned.first()).toContainText(/carried off to C1, about .* dry with .* nitrogen/)
})
