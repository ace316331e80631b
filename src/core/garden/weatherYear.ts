import { z } from 'zod'
import { dayNumber, dayOfYear, yearOf } from '../foundations/day'
import { id, numberBetween } from './fields'

/** Who a day's weather comes from: written down by the grower, read from a file, or heard from the demo's station. */
export const weatherSource = z.enum(['hand', 'imported', 'station'])
export type WeatherSource = z.infer<typeof weatherSource>

/** Limits of one day's weather: colder, hotter or wetter days have not been measured where vegetables grow. */
export const DAY_LIMITS = {
  tMinC: { name: 'Low', low: -60, high: 45, unit: '°C' },
  tMaxC: { name: 'High', low: -50, high: 57, unit: '°C' },
  rainMm: { name: 'Rain', low: 0, high: 900, unit: 'mm' },
} as const
export type DayValue = keyof typeof DAY_LIMITS
export const DAY_VALUES = Object.keys(DAY_LIMITS) as DayValue[]

/** First and last year that days are kept of. */
export const FIRST_YEAR = 1850
export const LAST_YEAR = 2100

const SLOTS = 366
const series = (value: DayValue) => {
  const { name, low, high, unit } = DAY_LIMITS[value]
  return z.array(numberBetween(name, low, high, unit).nullable()).length(SLOTS)
}

/** One calendar year of a garden's daily weather, 366 places from 1 January; null where a value is not known. */
export const weatherYear = z
  .object({
    id,
    gardenId: id,
    year: z.number().int().min(FIRST_YEAR).max(LAST_YEAR),
    tMinC: series('tMinC'),
    tMaxC: series('tMaxC'),
    rainMm: series('rainMm'),
    source: z.array(weatherSource.nullable()).length(SLOTS),
  })
  .refine((year) => year.tMinC.every((low, i) => !(low! > (year.tMaxC[i] ?? Infinity))), {
    error: 'On one day the low is above the high. Swap them.',
    path: ['tMinC'],
  })
export type WeatherYear = z.infer<typeof weatherYear>

/** A day as observed; null where that value was not. Temperatures °C, rain mm. */
export type ObservedDay = { day: number; source: WeatherSource } & Record<DayValue, number | null>

/** A year of which nothing is known. */
export const emptyYear = (gardenId: string, year: number): WeatherYear => {
  const nothing = () => new Array<null>(SLOTS).fill(null)
  return {
    id: `${gardenId}:${year}`,
    gardenId,
    year,
    tMinC: nothing(),
    tMaxC: nothing(),
    rainMm: nothing(),
    source: nothing(),
  }
}

/** Whether nothing is known of a year. */
export const isEmptyYear = (year: WeatherYear) => year.source.every((source) => source === null)

/** All observed days of a garden's years, oldest first. */
export function observedDays(years: readonly WeatherYear[]): ObservedDay[] {
  return [...years]
    .sort((a, b) => a.year - b.year)
    .flatMap((year) => {
      const first = dayNumber(`${year.year}-01-01`)
      return year.source.flatMap((source, i) =>
        source
          ? [
              {
                day: first + i,
                source,
                tMinC: year.tMinC[i],
                tMaxC: year.tMaxC[i],
                rainMm: year.rainMm[i],
              },
            ]
          : [],
      )
    })
}

/** The years that change when these days are written over what is there, with the change in them. */
export function withDays(
  years: readonly WeatherYear[],
  gardenId: string,
  days: readonly ObservedDay[],
): WeatherYear[] {
  const changed = new Map<number, WeatherYear>()
  for (const { day, source, ...values } of days) {
    const number = yearOf(day)
    let year = changed.get(number)
    if (!year) {
      const old = years.find((entry) => entry.year === number)
      year = old ? structuredClone(old) : emptyYear(gardenId, number)
      changed.set(number, year)
    }
    const slot = dayOfYear(day) - 1
    const known = DAY_VALUES.some((value) => values[value] !== null)
    for (const value of DAY_VALUES) year[value][slot] = values[value]
    year.source[slot] = known ? source : null
  }
  return [...changed.values()].sort((a, b) => a.year - b.year)
}
