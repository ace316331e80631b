import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import { TEST_SITES } from '../testing/sites'
import { buildEnsemble, generatedEnsemble, SITE_SD } from './ensemble'

const START = dayNumber('2025-01-01')
const mean = (values: ArrayLike<number>) =>
  Array.from(values).reduce((sum, value) => sum + value, 0) / values.length
const spreadOf = (values: readonly number[]) =>
  Math.sqrt(mean(values.map((value) => (value - mean(values)) ** 2)))
const yearMeans = (site = TEST_SITES.maryland, start = START) =>
  generatedEnsemble(site, start, 365, 120, 8).members.map(
    ({ tMinC, tMaxC }) => (mean(tMinC) + mean(tMaxC)) / 2,
  )

describe('a place that is not quite known', () => {
  test('members’ years differ by what normals tell wrongly, and more than by their days alone', () => {
    const spread = spreadOf(yearMeans())
    expect(spread).toBeGreaterThan(SITE_SD.temperatureC)
    expect(spread).toBeLessThan(2 * SITE_SD.temperatureC)
  })
  test('their middle stays that of the normals', () => {
    const { tMinC, tMaxC } = TEST_SITES.maryland
    expect(Math.abs(mean(yearMeans()) - (mean(tMinC) + mean(tMaxC)) / 2)).toBeLessThan(0.3)
  })
  test('warming since the normals were taken counts by the decade; none where none is said', () => {
    const warming = { ...TEST_SITES.maryland, warmingCPerDecade: 0.3 }
    expect(mean(yearMeans(warming)) - mean(yearMeans())).toBeCloseTo(0.6, 6)
    expect(
      mean(yearMeans(warming, dayNumber('2005-01-01'))) - mean(yearMeans(undefined, dayNumber('2005-01-01'))),
    ).toBeCloseTo(0, 6)
  })
  test('the spread of days widens single days and leaves the year as warm as it was', () => {
    const wide = { ...TEST_SITES.maryland, daySpread: 1.6 }
    const coldest = (site: typeof wide | undefined) =>
      mean(
        generatedEnsemble(site ?? TEST_SITES.maryland, START, 365, 60, 8).members.map(({ tMinC }) =>
          Math.min(...tMinC),
        ),
      )
    expect(coldest(wide)).toBeLessThan(coldest(undefined) - 4)
    expect(Math.abs(mean(yearMeans(wide)) - mean(yearMeans()))).toBeLessThan(0.3)
  })
  test('days that were observed are taken as they are, in every member', () => {
    const days = Array.from({ length: 30 }, (_, i) => ({
      day: START + i,
      source: 'station' as const,
      tMinC: -2,
      tMaxC: 6,
      rainMm: i % 3 === 0 ? 5 : 0,
    }))
    const { members } = buildEnsemble(
      { ...TEST_SITES.maryland, warmingCPerDecade: 0.5 },
      { days, forecast: [] },
      START + 30,
      START,
      60,
      20,
      3,
    )
    for (const { tMinC, tMaxC, rainMm } of members) {
      expect([...tMinC.subarray(0, 30)]).toEqual(days.map((day) => day.tMinC))
      expect([...tMaxC.subarray(0, 30)]).toEqual(days.map((day) => day.tMaxC))
      expect([...rainMm.subarray(0, 30)]).toEqual(days.map((day) => day.rainMm))
    }
    expect(new Set(members.map(({ tMinC }) => tMinC[45])).size).toBe(20)
  })
})
