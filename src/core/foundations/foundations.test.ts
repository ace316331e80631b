import { describe, expect, test } from '@jest/globals'
import fc from '../testing/property'
import { addDays, dayNumber, dayOfYear, isoDate, parseDay, startOfWeek } from './day'
import { having, oncePerList } from './grouped'
import { stableHash } from './hash'
import { randomStream } from './random'
import { interpolate, placeRank, shareOf, quantilesOf, chanceBy } from './statistics'
import { finish, isSteps, type Steps } from './steps'
import { GRAMS_PER_POUND, gramsPerM2, ouncesPer1000SquareFeet, poundsPerAcre } from './units'

describe('days', () => {
  test('ISO dates and day numbers are inverse', () => {
    fc.assert(fc.property(fc.integer({ min: 0, max: 47_000 }), (day) => dayNumber(isoDate(day)) === day))
  })
  test('dates that do not exist are refused', () => {
    for (const wrong of ['2026-02-29', '2026-13-01', '2026-4-1', '', 'tomorrow', '2026-00-10'])
      expect(parseDay(wrong)).toBeNull()
    expect(parseDay('2024-02-29')).not.toBeNull()
  })
  test('day of the year counts 29 February', () => {
    expect(dayOfYear(dayNumber('2026-12-31'))).toBe(365)
    expect(dayOfYear(dayNumber('2028-12-31'))).toBe(366)
  })
  test('weeks start on Monday', () => {
    expect(isoDate(startOfWeek(dayNumber('2026-04-22')))).toBe('2026-04-20')
    expect(isoDate(startOfWeek(dayNumber('2026-04-20')))).toBe('2026-04-20')
    expect(addDays('2026-02-27', 3)).toBe('2026-03-02')
  })
})

describe('random streams', () => {
  test('the same seed gives the same numbers, another seed others', () => {
    const draw = (seed: number) => Array.from({ length: 5 }, () => randomStream(seed).uniform())
    const one = randomStream(7)
    const two = randomStream(7)
    expect([one.uniform(), one.normal(), one.gamma(0.75, 4)]).toEqual([
      two.uniform(),
      two.normal(),
      two.gamma(0.75, 4),
    ])
    expect(draw(7)).not.toEqual(draw(8))
  })
  test('normal and gamma have the right mean and variance', () => {
    const random = randomStream(3)
    const n = 40_000
    const normals = Array.from({ length: n }, random.normal)
    const gammas = Array.from({ length: n }, () => random.gamma(0.75, 4))
    const mean = (values: number[]) => values.reduce((sum, value) => sum + value, 0) / n
    expect(mean(normals)).toBeCloseTo(0, 1)
    expect(mean(normals.map((value) => value * value))).toBeCloseTo(1, 1)
    expect(mean(gammas)).toBeGreaterThan(2.9)
    expect(mean(gammas)).toBeLessThan(3.1)
  })
})

describe('statistics', () => {
  test('quantiles of evenly spread values', () => {
    const values = Array.from({ length: 101 }, (_, i) => i)
    expect(quantilesOf(values)).toEqual({
      p10: expect.closeTo(9.6, 1),
      p50: 50,
      p90: expect.closeTo(90.4, 1),
    })
  })
  test('weights of zero and missing values do not count', () => {
    expect(quantilesOf([1, 99, NaN], [1, 0, 1])).toEqual({ p10: 1, p50: 1, p90: 1 })
    expect(quantilesOf([NaN])).toBeNull()
    expect(shareOf(4, (i) => i < 1, [3, 1, 0, 0])).toBe(0.75)
  })
  test('table interpolation is flat beyond its ends', () => {
    const points = [
      [31, 0.9],
      [61, 0.1],
    ] as const
    expect([0, 46, 99].map((x) => interpolate(points, x))).toEqual([0.9, expect.closeTo(0.5, 6), 0.1])
  })
})

test('seeding rates agree between units: 112 kg/ha is 100 lb/acre', () => {
  expect(poundsPerAcre(gramsPerM2(112.085))).toBeCloseTo(100, 2)
  expect(ouncesPer1000SquareFeet(gramsPerM2(112.085))).toBeCloseTo((100 * 16) / 43.56, 1)
  expect(GRAMS_PER_POUND).toBe(453.59237)
})

test('the hash follows the data', () => {
  expect(stableHash({ a: 1, b: [2] })).toBe(stableHash({ a: 1, b: [2] }))
  expect(stableHash({ a: 1 })).not.toBe(stableHash({ a: 2 }))
})

test('a value of a rank stands where sorting would put it', () => {
  const value = fc.double({ noNaN: true, min: -5, max: 5 }).map((drawn) => drawn + 0) // no −0, which has no place of its own
  const many = fc.array(fc.oneof(value, fc.constantFrom(0, 1)), { minLength: 1, maxLength: 60 })
  fc.assert(
    fc.property(many, fc.nat(59), (values, nat) => {
      const rank = nat % values.length
      const placed = Float64Array.from(values)
      placeRank(placed, rank, 0, values.length - 1)
      expect(placed[rank]).toBe(Float64Array.from(values).sort()[rank])
      expect(Math.max(-Infinity, ...placed.subarray(0, rank))).toBeLessThanOrEqual(placed[rank])
    }),
  )
})

test('work in steps gives the same when driven as when done at one go', () => {
  function* sum(until: number): Steps<number> {
    let all = 0
    for (let i = 1; i <= until; i++) {
      all += i
      yield
    }
    return all
  }
  expect(finish(sum(100))).toBe(5050)
  const driven = sum(3)
  expect([driven.next(), driven.next(), driven.next(), driven.next()].map(({ done }) => done)).toEqual([
    false,
    false,
    false,
    true,
  ])
  expect([sum(1), [1], null, new Promise(() => {}), 'text'].map(isSteps)).toEqual([
    true,
    false,
    false,
    false,
    false,
  ])
})

test('equal data has one hash, in whatever order its fields were written', () => {
  expect(stableHash({ a: 1, b: { c: [1, { d: 2, e: 3 }] } })).toBe(
    stableHash({ b: { c: [1, { e: 3, d: 2 }] }, a: 1 }),
  )
  expect(stableHash({ a: [1, 2] })).not.toBe(stableHash({ a: [2, 1] }))
})

test('the hash of the whole follows every part of it, however large it is and whatever of it was hashed before', () => {
  const days = (rain: number) =>
    Array.from({ length: 200 }, (_, i) => ({ day: i, rain: i === 150 ? rain : 0 }))
  const dry = days(0)
  const before = stableHash({ bed: { id: 'a' }, days: dry })
  expect(stableHash({ days: dry, bed: { id: 'a' } })).toBe(before)
  expect(stableHash({ days: days(0), bed: { id: 'a' } })).toBe(before)
  expect(stableHash({ days: days(1), bed: { id: 'a' } })).not.toBe(before)
  expect(stableHash({ days: dry, bed: { id: 'b' } })).not.toBe(before)
})

test('fields that are not there and fields without a value have one hash, as in a file', () => {
  expect(stableHash({ a: 1, b: undefined })).toBe(stableHash({ a: 1 }))
  expect(stableHash([undefined, NaN])).toBe(stableHash([null, null]))
  expect(stableHash({ a: '1' })).not.toBe(stableHash({ a: 1 }))
})

describe('the chance that a date has come', () => {
  const spread = { p10: 10, p50: 20, p90: 40 }
  test('10, 50 and 90 % at its own marks, straight between, never sure', () => {
    expect([5, 10, 15, 20, 30, 40, 90].map((day) => chanceBy(spread, day))).toEqual(
      [0.05, 0.1, 0.3, 0.5, 0.7, 0.95, 0.95].map((share) => expect.closeTo(share, 9)),
    )
  })
})

describe('lists by a field', () => {
  const entry = fc.record({
    id: fc.nat(),
    bedId: fc.constantFrom('a', 'b', 'c', null) as fc.Arbitrary<string | null>,
  })
  test('each look finds what a search finds, in its order', () =>
    fc.assert(
      fc.property(fc.array(entry), fc.constantFrom('a', 'b', 'd', null), (list, bedId) => {
        expect(having(list, 'bedId', bedId)).toEqual(list.filter((one) => one.bedId === bedId))
        expect(having(list, 'bedId', bedId)).toBe(having(list, 'bedId', bedId))
      }),
    ))
  test('what is worked out of a list is worked out once for each', () => {
    let times = 0
    const sum = oncePerList((list: readonly number[]) => {
      times++
      return list.reduce((a, b) => a + b, 0)
    })
    const list = [1, 2]
    expect([sum(list), sum(list), sum([1, 2])]).toEqual([3, 3, 3])
    expect(times).toBe(2)
  })
})
