import { expect, test } from '@jest/globals'
import { act, fireEvent, screen, waitFor } from '@testing-library/react'
import { openRoom, press, SLOW, type } from '../../app/testing/openRoom'
import type { SeedLot } from '../../core/garden/seed'
import type { Stand } from '../../core/garden/schema'
import { database } from '../../data/database'

const BUCKWHEAT = 'marlpit-lane-stand-08'
const stored = async () => (await database.stands.get(BUCKWHEAT)) as Stand
const lots = async () =>
  ((await database.lots.toArray()) as SeedLot[]).reduce((sum, lot) => sum + lot.leftGrams, 0)
const grams = () => Number(/[\d.]+/.exec(screen.getByTestId('total-grams').textContent!)![0])

async function recipe() {
  const room = await openRoom(`/sow/${BUCKWHEAT}`)
  await screen.findByTestId('total-grams', {}, SLOW)
  return room
}

test('lower germination needs more seed, left on top more than raked in', async () => {
  await recipe()
  const usual = grams()
  type('Germination, %', '45')
  await waitFor(() => expect(grams()).toBeGreaterThan(usual * 1.5))
  type('Germination, %', '90')
  type('Covered by', 'raked')
  await waitFor(() => expect(grams()).toBeLessThan(usual * 1.3))
  const raked = grams()
  type('Covered by', 'surface')
  await waitFor(() => expect(grams()).toBeGreaterThan(raked))
})

test('germination that cannot be is refused in words, and what was typed stays', async () => {
  await recipe()
  type('Germination, %', '140')
  expect((await screen.findAllByRole('alert'))[0].textContent).toMatch(/[Gg]ermination/)
  expect((screen.getByLabelText('Germination, %') as HTMLInputElement).value).toBe('140')
})

test('a sowing is recorded once it is done, and the seed at hand is drawn down', async () => {
  const { router } = await recipe()
  const before = await lots()
  fireEvent.click(await screen.findByRole('button', { name: 'Use it for the recipe' }, SLOW))
  type('Sown on', '2027-01-01')
  press('Record sowing')
  expect(await screen.findByText(/A sowing is recorded once it is done/)).toBeTruthy()
  type('Sown on', '2026-04-18')
  press('Record sowing')
  await waitFor(() => expect(router.state.location.pathname).toBe(`/watch/${BUCKWHEAT}`), SLOW)
  const { actual } = (await stored()).start
  expect(actual).toMatchObject({ date: '2026-04-18' })
  const sown = actual!.components.reduce((sum, component) => sum + (component.grams ?? 0), 0)
  expect(sown).toBeGreaterThan(20)
  const drawn = before - (await lots())
  expect(drawn).toBeGreaterThan(0)
  expect(drawn).toBeLessThanOrEqual(sown + 1)
})

test('recording a sowing again keeps how unsure its day is, until another day is told', async () => {
  const { router } = await recipe()
  const between = { from: '2026-04-10', to: '2026-04-26' }
  const sown = await stored()
  const actual = { ...sown.start.plan!, date: '2026-04-18', sownBetween: between, note: 'by guess' }
  await database.stands.put({ ...sown, start: { ...sown.start, actual } })
  await waitFor(() => expect(screen.getByLabelText<HTMLTextAreaElement>('Note').value).toBe('by guess'), SLOW)
  const recordedOn = async (date: string) => {
    type('Sown on', date)
    type('Note', `raked in, ${date}`)
    press(/^Record sowing/)
    await waitFor(async () => expect((await stored()).start.actual!.note).toBe(`raked in, ${date}`), SLOW)
    return (await stored()).start.actual!
  }
  expect(await recordedOn('2026-04-18')).toMatchObject({ date: '2026-04-18', sownBetween: between })
  await waitFor(() => expect(router.state.location.pathname).toBe(`/watch/${BUCKWHEAT}`), SLOW)
  await act(() => router.navigate(`/sow/${BUCKWHEAT}`))
  await screen.findByTestId('total-grams', {}, SLOW)
  expect(await recordedOn('2026-04-20')).toMatchObject({ date: '2026-04-20', sownBetween: null })
})

test('a ring counted part way says what the rest is to be thrown at', async () => {
  await recipe()
  fireEvent.click(screen.getByText('Check with a ring'))
  type('Buckwheat, counted', 'many')
  await waitFor(() => expect(screen.getByTestId('ring').textContent).not.toMatch(/throw the rest/))
  type('Buckwheat, counted', '30 34 31')
  await waitFor(() => expect(screen.getByTestId('ring').textContent).toMatch(/throw the rest at/), SLOW)
})

test('seed that is cut over says how much falls on it from what stands there, and what to do about it', async () => {
  await recipe()
  const sowing = await stored()
  const plan = { ...sowing.start.plan!, date: '2026-05-05', covering: 'crop dropped over' as const }
  await database.stands.put({ ...sowing, bedId: 'marlpit-lane-L4', start: { plan, actual: null } })
  const told = await screen.findByTestId('drop-over', {}, SLOW)
  expect(told.textContent).toMatch(/Of the cereal rye about [\d.]+\s*kg dry growth falls/)
  expect(told.textContent).toMatch(
    /rake about \d+\s*% of it aside|may be too thick|suits this seed|add about/,
  )
})
