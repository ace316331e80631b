import { expect, test } from '@jest/globals'
import { fireEvent, screen, waitFor } from '@testing-library/react'
import { form, openRoom, press, SLOW, type } from '../../app/testing/openRoom'
import type { Garden } from '../../core/garden/schema'
import type { SeedLot } from '../../core/garden/seed'
import { database } from '../../data/database'

const lots = async () => (await database.lots.toArray()) as SeedLot[]
const garden = async () => (await database.gardens.get('marlpit-lane')) as Garden

async function room() {
  await openRoom('/shed')
  await screen.findByTestId('lots', {}, SLOW)
}

test('a bag is checked field by field, kept with its own test, and shown', async () => {
  await room()
  fireEvent.click(screen.getByText('Add a bag or packet'))
  const lot = form('Seed lot')
  const before = (await lots()).length
  type('What is in it', 'buckwheat', lot)
  type('Weight, g', 'a sack', lot)
  press('Add it', lot)
  await screen.findByText(/The weight must be a number/)
  type('Weight, g', '1000', lot)
  type('Seeds laid out', '50', lot)
  type('Of them sprouted', '60', lot)
  press('Add it', lot)
  await screen.findByText(/More seeds sprouted than were laid out/)
  expect(await lots()).toHaveLength(before)
  type('Of them sprouted', '40', lot)
  press('Add it', lot)
  await waitFor(async () => expect(await lots()).toHaveLength(before + 1), SLOW)
  await waitFor(() => expect(screen.getByTestId('lots').textContent).toMatch(/79\s% by own test/), SLOW)
})

test('hands are measured for who throws', async () => {
  await room()
  const measures = form('Own measures')
  const people = (await garden()).sowers.length
  type('Name', 'Jo', measures)
  type('Handfuls', '10', measures)
  type('In the cup, g', '420', measures)
  fireEvent.submit(measures)
  await waitFor(async () => expect((await garden()).sowers).toHaveLength(people + 1), SLOW)
  await waitFor(() => expect(screen.getByTestId('sowers').textContent).toMatch(/Jo/), SLOW)
})

test('packs to buy are kept, and the cheapest basket is worked out for what is needed', async () => {
  await room()
  fireEvent.click(screen.getByText('Packs that can be bought'))
  const pack = form('Pack')
  fireEvent.submit(pack)
  await waitFor(() => expect(pack.textContent).toMatch(/Weight|Price|number|more than/))
  type('Seed of', 'cereal-rye', pack)
  type('Weight, g', '5000', pack)
  type('Price, EUR', '11,90', pack)
  fireEvent.submit(pack)
  await waitFor(
    async () => expect((await garden()).packs.some(({ price }) => price === 11.9)).toBe(true),
    SLOW,
  )
  await screen.findByTestId('basket', {}, SLOW)
})
