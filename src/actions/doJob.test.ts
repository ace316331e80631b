import { expect, test } from '@jest/globals'
import { dayNumber } from '../core/foundations/day'
import { FRESH_GARDEN } from '../core/garden/fresh'
import type { Garden, Stand } from '../core/garden/schema'
import type { Job, JobKind } from '../core/rounds/jobs'
import { plannedRecipe } from '../core/seeding/recipe'
import { testBed, testCover } from '../core/testing/beds'
import { cropContent, cropStand, planting } from '../core/garden/newStands'
import { expectDay, giveJob, goAway, stayHere } from './daysAhead'
import { doJob } from './doJob'
import { planDropOver, withDropOver } from './dropOver'
import { moveTurns } from './endStand'
import { isMovable, moveJob } from './moveJob'
import { putOffJob, tickJob } from './markJob'
import { recordSowing } from './recordSowing'

const garden = { id: 'g', units: 'metric', ...FRESH_GARDEN } as unknown as Garden
const data = { garden, beds: [testBed] }
const today = dayNumber('2026-05-04')
const job = (kind: JobKind): Job => ({
  id: `s:${kind}`,
  kind,
  bedId: testBed.id,
  standId: 's',
  dueDay: today - 2,
  untilDay: null,
  urgent: false,
  days: [],
  count: null,
})
const how = { title: 'It', day: today, lots: [], forecast: null }
const put = (step: { writes: readonly object[] }) => (step.writes[0] as { put: Stand }).put

test('a sowing ticked is recorded today with what its recipe weighs', () => {
  const cover = testCover('buckwheat', '2026-05-02')
  const planned = { ...cover, start: { plan: cover.start.actual, actual: null } }
  const { actual, plan } = put(doJob(data, job('sow'), planned, how)).start
  expect(actual).toMatchObject({ date: '2026-05-04', covering: 'raked' })
  expect(actual!.components[0].grams).toBe(plannedRecipe(planned, testBed, false)!.lines[0].grams)
  // The plan stays, so that the two can be compared.
  expect(plan!.date).toBe('2026-05-02')
})

test('an end ticked is recorded by the way it was planned, without minutes nobody looked at', () => {
  const rye = testCover('cereal-rye', '2025-09-20', {
    end: { plan: { date: '2026-05-02', method: 'crimp', passes: 2, note: '' }, actual: null },
  })
  const { actual } = put(doJob(data, job('end'), rye, how)).end
  expect(actual).toMatchObject({ date: '2026-05-04', method: 'crimp', passes: 2 })
  expect(actual!.minutes).toBeUndefined()
})

test('a planting and a clearing ticked are recorded today', () => {
  const crop = cropStand(
    { id: 's', gardenId: 'g', bedId: testBed.id },
    cropContent('tomato', 'transplant'),
    { plan: planting('2026-05-01'), actual: null },
    120,
  )
  expect(put(doJob(data, job('plant'), crop, how)).start.actual!.date).toBe('2026-05-04')
  expect(put(doJob(data, job('clear'), crop, how)).end.actual).toMatchObject({
    date: '2026-05-04',
    method: 'harvest',
  })
})

const gardenOf = (step: { writes: readonly object[] }) => (step.writes[0] as { put: Garden }).put

test('a look leaves a tick; whose it is stays when it is put off', () => {
  const rye = testCover('cereal-rye', '2025-09-20')
  expect(gardenOf(doJob(data, job('look'), rye, how)).jobMarks).toEqual([
    { jobId: 's:look', doneOn: '2026-05-04', laterUntil: null, reason: '', who: null },
  ])
  const given = gardenOf(giveJob(garden, job('look'), 'Look', ' Ada '))
  expect(given.jobMarks[0].who).toBe('Ada')
  const later = gardenOf(putOffJob(given, job('look'), 'Look', today + 3, 'wet'))
  expect(later.jobMarks).toEqual([
    { jobId: 's:look', doneOn: null, laterUntil: '2026-05-07', reason: 'wet', who: 'Ada' },
  ])
  expect(gardenOf(tickJob(later, job('look'), 'Look', today)).jobMarks[0]).toMatchObject({
    laterUntil: null,
    who: 'Ada',
  })
  expect(gardenOf(giveJob(later, job('look'), 'Look', '')).jobMarks[0].who).toBeNull()
})

test('days away are added and taken back; a day ahead is told, changed, and forgotten once it is past', () => {
  const away = gardenOf(goAway(garden, { fromDay: today + 3, toDay: today + 9, who: '' }))
  expect(away.away).toMatchObject([{ from: '2026-05-07', to: '2026-05-13', who: null }])
  expect(gardenOf(stayHere(away, away.away[0].id)).away).toEqual([])
  const told = gardenOf(expectDay(garden, today + 1, { sky: 'wet', frost: false }, today))
  const changed = gardenOf(expectDay(told, today + 1, { sky: 'dry', frost: true }, today))
  expect(changed.outlook).toEqual([{ id: '2026-05-05', sky: 'dry', frost: true }])
  expect(gardenOf(expectDay(changed, today + 5, { sky: 'wet', frost: false }, today + 4)).outlook).toEqual([
    { id: '2026-05-09', sky: 'wet', frost: false },
  ])
  expect(gardenOf(expectDay(changed, today + 1, null, today)).outlook).toEqual([])
})

const rye = testCover('cereal-rye', '2025-09-20', {
  id: 'rye',
  end: { plan: { date: '2026-05-12', method: 'crimp', passes: 2, note: '' }, actual: null },
})
const buckwheat = testCover('buckwheat', '2026-05-04', { id: 'buckwheat' })
const toSow: Stand = { ...buckwheat, start: { plan: buckwheat.start.actual, actual: null } }
const puts = (step: { writes: readonly object[] }) =>
  step.writes.map((write) => (write as { put: Stand }).put)

test('sow and drop is planned for one day, by a cut, and done as one step', () => {
  const [sowing, over] = puts(planDropOver(toSow, rye, today))
  expect(sowing.start.plan).toMatchObject({ date: '2026-05-04', covering: 'crop dropped over' })
  expect(over.end.plan).toMatchObject({ date: '2026-05-04', method: 'chop', passes: 1 })
  const [sown, cut] = puts(doJob(data, job('sow'), sowing, { ...how, over }))
  expect(sown.start.actual).toMatchObject({ date: '2026-05-04', covering: 'crop dropped over' })
  expect(cut.end.actual).toMatchObject({ date: '2026-05-04', method: 'chop' })
  // A sowing that is done is not planned anew, only the cut is.
  expect(puts(planDropOver(buckwheat, rye, today))).toHaveLength(1)
})

test('a planned step moves to another day, with what is dropped over it', () => {
  const chopped = {
    ...rye,
    end: { plan: { ...rye.end.plan!, method: 'chop' as const, stubbleCm: 12 }, actual: null },
  }
  const both = puts(moveJob(job('sow'), toSow, chopped, today + 3))
  expect([both[0].start.plan!.date, both[1].end.plan!.date]).toEqual(['2026-05-07', '2026-05-07'])
  // A cut that was planned in its own way stays so.
  expect(both[1].end.plan).toMatchObject({ passes: 2, stubbleCm: 12 })
  expect(put(moveJob(job('end'), rye, null, today + 9)).end.plan).toMatchObject({
    date: '2026-05-13',
    method: 'crimp',
  })
  const mown: Stand = {
    ...rye,
    cuts: ['one', 'two'].map((id) => ({
      id,
      cut: {
        plan: { date: '2026-05-06', heightCm: 8, groundShare: 1, fate: 'dropped', note: '' },
        actual: null,
      },
    })),
  }
  const { cuts } = put(moveJob({ ...job('cut'), cutId: 'two' }, mown, null, today + 4))
  expect(cuts.map(({ cut }) => cut.plan!.date)).toEqual(['2026-05-06', '2026-05-08'])
  expect(isMovable(job('sow'), toSow)).toBe(true)
  expect(isMovable(job('look'), rye)).toBe(false)
})

test('seed recorded as sown under a cover that was dropped over it ends that cover by its cut, that day', () => {
  const rye = { ...testCover('cereal-rye', '2025-09-20'), id: 'above' }
  const peas = testCover('cowpea', '2026-06-01', { id: 'below', underStandId: 'above' })
  const actual = { ...peas.start.actual!, covering: 'crop dropped over' as const }
  const sowing = recordSowing({ ...peas, start: { plan: null, actual: null } }, actual, [])
  const day = dayNumber(actual.date)
  const { label, writes } = withDropOver(data, sowing, peas, rye, day, null)
  const puts = writes.map((write) => (write as { put: Stand }).put)
  expect(puts.find(({ id }) => id === 'above')!.end.actual).toMatchObject({
    date: '2026-06-01',
    method: 'chop',
  })
  expect(label).toBe('Sowed cowpea and dropped cereal rye over it')
})

test('planned turns move as one: the cuts to come and the ending, not what is done', () => {
  const cut = (id: string, date: string, isDone: boolean) => {
    const details = { date, heightCm: 8, groundShare: 1, fate: 'dropped' as const, note: '' }
    return { id, cut: isDone ? { plan: null, actual: details } : { plan: details, actual: null } }
  }
  const rye = testCover('cereal-rye', '2025-09-20', {
    cuts: [
      cut('done', '2026-04-01', true),
      cut('first', '2026-05-01', false),
      cut('second', '2026-05-19', false),
    ],
    end: { plan: { date: '2026-06-01', method: 'chop', passes: 1, note: '' }, actual: null },
  })
  const { cuts, end } = put(moveTurns({ beds: [testBed], stands: [rye] }, rye, 5))
  expect(cuts.map(({ cut: { plan, actual } }) => (actual ?? plan)!.date)).toEqual([
    '2026-04-01',
    '2026-05-06',
    '2026-05-24',
  ])
  expect(end.plan!.date).toBe('2026-06-06')
})
