import { expect, test } from '@jest/globals'
import { fireEvent, screen, waitFor, within } from '@testing-library/react'
import { form, goToDay, openRoom, press, SLOW, type } from '../../app/testing/openRoom'
import type { SeedLot } from '../../core/garden/seed'
import type { Garden, Stand } from '../../core/garden/schema'
import { database } from '../../data/database'

const BUCKWHEAT = 'marlpit-lane-stand-08'
const stand = async () => (await database.stands.get(BUCKWHEAT)) as Stand
const garden = async () => (await database.gardens.get('marlpit-lane')) as Garden
const left = async () =>
  ((await database.lots.toArray()) as SeedLot[])
    .filter(({ contents }) => contents[0].speciesId === 'buckwheat')
    .reduce((sum, lot) => sum + lot.leftGrams, 0)

async function opened(day: string) {
  const room = await openRoom('/rounds')
  await goToDay(room, day)
  await screen.findByRole('link', { name: 'Sow buckwheat' }, SLOW)
  await waitFor(() => expect(screen.queryByText(/still looking at/)).toBeNull(), SLOW)
  return room
}

test('a sowing ticked is recorded with its recipe, its seed drawn down, and can be undone', async () => {
  await opened('2026-08-12')
  expect(screen.getByTestId('take-along').textContent).toMatch(/\d\sg of buckwheat/)
  const before = await left()
  press('Done: Sow buckwheat, L3')
  await waitFor(async () => expect((await stand()).start.actual?.date).toBe('2026-08-12'), SLOW)
  const [component] = (await stand()).start.actual!.components
  expect(component.grams).toBeGreaterThan(20)
  expect(before - (await left())).toBeCloseTo(Math.min(before, component.grams!), 1)
  await waitFor(() => expect(screen.queryByRole('link', { name: 'Sow buckwheat' })).toBeNull(), SLOW)
  fireEvent.click(screen.getAllByRole('button', { name: /^Undo/ })[0])
  await screen.findByRole('link', { name: 'Sow buckwheat' }, SLOW)
  expect((await stand()).start.actual).toBeNull()
  expect(await left()).toBe(before)
})

test('days away are said once; a sowing whose seedbed would stand dry says so, until somebody is named', async () => {
  await opened('2026-08-12')
  const away = form('Days away')
  type('First day', '2026-08-16', away)
  type('Last day', '2026-08-14', away)
  press('Note it', away)
  await screen.findByText(/last day lies before the first/)
  type('Last day', '2026-08-24', away)
  press('Note it', away)
  await screen.findByText(/Nobody is there .* when the seedbed wants water/, {}, SLOW)
  press('Take back', screen.getByTestId('days-away'))
  await waitFor(() => expect(screen.queryByText(/Nobody is there/)).toBeNull(), SLOW)
  type('First day', '2026-08-16', away)
  type('Last day', '2026-08-24', away)
  type('Looked after by', 'Ada', away)
  press('Note it', away)
  await within(screen.getByTestId('days-away')).findByText(/Ada looks after things/, {}, SLOW)
  expect(screen.queryByText(/Nobody is there/)).toBeNull()
})

test('a job is given to somebody, and the rounds can be theirs alone', async () => {
  await opened('2026-08-12')
  press('Later: Sow buckwheat, L3')
  const who = form('Who does Sow buckwheat, L3')
  type('Whose it is', 'Ada', who)
  press('Name', who)
  await waitFor(
    async () => expect((await garden()).jobMarks.some((mark) => mark.who === 'Ada')).toBe(true),
    SLOW,
  )
  await screen.findByRole('option', { name: 'Ada' }, SLOW)
  type('Whose', 'Ada')
  await waitFor(
    () => expect(within(screen.getByTestId('jobs')).getAllByRole('listitem')).toHaveLength(1),
    SLOW,
  )
})

test('in a quiet week the next that comes is told', async () => {
  await openRoom('/rounds')
  await screen.findByRole('link', { name: 'Look at red clover' }, SLOW)
  await waitFor(() => expect(screen.queryByText(/still looking at/)).toBeNull(), SLOW)
  const done = () => screen.queryAllByRole('button', { name: /^Done/ })
  while (done().length > 0) {
    const left = done().length
    fireEvent.click(done()[0])
    await waitFor(() => expect(done().length).toBeLessThan(left), SLOW)
  }
  expect(screen.getByTestId('comes').textContent).toMatch(/^Next, on .*: .* in [LPYT]\d\.$/)
})
