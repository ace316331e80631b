import { dayNumber, dayOfYear, yearOf } from '../foundations/day'
import { DAY_VALUES, SLOTS, type DayValue } from './dayLimits'
import type { WeatherSource, WeatherYear } from './weatherYear'

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
