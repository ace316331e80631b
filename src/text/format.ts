import { spoonsOf } from '../core/seeding/inoculant'
import { memoize } from 'es-toolkit/function'
import type { Quantiles } from '../core/foundations/statistics'
import {
  GRAMS_PER_OUNCE,
  LITRES_PER_GALLON,
  METRES_PER_FOOT,
  GRAMS_PER_POUND,
  MM_PER_INCH,
  ouncesPer1000SquareFeet,
  poundsPerAcre,
} from '../core/foundations/units'
import type { Garden } from '../core/garden/schema'

export type Units = Garden['units']

const browserLocale = () => (typeof navigator === 'undefined' ? 'en-GB' : navigator.language)

/** Formatters are dear to make: one is kept for each locale and set of options. */
const getCacheKey = (options: object) => browserLocale() + JSON.stringify(options)
const dateFormat = memoize(
  (options: Intl.DateTimeFormatOptions) =>
    new Intl.DateTimeFormat(browserLocale(), { timeZone: 'UTC', ...options }),
  { getCacheKey },
)
const numberFormat = memoize(
  (options: Intl.NumberFormatOptions) => new Intl.NumberFormat(browserLocale(), options),
  { getCacheKey },
)

const dateText = (day: number, options: Intl.DateTimeFormatOptions) =>
  dateFormat(options).format(day * 86_400_000)

/** Some locales shorten a month with a stop, which would stand twice at the end of a sentence. */
const unstopped = (text: string) => text.replace(/\.$/, '')

/** `26 Jun` in the browser's locale. */
export const shortDate = (day: number) =>
  unstopped(dateText(Math.round(day), { day: 'numeric', month: 'short' }))

/** `Fri 26 Jun` in the browser's locale. */
export const weekdayDate = (day: number) =>
  unstopped(dateText(Math.round(day), { weekday: 'short', day: 'numeric', month: 'short' }))

/** `17–31 May`, `28 May – 4 Jun` in the browser's locale. */
const dateRange = (low: number, high: number) =>
  dateFormat({ day: 'numeric', month: 'short' }).formatRange(low * 86_400_000, high * 86_400_000)

/** `26 Jun 2026` in the browser's locale. */
export const longDate = (day: number) =>
  dateText(Math.round(day), { day: 'numeric', month: 'short', year: 'numeric' })

/** Days between which something can be done, within a sentence: `from 3 May to 9 Jun 2026`, `on 3 May 2026`. */
export const betweenText = (from: number, until: number): string =>
  from === until ? `on ${longDate(from)}` : `from ${shortDate(from)} to ${longDate(until)}`

/** Which day an answer is of that was worked out earlier: “yesterday” or its date; null where it is of today. */
export const earlierDayText = (day: number | null, today: number): string | null =>
  day === null || day === today ? null : day === today - 1 ? 'yesterday' : shortDate(day)

export const monthName = (day: number) => dateText(day, { month: 'short' })

/** `24 May (17–31 May)`: the middle and the 10–90 % range of a date. */
export function dateRangeText(date: Quantiles): string {
  const [low, high] = [Math.round(date.p10), Math.round(date.p90)]
  return low === high ? shortDate(date.p50) : `${shortDate(date.p50)} (${dateRange(low, high)})`
}

/** A range of whole numbers; one number where both ends are the same. */
export function rangeText(low: number, high: number): string {
  const [from, to] = [Math.round(low), Math.round(high)]
  return from === to ? `${from}` : `${from} to ${to}`
}

/** A number with just so many places, in the browser's locale. */
export const fixed = (value: number, places: number) =>
  numberFormat({ minimumFractionDigits: places, maximumFractionDigits: places }).format(value)

/** A number with so many places at most, in the browser's locale. */
export const decimal = (value: number, places = 1) => digits(value, places)

/** What stands before the decimals in the browser's locale: a point or a comma. */
export const decimalSign = (): '.' | ',' =>
  numberFormat({})
    .formatToParts(0.5)
    .find(({ type }) => type === 'decimal')?.value === ','
    ? ','
    : '.'

/** `45 %`, with a space that does not break. */
export const percent = (share: number) => `${Math.round(share * 100)}\u00a0%`

/** A chance as seasons of a hundred; a half goes up whatever is lost in the share's last digits. */
export const inHundred = (share: number) => Math.round(share * 100 + 1e-9)

/** A chance in words a grower would use: never 0 or 100. */
export function chanceText(share: number): string {
  const seasons = inHundred(share)
  if (seasons >= 100) return 'nearly certain'
  return seasons <= 0 ? 'very unlikely' : `${seasons} in 100`
}

const digits = (value: number, places: number) =>
  numberFormat({ minimumFractionDigits: 0, maximumFractionDigits: places }).format(
    Math.abs(value) < 0.5 / 10 ** places ? 0 : value,
  )

export function grams(value: number, units: Units): string {
  if (units === 'imperial')
    return value >= GRAMS_PER_POUND
      ? `${digits(value / GRAMS_PER_POUND, 2)}\u00a0lb`
      : `${digits(value / GRAMS_PER_OUNCE, value < 28 ? 2 : 1)}\u00a0oz`
  return value >= 2000 ? `${digits(value / 1000, 2)}\u00a0kg` : `${digits(value, value < 20 ? 1 : 0)}\u00a0g`
}

export function metres(value: number, units: Units): string {
  return units === 'imperial' ? `${digits(value / METRES_PER_FOOT, 1)}\u00a0ft` : `${digits(value, 2)}\u00a0m`
}

export function area(m2: number, units: Units): string {
  return units === 'imperial'
    ? `${digits(m2 / METRES_PER_FOOT ** 2, 0)}\u00a0ft²`
    : `${digits(m2, m2 < 10 ? 1 : 0)}\u00a0m²`
}

/** Litres of water or compost. */
export function litres(value: number, units: Units): string {
  return units === 'imperial'
    ? `${digits(value / LITRES_PER_GALLON, 0)}\u00a0gal`
    : `${digits(value, value < 10 ? 1 : 0)}\u00a0l`
}

const OUNCES_PER_LITRE = 33.814
/** Sand or water by the cup, litres inside. */
export function smallVolume(value: number, units: Units): string {
  if (value >= 1) return units === 'imperial' ? `${digits(value * 1.0567, 1)}\u00a0qt` : litres(value, units)
  return units === 'imperial'
    ? `${digits(Math.max(2, Math.round(value * OUNCES_PER_LITRE)), 0)}\u00a0fl\u00a0oz`
    : `${Math.max(50, Math.round(value * 20) * 50)}\u00a0ml`
}

/** Compost or soil, m³ inside. */
export function volume(m3: number, units: Units): string {
  return units === 'imperial'
    ? `${digits(m3 / METRES_PER_FOOT ** 3, m3 < 0.5 ? 1 : 0)}\u00a0ft³`
    : m3 < 1
      ? `${digits(m3 * 1000, 0)}\u00a0l`
      : `${digits(m3, 1)}\u00a0m³`
}

const EIGHTHS = ['', '1/8', '1/4', '3/8', '1/2', '5/8', '3/4', '7/8']
/** Inoculant as it is measured by hand: a pinch, parts of a teaspoon, or grams once it is worth weighing. */
export function inoculantText(g: number, units: Units): string {
  const spoons = spoonsOf(g)
  if (spoons === 'pinch') return 'a pinch'
  if (spoons === null) return grams(g, units)
  const [whole, rest] = [Math.floor(spoons.eighths / 8), EIGHTHS[spoons.eighths % 8]]
  const count = [whole > 0 ? String(whole) : '', rest].filter(Boolean).join(' ')
  return `${count}\u00a0${spoons.eighths > 8 ? 'teaspoons' : 'teaspoon'}`
}

/** A height or depth as it is measured by hand, m inside. */
export function centimetres(value: number, units: Units): string {
  return units === 'imperial'
    ? `${digits((value / METRES_PER_FOOT) * 12, 1)}\u00a0in`
    : `${digits(value * 100, value < 0.03 ? 1 : 0)}\u00a0cm`
}

/** How deep seed should lie, cm inside. */
export function depthText({ low, high }: { low: number; high: number }, units: Units): string {
  const inches = (cm: number) => digits(Math.round((cm / 2.54) * 4) / 4 || 0.125, 2)
  return units === 'imperial'
    ? `${inches(low)} to ${inches(high)}\u00a0in`
    : `${digits(low, 1)} to ${digits(high, 1)}\u00a0cm`
}

/** A weight in kg. */
export function kilos(kg: number, units: Units): string {
  return units === 'imperial'
    ? `${digits((kg * 1000) / GRAMS_PER_POUND, kg < 5 ? 1 : 0)}\u00a0lb`
    : `${digits(kg, kg < 10 ? 1 : 0)}\u00a0kg`
}

/** A weight on each metre of an edge, kg inside. */
export function perLength(kgPerM: number, units: Units): string {
  return units === 'imperial'
    ? `${digits(((kgPerM * 1000) / GRAMS_PER_POUND) * METRES_PER_FOOT, 0)}\u00a0lb on each foot`
    : `${digits(kgPerM, 0)}\u00a0kg on each metre`
}

/** A seeding rate, g m⁻² inside. */
export function rate(gM2: number, units: Units): string {
  return units === 'imperial'
    ? `${digits(ouncesPer1000SquareFeet(gM2), 1)}\u00a0oz/1000\u00a0ft²`
    : `${digits(gM2, 1)}\u00a0g/m²`
}

/** Plants, seeds or stems per ground, per m² inside; thousands to two figures. */
export const density = (perM2: number, units: Units): string =>
  `${densityNumber(perM2, units)} ${perGround(units)}`

/** What a density is told by. */
export const perGround = (units: Units) => `per\u00a0${units === 'imperial' ? 'ft²' : 'm²'}`

/** A density without its unit, for columns that name it. */
export function densityNumber(perM2: number, units: Units): string {
  const value = units === 'imperial' ? perM2 * METRES_PER_FOOT ** 2 : perM2
  const places = units === 'imperial' && value < 20 ? 1 : 0
  return digits(value >= 1000 ? Number(value.toPrecision(2)) : value, places)
}

/** How large a seed is, from the weight of a thousand, g: a thousand in grams, or seeds to the pound. */
export const seedSizeText = (thousandG: number, units: Units): string =>
  units === 'imperial'
    ? `${digits(Number(((GRAMS_PER_POUND / thousandG) * 1000).toPrecision(2)), 0)} a\u00a0lb`
    : `${digits(thousandG, 2)}\u00a0g a thousand`

/** A drilled seeding rate, kg ha⁻¹ inside. */
export function drillRate(kgHa: number, units: Units): string {
  return units === 'imperial'
    ? `${digits(poundsPerAcre(kgHa / 10), 0)}\u00a0lb/acre`
    : `${digits(kgHa, 0)}\u00a0kg/ha`
}

/** An amount of money in the garden's currency. */
export const money = (value: number, currency: string) =>
  numberFormat({
    style: 'currency',
    currency,
    maximumFractionDigits: value < 20 ? 2 : 0,
    minimumFractionDigits: value < 20 ? 2 : 0,
  }).format(value)

/** A temperature, °C inside. */
export function temperature(celsius: number, units: Units): string {
  return units === 'imperial' ? `${digits(celsius * 1.8 + 32, 0)}\u00a0°F` : `${digits(celsius, 0)}\u00a0°C`
}

/** A height above the sea in the units people say it in, to ten of them; metres inside. */
export const roundHeight = (metresUp: number, units: Units): number =>
  10 * Math.round(metresUp / (units === 'imperial' ? METRES_PER_FOOT : 1) / 10)
export const heightText = (metresUp: number, units: Units): string =>
  `${digits(roundHeight(metresUp, units), 0)}\u00a0${units === 'imperial' ? 'ft' : 'm'}`

/** A difference of temperatures as warmer or colder, °C inside. */
export function degrees(celsius: number, units: Units): string {
  const size = Math.abs(celsius) * (units === 'imperial' ? 1.8 : 1)
  return `${digits(size, 1)}\u00a0${units === 'imperial' ? '°F' : '°C'} ${celsius > 0 ? 'warmer' : 'colder'}`
}

/** Rain, mm inside. */
export function rain(mm: number, units: Units): string {
  return units === 'imperial'
    ? `${digits(mm / MM_PER_INCH, 1)}\u00a0in`
    : `${digits(mm, mm < 3 ? 1 : 0)}\u00a0mm`
}

export function minutes(value: number): string {
  if (value < 1) return '–'
  return value < 90 ? `${Math.max(5, Math.round(value / 5) * 5)}\u00a0min` : `${digits(value / 60, 1)}\u00a0h`
}

/** A moment of the grower's own day, from ms since 1970: `27 Nov 2026, 14:05`. */
export const momentText = (at: number): string =>
  dateFormat({
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
    timeZone: undefined,
  }).format(at)

/** A time of the grower's own day, from ms since 1970: `14:05`. */
export const timeText = (at: number): string =>
  dateFormat({ hour: '2-digit', minute: '2-digit', timeZone: undefined }).format(at)

/** When something was begun, from ms since 1970: `on Tuesday, 14:05`, or with its date once a week has passed. */
export const begunText = (at: number, now = Date.now()): string =>
  now - at < 6 * 864e5
    ? `on ${dateFormat({ weekday: 'long', hour: '2-digit', minute: '2-digit', timeZone: undefined }).format(at)}`
    : `on ${momentText(at)}`

/** Room that pictures and records take, from bytes. */
export const bytesText = (bytes: number): string =>
  bytes > 1e9 ? `${digits(bytes / 1e9, 0)}\u00a0GB` : `${digits(Math.max(0.1, bytes / 1e6), 1)}\u00a0MB`

/** Weekday and date for the clock. */
export const clockDate = (day: number) =>
  dateText(day, { weekday: 'short', day: 'numeric', month: 'short', year: 'numeric' })
