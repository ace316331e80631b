import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import { weatherYear } from '../garden/weatherYear'
import { observedDays, withDays, type ObservedDay } from '../garden/weatherDays'
import { TEST_SITES } from '../testing/sites'
import { testRecord } from '../testing/weather'
import { finish } from '../foundations/steps'
import { buildEnsemble, buildEnsembleInSteps } from './ensemble'
import { forecastSkill } from './forecast'
import { bridgedDays, completeYears, coverageOf, gapsBetween, normalsFrom, NOTHING_OBSERVED } from './record'
import { simulateDays, simulateForecast } from './simulate'
import { firstMembers, firstUnknownDay, type WeatherEnsemble } from './weather'

const site = TEST_SITES.maryland
const start = dayNumber('2024-01-01')
const day = (at: number, tMinC: number | null, tMaxC: number | null, rainMm: number | null): ObservedDay => ({
  day: start + at,
  source: 'hand',
  tMinC,
  tMaxC,
  rainMm,
})
const meanOf = (values: ArrayLike<number>) =>
  Array.from(values).reduce((sum, value) => sum + value, 0) / values.length
const sdOf = (values: number[]) => Math.sqrt(meanOf(values.map((value) => (value - meanOf(values)) ** 2)))

describe('years of days', () => {
  const days = [day(-1, 1, 2, 3), day(0, null, 4, null), day(59, -3, 5, 0), day(365, 1, 9, 0)]
  test('days come back as they went in, leap day and year’s end included', () => {
    const years = withDays([], 'g', days)
    expect(years.map(({ year }) => year)).toEqual([2023, 2024])
    years.forEach((year) => expect(weatherYear.safeParse(year).success).toBe(true))
    expect(observedDays(years)).toEqual(days)
  })
  test('a day without values is taken out again; other days stay', () => {
    const years = withDays([], 'g', days)
    const [changed] = withDays(years, 'g', [day(59, null, null, null)])
    expect(observedDays([changed]).map((entry) => entry.day - start)).toEqual([0, 365])
    expect(observedDays(years)).toHaveLength(4)
  })
  test('a low above the high is refused', () => {
    expect(weatherYear.safeParse(withDays([], 'g', [day(3, 9, 2, 0)])[0]).success).toBe(false)
  })
})

describe('gaps', () => {
  const known = [day(0, 0, 10, 5), day(1, 2, null, 7), day(2, 6, 16, 0), day(8, 1, 5, 0)]
  test('short ones are bridged around what was measured, long ones are not', () => {
    const bridged = bridgedDays(known, () => 2.5)
    expect([...bridged.values()]).toEqual([{ day: start + 1, tMinC: 2, tMaxC: 13, rainMm: 7 }])
    expect(gapsBetween(known, start, start + 9)).toEqual([
      { fromDay: start + 1, toDay: start + 1 },
      { fromDay: start + 3, toDay: start + 7 },
    ])
    expect(coverageOf(known, start, start + 9)).toEqual({
      observed: 3,
      bridged: 1,
      missing: 5,
      lastDay: start + 8,
    })
  })
  test('members agree on bridged days and differ in long gaps', () => {
    const ensemble = buildEnsemble(site, { days: known, forecast: [] }, start + 9, start, 30, 6, 1)
    const [a, b] = ensemble.members
    expect(Array.from(a.tMaxC.slice(0, 3))).toEqual([10, 13, 16])
    expect(a.tMaxC.slice(0, 3)).toEqual(b.tMaxC.slice(0, 3))
    expect(a.tMaxC[5]).not.toBe(b.tMaxC[5])
    expect(firstUnknownDay(ensemble, start)).toBe(start + 3)
    expect(firstUnknownDay(ensemble, start + 8)).toBe(start + 9)
  })
  test('a low alone keeps the generated high above it', () => {
    const ensemble = buildEnsemble(
      site,
      { days: [day(0, 24, null, null)], forecast: [] },
      start + 1,
      start,
      3,
      20,
      1,
    )
    for (const member of ensemble.members) {
      expect(member.tMinC[0]).toBe(24)
      expect(member.tMaxC[0]).toBeGreaterThanOrEqual(25)
    }
  })
})

describe('forecast', () => {
  const coming = simulateDays(site, 5, start - 300, start + 10).slice(-10)
  const forecast = simulateForecast(site, 8, coming)
  const ensemble = buildEnsemble(site, { days: [], forecast }, start, start, 40, 400, 3)
  const spreadAt = (at: number) => sdOf(ensemble.members.map((member) => member.tMaxC[at]))

  test('skill falls from nearly all to little', () => {
    expect(forecastSkill(0)).toBeGreaterThan(0.97)
    expect(forecastSkill(9)).toBeLessThan(0.4)
  })
  test('members follow it closely today and spread by the day to what is usual', () => {
    expect(
      Math.abs(meanOf(ensemble.members.map((member) => member.tMaxC[0])) - forecast[0].tMaxC),
    ).toBeLessThan(0.6)
    const spreads = [0, 3, 6, 9].map(spreadAt)
    expect(spreads).toEqual([...spreads].sort((a, b) => a - b))
    expect(spreads[0]).toBeLessThan(1.2)
    expect(spreads[3] / spreadAt(30)).toBeGreaterThan(0.7)
  })
  test('its chance of rain is the share of members with rain', () => {
    forecast.slice(0, 5).forEach(({ rainChance }, at) => {
      const wet = meanOf(ensemble.members.map((member) => (member.rainMm[at] >= 1 ? 1 : 0)))
      expect(Math.abs(wet - rainChance)).toBeLessThan(0.09)
    })
  })
  test('simulated forecasts are right on average and err more by the day', () => {
    const errors = Array.from({ length: 10 }, () => [] as number[])
    const truth = simulateDays(site, 5, start - 300, start + 500)
    for (let from = 0; from < 400; from += 3)
      simulateForecast(site, 8, truth.slice(300 + from, 310 + from)).forEach((entry, lead) =>
        errors[lead].push(entry.tMaxC - truth[300 + from + lead].tMaxC),
      )
    expect(Math.abs(meanOf(errors[0]))).toBeLessThan(0.3)
    expect(sdOf(errors[0])).toBeLessThan(sdOf(errors[4]))
    expect(sdOf(errors[4])).toBeLessThan(sdOf(errors[9]))
  })
})

describe('years to draw from', () => {
  const from = dayNumber('2010-01-01')
  const record = testRecord(site, 3, from, dayNumber('2022-01-01'))
  // Moved up by ten degrees, so that it is plain whether days come from them or from the normals.
  const warm = {
    ...record,
    days: record.days.map((entry) => ({ ...entry, tMinC: entry.tMinC! + 10, tMaxC: entry.tMaxC! + 10 })),
  }
  const sowing = dayNumber('2026-03-01')
  const januaryMean = (days: typeof warm.days) => {
    const ensemble = buildEnsemble(site, { days, forecast: [] }, sowing, sowing, 360, 30, 4)
    const at = dayNumber('2027-01-01') - sowing
    return meanOf(ensemble.members.flatMap((member) => Array.from(member.tMaxC.slice(at, at + 31))))
  }
  test('twelve whole years are counted and drawn from; nine are not', () => {
    expect(completeYears(warm.days)).toHaveLength(12)
    expect(januaryMean(warm.days)).toBeGreaterThan(13.5)
    const nine = warm.days.filter((entry) => entry.day < dayNumber('2019-01-01'))
    expect(completeYears(nine)).toHaveLength(9)
    expect(januaryMean(nine)).toBeLessThan(8)
  })
  test('members differ and the same seed gives the same ones', () => {
    const make = () => buildEnsemble(site, warm, sowing, sowing, 100, 30, 4)
    const highs = new Set(make().members.map((member) => member.tMaxC[50]))
    expect(highs.size).toBeGreaterThan(20)
    expect(make().members[9].rainMm).toEqual(make().members[9].rainMm)
  })
  test('normals of the days are those they were made from', () => {
    const normals = normalsFrom(record.days)!
    normals.tMaxC.forEach((value, month) => expect(Math.abs(value - site.tMaxC[month])).toBeLessThan(2))
    const year = normals.rainMm.reduce((sum, mm) => sum + mm, 0)
    expect(year / site.rainMm.reduce((sum, mm) => sum + mm, 0)).toBeCloseTo(1, 0)
    expect(normalsFrom(record.days.slice(0, 200))).toBeNull()
  })
})

test('an ensemble that goes on from one with fewer members is the one made at once, and begins with it', () => {
  const [days, seed] = [120, 9]
  const made = (members: number, begun: WeatherEnsemble | null = null) =>
    finish(buildEnsembleInSteps(site, NOTHING_OBSERVED, start, start, days, members, seed, begun))
  const few = made(7)
  const many = made(20, few)
  expect(many).toEqual(made(20))
  expect(firstMembers(many, 7)).toBe(few)
  expect(made(20, many).members).toHaveLength(20)
})
