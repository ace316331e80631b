import { z } from 'zod'
import { dayNumber } from '../foundations/day'
import { isoDay } from '../garden/fields'
import { DAY_LIMITS } from '../garden/dayLimits'

/** Most days asked of a station at once: twenty years. */
export const LONGEST_QUERY_DAYS = 7305

/** What is asked of and answered by the simulated station; the server and the app check both against this. */

const reading = (value: keyof typeof DAY_LIMITS) =>
  z.number().min(DAY_LIMITS[value].low).max(DAY_LIMITS[value].high)

/** `fault=silent` makes the station fail, to see how the app takes it. */
const fault = z.enum(['silent']).optional()
const gardenName = z.string().min(1).max(80)

export const stationQuery = z
  .object({ garden: gardenName, from: isoDay, to: isoDay, fault })
  .refine((query) => query.from <= query.to, { error: 'from must not lie after to.', path: ['from'] })
  .refine((query) => dayNumber(query.to) - dayNumber(query.from) <= LONGEST_QUERY_DAYS, {
    error: `at most ${LONGEST_QUERY_DAYS} days can be asked for at once.`,
    path: ['to'],
    when: ({ issues }) => issues.length === 0,
  })
export const forecastQuery = z.object({ garden: gardenName, issued: isoDay, fault })

/** Days a station heard, `to` not in; days it missed are left out, and a value may be missing by itself. */
export const stationAnswer = z.object({
  garden: z.string(),
  days: z
    .array(
      z.object({
        date: isoDay,
        tMinC: reading('tMinC').nullable(),
        tMaxC: reading('tMaxC').nullable(),
        rainMm: reading('rainMm').nullable(),
      }),
    )
    .max(LONGEST_QUERY_DAYS),
})
export type StationAnswer = z.infer<typeof stationAnswer>

export const forecastAnswer = z.object({
  garden: z.string(),
  issued: isoDay,
  days: z
    .array(
      z.object({
        date: isoDay,
        tMinC: reading('tMinC'),
        tMaxC: reading('tMaxC'),
        rainChance: z.number().min(0).max(1),
        rainIfWetMm: reading('rainMm'),
      }),
    )
    .max(16),
})
export type ForecastAnswer = z.infer<typeof forecastAnswer>
