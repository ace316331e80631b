import { expect, test } from '@jest/globals'
import { act, screen, waitFor } from '@testing-library/react'
import { form, openRoom, press, SLOW, type } from '../../app/testing/openRoom'
import type { Garden, Stand } from '../../core/garden/schema'
import { database } from '../../data/database'

const VETCH = 'marlpit-lane-stand-04'

const change = <T extends 'stands' | 'gardens'>(table: T, id: string, part: object) =>
  act(async () => void (await database.table(table).update(id, part)))

/** The Plant room of a vetch that was chopped ten days ago. */
async function chopped(garden: Partial<Garden> = {}) {
  await openRoom(`/plant/${VETCH}`)
  const stand = (await database.stands.get(VETCH)) as Stand
  const actual = { date: '2026-04-10', method: 'chop', passes: 1, note: '', bbch: 35 }
  await change('stands', VETCH, { end: { ...stand.end, actual } })
  await change('gardens', 'marlpit-lane', garden)
  await screen.findByTestId('gates', {}, SLOW)
}
const gates = () => screen.getByTestId('gates').textContent!

test('gates give their reasons in the garden’s own units', async () => {
  await chopped()
  await waitFor(() => expect(gates()).toMatch(/Tomato wants 13\s*°C at 5\scm/), SLOW)
  await change('gardens', 'marlpit-lane', { units: 'imperial' })
  await waitFor(() => expect(gates()).toMatch(/Tomato wants 55\s*°F at 2\sin/), SLOW)
  expect(gates()).not.toMatch(/kg\/ha|t\/ha|°C/)
})

test('a planting is checked, recorded with the crop it follows, and its outcome closes the loop', async () => {
  await chopped()
  type('Planted on', '2026-04-01')
  press('Record planting')
  expect(await screen.findByText(/The cover was ended on 2026-04-10/)).toBeTruthy()
  type('Planted on', '2026-05-30')
  expect(await screen.findByText(/A planting is recorded once it is done/)).toBeTruthy()
  type('Planted on', '2026-04-20')
  press('Record planting')
  const outcome = await screen.findByRole('form', { name: 'Outcome' }, SLOW)
  const crops = (await database.stands.toArray()) as Stand[]
  const planted = crops.find(
    (stand) => stand.bedId === 'marlpit-lane-L2' && stand.start.actual?.date === '2026-04-20',
  )!
  expect(planted.content).toMatchObject({ kind: 'crop', cropId: 'tomato', establishment: 'transplant' })
  expect(planted.end.plan!.date > '2026-06-01').toBe(true)

  type(/^Yield of/, 'plenty', outcome)
  press('Record the outcome', outcome)
  expect(await screen.findByText(/The yield must be a number, or left empty/)).toBeTruthy()
  type(/^Yield of/, '31,5', outcome)
  type('It did', 'better', outcome)
  press('Record the outcome', outcome)
  await waitFor(
    async () =>
      expect((await database.stands.get(planted.id))?.outcome).toMatchObject({
        yieldKg: 31.5,
        verdict: 'better',
      }),
    SLOW,
  )
  await waitFor(() => expect(screen.getByTestId('followed').textContent).toMatch(/chop and drop/i), SLOW)
})

test('a planting before the sowing is named and refused, not forgotten', async () => {
  await openRoom(`/plant/${VETCH}`)
  await screen.findByTestId('gates', {}, SLOW)
  type('Planting planned for', '2025-08-01')
  const line = screen.getByTestId('plan-line')
  await waitFor(() => expect(line.textContent).toMatch(/comes before the cover is sown, Aug.28/))
  expect(line.textContent).toMatch(/tomato/)
  expect(screen.getByRole('button', { name: 'Keep' })).toHaveProperty('disabled', true)
})

test('lanes are planted days apart; what cannot be is said', async () => {
  await chopped()
  const lanes = form('Lanes')
  type('Planted in lanes', '0', lanes)
  expect(await screen.findByText(/Lanes must be between 1 and 12/)).toBeTruthy()
  type('Planted in lanes', '3', lanes)
  type('Days between', '10', lanes)
  await waitFor(() => expect(screen.getByTestId('lanes').querySelectorAll('li')).toHaveLength(3))
})

test('a feed without its analysis asks for it, with one it says how much to spread', async () => {
  await chopped()
  type('Fill it with', 'marlpit-lane-leaf')
  await waitFor(
    () => expect(screen.getByTestId('nitrogen').textContent).toMatch(/has no nitrogen, no share freed/),
    SLOW,
  )
  const garden = (await database.gardens.get('marlpit-lane')) as Garden
  await change('gardens', 'marlpit-lane', {
    nitrogenSources: garden.nitrogenSources.map((source) => ({
      ...source,
      nitrogenPct: 1,
      firstSeason: 0.2,
      kgPerM3: 600,
    })),
  })
  await waitFor(() => expect(screen.getByTestId('feed').textContent).toMatch(/Spread .*\d\s*kg/), SLOW)
})

test('raw manure that was spread starts the interval to the harvest; staked and mulched it is shorter', async () => {
  const dung = {
    id: 'dung',
    name: 'Horse dung',
    nitrogenPct: 0.6,
    carbonPct: null,
    firstSeason: 0.3,
    kgPerM3: 500,
  }
  await chopped({ nitrogenSources: [{ ...dung, manure: 'raw' }] })
  const nitrogen = () => screen.getByTestId('nitrogen').textContent
  await waitFor(() => expect(nitrogen()).toMatch(/Horse dung is raw manure: 120 days from spreading/), SLOW)
  expect(nitrogen()).toMatch(/ready after about 70: spread it 50 days before planting/)
  expect(nitrogen()).toMatch(/Ask what was sprayed on it, and sow beans/)
  expect(gates()).not.toMatch(/Interval from manure/)
  const spread = form('Spread horse dung')
  type('Spread on', '2026-05-30', spread)
  press('Record it', spread)
  await waitFor(() => expect(spread.textContent).toMatch(/Choose today or the earlier day/))
  type('Spread on', '2026-04-18', spread)
  type('Weight, kg', '35', spread)
  press('Record it', spread)
  await waitFor(() => expect(gates()).toMatch(/120 days from the last raw or unknown manure/), SLOW)
  expect((await database.beds.get('marlpit-lane-L2'))?.spreads).toMatchObject([
    { date: '2026-04-18', what: 'Horse dung', manure: 'raw', kg: 35 },
  ])
  type('Eaten part of tomato', 'clear')
  await waitFor(() => expect(gates()).toMatch(/90 days from the last raw or unknown manure/), SLOW)
  press(/^Take out Horse dung/)
  await waitFor(() => expect(gates()).not.toMatch(/Interval from manure/), SLOW)
})

test('where bindweed is named, the ground is not called free of it', async () => {
  await chopped()
  expect(gates()).not.toMatch(/bindweed/)
  const troubles = [{ id: 't', date: '2025-06-01', family: 'Convolvulaceae', what: 'Field bindweed' }]
  await act(async () => void (await database.beds.update('marlpit-lane-L2', { troubles })))
  await waitFor(() => expect(gates()).toMatch(/Free of bindweed.*stays shut/), SLOW)
})

test('what goes wrong is told of the plan as it is, never of the one before a change', async () => {
  await openRoom('/plant/marlpit-lane-stand-01')
  await screen.findByTestId('gates', {}, SLOW)
  const helps = screen.getByTestId('plan-helps') as HTMLDetailsElement
  expect(screen.getByTestId('grade').textContent).toMatch(/pumpkin/i)
  const asked = (screen.getByLabelText('Planting planned for') as HTMLInputElement).value
  const line = screen.getByTestId('plan-line')
  expect(line.dataset.state).toBe('ready')
  type('Planting planned for', `${Number(asked.slice(0, 4))}-07-20`)
  // The line keeps its place and nothing of the plan before is told with the new one's dates.
  await waitFor(() => expect(line.dataset.state).toBe('computing'), SLOW)
  expect(screen.queryByTestId('grade')).toBeNull()
  expect(screen.getByTestId('plan-helps')).toBe(helps)
  await waitFor(() => expect(line.dataset.state).toBe('ready'), SLOW)
  expect(screen.getByTestId('grade')).toBeTruthy()
})

test('straw to add grows with the weeks weeds are to be held for, and a creeping weed is said to come through', async () => {
  await openRoom('/plant/marlpit-lane-stand-01')
  const longer = await screen.findByTestId('hold-longer', {}, SLOW)
  const kilos = (weeks: string) => {
    type('Hold weeds for, weeks', weeks)
    const added = /Add\s*([\d.]+)\s*(g|kg)/.exec(longer.textContent!)
    return added ? Number(added[1]) * (added[2] === 'kg' ? 1 : 0.001) : 0
  }
  const [short, long] = [kilos('4'), kilos('16')]
  expect(long).toBeGreaterThan(short)
  expect(long).toBeGreaterThan(1)
  const mulch = screen.getByTestId('mulch')
  expect(mulch.textContent).not.toMatch(/Through any mulch/)
  const troubles = [{ id: 't', date: '2025-06-01', family: 'Poaceae', what: 'Couch' }]
  await act(async () => void (await database.beds.update('marlpit-lane-L1', { troubles })))
  await waitFor(() => expect(mulch.textContent).toMatch(/Through any mulch comes: couch/), SLOW)
})

test('a way of planting tells its work and is planned; the distance when late can be the grower’s own', async () => {
  await chopped()
  const pockets = () =>
    screen.getByRole('button', { name: /^(Plan|Planned): A pocket of compost for each plant$/ })
  const row = pockets().closest('li')!
  expect(row.textContent).toMatch(/About \d+\smin; compost \d+\sl/)
  press('Plan: A pocket of compost for each plant')
  await waitFor(() => expect(pockets().getAttribute('aria-pressed')).toBe('true'), SLOW)
  expect(screen.getByTestId('order').textContent).toMatch(/Order or raise \d+ plants/)

  const own = form('Distance of tomato when late')
  type('Closer a week, %', '40', own)
  press('Keep as my own', own)
  expect(await screen.findByText(/Closer a week must be between 0 and 30/)).toBeTruthy()
  type('Closer a week, %', '8', own)
  type('Never below, %', '70', own)
  press('Keep as my own', own)
  const rules = async () => ((await database.gardens.get('marlpit-lane')) as Garden).rules.closerWhenLate
  await waitFor(
    async () =>
      expect(await rules()).toEqual({ tomato: { closerPerWeek: 0.08, least: expect.closeTo(0.7) } }),
    SLOW,
  )
  await waitFor(() => expect(screen.getByTestId('own-distance').textContent).toMatch(/8\s%.*your own/), SLOW)
  press(/^As usual/, own)
  await waitFor(async () => expect(await rules()).toEqual({}), SLOW)
})
