import { expect, test } from '@jest/globals'
import { fireEvent, screen, waitFor } from '@testing-library/react'
import { form, openRoom, press, SLOW, type } from '../../app/testing/openRoom'
import type { Garden } from '../../core/garden/schema'
import { database } from '../../data/database'

const garden = async () => (await database.gardens.get('marlpit-lane')) as Garden
const beds = () => database.beds.where('gardenId').equals('marlpit-lane').toArray()

async function room() {
  await openRoom('/garden')
  await screen.findByRole('form', { name: 'Settings' }, SLOW)
}

test('settings are checked before they are stored, and undone as one step', async () => {
  await room()
  type('Garden name', '')
  press('Save settings')
  await waitFor(() => expect(screen.getByLabelText('Garden name').getAttribute('aria-invalid')).toBe('true'))
  expect((await garden()).name).toBe('Marlpit Lane')
  type('Garden name', 'Lower field')
  type('Days from dead to transplants', '10')
  press('Save settings')
  await waitFor(
    async () => expect(await garden()).toMatchObject({ name: 'Lower field', waitDays: { transplant: 10 } }),
    SLOW,
  )
  fireEvent.click(screen.getAllByRole('button', { name: 'Undo' })[0])
  await waitFor(async () => expect(await garden()).toMatchObject({ name: 'Marlpit Lane' }), SLOW)
})

test('animals that are moved in a pen need its size', async () => {
  await room()
  const animals = form('Add animals')
  type('Kind', 'hens', animals)
  type('How many', '0', animals)
  press('Add animals', animals)
  expect(animals.textContent).toMatch(/Measure the pen/)
  const before = (await garden()).livestock?.length ?? 0
  type('How many', '6', animals)
  type(/^Pen length/, '2,5', animals)
  type(/^Pen width/, '1.2', animals)
  press('Add animals', animals)
  await waitFor(async () => expect((await garden()).livestock).toHaveLength(before + 1), SLOW)
  expect((await garden()).livestock!.at(-1)).toMatchObject({
    kind: 'hens',
    head: 6,
    penLengthM: 2.5,
    penWidthM: 1.2,
  })
})

test('a feed is added without its analysis, and given it later', async () => {
  await room()
  const feed = form('Add compost or feed')
  press('Add feed', feed)
  await waitFor(() => expect(feed.textContent).toMatch(/name/i))
  type('Name of the feed', 'Hen manure', feed)
  type('Nitrogen, % as spread', '80', feed)
  press('Add feed', feed)
  expect((await garden()).nitrogenSources!.some(({ name }) => name === 'Hen manure')).toBe(false)
  type('Nitrogen, % as spread', '', feed)
  press('Add feed', feed)
  fireEvent.click(await screen.findByRole('button', { name: 'Change Hen manure' }, SLOW))
  type('Nitrogen, % as spread', '2,4', feed)
  type('Freed in the first season, %', '60', feed)
  press('Save feed', feed)
  await waitFor(
    async () =>
      expect((await garden()).nitrogenSources!.find(({ name }) => name === 'Hen manure')).toMatchObject({
        nitrogenPct: 2.4,
        firstSeason: 0.6,
        kgPerM3: null,
      }),
    SLOW,
  )
  press('Remove Hen manure')
  await waitFor(
    async () =>
      expect((await garden()).nitrogenSources!.some(({ name }) => name === 'Hen manure')).toBe(false),
    SLOW,
  )
})

test('a bed is measured anew; a length below nothing is refused', async () => {
  await room()
  press('Edit L1')
  const length = await screen.findByLabelText('Length, m', { selector: '[role=dialog] *, dialog *' })
  fireEvent.change(length, { target: { value: '-3' } })
  press('Save bed')
  const bed = async () => (await beds()).find(({ label }) => label === 'L1')!
  const before = (await bed()).lengthM
  expect(before).toBeGreaterThan(0)
  fireEvent.change(length, { target: { value: '12,5' } })
  press('Save bed')
  await waitFor(async () => expect((await bed()).lengthM).toBe(12.5), SLOW)
})
