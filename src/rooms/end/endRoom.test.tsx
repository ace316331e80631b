import { expect, test } from '@jest/globals'
import { act, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { form, goToDay, openRoom, press, SLOW, type, type Room } from '../../app/testing/openRoom'
import type { Stand } from '../../core/garden/schema'
import { database } from '../../data/database'

const VETCH = 'marlpit-lane-stand-04'
const RYE = 'marlpit-lane-stand-10'

const stored = async (id: string) => (await database.stands.get(id)) as Stand

/** Ends a stand on a day and stands in the view of what follows, some days later. */
async function ended(id: string, how: string, on: string, today: string): Promise<Room> {
  const room = await openRoom(`/end/${id}/after`)
  await goToDay(room, on)
  await screen.findByText(/Once the end is recorded/, {}, SLOW)
  type('How', how)
  type('Done on', on)
  press('Record the end')
  await screen.findByTestId('after', {}, SLOW)
  await goToDay(room, today)
  return room
}

async function counted(standing: string, before: string) {
  type('Plants standing again', standing)
  type('Stood there before', before)
  press('Record the count')
}

test('a count advises, the work on the survivors is kept, and the next look moves', async () => {
  await ended(VETCH, 'chop', '2026-05-25', '2026-06-08')
  await counted('19', '50')
  const advice = await screen.findByTestId('next-step', {}, SLOW)
  expect(advice.textContent).toMatch(/^Cover them. 38 % stand again and planting is near/)

  const work = form('What was done about it')
  type('Did it on', '2026-06-01', work)
  type('Minutes it took', 'long', work)
  press('Record it')
  expect(await screen.findByText(/They were counted on 2026-06-08/)).toBeTruthy()
  expect(screen.getByText(/Minutes must be a number/)).toBeTruthy()
  type('Did it on', '2026-06-08', work)
  type('Minutes it took', '25', work)
  type('What you did about them', 'again', work)
  press('Record it')
  const done = await screen.findByTestId('finishings', {}, SLOW)
  expect(done.textContent).toMatch(
    /Done once more on .*25 minutes.*leave about 33\s% \(20\s% to 50\s%\) of them/,
  )
  expect((await stored(VETCH)).finishings).toEqual([
    expect.objectContaining({ date: '2026-06-08', act: 'again', minutes: 25 }),
  ])
  // Fourteen days from the second pass: before that it only looks alive.
  expect(screen.getByText(/Count next about Jun 22/)).toBeTruthy()
  expect(screen.queryByTestId('next-step')).toBeNull()

  fireEvent.click(within(done).getByRole('button', { name: 'Take out' }))
  await waitFor(() => expect(screen.queryByTestId('finishings')).toBeNull(), SLOW)
  expect((await stored(VETCH)).finishings).toEqual([])
})

test('an end keeps its stage for its counts, also when it was recorded before the forecast was there', async () => {
  await ended(VETCH, 'chop', '2026-05-25', '2026-06-08')
  const stand = await stored(VETCH)
  await act(async () => {
    const actual = { ...stand.end.actual!, bbch: undefined }
    await database.stands.put({ ...stand, end: { ...stand.end, actual } })
  })
  await screen.findByText(/^\d{2,} by the forecast/, {}, SLOW)
  await counted('4', '50')
  await waitFor(async () => expect((await stored(VETCH)).followUps).toHaveLength(1), SLOW)
  expect((await stored(VETCH)).end.actual!.bbch).toBeGreaterThan(30)
})

test('counts that cannot be are questioned, and nothing is stored', async () => {
  await ended(VETCH, 'chop', '2026-05-25', '2026-06-08')
  await counted('60', '50')
  expect(await screen.findByText(/More stand again than stood before/)).toBeTruthy()
  await counted('2,5', '50')
  expect(await screen.findByText(/must be a whole number/)).toBeTruthy()
  type('Counted on', '2026-05-01')
  expect(await screen.findByText(/It was ended after that/)).toBeTruthy()
  expect((await stored(VETCH)).followUps).toEqual([])
})

test('a sheet kills until the day it is off; it can be laid on again', async () => {
  await ended(RYE, 'tarp', '2026-05-25', '2026-06-22')
  type('Sheet off on', '2026-05-20')
  press('Record that it is off')
  expect(await screen.findByText('The sheet was laid on 2026-05-25. Choose a later date.')).toBeTruthy()
  type('Sheet off on', '2026-06-20')
  press('Record that it is off')
  expect(await screen.findByText(/after 26 days/, {}, SLOW)).toBeTruthy()
  expect((await stored(RYE)).end.actual!.liftedOn).toBe('2026-06-20')
  press('Still on')
  await waitFor(async () => expect((await stored(RYE)).end.actual!.liftedOn).toBeUndefined(), SLOW)
})

test('the comparison follows the start asked for, and a plan is stored with its way', async () => {
  await openRoom(`/end/${RYE}`)
  await screen.findByTestId('endings', {}, SLOW)
  await waitFor(() => expect(screen.queryByText(/Ending this stand by every way/)).toBeNull(), SLOW)
  type('Start date', '2025-01-01')
  expect(await screen.findByText(/It was sown on 2025-/)).toBeTruthy()
  type('Start date', '')
  fireEvent.click(await screen.findByRole('button', { name: /^Plan.*: Black tarp$/ }, SLOW))
  await waitFor(() => expect(screen.getByTestId('plan-line').dataset.method).toBe('tarp'), SLOW)
  const { plan } = (await stored(RYE)).end
  expect(plan).toMatchObject({ method: 'tarp', passes: 1 })
  expect(plan!.date > '2026-04-20').toBe(true)
})

test('a cut that lets it live leaves this bed and is told what it took', async () => {
  await openRoom('/end/marlpit-lane-stand-01/cut')
  await screen.findByLabelText('What for', {}, SLOW)
  type('What for', 'mulch')
  type('To', 'marlpit-lane-L2')
  const outcome = await screen.findByTestId('cut-outcome', {}, SLOW)
  await waitFor(() => expect(outcome.textContent).toMatch(/On L2 it makes a mulch of/), SLOW)
  type('Height left, cm', '900')
  press('Record the cut')
  expect(await screen.findByText(/between 0 and 200.cm/)).toBeTruthy()
  type('Height left, cm', '12')
  await waitFor(() => expect(screen.getByTestId('cut-outcome').textContent).toMatch(/On L2/), SLOW)
  press('Record the cut')
  await waitFor(async () => expect((await stored('marlpit-lane-stand-01')).cuts).toHaveLength(1), SLOW)
  const actual = (await stored('marlpit-lane-stand-01')).cuts[0].cut.actual!
  expect(actual).toMatchObject({ heightCm: 12, toBedId: 'marlpit-lane-L2' })
  expect(actual.took!.massKg).toBeGreaterThan(0)
  expect(actual.took!.nitrogenG).toBeGreaterThan(0)
})

test('the chance of hens knows the interval to the harvest of what follows', async () => {
  await openRoom(`/end/${VETCH}`)
  await act(async () => {
    const hens = { id: 'h', kind: 'hens' as const, head: 6, penLengthM: 2, penWidthM: 1.2 }
    await database.gardens.update('marlpit-lane', { livestock: [hens] })
  })
  await screen.findByTestId('endings', {}, SLOW)
  await waitFor(() => expect(screen.queryByText(/Ending this stand by every way/)).toBeNull(), SLOW)
  const late = await screen.findByText(
    /Hens in a moved pen/,
    { selector: '[data-testid=endings] li strong' },
    SLOW,
  )
  expect(late.parentElement!.textContent).toMatch(/the harvest comes too soon after manure/)
  // Planted so late that the harvest keeps it, they are a way again.
  type('Plant tomato on', '2026-09-20')
  await waitFor(() => expect(screen.getByRole('button', { name: /^Plan.*: Hens/ })).toBeTruthy(), SLOW)
})

test('animals that were hurt are noted with the end', async () => {
  await openRoom(`/end/${VETCH}/after`)
  const record = await screen.findByRole('form', { name: 'Record the end' }, SLOW)
  expect(within(record).queryByLabelText('Hurt or lost')).toBeNull()
  type('How', 'hens', record)
  type('Hurt or lost', '2', record)
  type('Note', 'a fox', record)
  press('Record the end', record)
  await waitFor(
    async () =>
      expect((await database.stands.get(VETCH))?.end.actual).toMatchObject({ method: 'hens', hurt: 2 }),
    SLOW,
  )
})

test('animals that were hurt before are told before they come again', async () => {
  await openRoom('/end/marlpit-lane-stand-01/animals')
  const { end } = await stored(VETCH)
  const animals = {
    kind: 'hens',
    head: 4,
    penLengthM: 2,
    penWidthM: 1.2,
    daysPerStop: 1,
    rounds: 1,
    restDays: 0,
  }
  const actual = { date: '2026-04-10', method: 'hens', passes: 1, note: 'a fox', animals, hurt: 2 }
  await act(async () => void (await database.table('stands').update(VETCH, { end: { ...end, actual } })))
  expect(
    await screen.findByText(/2 of the hens were hurt or lost \(a fox\)\. Look under the pen/, {}, SLOW),
  ).toBeTruthy()
})

test('where couch is named no way is said to clear it', async () => {
  await openRoom(`/end/${VETCH}`)
  await act(async () => {
    const troubles = [{ id: 't', date: '2025-06-01', family: 'Poaceae', what: 'couch' }]
    await database.beds.update('marlpit-lane-L2', { troubles })
  })
  await screen.findByText(/Couch is named in this bed\. Nothing here ends it/, {}, SLOW)
})

test('of a mix only what is food is eaten', async () => {
  await openRoom('/end/marlpit-lane-stand-01/cut')
  await screen.findByLabelText('What for', {}, SLOW)
  type('The cuttings are', 'eaten')
  expect(
    await screen.findByText(/Not all of it is food: pick only cereal rye; leave hairy vetch/),
  ).toBeTruthy()
  expect(screen.getByRole('button', { name: 'Record the cut' }).hasAttribute('disabled')).toBe(true)
  type('Which plants', 'hairy-vetch')
  expect(await screen.findByText(/People do not eat it/)).toBeTruthy()
  type('Which plants', 'cereal-rye')
  await waitFor(() => expect(screen.queryByText(/People do not eat it|Not all of it is food/)).toBeNull())
})
