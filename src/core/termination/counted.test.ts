import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import type { EndDetails, Finishing, FollowUp } from '../garden/ending'
import type { Stand } from '../garden/schema'
import { testCover, testHens } from '../testing/beds'
import {
  deadAsSeen,
  firstCounted,
  lastSeen,
  lastWorkDay,
  looksAfter,
  tellingCounts,
  workSince,
} from './counted'
import { stoodAgain } from './pooling'

const plot = { lengthM: 8, widthM: 1.2 }
const ended = (method: EndDetails['method'], own: Partial<EndDetails> = {}): EndDetails => ({
  date: '2026-05-01',
  method,
  passes: 1,
  note: '',
  ...own,
})
const after = (end: EndDetails) => {
  const day = lastWorkDay(end, plot)
  return day === null ? null : day - dayNumber(end.date)
}
const count = (date: string, standing: number, speciesId?: string): FollowUp => ({
  id: date,
  date,
  standing,
  before: 50,
  groundM2: 1,
  speciesId,
  note: '',
})
const stand = (end: EndDetails, followUps: FollowUp[]) =>
  testCover('oats', '2026-03-01', { end: { plan: null, actual: end }, followUps })

describe('the day the work is over', () => {
  const animals = testHens()
  test.each([
    ['one chop', ended('chop'), 0],
    ['two chops a week apart', ended('chop', { passes: 2 }), 7],
    ['turning twice', ended('turn', { passes: 2 }), 10],
    ['three strips', ended('strips', { lanes: { count: 3, everyDays: 6 } }), 12],
    ['a sheet that lies', ended('tarp'), null],
    ['a sheet taken off', ended('tarp', { liftedOn: '2026-06-05' }), 35],
    ['four stops of two days, twice', ended('hens', { animals }), 23],
    ['harvest', ended('harvest'), 0],
  ])('%s', (_name, end, days) => expect(after(end)).toBe(days))
})

describe('counts that tell', () => {
  test('not before ten days after the work, for what is cut looks alive; three after a sheet', () => {
    const counts = [count('2026-05-20', 4), count('2026-05-08', 30), count('2026-05-12', 9)]
    expect(tellingCounts(stand(ended('crimp'), counts), plot).map(({ standing }) => standing)).toEqual([9, 4])
    const tarp = ended('tarp', { liftedOn: '2026-05-05' })
    expect(tellingCounts(stand(tarp, counts), plot).map(({ standing }) => standing)).toEqual([30, 9, 4])
    expect(tellingCounts(testCover('oats', '2026-03-01'), plot)).toEqual([])
  })
  test('the first says what the work left, of the plant it is about', () => {
    const counts = [count('2026-05-12', 9, 'oats'), count('2026-05-14', 20, 'field-pea')]
    expect(firstCounted(counts, 'oats')).toBeCloseTo(0.18, 9)
    expect(firstCounted(counts, 'field-pea')).toBeCloseTo(0.4, 9)
    expect(firstCounted(counts, 'cereal-rye')).toBeNull()
    expect(firstCounted([count('2026-05-12', 5)], 'cereal-rye')).toBeCloseTo(0.1, 9)
  })
  test('the newest of each plant says how the stand is: the plant that stands again most decides', () => {
    const components = ['oats', 'field-pea'].map((speciesId) => ({
      speciesId,
      share: 0.5,
      germination: 0.9,
      grams: null,
    }))
    const mix = {
      ...stand(ended('chop'), [
        count('2026-05-12', 30, 'field-pea'),
        count('2026-05-20', 2, 'oats'),
        count('2026-05-22', 10, 'field-pea'),
      ]),
      content: { kind: 'cover' as const, components, purposes: [] },
    }
    expect(lastSeen(mix, plot)).toEqual({ day: dayNumber('2026-05-22'), share: 0.2, finished: false })
    expect(lastSeen(stand(ended('chop'), []), plot)).toBeNull()
  })
})

describe('work on what stood again', () => {
  const worked = (act: Finishing['act'], date: string, counts: FollowUp[]) => ({
    ...stand(ended('chop'), counts),
    finishings: [{ id: 'w', date, act }],
  })
  test('is taken to leave its share of what was counted, by the day it shows', () => {
    const counts = [count('2026-05-12', 20)]
    const seen = (act: Finishing['act']) => lastSeen(worked(act, '2026-05-14', counts), plot)
    expect(seen('pull')).toEqual({ day: dayNumber('2026-05-14'), share: 0.4 * 0.02, finished: true })
    expect(seen('again')).toEqual({ day: dayNumber('2026-05-24'), share: 0.4 * 0.33, finished: true })
    expect(seen('cover')).toEqual({ day: dayNumber('2026-05-28'), share: 0.4 * 0.1, finished: true })
  })
  test('counts tell again once it shows, and then it counts no more', () => {
    const early = count('2026-05-18', 18)
    const late = count('2026-05-26', 6)
    const again = (counts: FollowUp[]) => worked('again', '2026-05-14', [count('2026-05-12', 20), ...counts])
    expect(tellingCounts(again([early, late]), plot).map(({ standing }) => standing)).toEqual([20, 6])
    expect(lastSeen(again([late]), plot)).toEqual({
      day: dayNumber('2026-05-26'),
      share: 0.12,
      finished: false,
    })
    expect(workSince(again([late]), tellingCounts(again([late]), plot))).toEqual([])
  })
  test('looks are due from it anew, once it shows, but not while a sheet lies', () => {
    const days = (of: Stand) =>
      looksAfter(of, plot).map(({ day, after }) => [day - dayNumber('2026-05-01'), after])
    expect(days(stand(ended('chop'), []))).toEqual([
      [7, 7],
      [14, 14],
      [21, 21],
    ])
    expect(days(worked('pull', '2026-05-20', []))[0]).toEqual([26, 7])
    expect(days(worked('again', '2026-05-20', []))).toEqual([
      [33, 14],
      [40, 21],
    ])
    expect(days(stand(ended('tarp'), []))).toEqual([])
    expect(days(testCover('oats', '2026-03-01'))).toEqual([])
  })
  test('what the ending itself left is told by counts before it', () => {
    const both = [count('2026-05-12', 20), count('2026-05-26', 2)]
    expect(stoodAgain(stand(ended('chop'), both))?.standing).toBe(2)
    expect(stoodAgain(worked('pull', '2026-05-14', both))?.standing).toBe(20)
  })
})

describe('dead as seen', () => {
  const seen = (share: number, finished = false) => ({ day: 130, share, finished })
  test('by the day the work on survivors shows, though the forecast had it dead before', () =>
    expect(deadAsSeen(120, seen(0.05, true), 0.1)).toBe(130))
  test('without a count the forecast stands', () => expect(deadAsSeen(120, null, 0.1)).toBe(120))
  test('few standing: by the day of the count at the latest, also where the forecast never got there', () => {
    expect(deadAsSeen(120, seen(0.05), 0.1)).toBe(120)
    expect(deadAsSeen(140, seen(0.05), 0.1)).toBe(130)
    expect(deadAsSeen(NaN, seen(0.22), 0.1)).toBe(130)
  })
  test('more than is pulled by hand: not dead, whatever the forecast said', () =>
    expect(deadAsSeen(120, seen(0.23), 0.1)).toBeNaN())
})
