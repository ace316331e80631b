import { expect, test } from '@jest/globals'
import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { form, openRoom, press, SLOW, type } from '../../app/testing/openRoom'
import type { Bed, Stand } from '../../core/garden/schema'
import { database } from '../../data/database'

const bed = async (id: string) => (await database.beds.get(id)) as Bed

test('a trouble needs its family and its name, and can be removed', async () => {
  await openRoom('/bed/marlpit-lane-P3')
  fireEvent.click(await screen.findByText('Diseases and pests', {}, SLOW))
  const trouble = form('Disease or pest')
  press('Note it', trouble)
  await screen.findByText(/Plant family: choose the one that suffered/)
  await screen.findByText(/Trouble: say what it was/)
  type('Plant family', 'Brassicaceae', trouble)
  type('Trouble', 'clubroot', trouble)
  press('Note it', trouble)
  await screen.findByText(/clubroot on Brassicaceae/, {}, SLOW)
  expect((await bed('marlpit-lane-P3')).troubles).toEqual([
    expect.objectContaining({ family: 'Brassicaceae', what: 'clubroot' }),
  ])
  press('Remove clubroot')
  await waitFor(async () => expect((await bed('marlpit-lane-P3')).troubles).toEqual([]), SLOW)
})

test('water given is kept with its stand, and too much of it is questioned', async () => {
  await openRoom('/bed/marlpit-lane-L4')
  const water = await screen.findByRole('form', { name: 'Water given' }, SLOW)
  type(/^Water, mm/, '900', water)
  fireEvent.submit(water)
  await screen.findByText(/Water given must be between 0.5.*and 200/, {}, SLOW)
  type(/^Water, mm/, '12,5', water)
  fireEvent.submit(water)
  const watered = async () =>
    ((await database.stands.where('bedId').equals('marlpit-lane-L4').toArray()) as Stand[]).flatMap(
      (stand) => stand.waterings,
    )
  await waitFor(async () => expect(await watered()).toEqual([expect.objectContaining({ mm: 12.5 })]), SLOW)
})

test('a bed that is not there says so', async () => {
  await openRoom('/bed/nowhere')
  expect(await screen.findByText(/Bed not found/, {}, SLOW)).toBeTruthy()
})

test('the bed is drawn as it is today and as its end leaves it, and on any other day', async () => {
  await openRoom('/bed/marlpit-lane-L1')
  await screen.findAllByTestId('bed-picture', {}, SLOW)
  const lines = () => screen.getAllByTestId('bed-picture-line').map((line) => line.textContent!)
  expect(lines()[0]).toMatch(/of the ground green/)
  expect(lines()[1]).toMatch(/^mulch/)
  const [left] = screen.getAllByRole<HTMLInputElement>('slider', { name: /^Day of the picture, left/ })
  const today = Number(left.value)
  fireEvent.change(left, { target: { value: String(today - 200) } })
  expect(Number(screen.getAllByTestId('bed-picture')[0].dataset.day)).toBe(today - 200)
  expect(left.getAttribute('aria-valuetext')).toMatch(/: .*of the ground green/)
  const [first] = screen.getAllByTestId('bed-picture')
  fireEvent.click(within(first).getByRole('button', { name: 'Today' }))
  expect(Number(first.dataset.day)).toBe(today)
})
