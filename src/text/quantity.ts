import { GRAMS_PER_OUNCE, GRAMS_PER_POUND, METRES_PER_FOOT, MM_PER_INCH } from '../core/foundations/units'
import { decimalSign, type Units } from './format'

const FT2 = METRES_PER_FOOT ** 2

/** Linear units by what people write behind a number: what one of them is in the unit the core keeps. */
const LENGTHS = {
  m: 1,
  cm: 0.01,
  mm: 0.001,
  ft: METRES_PER_FOOT,
  foot: METRES_PER_FOOT,
  feet: METRES_PER_FOOT,
  "'": METRES_PER_FOOT,
  in: METRES_PER_FOOT / 12,
  inch: METRES_PER_FOOT / 12,
  inches: METRES_PER_FOOT / 12,
  '"': METRES_PER_FOOT / 12,
  yd: METRES_PER_FOOT * 3,
}
const WEIGHTS = {
  g: 1,
  mg: 0.001,
  kg: 1000,
  oz: GRAMS_PER_OUNCE,
  lb: GRAMS_PER_POUND,
  lbs: GRAMS_PER_POUND,
}
const AREAS = { m2: 1, 'm²': 1, sqm: 1, ft2: FT2, 'ft²': FT2, sqft: FT2, 'sq ft': FT2 }
const RAINS = { mm: 1, cm: 10, in: MM_PER_INCH, '"': MM_PER_INCH }
/** g m⁻² in a pound on a thousand square feet. */
const LB_PER_1000_FT2 = GRAMS_PER_POUND / (1000 * FT2)
const scaled = (table: Record<string, number>, by: number) =>
  Object.fromEntries(Object.entries(table).map(([unit, factor]) => [unit, factor * by]))

type Kind = {
  /** What may be written behind the number, in the unit kept inside. */
  units: Record<string, number>
  /** Unit taken where none is written, and shown beside the field. */
  usual: Record<Units, string>
  /** Digits after the point that are worth showing. */
  digits: Record<Units, number>
  /** What a unit shows where the one kept inside shows nothing. */
  zero?: Record<string, number>
}
const both = <T>(value: T) => ({ metric: value, imperial: value })
const plain = (unit: string, digits: number, units: Record<string, number> = { [unit]: 1 }): Kind => ({
  units,
  usual: both(unit),
  digits: both(digits),
})

/** Kinds of quantities that are typed, each with the unit it is kept in. */
const KINDS = {
  /** m */
  length: { units: LENGTHS, usual: { metric: 'm', imperial: 'ft' }, digits: both(2) },
  /** cm */
  height: {
    units: scaled(LENGTHS, 100),
    usual: { metric: 'cm', imperial: 'in' },
    digits: { metric: 1, imperial: 2 },
  },
  /** m */
  depth: { units: LENGTHS, usual: { metric: 'cm', imperial: 'in' }, digits: { metric: 1, imperial: 2 } },
  /** m² */
  area: { units: AREAS, usual: { metric: 'm²', imperial: 'ft²' }, digits: both(2) },
  /** m² an hour */
  workRate: { units: AREAS, usual: { metric: 'm²', imperial: 'ft²' }, digits: both(0) },
  /** g */
  seed: { units: WEIGHTS, usual: { metric: 'g', imperial: 'oz' }, digits: { metric: 1, imperial: 2 } },
  /** kg */
  weight: {
    units: scaled(WEIGHTS, 0.001),
    usual: { metric: 'kg', imperial: 'lb' },
    digits: both(2),
  },
  /** mm */
  rain: { units: RAINS, usual: { metric: 'mm', imperial: 'in' }, digits: { metric: 1, imperial: 2 } },
  /** A share of one, typed in percent. */
  share: plain('%', 1, { '%': 0.01 }),
  /** g m⁻² */
  seedRate: {
    units: {
      'g/m²': 1,
      'kg/ha': 0.1,
      'lb/acre': 0.112085,
      'lb/1000 ft²': LB_PER_1000_FT2,
      'oz/1000 ft²': LB_PER_1000_FT2 / 16,
    },
    usual: { metric: 'g/m²', imperial: 'lb/1000 ft²' },
    digits: both(2),
  },
  /** kg m⁻³ */
  bulk: {
    units: { 'kg/m³': 1, 'lb/yd³': 0.593276, 'lb/ft³': 16.01846 },
    usual: { metric: 'kg/m³', imperial: 'lb/yd³' },
    digits: both(0),
  },
  count: plain('', 0, { '': 1 }),
  number: plain('', 4, { '': 1 }),
  money: plain('', 2, { '': 1 }),
  days: plain('days', 0, { days: 1, day: 1, d: 1, weeks: 7, week: 7 }),
  minutes: plain('min', 0, { min: 1, minutes: 1, h: 60, hours: 60, hour: 60 }),
  degrees: plain('°', 4, { '°': 1 }),
  /** °C */
  temperature: {
    units: { '°c': 1, c: 1, '°f': 1 / 1.8, f: 1 / 1.8 },
    usual: { metric: '°c', imperial: '°f' },
    digits: both(2),
    zero: { '°f': 32, f: 32 },
  },
  /** By how many °C it is warmer than before. */
  warming: {
    units: { '°c': 1, c: 1, '°f': 1 / 1.8, f: 1 / 1.8 },
    usual: { metric: '°c', imperial: '°f' },
    digits: both(2),
  },
} as const satisfies Record<string, Kind>
export type QuantityKind = keyof typeof KINDS

const kindOf = (kind: QuantityKind): Kind => KINDS[kind]

/** Unit beside the field of a kind: `ft`, `%`; empty where there is none. */
export const unitOf = (kind: QuantityKind, units: Units): string =>
  kindOf(kind).usual[units].replace('°c', '°C').replace('°f', '°F')

const FRACTIONS: Record<string, string> = {
  '½': ' 1/2',
  '¼': ' 1/4',
  '¾': ' 3/4',
  '⅓': ' 1/3',
  '⅔': ' 2/3',
  '⅛': ' 1/8',
  '⅜': ' 3/8',
  '⅝': ' 5/8',
  '⅞': ' 7/8',
}
/** A number, a fraction, or a number and a fraction, and what stands behind it up to the next number. */
const PIECE = /^(\d+)\s+(\d+)\/(\d+)|^(\d+)\/(\d+)|^(\d*\.?\d+|\d+\.)/

/**
 * A number as people write it, with a point throughout: `1,5` and `1.000,5` are read as in most of Europe, `1,000.5` and,
 * in imperial gardens where the browser itself writes no decimal comma, `1,000` as in America.
 */
function withPoint(text: string, units: Units): string {
  const american = /^\d{1,3}(,\d{3})+(\.\d+)?$/
  const european = /^\d{1,3}(\.\d{3})+,\d+$/
  return text.replace(/\d[\d.,]*/g, (number) => {
    if (american.test(number) && ((units === 'imperial' && decimalSign() === '.') || number.includes('.')))
      return number.replaceAll(',', '')
    if (european.test(number)) return number.replaceAll('.', '').replace(',', '.')
    return number.replace(',', '.')
  })
}

const clean = (text: string, units: Units) =>
  withPoint(
    text
      .trim()
      .replace(/[½¼¾⅓⅔⅛⅜⅝⅞]/g, (sign) => FRACTIONS[sign])
      .replaceAll('−', '-')
      .replace(/[′’]/g, "'")
      .replace(/[″”]|''/g, '"')
      .trim()
      .toLowerCase(),
    units,
  )

/**
 * What was typed, in the unit kept inside: `3'6"`, `1/2 lb`, `1,5 kg`, or a plain number in the garden's own unit. NaN
 * where it is empty or cannot be understood.
 */
export function readQuantity(text: string, kind: QuantityKind, units: Units): number {
  const { units: known, usual, zero } = kindOf(kind)
  let rest = clean(text, units)
  const sign = rest.startsWith('-') ? -1 : 1
  if (sign < 0) rest = rest.slice(1).trim()
  let sum = NaN
  for (let pieces = 0; rest !== ''; pieces++) {
    const found = PIECE.exec(rest)
    if (!found) return NaN
    const [all, whole, top, bottom, loneTop, loneBottom, number] = found
    const value = whole
      ? Number(whole) + Number(top) / Number(bottom)
      : loneTop
        ? Number(loneTop) / Number(loneBottom)
        : Number(number)
    rest = rest.slice(all.length).trim()
    const unit = /^[^\d.-]*/.exec(rest)![0].trim()
    // A second number needs its unit, as the first did: `3 6` is neither.
    if (unit === '' && (pieces > 0 || rest !== '')) return NaN
    const factor = unit === '' ? known[usual[units]] : known[unit]
    if (factor === undefined) return NaN
    // Degrees are counted from a zero of their own.
    const nought = zero?.[unit === '' ? usual[units] : unit] ?? 0
    if (zero) return pieces > 0 || rest.length > unit.length ? NaN : (sign * value - nought) * factor
    sum = (pieces === 0 ? 0 : sum) + value * factor
    rest = rest.slice(/^[^\d.-]*/.exec(rest)![0].length)
  }
  return sign * sum
}

const withSign = (value: number) => String(value).replace('.', decimalSign())

/** A value kept inside, in the garden's own unit, to the digits shown. */
function shownIn(value: number, kind: QuantityKind, units: Units, places?: number): number {
  const { units: known, usual, digits, zero } = kindOf(kind)
  const shown = value / known[usual[units]] + (zero?.[usual[units]] ?? 0)
  return Number(shown.toFixed(places ?? digits[units]))
}

/** A value kept inside, as it is typed in the garden's own unit and the browser's locale, without the unit; empty for none. */
export const writeQuantity = (
  value: number | null | undefined,
  kind: QuantityKind,
  units: Units,
  places?: number,
): string =>
  value === null || value === undefined || !Number.isFinite(value)
    ? ''
    : withSign(shownIn(value, kind, units, places))

/** Digits that a limit is told with. */
const LIMIT_DIGITS = 3

/** A limit as it is told, in the garden's own unit: rounded to the side on which what is told may be typed. */
export function quantityLimit(
  value: number,
  kind: QuantityKind,
  units: Units,
  inward: (value: number) => number,
): string {
  const shown = shownIn(value, kind, units, 9)
  if (shown === 0 || Number.isInteger(shown)) return String(shown)
  const step = 10 ** (Math.floor(Math.log10(Math.abs(shown))) + 1 - LIMIT_DIGITS)
  return withSign(Number((inward(shown / step - 1e-9 * Math.sign(shown)) * step).toPrecision(LIMIT_DIGITS)))
}
