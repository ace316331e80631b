import { describe, expect, test } from '@jest/globals'
import { dayNumber, monthOf } from '../foundations/day'
import { randomStream } from '../foundations/random'
import { TEST_SITES } from '../testing/sites'
import { testRecord } from '../testing/weather'
import { buildEnsemble } from './ensemble'
import { firstUnknownDay } from './weather'
import { weeklyOutlook } from './frost'
import { weatherGenerator } from './generator'
import { dailyFromMonthly } from './normals'

const YEARS = 2000

/** Monthly means and rain totals over many generated years. */
function statistics(site: (typeof TEST_SITES)[keyof typeof TEST_SITES]) {
  const random = randomStream(11)
  const generator = weatherGenerator(site)
  const state = generator.start(random)
  const blank = () => new Float64Array(12)
  const sums = {
    tMax: blank(),
    tMin: blank(),
    days: blank(),
    rain: blank(),
    rainSquares: blank(),
    rainMonths: blank(),
    wet: blank(),
  }
  const first = dayNumber('2001-01-01')
  let month = 0
  let total = 0
  for (let i = 0; i < Math.round(YEARS * 365.2425); i++) {
    // The calendar repeats every 400 years, which is a whole number of days.
    const day = first + (i % 146_097)
    const now = monthOf(day)
    if (now !== month) {
      sums.rain[month] += total
      sums.rainSquares[month] += total * total
      sums.rainMonths[month] += 1
      total = 0
      month = now
    }
    generator.next(state, day, random)
    sums.tMax[now] += state.tMaxC
    sums.tMin[now] += state.tMinC
    sums.days[now] += 1
    total += state.rainMm
    if (state.rainMm > 0) sums.wet[now] += 1
  }
  return sums
}

describe.each(Object.entries(TEST_SITES))('2000 generated years at %s', (_name, site) => {
  const sums = statistics(site)
  test('mean temperatures within 0.3 °C of the normals', () => {
    for (let m = 0; m < 12; m++) {
      expect(Math.abs(sums.tMax[m] / sums.days[m] - site.tMaxC[m])).toBeLessThan(0.3)
      expect(Math.abs(sums.tMin[m] / sums.days[m] - site.tMinC[m])).toBeLessThan(0.3)
    }
  })
  test('each month’s rain within 4 standard errors, the year’s within 3 %', () => {
    let year = 0
    for (let m = 0; m < 12; m++) {
      const n = sums.rainMonths[m]
      const mean = sums.rain[m] / n
      const error = Math.sqrt((sums.rainSquares[m] / n - mean * mean) / n)
      expect(Math.abs(mean - site.rainMm[m])).toBeLessThan(4 * error)
      year += mean
    }
    expect(year / site.rainMm.reduce((sum, mm) => sum + mm, 0)).toBeCloseTo(1, 1.22)
  })
})

test('monthly means of the daily normals equal the monthly normals', () => {
  const daily = dailyFromMonthly(TEST_SITES.pennsylvania.tMaxC)
  const january = daily.slice(0, 31).reduce((sum, value) => sum + value, 0) / 31
  const july = daily.slice(181, 212).reduce((sum, value) => sum + value, 0) / 31
  expect(january).toBeCloseTo(1, 1)
  expect(july).toBeCloseTo(28, 1)
})

describe('ensemble', () => {
  const start = dayNumber('2026-01-01')
  const observed = testRecord(TEST_SITES.maryland, 5, start, start + 60)
  const ensemble = buildEnsemble(TEST_SITES.maryland, observed, start + 60, start, 200, 20, 9)

  test('members share what was observed and differ after it', () => {
    expect(firstUnknownDay(ensemble, start)).toBe(start + 60)
    const [a, b] = ensemble.members
    expect(a.tMaxC.slice(0, 60)).toEqual(b.tMaxC.slice(0, 60))
    expect(a.tMaxC[59]).toBe(observed.days[59].tMaxC)
    expect(a.tMaxC.slice(60)).not.toEqual(b.tMaxC.slice(60))
  })
  test('the same arguments give the same ensemble', () => {
    const again = buildEnsemble(TEST_SITES.maryland, observed, start + 60, start, 200, 20, 9)
    expect(again.members[7].rainMm).toEqual(ensemble.members[7].rainMm)
  })
  test('derived weather is finite and physical', () => {
    for (const member of ensemble.members)
      for (let i = 0; i < 200; i++) {
        expect(member.tMaxC[i] - member.tMinC[i]).toBeGreaterThanOrEqual(0.99)
        for (const series of [member.radiationMjM2, member.et0Mm, member.snowMm])
          expect(series[i]).toBeGreaterThanOrEqual(0)
        expect(Math.abs(member.soilTempC[i])).toBeLessThan(50)
      }
  })
  test('frost is likelier in January than in June', () => {
    const weeks = weeklyOutlook(ensemble, start, 26)
    expect(weeks[3].frostChance).toBeGreaterThan(0.9)
    expect(weeks[24].frostChance).toBeLessThan(0.05)
  })
})
