import { z } from 'zod'
import '../../core/foundations/plainErrors'
import { isoDate, parseDay } from '../../core/foundations/day'
import { quantityLimit, readQuantity, unitOf, writeQuantity, type QuantityKind } from '../../text/quantity'
import type { Units } from '../../text/format'

/**
 * What may be typed into a field: its name in messages and its limits, in the unit kept inside; those of the core's own
 * field (`of`) where it keeps one.
 */
type Limits = {
  name: string
  of?: z.ZodType
  low?: number
  high?: number
  above?: number
  whole?: boolean
  /** Why it may not lie beyond its limits. */
  why?: string
}

/** Limits of a number in the core, whether it may be left out or not. */
function boundsOf(field: z.ZodType | undefined): Pick<Limits, 'low' | 'high'> {
  let inner: unknown = field
  while (inner instanceof z.ZodOptional || inner instanceof z.ZodNullable) inner = inner.unwrap()
  if (!(inner instanceof z.ZodNumber)) return {}
  return { low: inner.minValue ?? undefined, high: inner.maxValue ?? undefined }
}

function limitText({ name, low, high, above }: Limits, kind: QuantityKind, units: Units): string {
  const least = low === undefined ? '' : quantityLimit(low, kind, units, Math.ceil)
  const most = high === undefined ? '' : quantityLimit(high, kind, units, Math.floor)
  const unit = unitOf(kind, units)
  const ending = unit === '' ? '.' : `\u00a0${unit}.`
  if (above !== undefined)
    return `${name} must be above ${writeQuantity(above, kind, units)}${most === '' ? '' : ` and at most ${most}`}${ending}`
  if (least !== '' && most !== '') return `${name} must be between ${least} and ${most}${ending}`
  return `${name} must be ${least === '' ? `at most ${most}` : `at least ${least}`}${ending}`
}

/** What is wrong with a number as typed; null where nothing is. */
function wrong(value: number, limits: Limits, kind: QuantityKind, units: Units): string | null {
  const { name, low = -Infinity, high = Infinity, above, whole } = limits
  if (!Number.isFinite(value)) return `${name} must be a number.`
  // What was converted there and back may miss its limit by the last digit.
  const slack = 1e-9 * Math.max(1, Math.abs(value))
  if (value < low - slack || value > high + slack || (above !== undefined && value <= above))
    return limits.why
      ? limitText(limits, kind, units).replace(/\.$/, `: ${limits.why}.`)
      : limitText(limits, kind, units)
  return whole && !Number.isInteger(value) ? `${name} must be a whole number.` : null
}

/** A quantity typed in the garden's units, kept in the unit of its kind; it must be filled in. */
export function quantity(kind: QuantityKind, units: Units, field: Limits) {
  const limits = { ...boundsOf(field.of), ...field }
  return z.codec(z.string(), z.number(), {
    decode: (text, context) => {
      const value = readQuantity(text, kind, units)
      const message = wrong(value, limits, kind, units)
      if (message === null) return value
      context.issues.push({ code: 'custom', message, input: text })
      return z.NEVER
    },
    encode: (value) => writeQuantity(value, kind, units),
  })
}

/** The same, or left empty: null. */
export function quantityOrNone(kind: QuantityKind, units: Units, field: Limits) {
  const limits = { ...boundsOf(field.of), ...field }
  return z.codec(z.string(), z.number().nullable(), {
    decode: (text, context) => {
      if (text.trim() === '') return null
      const value = readQuantity(text, kind, units)
      const message = wrong(value, limits, kind, units)
      if (message === null) return value
      context.issues.push({
        code: 'custom',
        message: message.replace(/\.$/, ', or left empty.'),
        input: text,
      })
      return z.NEVER
    },
    encode: (value) => writeQuantity(value, kind, units),
  })
}

/** A day as ISO text, kept as its number; `said` tells what is wrong with one that exists. */
export const day = (said: (day: number) => string | null | undefined = () => null) =>
  z.codec(z.string(), z.number().int(), {
    decode: (text, context) => {
      const value = parseDay(text)
      const message = value === null ? 'Enter a date that exists, such as 2026-06-18.' : (said(value) ?? null)
      if (message === null) return value!
      context.issues.push({ code: 'custom', message, input: text })
      return z.NEVER
    },
    encode: (value) => isoDate(value),
  })

/** A day, or left empty: null. */
export const dayOrNone = (said: (day: number) => string | null | undefined = () => null) =>
  z.codec(z.string(), z.number().int().nullable(), {
    decode: (text, context) => {
      if (text === '') return null
      const value = parseDay(text)
      const message =
        value === null
          ? 'Enter a date that exists, such as 2026-06-18, or leave it empty.'
          : (said(value) ?? null)
      if (message === null) return value
      context.issues.push({ code: 'custom', message, input: text })
      return z.NEVER
    },
    encode: (value) => (value === null ? '' : isoDate(value)),
  })

/** What is done is recorded on its day or after. */
export const notAhead = (today: number, what: string) => (day: number) =>
  day > today ? `${what} is recorded once it is done. Choose today or an earlier date.` : null

/** A name that must be there. */
export const name = (what: string, max: number) =>
  z.string().trim().min(1, `${what}: give it a name.`).max(max, `${what}: use ${max} characters or fewer.`)

/** A note, or nothing. */
export const note = (max = 2000) => z.string().max(max, `Use ${max} characters or fewer in a note.`)

/** One of some choices that must be taken. */
export const chosen = (message: string) => z.string().min(1, message)

/** Of a rule about several fields: said at one of them beside whatever else is wrong, not after it. */
export const beside = (path: string, error: string) => ({ path: [path], error, when: () => true })
