import type { StandForecast } from '../season/standForecast'
import { FRESH_CHECK } from '../garden/fresh'
import { describe, expect, test } from '@jest/globals'
import { cropContent, planting } from '../garden/newStands'
import { dayNumber } from '../foundations/day'
import type { Quantiles } from '../foundations/statistics'
import type { Stand } from '../garden/schema'
import type { EndDetails } from '../garden/ending'
import { flatForecast } from '../testing/forecasts'
import { testBed, testCover, testHens, testSowing } from '../testing/beds'
import { byUrgency, jobsOf, openJobs, type Job, type RoundsInput } from './jobs'

const today = dayNumber('2026-05-10')
const around = (iso: string, days = 4): Quantiles => {
  const mid = dayNumber(iso)
  return { p10: mid - days, p50: mid, p90: mid + days }
}
const sown = (date: string, extra = {}) => testSowing(date, 'cereal-rye', extra)
const ending = (date: string, method: EndDetails['method']): EndDetails => ({
  date,
  method,
  passes: 1,
  note: '',
})

const cover = (extra: Partial<Stand> = {}) => testCover('cereal-rye', '2025-09-20', { id: 'rye', ...extra })
const forecast = (stages: Record<number, Quantiles>, ended: Quantiles | null = null) =>
  flatForecast(0, {
    standId: 'rye',
    ended,
    stages: Object.entries(stages).map(([bbch, quantiles]) => ({
      bbch: Number(bbch),
      date: { chance: 1, quantiles },
    })),
  })
const round = (
  stand: Stand,
  stages: Record<number, Quantiles> = {},
  extra: Partial<RoundsInput> = {},
  ended: Quantiles | null = null,
) =>
  jobsOf({
    beds: [testBed],
    stands: [stand],
    checks: [],
    mulch: [],
    forecasts: new Map([['rye', forecast(stages, ended)]]),
    frostChance: 0,
    begunDay: null,
    today,
    ...extra,
  })
const kinds = (jobs: Job[]) => jobs.map((entry) => entry.kind).sort()

describe('each kind of job comes when it is due and not otherwise', () => {
  test('planned deeds within the week, urgent when long overdue', () => {
    const planned = (date: string) => cover({ start: { plan: sown(date), actual: null } })
    expect(kinds(round(planned('2026-05-14')))).toEqual(['sow'])
    expect(round(planned('2026-05-30'))).toEqual([])
    expect(round(planned('2026-05-01'))[0].urgent).toBe(true)
    const ends = cover({ end: { plan: ending('2026-05-12', 'tarp'), actual: null } })
    expect(kinds(round(ends))).toContain('end')
  })
  test('seed thrown into a cover that is cut over it the same day is one job; on another day they are two', () => {
    const buckwheat = testCover('buckwheat', '2026-05-12', { id: 'buckwheat' })
    const plan = { ...buckwheat.start.actual!, covering: 'crop dropped over' as const }
    const jobs = (cutOn: string) =>
      round(
        cover({ end: { plan: ending(cutOn, 'chop'), actual: null } }),
        {},
        {
          stands: [
            cover({ end: { plan: ending(cutOn, 'chop'), actual: null } }),
            { ...buckwheat, start: { plan, actual: null } },
          ],
        },
      ).filter(({ kind }) => kind === 'sow' || kind === 'end')
    expect(jobs('2026-05-12')).toMatchObject([{ kind: 'sow', standId: 'buckwheat', overStandId: 'rye' }])
    expect(kinds(jobs('2026-05-13'))).toEqual(['end', 'sow'])
  })
  test('a stand let seed is not to be ended before it; its seedlings are looked for when they are up', () => {
    const mother = cover({ end: { plan: ending('2026-06-20', 'chop'), actual: null } })
    const seedlings: Stand = {
      ...cover({ id: 'seedlings', underStandId: mother.id }),
      start: { plan: { ...sown('2026-04-20'), selfSown: true }, actual: null },
    }
    const ripe = { 9: around('2026-05-12', 2), 85: around('2026-05-20') }
    expect(kinds(round(mother, ripe))).toContain('seed')
    const both = round(mother, ripe, { stands: [mother, seedlings] })
    expect(kinds(both)).not.toContain('seed')
    const told = { ...forecast(ripe), standId: seedlings.id }
    const known = round(seedlings, {}, { forecasts: new Map([[seedlings.id, told]]) })
    expect(known.find(({ kind }) => kind === 'self-sown')).toMatchObject({
      dueDay: dayNumber('2026-05-12'),
      days: [dayNumber('2026-05-10'), dayNumber('2026-05-14')],
    })
    expect(round(seedlings).find(({ kind }) => kind === 'self-sown')!.dueDay).toBe(dayNumber('2026-05-11'))
  })
  test('trays when they are to be sown for a planned transplanting, for a fortnight', () => {
    const tomato = (plantOn: string, establishment: 'transplant' | 'seed' = 'transplant') =>
      cover({
        content: cropContent('tomato', establishment),
        start: { plan: sown(plantOn), actual: null },
        end: { plan: null, actual: null },
      })
    expect(kinds(round(tomato('2026-07-01')))).toEqual(['tray'])
    expect(round(tomato('2026-07-01'))[0].dueDay).toBe(dayNumber('2026-05-13'))
    expect(round(tomato('2026-07-20'))).toEqual([])
    expect(round(tomato('2026-06-10'))).toEqual([])
    expect(round(tomato('2026-07-01', 'seed'))).toEqual([])
  })
  test('water and seedlings after sowing, until they have been seen', () => {
    const young = cover({ start: { plan: null, actual: sown('2026-05-02', { keptMoistDays: 12 }) } })
    const due = { 9: around('2026-05-11', 2) }
    expect(kinds(round(young, due))).toEqual(['emergence', 'moist'])
    const seen = {
      ...FRESH_CHECK,
      id: 'c',
      gardenId: 'g',
      standId: 'rye',
      date: '2026-05-10',
      stageBbch: 9,
      cover: null,
      heightCm: null,
      note: '',
    }
    expect(kinds(round(young, due, { checks: [seen] }))).toEqual(['moist'])
    expect(
      round(young, { 9: around('2026-05-05', 2) }).find((entry) => entry.kind === 'emergence')!.urgent,
    ).toBe(true)
  })
  test('the stage window of a planned crimp, and seed about to set', () => {
    const crimped = cover({ end: { plan: ending('2026-06-20', 'crimp'), actual: null } })
    const early = {
      9: around('2025-09-30'),
      61: around('2026-05-18'),
      75: around('2026-06-10'),
      85: around('2026-07-05'),
    }
    expect(kinds(round(crimped, early))).toEqual(['window'])
    const ripe = { ...early, 61: around('2026-04-18'), 75: around('2026-05-08'), 85: around('2026-05-20') }
    const seed = round(crimped, ripe).find((entry) => entry.kind === 'seed')!
    expect(seed.urgent).toBe(true)
    const before = cover({ end: { plan: ending('2026-05-12', 'crimp'), actual: null } })
    expect(kinds(round(before, ripe))).not.toContain('seed')
  })
  test('a look only where it would tell something: it grows, and how much is not known; not before the records began', () => {
    const rising = (growth: number, spread: number): StandForecast['massG'] => {
      const p50 = Array.from({ length: 20 }, (_, i) => 200 * growth ** i)
      const times = (by: number) => p50.map((value) => value * by)
      return { startDay: today - 9, stepDays: 3, p10: times(1 - spread), p50, p90: times(1 + spread) }
    }
    const looks = (massG: StandForecast['massG'], extra: Partial<RoundsInput> = {}) =>
      round(
        cover(),
        {},
        {
          forecasts: new Map([['rye', { ...forecast({ 9: around('2025-09-30') }), massG }]]),
          ...extra,
        },
      ).filter(({ kind }) => kind === 'look')
    expect(looks(rising(1.05, 0.4))).toMatchObject([{ share: expect.closeTo(0.4, 1) }])
    expect(looks(rising(1.0, 0.4))).toEqual([])
    expect(looks(rising(1.05, 0.05))).toEqual([])
    expect(looks(rising(1.05, 0.4), { begunDay: today })).toMatchObject([{ dueDay: today }])
    // It has grown since the forecast begins; where it lay still till lately, that is the day.
    expect(looks(rising(1.05, 0.4))).toMatchObject([{ dueDay: today - 9 }])
    const woken = rising(1.05, 0.4)
    for (const band of [woken.p10, woken.p50, woken.p90]) band.unshift(...Array<number>(10).fill(band[0]))
    expect(looks({ ...woken, startDay: today - 39 })[0].dueDay).toBeGreaterThan(today - 24)
  })
  test('under a sheet: a look at half time, then at the end', () => {
    const tarped = cover({ end: { plan: null, actual: ending('2026-04-28', 'tarp') } })
    expect(round(tarped, {}, {}, around('2026-05-26')).map((entry) => entry.count)).toEqual([1])
    expect(round(tarped, {}, {}, around('2026-05-12')).map((entry) => entry.count)).toEqual([2])
  })
  test('a sheet that is off is counted after 7, 14 and 21 days from then', () => {
    const lifted = { ...ending('2026-03-28', 'tarp'), liftedOn: '2026-05-03' }
    const off = round(cover({ end: { plan: null, actual: lifted } }), {}, {}, around('2026-04-30'))
    expect(off.map((entry) => [entry.kind, entry.count])).toEqual([
      ['regrowth', 7],
      ['regrowth', 14],
    ])
  })
  test('regrowth is looked for after 7, 14 and 21 days', () => {
    const chopped = cover({ end: { plan: null, actual: ending('2026-05-03', 'chop') } })
    expect(round(chopped).map((entry) => entry.count)).toEqual([7, 14])
    expect(round(cover({ end: { plan: null, actual: ending('2026-03-01', 'chop') } }))).toEqual([])
  })
  test('a count already made is not asked for again', () => {
    const counted = cover({
      end: { plan: null, actual: ending('2026-05-03', 'chop') },
      followUps: [{ id: 'f', date: '2026-05-09', standing: 3, before: 50, groundM2: 1, note: '' }],
    })
    expect(round(counted).map((entry) => entry.count)).toEqual([14])
  })
  test('the pen’s moves of this week, each at its stop; none before it began', () => {
    const animals = testHens({ restDays: 5 })
    const grazed = cover({ end: { plan: null, actual: { ...ending('2026-05-08', 'hens'), animals } } })
    const moves = round(grazed).filter((entry) => entry.kind === 'move')
    expect(moves.map((entry) => [entry.count, entry.dueDay - today])).toEqual([
      [2, 0],
      [3, 2],
      [4, 4],
      [5, 6],
    ])
    expect(moves[0].days).toEqual([today, 10])
    const planned = cover({ end: { plan: { ...ending('2026-05-12', 'hens'), animals }, actual: null } })
    expect(kinds(round(planned))).not.toContain('move')
  })
  test('strips follow each other', () => {
    const strips = cover({
      end: { plan: null, actual: { ...ending('2026-05-05', 'strips'), lanes: { count: 3, everyDays: 6 } } },
    })
    expect(
      round(strips)
        .filter((entry) => entry.kind === 'strip')
        .map((entry) => [entry.count, entry.dueDay - today]),
    ).toEqual([
      [2, 1],
      [3, 7],
    ])
  })
  test('frost for tender crops that stand, when it is likely', () => {
    const crop = (cropId: string) =>
      cover({
        content: cropContent(cropId, 'transplant'),
        start: { plan: null, actual: sown('2026-05-01') },
      })
    expect(kinds(round(crop('tomato'), {}, { frostChance: 0.5 }))).toEqual(['frost'])
    expect(round(crop('leek'), {}, { frostChance: 0.5 })).toEqual([])
    expect(round(crop('tomato'), {}, { frostChance: 0.1 })).toEqual([])
  })
})

describe('mulch that is owed', () => {
  const owed = (date: string, part: object = {}) => ({
    id: 'm',
    bedId: testBed.id,
    sourceId: 's',
    kg: 12,
    kind: 'straw' as const,
    owed: true,
    date,
    ...part,
  })
  test('is laid where it is wanted, by the stand that is there, next or last', () => {
    expect(round(cover(), {}, { mulch: [owed('2026-05-14')] })).toMatchObject([
      {
        id: 'm:mulch',
        kind: 'mulch',
        standId: 'rye',
        mulch: { laidId: 'm', kg: 12, kind: 'straw', segment: { kind: 'whole' } },
      },
    ])
    const next = cover({ id: 'next', start: { plan: sown('2026-06-20'), actual: null } })
    const gone = cover({ end: { plan: null, actual: ending('2026-05-01', 'chop') } })
    const jobs = round(gone, {}, { stands: [gone, next], mulch: [owed('2026-05-14')] })
    expect(jobs.filter(({ kind }) => kind === 'mulch')).toMatchObject([{ standId: 'next' }])
  })
  test('is laid in a bed in which nothing was ever sown, too', () => {
    const bare = { ...testBed, id: 'bare' }
    const input = { beds: [testBed, bare], mulch: [owed('2026-05-14', { bedId: 'bare' })] }
    const jobs = round(cover(), {}, input)
    expect(jobs.filter(({ bedId }) => bedId === 'bare')).toMatchObject([
      { id: 'm:mulch', kind: 'mulch', standId: 'bare', dueDay: dayNumber('2026-05-14') },
    ])
  })
  test('what is laid, or owed to another bed or much later, asks for nothing', () => {
    for (const one of [
      owed('2026-05-14', { owed: undefined }),
      owed('2026-05-14', { bedId: 'other' }),
      owed('2026-07-01'),
    ])
      expect(kinds(round(cover(), {}, { mulch: [one] }))).not.toContain('mulch')
  })
})

describe('order, ticks and delays', () => {
  const far = { ...testBed, id: 'far', walkOrder: 5 }
  const planned = (id: string, bedId: string, date: string) =>
    cover({ id, bedId, start: { plan: sown(date), actual: null } })
  const jobs = jobsOf({
    beds: [far, testBed],
    stands: [planned('a', 'far', '2026-05-01'), planned('b', testBed.id, '2026-05-12')],
    checks: [],
    mulch: [],
    forecasts: new Map(),
    frostChance: 0,
    begunDay: null,
    today,
  })
  test('walking order of the beds, or the most urgent first', () => {
    expect(jobs.map((entry) => entry.standId)).toEqual(['b', 'a'])
    expect([...jobs].sort(byUrgency).map((entry) => entry.standId)).toEqual(['a', 'b'])
  })
  test('ticked ones are gone until they fall due anew; delayed ones until their day', () => {
    const [first] = jobs
    const mark = (part: object) => [
      { jobId: first.id, doneOn: null, laterUntil: null, reason: '', who: null, ...part },
    ]
    expect(openJobs(jobs, mark({ doneOn: '2026-05-10' }), today)).toHaveLength(1)
    expect(openJobs(jobs, mark({ doneOn: '2026-02-10' }), today)).toHaveLength(2)
    expect(openJobs(jobs, mark({ laterUntil: '2026-05-13' }), today)).toHaveLength(1)
    expect(openJobs(jobs, mark({ laterUntil: '2026-05-13' }), today + 3)).toHaveLength(2)
  })
  test('ids stay the same from day to day', () => {
    const again = jobsOf({
      beds: [far, testBed],
      stands: [planned('b', testBed.id, '2026-05-14')],
      checks: [],
      mulch: [],
      forecasts: new Map(),
      frostChance: 0,
      begunDay: null,
      today: today + 1,
    })
    expect(again[0].id).toBe(jobs[0].id)
  })
})

describe('a sheet on ground without a cover', () => {
  const sheet = (laid: string, off: string, done: boolean) =>
    cover({
      content: { kind: 'sheet', sheet: 'black', aim: 'weeds' },
      start: done ? { plan: null, actual: planting(laid) } : { plan: planting(laid), actual: null },
      end: { plan: ending(off, 'harvest'), actual: null },
    })
  test('is laid, looked under at half time and taken off, and nothing else', () => {
    expect(round(sheet('2026-05-12', '2026-06-20', false)).map(({ kind }) => kind)).toEqual(['lay'])
    expect(round(sheet('2026-04-20', '2026-05-28', true)).map(({ kind }) => kind)).toEqual(['half time'])
    expect(round(sheet('2026-04-28', '2026-05-12', true)).map(({ kind }) => kind)).toEqual(['lift'])
  })
})
