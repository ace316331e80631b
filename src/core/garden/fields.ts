import { z } from 'zod'
import '../foundations/plainErrors'
import { parseDay } from '../foundations/day'

/** A real calendar date as ISO text between 1990 and 2100. */
export const isoDay = z
  .string({ error: 'Enter a date as year-month-day.' })
  .refine((text) => parseDay(text) !== null, {
    error: 'This date does not exist in the calendar. Enter one like 2026-04-18.',
  })
  .refine((text) => parseDay(text) === null || (text >= '1990-01-01' && text <= '2100-12-31'), {
    error: 'The date must lie between 1990 and 2100.',
  })

/** A finite number between two limits, with a message that names field, limits and unit. */
export function numberBetween(field: string, low: number, high: number, unit = '') {
  const message = `${field} must be between ${low} and ${high}${unit ? ` ${unit}` : ''}.`
  return z
    .number({ error: `${field} must be a number.` })
    .min(low, message)
    .max(high, message)
}

export const shortText = (field: string, max = 60) =>
  z
    .string()
    .trim()
    .min(1, `${field} is empty. Give it a name.`)
    .max(max, `${field} is longer than ${max} characters.`)

export const id = z
  .string()
  .min(1, 'The id is empty.')
  .max(80, 'The id is longer than 80 characters.')
  .regex(/^\P{Cc}*$/u, 'The id holds a line break or another sign that is not shown.')
