import { normalCdf } from '../foundations/statistics'
import { inYear, YEAR_DAYS } from '../foundations/yearDay'
import type { SiteClimate } from '../garden/site'
import { SITE_SD } from './ensemble'
import { spreadOfLows } from './generator'
import { dailyFromMonthly } from './normals'

/** What the nights of a usual year come to: days of the year (from 1) that half of all years have their last and first frost behind, null where most years have none; the coldest night of half of all years, °C. */
export type Nights = { lastFrost: number | null; firstFrost: number | null; coldestC: number }

const FROST_C = 0
/** Nights follow one another: a run of them counts as so many single ones (extremal index of the generator's lag of 0.6; held against generated years). */
const SINGLE_SHARE = 0.6
/** A place that is a little colder or warmer than its normals: three points that stand for a normal spread, and their shares. */
const UNLIKE = [-1.732, 0, 1.732].map((times) => times * SITE_SD.temperatureC)
const SHARES = [1 / 6, 2 / 3, 1 / 6]

/** The middle of the hottest month as a day of the year. */
const midsummer = ({ tMaxC, tMinC }: SiteClimate) => {
  const means = tMaxC.map((max, month) => max + tMinC[month])
  return Math.round(means.indexOf(Math.max(...means)) * 30.44 + 15)
}

/** Nights of a year from the day opposite midsummer on: mean lows and how far single nights lie from them, °C. */
type YearOfNights = { start: number; lows: Float64Array; spread: Float64Array }

const inOrder = (values: ArrayLike<number>, start: number) =>
  Float64Array.from({ length: YEAR_DAYS }, (_, i) => values[inYear(start + i)])

/** The nights of a climate, whose lows may then be tried otherwise. */
export function nightsOf(site: SiteClimate): YearOfNights {
  const start = inYear(midsummer(site) + 183)
  return {
    start,
    lows: inOrder(dailyFromMonthly(site.tMinC), start),
    spread: inOrder(spreadOfLows(site), start),
  }
}

/** The same nights with a warming of months added, which goes over from day to day as normals do. */
export function warmedBy(nights: YearOfNights, months: readonly number[]): (byC: number) => YearOfNights {
  const added = inOrder(dailyFromMonthly(months), nights.start)
  return (byC) => ({ ...nights, lows: nights.lows.map((low, i) => low + byC * added[i]) })
}

/** The share of years whose nights all stay above a low from one place in the row to another. */
function spared({ lows, spread }: YearOfNights, low: number, from: number, to: number): number {
  let share = 0
  for (let k = 0; k < UNLIKE.length; k++) {
    let log = 0
    for (let i = from; i < to; i++) {
      const z = (low - lows[i] - UNLIKE[k]) / spread[i]
      if (z > -6) log += Math.log1p(-Math.min(1 - 1e-12, normalCdf(z)))
    }
    share += SHARES[k] * Math.exp(SINGLE_SHARE * log)
  }
  return share
}

/** The first place in a row from which on something holds. */
function firstPlace(from: number, to: number, holds: (i: number) => boolean): number {
  let [low, high] = [from, to]
  while (low < high) {
    const middle = (low + high) >> 1
    if (holds(middle)) high = middle
    else low = middle + 1
  }
  return low
}

const HALF = Math.floor(YEAR_DAYS / 2)

/** Days from midsummer (−182 to 182) that half of all years have their last and first frost behind; null where most have none. */
export function frostsOf(nights: YearOfNights): { last: number | null; first: number | null } {
  return {
    last:
      spared(nights, FROST_C, 0, HALF) > 0.5
        ? null
        : firstPlace(0, HALF, (i) => spared(nights, FROST_C, i + 1, HALF) >= 0.5) - HALF,
    first:
      spared(nights, FROST_C, HALF, YEAR_DAYS) > 0.5
        ? null
        : firstPlace(HALF, YEAR_DAYS, (i) => spared(nights, FROST_C, HALF, i + 1) <= 0.5) - HALF,
  }
}

/** The coldest night of half of all years, °C. */
export function coldestOf(nights: YearOfNights): number {
  let [cold, warm] = [-90, 40]
  for (let round = 0; round < 16; round++) {
    const middle = (cold + warm) / 2
    if (spared(nights, middle, 0, YEAR_DAYS) > 0.5) cold = middle
    else warm = middle
  }
  return (cold + warm) / 2
}

/** The day of the year (from 1) of a day from midsummer, and back. */
export const dayFromSummer = ({ start }: YearOfNights, day: number) => inYear(start + day + HALF) + 1
export const summerFromDay = ({ start }: YearOfNights, day: number) => inYear(day - 1 - start) - HALF

/** The nights of a climate's years by the odds of each night, without generating any. */
export function usualNights(site: SiteClimate): Nights {
  const nights = nightsOf(site)
  const { last, first } = frostsOf(nights)
  const dated = (day: number | null) => (day === null ? null : dayFromSummer(nights, day))
  return { lastFrost: dated(last), firstFrost: dated(first), coldestC: coldestOf(nights) }
}
