import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { addDays, dayNumber, dayOfYear, isoDate, parseDay, startOfWeek } from './day'
import { stableHash } from './hash'
import { randomStream } from './random'
import { interpolate, shareOf, quantilesOf, chanceBy } from './statistics'
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

describe('the chance that a date has come', () => {
  const spread = { p10: 10, p50: 20, p90: 40 }
  test('10, 50 and 90 % at its own marks, straight between, never sure', () => {
    expect([5, 10, 15, 20, 30, 40, 90].map((day) => chanceBy(spread, day))).toEqual(
      [0.05, 0.1, 0.3, 0.5, 0.7, 0.95, 0.95].map((share) => expect.closeTo(share, 9)),
    )
  })
})
