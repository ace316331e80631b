import { expect, jest, test } from '@jest/globals'
import { act, fireEvent, screen, waitFor } from '@testing-library/react'
import { form, openRoom, press, SLOW, type } from '../../app/testing/openRoom'
import type { Garden } from '../../core/garden/schema'
import { database } from '../../data/database'

const garden = async () => (await database.gardens.get('marlpit-lane')) as Garden

async function room() {
  await openRoom('/shed')
  await screen.findByRole('form', { name: 'Tools' }, SLOW)
}

test('pressed twice, a feed is added once', async () => {
  await room()
  const before = (await garden()).nitrogenSources.length
  const feed = form('Add compost or feed')
  type('Name of the feed', 'Hen manure', feed)
  // All three presses are those of one moment, however slow the machine is.
  const clock = jest.spyOn(performance, 'now').mockReturnValue(performance.now())
  press('Add feed', feed)
  press('Add feed', feed)
  await waitFor(async () => expect((await garden()).nitrogenSources).toHaveLength(before + 1), SLOW)
  press('Add feed', feed)
  await act(async () => {})
  clock.mockRestore()
  expect(feed.textContent).not.toMatch(/give it a name/)
  expect((await garden()).nitrogenSources).toHaveLength(before + 1)
})

test('animals that are moved in a pen need its size', async () => {
  await room()
  const animals = form('Add animals')
  type('Kind', 'hens', animals)
  type('How many', '0', animals)
  press('Add animals', animals)
  await waitFor(() => expect(animals.textContent).toMatch(/Measure the pen/))
  const before = (await garden()).livestock.length
  type('How many', '6', animals)
  type(/^Pen length/, '2,5', animals)
  type(/^Pen width/, '1.2', animals)
  type(/^A bag of feed costs/, '19,20', animals)
  type(/^and weighs/, '12', animals)
  press('Add animals', animals)
  await waitFor(async () => expect((await garden()).livestock).toHaveLength(before + 1), SLOW)
  expect((await garden()).livestock.at(-1)).toMatchObject({
    kind: 'hens',
    head: 6,
    penLengthM: 2.5,
    penWidthM: 1.2,
    feedPricePerKg: expect.closeTo(1.6),
  })
  expect(await screen.findByText(/feed €1\.60 a kg/)).toBeTruthy()
})

test('a feed is added without its analysis, and given it later', async () => {
  await room()
  const feed = form('Add compost or feed')
  press('Add feed', feed)
  await waitFor(() => expect(feed.textContent).toMatch(/name/i))
  type('Name of the feed', 'Hen manure', feed)
  type('Nitrogen, % as spread', '80', feed)
  press('Add feed', feed)
  expect((await garden()).nitrogenSources.some(({ name }) => name === 'Hen manure')).toBe(false)
  type('Nitrogen, % as spread', '', feed)
  press('Add feed', feed)
  fireEvent.click(await screen.findByRole('button', { name: 'Change Hen manure' }, SLOW))
  expect(screen.getByLabelText<HTMLSelectElement>('Manure in it').value).toBe('none')
  type('Manure in it', 'raw', feed)
  type('Sprayed on it', 'none', feed)
  type('Nitrogen, % as spread', '2,4', feed)
  type('Freed in the first season, %', '60', feed)
  press('Save feed', feed)
  await waitFor(
    async () =>
      expect((await garden()).nitrogenSources.find(({ name }) => name === 'Hen manure')).toMatchObject({
        nitrogenPct: 2.4,
        firstSeason: 0.6,
        kgPerM3: null,
        manure: 'raw',
        sprayed: 'none',
      }),
    SLOW,
  )
  await screen.findByText(/Hen manure, 2.4 % nitrogen/, undefined, SLOW)
  press('Remove Hen manure')
  await waitFor(
    async () =>
      expect((await garden()).nitrogenSources.some(({ name }) => name === 'Hen manure')).toBe(false),
    SLOW,
  )
})
