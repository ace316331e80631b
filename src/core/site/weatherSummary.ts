import { dayNumber, monthOf, yearOf } from '../foundations/day'
import { shareOf, quantilesOf, type Quantiles } from '../foundations/statistics'
import type { SiteClimate } from '../garden/site'
import {
  completeYears,
  coverageOf,
  isWhole,
  YEARS_TO_RESAMPLE,
  type Coverage,
  type WeatherRecord,
} from './record'
import type { WeatherEnsemble } from './weather'

/** A frost date as a distribution: chance that there is one at all, and when. */
export type FrostDate = { limitC: number; chance: number; date: Quantiles | null }

export type WeatherSummary = {
  /** Normals beside what was observed, by month of the last year; null where fewer than 20 days were observed. */
  months: {
    month: number
    tMaxC: number
    tMinC: number
    rainMm: number
    observed: { tMaxC: number; tMinC: number; rainMm: number } | null
  }[]
  /** How the last twelve months are known. */
  coverage: Coverage
  /** Days ahead that a forecast speaks of. */
  forecastDays: number
  /** Whole observed years; ten or more are drawn from in place of generated weather. */
  observedYears: number
  resampled: boolean
  /** Last frosts before the coming midsummer and first frosts after the midsummer next to come or just past. */
  lastFrosts: FrostDate[]
  firstFrosts: FrostDate[]
  /** The next days: chance of 1 mm and of 10 mm, rain and extremes. */
  days: {
    day: number
    wetChance: number
    heavyChance: number
    rainMm: Quantiles
    tMinC: Quantiles
    tMaxC: Quantiles
  }[]
  /** Chance that the seven days ahead bring at least 10 mm. */
  goodRainChance: number
  /** Chance of three days in a row at 30 °C or more in the ten days ahead. */
  hotSpellChance: number
  /** Bare-soil temperature at 5 cm, every second day. */
  soilC: { day: number; quantiles: Quantiles }[]
}

const FROST_LIMITS_C = [0, -2, -4]
const DAYS_AHEAD = 10
const SOIL_BEFORE_DAYS = 42
const SOIL_AFTER_DAYS = 84
/** Farthest from midsummer that a frost counts to that side of it. */
const HALF_YEAR = 182

/** The middle of the warmest month nearest after `day` minus a third of a year, so that autumn still belongs to its summer. */
function midsummer(site: SiteClimate, day: number): number {
  const warmest = site.tMaxC.reduce(
    (best, value, month) => (value + site.tMinC[month] > site.tMaxC[best] + site.tMinC[best] ? month : best),
    0,
  )
  const of = (year: number) => dayNumber(`${year}-${String(warmest + 1).padStart(2, '0')}-15`)
  const year = yearOf(day)
  return [of(year - 1), of(year), of(year + 1)].find((middle) => middle > day - 122)!
}

function frostDates(
  ensemble: WeatherEnsemble,
  fromDay: number,
  toDay: number,
  which: 'first' | 'last',
): FrostDate[] {
  const from = Math.max(0, fromDay - ensemble.startDay)
  const to = Math.min(ensemble.days - 1, toDay - ensemble.startDay)
  return FROST_LIMITS_C.map((limitC) => {
    const days = Float64Array.from(ensemble.members, ({ tMinC }) => {
      if (which === 'first')
        for (let i = from; i <= to; i++) if (tMinC[i] <= limitC) return ensemble.startDay + i
      if (which === 'last')
        for (let i = to; i >= from; i--) if (tMinC[i] <= limitC) return ensemble.startDay + i
      return NaN
    })
    const chance = days.filter((day) => !Number.isNaN(day)).length / days.length
    return { limitC, chance, date: chance >= 0.5 ? quantilesOf(days) : null }
  })
}

function monthsOf(site: SiteClimate, record: WeatherRecord, today: number): WeatherSummary['months'] {
  const seen = record.days.filter((entry) => entry.day >= today - 365 && entry.day < today).filter(isWhole)
  return site.tMaxC.map((tMaxC, month) => {
    let days = 0
    const sums = { tMaxC: 0, tMinC: 0, rainMm: 0 }
    for (const day of seen) {
      if (monthOf(day.day) !== month) continue
      days++
      sums.tMaxC += day.tMaxC
      sums.tMinC += day.tMinC
      sums.rainMm += day.rainMm
    }
    const observed =
      days >= 20
        ? { tMaxC: sums.tMaxC / days, tMinC: sums.tMinC / days, rainMm: (sums.rainMm / days) * 30.4 }
        : null
    return { month, tMaxC, tMinC: site.tMinC[month], rainMm: site.rainMm[month], observed }
  })
}

/** What the Weather room shows, from the site and its ensemble on a day inside it. */
export function summarizeWeather(
  site: SiteClimate,
  ensemble: WeatherEnsemble,
  today: number,
  record: WeatherRecord,
): WeatherSummary {
  const members = ensemble.members.length
  const at = (day: number) => day - ensemble.startDay
  const sumOver = (member: number, fromDay: number, days: number) => {
    let sum = 0
    for (let i = at(fromDay); i < at(fromDay) + days; i++) sum += ensemble.members[member].rainMm[i]
    return sum
  }
  const quantiles = (of: (member: number) => number) =>
    quantilesOf(Float64Array.from({ length: members }, (_, m) => of(m)))!
  const summer = midsummer(site, today)
  const nextSummer = summer > today ? summer : midsummer(site, today + 200)
  const hotRun = (member: number) => {
    let run = 0
    for (let i = at(today); i < at(today) + DAYS_AHEAD; i++) {
      run = ensemble.members[member].tMaxC[i] >= 30 ? run + 1 : 0
      if (run >= 3) return true
    }
    return false
  }
  const soilFrom = Math.max(today - SOIL_BEFORE_DAYS, ensemble.startDay)
  return {
    months: monthsOf(site, record, today),
    coverage: coverageOf(record.days, Math.max(today - 365, ensemble.startDay), today),
    forecastDays: record.forecast.filter(({ day }) => day >= today).length,
    observedYears: completeYears(record.days).length,
    resampled: completeYears(record.days).length >= YEARS_TO_RESAMPLE,
    lastFrosts: frostDates(ensemble, nextSummer - HALF_YEAR, nextSummer, 'last'),
    firstFrosts: frostDates(ensemble, summer, summer + HALF_YEAR, 'first'),
    days: Array.from({ length: DAYS_AHEAD }, (_, ahead) => {
      const day = today + ahead
      const value = (name: 'rainMm' | 'tMinC' | 'tMaxC') =>
        quantiles((m) => ensemble.members[m][name][at(day)])
      const rainAbove = (mm: number) => shareOf(members, (m) => ensemble.members[m].rainMm[at(day)] >= mm)
      return {
        day,
        wetChance: rainAbove(1),
        heavyChance: rainAbove(10),
        rainMm: value('rainMm'),
        tMinC: value('tMinC'),
        tMaxC: value('tMaxC'),
      }
    }),
    goodRainChance: shareOf(members, (m) => sumOver(m, today, 7) >= 10),
    hotSpellChance: shareOf(members, hotRun),
    soilC: Array.from({ length: Math.floor((SOIL_AFTER_DAYS + today - soilFrom) / 2) }, (_, step) => {
      const day = soilFrom + step * 2
      return { day, quantiles: quantiles((m) => ensemble.members[m].soilTempC[at(day)]) }
    }),
  }
}
