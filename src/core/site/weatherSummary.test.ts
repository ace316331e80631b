import { describe, expect, test } from '@jest/globals'
import { dayNumber, isoDate } from '../foundations/day'
import { TEST_SITES } from '../testing/sites'
import { testRecord } from '../testing/weather'
import { buildEnsemble } from './ensemble'
import { summarizeWeather } from './weatherSummary'

function summary(site: (typeof TEST_SITES)[keyof typeof TEST_SITES], todayIso: string) {
  const today = dayNumber(todayIso)
  const record = testRecord(site, 3, today - 400, today)
  const ensemble = buildEnsemble(site, record, today, today - 380, 900, 40, 5)
  return summarizeWeather(site, ensemble, today, record)
}

describe('weather summary', () => {
  const spring = summary(TEST_SITES.pennsylvania, '2026-04-10')
  test('last frosts lie in spring, colder ones earlier; first frosts in autumn, colder ones later', () => {
    const lasts = spring.lastFrosts.map((frost) => frost.date!.p50)
    expect(isoDate(Math.round(lasts[0])) > '2026-04-10').toBe(true)
    expect(lasts).toEqual([...lasts].sort((a, b) => b - a))
    const firsts = spring.firstFrosts.map((frost) => frost.date!.p50)
    expect(
      isoDate(Math.round(firsts[0])) > '2026-09-10' && isoDate(Math.round(firsts[0])) < '2026-11-15',
    ).toBe(true)
    expect(firsts).toEqual([...firsts].sort((a, b) => a - b))
  })
  test('in autumn the first frost is this autumn’s and the last frost next spring’s', () => {
    const autumn = summary(TEST_SITES.pennsylvania, '2026-09-20')
    expect(isoDate(Math.round(autumn.firstFrosts[0].date!.p50)).slice(0, 4)).toBe('2026')
    expect(isoDate(Math.round(autumn.lastFrosts[0].date!.p50)).slice(0, 4)).toBe('2027')
  })
  test('south of the equator the frosts lie half a year apart from the north’s', () => {
    const south = summary(TEST_SITES.canterbury, '2026-10-01')
    const last = isoDate(Math.round(south.lastFrosts[0].date!.p50))
    expect(last > '2026-08-15' && last < '2026-12-31').toBe(true)
  })
  test('months with enough days show what was observed, near the normals', () => {
    expect(spring.months.filter((month) => month.observed !== null).length).toBeGreaterThanOrEqual(11)
    for (const { tMaxC, observed } of spring.months)
      if (observed) expect(Math.abs(observed.tMaxC - tMaxC)).toBeLessThan(5)
  })
  test('ten days ahead with chances as shares, heavy rain rarer than rain', () => {
    expect(spring.days).toHaveLength(10)
    for (const day of spring.days) {
      expect(day.heavyChance).toBeLessThanOrEqual(day.wetChance)
      expect(day.tMinC.p50).toBeLessThan(day.tMaxC.p50)
    }
    expect(spring.hotSpellChance).toBeLessThan(0.1)
    expect(spring.goodRainChance).toBeGreaterThan(0.3)
  })
  test('soil was observed before today and spreads after it', () => {
    const width = (index: number) => spring.soilC[index].quantiles.p90 - spring.soilC[index].quantiles.p10
    expect(width(0)).toBeCloseTo(0, 6)
    expect(width(spring.soilC.length - 1)).toBeGreaterThan(1)
  })
  test('a frost that mostly does not come has no date', () => {
    const warm = {
      ...TEST_SITES.alabama,
      tMinC: TEST_SITES.alabama.tMinC.map((value) => value + 12),
      tMaxC: TEST_SITES.alabama.tMaxC.map((value) => value + 8),
    }
    const mild = summary(warm, '2026-04-10')
    expect(mild.firstFrosts.every((frost) => frost.date === null && frost.chance < 0.5)).toBe(true)
  })
})
