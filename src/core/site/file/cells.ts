import { parseDay } from '../../foundations/day'
import { FIRST_YEAR, LAST_YEAR, type DayValue } from '../../garden/dayLimits'

/** Cells of a table of daily weather: the forms of dates, numbers and units, and which column holds what. */

export const DATE_FORMS = {
  iso: 'year-month-day (2026-04-18, 20260418)',
  dayFirst: 'day first (18.4.2026, 18/04/2026)',
  monthFirst: 'month first (4/18/2026)',
} as const
export type DateForm = keyof typeof DATE_FORMS

export const TEMPERATURE_UNITS = { c: '°C', f: '°F', c10: 'tenths of °C' } as const
export const RAIN_UNITS = { mm: 'mm', in: 'inches', cm: 'cm', mm10: 'tenths of mm' } as const
export type TemperatureUnit = keyof typeof TEMPERATURE_UNITS
export type RainUnit = keyof typeof RAIN_UNITS

/** Which column (0 first) holds what, and in which form. The date is one column, or year, month and day in three. */
export type Mapping = {
  /** Rows above the first row of data. */
  headerRows: number
  date: { column: number; form: DateForm } | { year: number; month: number; day: number }
  columns: Record<DayValue, number | null>
  temperature: TemperatureUnit
  rain: RainUnit
}

export const MISSING = new Set([
  '',
  '-',
  '--',
  'na',
  'n/a',
  'nan',
  'null',
  'm',
  '-99',
  '-999',
  '-9999',
  '-99.9',
  '-999.9',
  '9999',
  '99999',
])

/** A number with a decimal point or comma; null when missing, NaN when it is not a number. `T` is a trace of rain. */
export function numberIn(text: string): number | null {
  const clean = text.trim().replace('−', '-').toLowerCase()
  if (MISSING.has(clean)) return null
  if (clean === 't' || clean === 'trace') return 0
  return /^[+-]?\d*[.,]?\d+$/.test(clean) ? Number(clean.replace(',', '.')) : NaN
}

const two = (value: number) => String(value).padStart(2, '0')

/** Calendar parts of a date text, in the form given; null when it is not in that form. */
export function segmentsAlike(
  text: string,
  form: DateForm,
): [year: number, month: number, day: number] | null {
  const date = text.trim().split(/[T ]/)[0]
  const compact = /^(\d{4})(\d{2})(\d{2})$/.exec(date)
  const split = compact ?? /^(\d{1,4})[-./](\d{1,2})[-./](\d{1,4})$/.exec(date)
  if (!split) return null
  const [a, b, c] = split.slice(1).map(Number)
  if (compact || split[1].length === 4) return form === 'iso' ? [a, b, c] : null
  if (form === 'iso' || split[3].length !== 4) return null
  return form === 'dayFirst' ? [c, b, a] : [c, a, b]
}

/** Day number, or what is wrong in words. */
export function dayFrom(parts: readonly number[] | null, text: string): number | string {
  if (!parts || parts.some((part) => !Number.isInteger(part)))
    return `“${text}” is not a date in the form chosen`
  const [year, month, day] = parts
  if (year < FIRST_YEAR || year > LAST_YEAR)
    return `the year ${year} is not between ${FIRST_YEAR} and ${LAST_YEAR}`
  const found = parseDay(`${year}-${two(month)}-${two(day)}`)
  if (found !== null) return found
  return month === 2 && day === 29
    ? `29 February ${year} does not exist, ${year} is no leap year`
    : `“${text}” does not exist in the calendar`
}
