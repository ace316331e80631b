import { z } from 'zod'
import { DAY_LIMITS, type DayValue } from '../../core/garden/dayLimits'
import { siteClimate, type SiteClimate } from '../../core/garden/site'
import { quantity, quantityOrNone } from '../../parts/form/codecs'
import { textOf } from '../../parts/form/typedText'
import { monthName, type Units } from '../../text/format'
import type { QuantityKind } from '../../text/quantity'

/** The four monthly rows of a place, with their words and limits. */
export const ROWS = [
  { name: 'tMaxC', label: 'Mean daily high', kind: 'temperature' },
  { name: 'tMinC', label: 'Mean daily low', kind: 'temperature' },
  { name: 'rainMm', label: 'Rain', kind: 'rain' },
  { name: 'wetDays', label: 'Wet days', kind: 'number' },
] as const satisfies readonly { name: string; label: string; kind: QuantityKind }[]
export type RowName = (typeof ROWS)[number]['name']

/** Middle of a month, as a day for its name. */
const middleOf = (month: number) => month * 30.44 + 15
export const MONTHS = Array.from({ length: 12 }, (_, month) => month)
export const monthWord = (month: number) => monthName(middleOf(month))

function row(of: RowName, units: Units) {
  const { label, kind } = ROWS.find(({ name }) => name === of)!
  return z.tuple(
    MONTHS.map((month) =>
      quantity(kind, units, {
        name: `${monthWord(month)}: ${label.toLowerCase()}`,
        of: siteClimate.shape[of].element,
      }),
    ) as [ReturnType<typeof quantity>, ...ReturnType<typeof quantity>[]],
  )
}

/** A place and its normals. */
export const placeForm = (units: Units) =>
  z
    .object({
      latitude: quantity('degrees', units, {
        name: 'Latitude',
        of: siteClimate.shape.latitude,
        why: 'nearer the poles the sun does not rise or set each day, and the forecasts do not hold',
      }),
      elevationM: quantity('length', units, { name: 'Elevation', of: siteClimate.shape.elevationM }),
      coastal: z.boolean(),
      warming: quantity('warming', units, {
        name: 'Warmer since 2005, a decade,',
        of: siteClimate.shape.warmingCPerDecade,
      }),
      /** Fitted, not typed. */
      spreadC: siteClimate.shape.spreadC,
      daySpread: siteClimate.shape.daySpread,
      tMaxC: row('tMaxC', units),
      tMinC: row('tMinC', units),
      rainMm: row('rainMm', units),
      wetDays: row('wetDays', units),
    })
    .refine(({ tMaxC, tMinC }) => tMinC.every((low, month) => low <= tMaxC[month]), {
      path: ['normals'],
      error: 'A monthly minimum is above its maximum. Check the normals.',
    })
type PlaceForm = ReturnType<typeof placeForm>

export const placeValue = ({ warmingCPerDecade, daySpread, ...site }: SiteClimate) =>
  ({ ...site, daySpread, warming: warmingCPerDecade }) as z.output<PlaceForm>

/**
 * The site over `seen` with only what was typed changed, month by month: what a field shows rounded stays as it was where
 * nobody typed another.
 */
export function placePart(
  seen: SiteClimate,
  { warming, ...part }: Partial<z.output<PlaceForm>>,
  units: Units,
): SiteClimate {
  const schema = placeForm(units)
  const before = textOf(schema, placeValue(seen))
  const after = textOf(schema, { ...placeValue(seen), ...part } as z.output<PlaceForm>)
  const rows = Object.fromEntries(
    ROWS.flatMap(({ name }) =>
      part[name]
        ? [[name, seen[name].map((old, i) => (before[name][i] === after[name][i] ? old : part[name]![i]))]]
        : [],
    ),
  )
  return { ...seen, ...part, ...rows, ...(warming !== undefined && { warmingCPerDecade: warming }) }
}

const dayValue = (of: DayValue, units: Units) => {
  const { name, low, high } = DAY_LIMITS[of]
  return quantityOrNone(of === 'rainMm' ? 'rain' : 'temperature', units, { name, low, high })
}

/** What was measured on a day; empty what was not. */
export const dayForm = (units: Units) =>
  z
    .object({
      tMinC: dayValue('tMinC', units),
      tMaxC: dayValue('tMaxC', units),
      rainMm: dayValue('rainMm', units),
    })
    .refine(({ tMinC, tMaxC }) => tMinC === null || tMaxC === null || tMinC <= tMaxC, {
      path: ['tMinC'],
      error: 'Low: it is above the high. Swap the two.',
    })
