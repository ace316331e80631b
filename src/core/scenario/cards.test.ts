import { describe, expect, test } from '@jest/globals'
import { dayNumber, isoDate } from '../foundations/day'
import { standRun } from '../bed/standRun'
import { quantilesOf, shareOf } from '../foundations/statistics'
import type { Check } from '../garden/check'
import { FRESH_CHECK, FRESH_STAND, USUAL_CLIMATE } from '../garden/fresh'
import { clearing, planting } from '../garden/newStands'
import type { Stand } from '../garden/schema'
import { jobsOf } from '../rounds/jobs'
import { testBed, testCover } from '../testing/beds'
import type { SiteClimate } from '../garden/site'
import { findSpecies } from '../plants/catalogue'
import { grown, endBy, mowing, planned, type Drawn } from '../testing/relations/draw'
import { TEST_SITES } from '../testing/sites'
import { valuesOn } from '../stand/summary'
import type { StandRun } from '../stand/types'
import { evaluate } from './evaluate'
import { inTurns, USUAL_SEQUENCES } from './inTurns'
import { troublesOn } from './sowing'

/** What a grower does one after the other, and what must hold of it: what is told of the plan, as the rooms tell it. */
const plants = (...ids: string[]) => ids.map((id) => findSpecies(id)!)
const tell = (drawn: Drawn, ...of: Parameters<typeof planned> extends [unknown, infer P] ? [P] : never) =>
  evaluate(planned(drawn, ...of), drawn.ensemble)!
const alive = ({ termination }: ReturnType<typeof tell>) =>
  termination!.endings.reduce((sum, { survival }) => sum + survival, 0) / termination!.endings.length
const deadBy = ({ termination }: ReturnType<typeof tell>, date: string) =>
  shareOf(termination!.dead.length, (m) => termination!.dead[m] <= dayNumber(date))

const middleOf = (run: StandRun, series: Float32Array, day: number) =>
  quantilesOf(valuesOn(run, series, day))!.p50

/** Cold, humid, inland; and hot summers after mild winters. */
const massachusetts: SiteClimate = {
  ...USUAL_CLIMATE,
  latitude: 42.3,
  elevationM: 60,
  coastal: false,
  tMaxC: [1, 3, 8, 15, 21, 26, 29, 28, 23, 17, 10, 4],
  tMinC: [-9, -8, -4, 2, 8, 13, 16, 15, 11, 4, 0, -6],
  rainMm: [90, 80, 105, 100, 90, 100, 90, 90, 95, 105, 100, 100],
  wetDays: [11, 10, 11, 11, 12, 11, 10, 10, 9, 10, 11, 11],
}

describe('mown, then ended', () => {
  const rye = grown(TEST_SITES.maryland, plants('cereal-rye'), dayNumber('2025-09-25'), 11)
  const milk = dayNumber('2026-06-06')
  test.each(['turn', 'chop', 'bury'] as const)(
    'heads out: %s after a mowing leaves no more than alone',
    (way) => {
      for (const after of [7, 14]) {
        const alone = alive(tell(rye, { end: endBy(way, milk + after) }))
        const mown = alive(tell(rye, { end: endBy(way, milk + after), cuts: [mowing(milk)] }))
        expect(mown).toBeLessThanOrEqual(alone + 0.05)
      }
    },
  )
})

describe('a sheet against doing nothing', () => {
  const oats = grown(massachusetts, plants('oats', 'field-pea'), dayNumber('2025-08-10'), 5)
  test('laid in October it makes the day of death no later', () => {
    const by = dayNumber('2026-04-15')
    const alone = tell(oats, { end: endBy('winter-kill', by), plantOn: by })
    for (const date of ['2025-10-19', '2025-11-10']) {
      const sheeted = tell(oats, { end: endBy('tarp', dayNumber(date)), plantOn: by })
      for (const on of ['2025-12-01', '2026-01-01', '2026-02-01', '2026-03-01'])
        expect(deadBy(sheeted, on)).toBeGreaterThanOrEqual(deadBy(alone, on) - 0.05)
    }
  })
})

describe('ripe is dead', () => {
  const barley = grown(TEST_SITES.alabama, plants('spring-barley', 'field-pea'), dayNumber('2026-01-15'), 9)
  test('for a bed wanted in late July the natural death is a way with a high chance, seed told beside it', () => {
    const by = dayNumber('2026-07-25')
    const left = tell(barley, { end: endBy('summer-kill', by), plantOn: by })
    expect(left.outcome.chance.dead).toBeGreaterThan(0.8)
    expect(isoDate(left.outcome.dead!.p50) > '2026-04-15').toBe(true)
  })
})

describe('seen and cut on one day', () => {
  const mix = grown(TEST_SITES.netherlands, plants('oats', 'field-pea'), dayNumber('2026-03-28'), 21, 60)
  const day = dayNumber('2026-06-12')
  const look = (date: string, cover: number): Check => ({
    ...FRESH_CHECK,
    id: date,
    gardenId: 'g',
    standId: mix.stand.id,
    date,
    cover,
  })
  const sum = (run: StandRun, on: number) => middleOf(run, run.massG, on) + middleOf(run, run.residueG, on)
  test.each([0.95, 0.6, 0.4])('%s green: what stood then stands and lies, and nothing is gone', (cover) => {
    const { standCase } = planned(mix, { cuts: [mowing(day, 6)] })
    const cuts = standCase.stand.cuts.map(({ id, cut }) => ({ id, cut: { plan: null, actual: cut.plan } }))
    const checks = [look(isoDate(day), cover)]
    const { run } = standRun({ ...standCase, stand: { ...standCase.stand, cuts }, checks }, mix.ensemble)!
    const stood = sum(run, day - 1)
    expect(sum(run, day)).toBeGreaterThan(0.93 * stood)
    expect(sum(run, day)).toBeLessThan(1.08 * stood)
    expect(middleOf(run, run.cover, day - 1)).toBeGreaterThan(cover - 0.16)
    expect(middleOf(run, run.cover, day - 1)).toBeLessThan(cover + 0.16)
  })
})

describe('a look is believed', () => {
  test.each([
    ['phacelia', '2026-04-15', '2026-05-16'],
    ['crimson-clover', '2025-09-08', '2025-11-20'],
  ])(
    '%s seen far greener, then far thinner, than was thought; nothing is lost the day after',
    (id, sown, on) => {
      const stand = grown(TEST_SITES.maryland, plants(id), dayNumber(sown), 4, 60)
      const day = dayNumber(on)
      const thought = middleOf(stand.season.run, stand.season.run.cover, day)
      for (const seen of [Math.min(0.95, thought + 0.35), Math.max(0.05, thought - 0.35)]) {
        const check = {
          ...FRESH_CHECK,
          id: 'c',
          gardenId: 'g',
          standId: stand.stand.id,
          date: on,
          cover: seen,
        }
        const { run } = standRun(
          { ...planned(stand, {}).standCase, checks: [check as Check] },
          stand.ensemble,
        )!
        expect(Math.abs(middleOf(run, run.cover, day) - seen)).toBeLessThanOrEqual(0.24)
        const [eve, next] = [day, day + 1].map((at) => middleOf(run, run.species[0].alive, at))
        expect(next).toBeGreaterThan(eve - 0.03)
      }
    },
  )
})

test('height, cover and mass belong together: an erect stand of two tonnes is a hand high or more', () => {
  for (const [site, sown, on] of [
    [massachusetts, '2025-08-28', '2025-12-02'],
    [TEST_SITES.netherlands, '2025-09-02', '2025-12-10'],
  ] as const) {
    const { run } = grown(site, plants('cereal-rye', 'common-vetch'), dayNumber(sown), 3).season
    const day = dayNumber(on)
    if (middleOf(run, run.massG, day) < 200) continue
    expect(middleOf(run, run.heightM, day)).toBeGreaterThanOrEqual(0.12)
  }
})

describe('hay as an end', () => {
  const mix = grown(
    TEST_SITES.maryland,
    plants('triticale', 'crimson-clover'),
    dayNumber('2025-09-20'),
    14,
    40,
  )
  const wanted = dayNumber('2026-07-01')
  const today = dayNumber('2026-04-20')
  const [chopped, sheeted] = inTurns(
    { ...planned(mix, { plantOn: wanted }), today },
    USUAL_SEQUENCES.filter(({ fate }) => fate === 'carried off'),
    mix.ensemble,
  ).map(({ plan }) => plan!)
  test.each([
    ['chopped', () => chopped],
    ['sheeted', () => sheeted],
  ])('%s after it: its chance of drying, what stands again and the work are told', (_, of) => {
    const plan = of()
    expect(plan.cuts[0].date < plan.end.date && plan.end.date < isoDate(wanted)).toBe(true)
    expect(plan.dryChance).toBeGreaterThan(0)
    expect(plan.dryChance).toBeLessThanOrEqual(1)
    expect(plan.survivors.p50).toBeLessThan(0.2)
    expect(plan.minutes).toBeGreaterThan(0)
  })
  test('what is mown is carried off, the stubble stays, and what was dead before lies on', () => {
    const { cuts, end } = chopped
    const day = dayNumber(cuts[0].date)
    const told = tell(mix, { cuts, end, plantOn: wanted }).season.run
    const sum = (on: number) => middleOf(told, told.massG, on) + middleOf(told, told.residueG, on)
    const stood = middleOf(told, told.massG, day - 1)
    const lay = middleOf(told, told.residueG, day - 1)
    expect(stood).toBeGreaterThan(200)
    expect(sum(day) - lay).toBeLessThan(0.4 * stood)
    expect(sum(day)).toBeGreaterThan(0.9 * lay)
  })
})

describe('a sheet before seed', () => {
  const laidOn = '2026-08-20'
  const offOn = '2026-09-02'
  const sheet: Stand = {
    ...FRESH_STAND,
    id: 'sheet',
    gardenId: 'g',
    bedId: testBed.id,
    segment: { kind: 'whole' },
    content: { kind: 'sheet', sheet: 'clear', aim: 'weed flush' },
    start: { plan: planting(laidOn), actual: null },
    end: { plan: clearing(offOn), actual: null },
  }
  const sown = testCover('crimson-clover', offOn, { id: 'clover' })
  const clover = { ...sown, start: { plan: sown.start.actual, actual: null } }
  const on = (today: string, stands = [sheet, clover]) =>
    jobsOf(
      {
        beds: [testBed],
        stands,
        checks: [],
        mulch: [],
        forecasts: new Map(),
        frostChance: 0,
        begunDay: null,
        today: dayNumber(today),
      },
      14,
    ).filter(({ kind }) => ['lay', 'lift', 'sow'].includes(kind))
  test('it is laid, and taken off before what is sown on its ground', () => {
    expect(on('2026-08-18').map(({ kind }) => kind)).toEqual(['lay'])
    const laid = { ...sheet, start: { plan: null, actual: sheet.start.plan } }
    expect(on('2026-08-30', [laid, clover]).map(({ kind }) => kind)).toEqual(['lift', 'sow'])
  })
})

test('of summer ground it is never said that it is frozen or under snow', () => {
  const dry = grown(TEST_SITES.alabama, plants('buckwheat'), dayNumber('2026-05-20'), 8)
  for (const soil of ['sand', 'clay'] as const)
    for (const date of ['2026-07-20', '2026-08-12', '2026-09-01'])
      expect(troublesOn(dry.ensemble, dayNumber(date), soil, 'raked')).not.toEqual(
        expect.arrayContaining([expect.stringMatching(/frozen|snow/)]),
      )
})
