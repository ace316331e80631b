import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import type { EndDetails, FollowUp } from '../garden/ending'
import { testCover, testHens } from '../testing/beds'
import { deadAsSeen, firstCounted, lastSeen, lastWorkDay, tellingCounts } from './counted'

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
  testCover('oats', '2026-03-01', { end: { plan: null, fact: end }, followUps })

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
    expect(lastSeen(mix, plot)).toEqual({ day: dayNumber('2026-05-22'), share: 0.2 })
    expect(lastSeen(stand(ended('chop'), []), plot)).toBeNull()
  })
})

describe('dead as seen', () => {
  test('without a count the forecast stands', () => expect(deadAsSeen(120, null, 0.1)).toBe(120))
  test('few standing: by the day of the count at the latest, also where the forecast never got there', () => {
    expect(deadAsSeen(120, { day: 130, share: 0.05 }, 0.1)).toBe(120)
    expect(deadAsSeen(140, { day: 130, share: 0.05 }, 0.1)).toBe(130)
    expect(deadAsSeen(NaN, { day: 130, share: 0.22 }, 0.1)).toBe(130)
  })
  test('more than is pulled by hand: not dead, whatever the forecast said', () =>
    expect(deadAsSeen(120, { day: 130, share: 0.23 }, 0.1)).toBeNaN())
})
