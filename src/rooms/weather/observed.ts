import { parseDay } from '../../core/foundations/day'
import { MM_PER_INCH } from '../../core/foundations/units'
import type { ObservedDay } from '../../core/garden/weatherDays'
import { DAY_LIMITS, DAY_VALUES, type DayValue } from '../../core/garden/dayLimits'
import type { Units } from '../../text/format'
import { typedOrNull } from '../../parts/typed'

/** A day's weather as typed. */
export type DayInput = { date: string } & Record<DayValue, string>

const toSi = (value: DayValue, number: number, units: Units) => {
  if (units === 'metric') return number
  return value === 'rainMm' ? number * MM_PER_INCH : (number - 32) / 1.8
}
const fromSi = (value: DayValue, number: number, units: Units) => {
  if (units === 'metric') return number
  return value === 'rainMm' ? number / MM_PER_INCH : number * 1.8 + 32
}

/** A known day as it would be typed. */
export function dayInputOf(date: string, known: ObservedDay | undefined, units: Units): DayInput {
  const text = (value: DayValue) => {
    const number = known?.[value] ?? null
    return number === null ? '' : String(Math.round(fromSi(value, number, units) * 100) / 100)
  }
  return { date, tMinC: text('tMinC'), tMaxC: text('tMaxC'), rainMm: text('rainMm') }
}

/** The day, or what is wrong with it, naming the field. A day must be past: what is ahead is not observed. */
export function readDay(
  input: DayInput,
  units: Units,
  today: number,
): { day: ObservedDay } | { problem: string } {
  const day = parseDay(input.date)
  if (day === null) return { problem: 'Day: enter a date.' }
  if (day > today) return { problem: 'Day: it lies ahead. Only days that were observed can be written down.' }
  const values = { tMinC: null, tMaxC: null, rainMm: null } as Record<DayValue, number | null>
  for (const value of DAY_VALUES) {
    const typed = typedOrNull(input[value])
    const { name, low, high, unit } = DAY_LIMITS[value]
    if (typed === null) continue
    if (Number.isNaN(typed)) return { problem: `${name}: “${input[value]}” is not a number.` }
    const si = toSi(value, typed, units)
    if (si < low || si > high) return { problem: `${name} must be between ${low} and ${high} ${unit}.` }
    values[value] = Math.round(si * 100) / 100
  }
  if (values.tMinC !== null && values.tMaxC !== null && values.tMinC > values.tMaxC)
    return { problem: 'Low: it is above the high. Swap the two.' }
  return { day: { day, source: 'hand', ...values } }
}
