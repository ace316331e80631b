import { dayOfYear, yearOf } from '../foundations/day'
import type { ObservedDay } from '../garden/weatherDays'
import type { DayForecast } from './forecast'

/** All that is known of a garden's weather besides its normals: observed days, oldest first, and the forecast heard last. */
export type WeatherRecord = { days: readonly ObservedDay[]; forecast: readonly DayForecast[] }

export const NOTHING_OBSERVED: WeatherRecord = { days: [], forecast: [] }

/** A day with all three values. */
export type WholeDay = { day: number; tMinC: number; tMaxC: number; rainMm: number }

export const isWhole = (day: ObservedDay): day is ObservedDay & WholeDay =>
  day.tMinC !== null && day.tMaxC !== null && day.rainMm !== null

/** Gaps up to this many days are bridged the same way for all members; longer ones are generated for each. */
export const SHORT_GAP_DAYS = 3

/** Days from one to another, both in, of which nothing is known. */
export type Gap = { fromDay: number; toDay: number }

/** The runs of days without a complete record between two days (`toDay` not in). */
export function gapsBetween(days: readonly ObservedDay[], fromDay: number, toDay: number): Gap[] {
  const known = new Set(days.filter(isWhole).map(({ day }) => day))
  const gaps: Gap[] = []
  for (let day = fromDay; day < toDay; day++) {
    if (known.has(day)) continue
    const open = gaps.at(-1)
    if (open && open.toDay === day - 1) open.toDay = day
    else gaps.push({ fromDay: day, toDay: day })
  }
  return gaps
}

/**
 * Days that bridge the short gaps of a record: temperatures on a straight line between the days around it, rain as
 * the normals have it for a day, so that the soil gains no more water than usual. Values that were observed stay.
 */
export function bridgedDays(
  days: readonly ObservedDay[],
  usualRainMm: (day: number) => number,
): Map<number, WholeDay> {
  const byDay = new Map(days.map((entry) => [entry.day, entry]))
  const whole = days.filter(isWhole)
  const bridged = new Map<number, WholeDay>()
  for (let i = 1; i < whole.length; i++) {
    const before = whole[i - 1]
    const after = whole[i]
    const length = after.day - before.day
    if (length < 2 || length - 1 > SHORT_GAP_DAYS) continue
    for (let day = before.day + 1; day < after.day; day++) {
      const share = (day - before.day) / length
      const part = byDay.get(day)
      const tMinC = part?.tMinC ?? before.tMinC + share * (after.tMinC - before.tMinC)
      const tMaxC = part?.tMaxC ?? before.tMaxC + share * (after.tMaxC - before.tMaxC)
      bridged.set(day, {
        day,
        tMinC: Math.min(tMinC, tMaxC),
        tMaxC: Math.max(tMinC, tMaxC),
        rainMm: part?.rainMm ?? usualRainMm(day),
      })
    }
  }
  return bridged
}

/** Years of complete days needed before they are drawn from in place of the generator. */
export const YEARS_TO_RESAMPLE = 10
/** Days a calendar year must have to count. */
const DAYS_OF_A_YEAR = 350

/** The calendar years of a record that are nearly complete, oldest first. */
export function completeYears(days: readonly ObservedDay[]): number[] {
  const counts = new Map<number, number>()
  for (const day of days)
    if (isWhole(day)) counts.set(yearOf(day.day), (counts.get(yearOf(day.day)) ?? 0) + 1)
  return [...counts].flatMap(([year, count]) => (count >= DAYS_OF_A_YEAR ? [year] : [])).sort((a, b) => a - b)
}

/** How the days of a stretch are known, for saying so. */
export type Coverage = { observed: number; bridged: number; missing: number; lastDay: number | null }

/** What is known of the days from one to another (`toDay` not in). */
export function coverageOf(days: readonly ObservedDay[], fromDay: number, toDay: number): Coverage {
  const within = days.filter((entry) => entry.day >= fromDay && entry.day < toDay && isWhole(entry))
  const lastDay = within.at(-1)?.day ?? null
  const inside = within.length > 0 ? gapsBetween(days, within[0].day, (lastDay ?? fromDay) + 1) : []
  const bridged = inside
    .map((gap) => gap.toDay - gap.fromDay + 1)
    .filter((length) => length <= SHORT_GAP_DAYS)
    .reduce((sum, length) => sum + length, 0)
  return { observed: within.length, bridged, missing: toDay - fromDay - within.length - bridged, lastDay }
}

/** Monthly normals of whole years of days: means of highs and lows, °C, rain, mm, and wet days. Null without any. */
export function normalsFrom(
  days: readonly ObservedDay[],
): Record<'tMaxC' | 'tMinC' | 'rainMm' | 'wetDays', number[]> | null {
  const years = new Set(completeYears(days))
  if (years.size === 0) return null
  const months = Array.from({ length: 12 }, () => ({ days: 0, tMaxC: 0, tMinC: 0, rainMm: 0, wetDays: 0 }))
  for (const day of days) {
    if (!isWhole(day) || !years.has(yearOf(day.day))) continue
    const month = months[new Date(day.day * 86_400_000).getUTCMonth()]
    month.days++
    month.tMaxC += day.tMaxC
    month.tMinC += day.tMinC
    month.rainMm += day.rainMm
    if (day.rainMm >= 1) month.wetDays++
  }
  const monthDays = [31, 28.25, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]
  const tenth = (value: number) => Math.round(value * 10) / 10
  const mean = (value: 'tMaxC' | 'tMinC') => months.map((month) => tenth(month[value] / month.days))
  const sum = (value: 'rainMm' | 'wetDays') =>
    months.map((month, i) => tenth((month[value] / month.days) * monthDays[i]))
  return { tMaxC: mean('tMaxC'), tMinC: mean('tMinC'), rainMm: sum('rainMm'), wetDays: sum('wetDays') }
}

/** The same calendar day in another year; 29 February becomes the 28th. */
export function dayInYear(day: number, firstDayOfYear: number): number {
  return firstDayOfYear + Math.min(365, dayOfYear(day)) - 1
}
