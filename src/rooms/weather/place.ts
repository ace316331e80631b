import type { z } from 'zod'
import { siteClimate, type SiteClimate } from '../../core/garden/site'
import { typedNumber } from '../../parts/typed'

/** The four monthly rows of a place, with the words and limits the form shows. */
export const ROWS = [
  { name: 'tMaxC', label: 'Mean daily high, °C' },
  { name: 'tMinC', label: 'Mean daily low, °C' },
  { name: 'rainMm', label: 'Rain, mm' },
  { name: 'wetDays', label: 'Days with 1 mm or more' },
] as const

export type RowName = (typeof ROWS)[number]['name']

/** A place as typed: numbers are text until they are checked. */
export type PlaceInput = {
  latitude: string
  elevationM: string
  coastal: boolean
  warming: string
  /** Fitted, not typed. */
  daySpread: number | undefined
} & Record<RowName, string[]>

export function placeInputOf(site: SiteClimate): PlaceInput {
  const texts = (values: readonly number[]) => values.map(String)
  return {
    latitude: String(site.latitude),
    elevationM: String(Math.round(site.elevationM)),
    coastal: site.coastal,
    warming: String(site.warmingCPerDecade ?? 0),
    daySpread: site.daySpread,
    tMaxC: texts(site.tMaxC),
    tMinC: texts(site.tMinC),
    rainMm: texts(site.rainMm),
    wetDays: texts(site.wetDays),
  }
}

const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
]

/** The site as filled in over `seen`, or what is wrong with it, each problem naming its row and month. */
export function readPlace(
  input: PlaceInput,
  seen: SiteClimate,
): { site: SiteClimate } | { problems: string[] } {
  const numbers = (texts: string[]) => texts.map(typedNumber)
  const parsed = siteClimate.safeParse({
    latitude: typedNumber(input.latitude),
    // Shown rounded; kept as it was where nobody typed another.
    elevationM:
      input.elevationM === placeInputOf(seen).elevationM ? seen.elevationM : typedNumber(input.elevationM),
    coastal: input.coastal,
    tMaxC: numbers(input.tMaxC),
    tMinC: numbers(input.tMinC),
    rainMm: numbers(input.rainMm),
    wetDays: numbers(input.wetDays),
    ...(input.warming !== placeInputOf(seen).warming
      ? { warmingCPerDecade: typedNumber(input.warming) }
      : seen.warmingCPerDecade !== undefined && { warmingCPerDecade: seen.warmingCPerDecade }),
    ...(input.daySpread !== undefined && { daySpread: input.daySpread }),
  })
  if (parsed.success) return { site: parsed.data }
  return { problems: parsed.error.issues.map(describeIssue) }
}

function describeIssue(issue: z.core.$ZodIssue): string {
  const [field, month] = issue.path
  if (field === 'latitude' && typeof month === 'undefined' && issue.message.includes('between'))
    return 'Latitude must be between -66 and 66 degrees: nearer the poles the sun does not rise or set each day, and the forecasts do not hold.'
  return typeof month === 'number' ? `${MONTHS[month]}: ${issue.message}` : issue.message
}
