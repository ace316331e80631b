import { z } from 'zod'
import { id, numberBetween } from './fields'
import { DAY_LIMITS, FIRST_YEAR, LAST_YEAR, SLOTS, type DayValue } from './dayLimits'

/** Who a day's weather comes from: written down by the grower, read from a file, or heard from the demo's station. */
export const weatherSource = z.enum(['hand', 'imported', 'station'])
export type WeatherSource = z.infer<typeof weatherSource>

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
