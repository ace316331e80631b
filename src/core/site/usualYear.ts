import { clamp } from '../foundations/statistics'
import { daysFrom, YEAR_DAYS } from '../foundations/yearDay'
import { USUAL_CLIMATE } from '../garden/fresh'
import type { SiteClimate } from '../garden/site'
import { coldestOf, frostsOf, nightsOf, summerFromDay, usualNights, warmedBy, type Nights } from './frostOdds'
import { spreadAt } from './spreads'
import { blendedAt, type Blended, type Where } from './neighbours'
import type { Place, Quarters } from './places'

/** Days of frost (of the year, from 1; null for none in most years), coldest night and hottest month as a grower knows them; what is left out is not known. */
export type Known = Partial<Nights> & { hottestHighC?: number; hottestLowC?: number }
/** What a grower changes of the usual year: the coldest and the hottest month, °C, rain as a share of the table's, and what is known. */
export type Corrections = { winterC: number; summerC: number; rain: number; known: Known }
export const NO_CORRECTIONS: Corrections = { winterC: 0, summerC: 0, rain: 1, known: {} }

/** The usual year of a place: what the table says, what it becomes with the grower's corrections, and the nights that come of it. */
export type UsualYear = {
  table: Blended
  site: SiteClimate
  nights: Nights
  /** As the table alone has it. */
  uncorrected: { site: SiteClimate; nights: Nights }
}

/** Nearer the sea than this a place is coastal, km. */
const COASTAL_KM = 25

const MONTHS = Array.from({ length: 12 }, (_, month) => month)
const tenth = (value: number) => Math.round(value * 10) / 10
const hundredth = (value: number) => Math.round(value * 100) / 100

/** Months through the values of January, April, July and October: a wave of a year and half of one of half a year. */
export function monthsThrough([january, april, july, october]: Quarters): number[] {
  const level = (january + april + july + october) / 4
  const cosine = (january - july) / 2
  const sine = (april - october) / 2
  const second = (january + july - april - october) / 4
  return MONTHS.map((month) => {
    const angle = (month * Math.PI) / 6
    return level + cosine * Math.cos(angle) + sine * Math.sin(angle) + second * Math.cos(2 * angle)
  })
}

/** Rain by month: each quarter keeps its sum, and its outer months lean towards the quarter beside them by a third. */
export function monthsOfRain(quarters: Quarters): number[] {
  const raw = MONTHS.map((month) => {
    const quarter = Math.floor(((month + 1) % 12) / 3)
    const place = (month + 1) % 3
    const beside = place === 1 ? quarter : (quarter + (place === 2 ? 1 : 3)) % 4
    return { quarter, mm: (2 * quarters[quarter] + quarters[beside]) / 9 }
  })
  return raw.map(({ quarter, mm }) => {
    const sum = raw.filter((one) => one.quarter === quarter).reduce((all, one) => all + one.mm, 0)
    return sum > 0 ? (mm * quarters[quarter]) / sum : 0
  })
}

/** Rain of the quarters of a year by month: DJF, MAM, JJA and SON. */
export const quartersOfRain = (rainMm: readonly number[]): number[] =>
  [0, 3, 6, 9].map((middle) => rainMm[(middle + 11) % 12] + rainMm[middle] + rainMm[middle + 1])

/** Rain of a wet day, mm: heavier in warm places and wet months (fitted by eye to normals of twenty stations). */
const perWetDay = (yearC: number, monthMm: number) => clamp(1.2 + 0.42 * yearC + 0.025 * monthMm, 3.5, 18)

/** A climate by month from a place of the table. */
function siteOf(place: Omit<Place, 'name' | 'country'>): SiteClimate {
  const highs = monthsThrough(place.highC)
  const lows = monthsThrough(place.lowC)
  const rainMm = monthsOfRain(place.rainMm)
  const yearC = MONTHS.reduce((sum, month) => sum + (highs[month] + lows[month]) / 24, 0)
  return {
    ...USUAL_CLIMATE,
    spreadC: spreadAt(place),
    latitude: tenth(place.latitude),
    elevationM: Math.round(place.elevationM),
    coastal: place.seaKm < COASTAL_KM,
    tMaxC: highs.map((high, month) => Math.max(high, lows[month] + LEAST_RANGE_C)),
    tMinC: lows,
    rainMm,
    wetDays: rainMm.map((mm) => clamp(mm / perWetDay(yearC, mm), 0.1, 28)),
  }
}

/** A day is at least so much warmer than its night, °C. */
const LEAST_RANGE_C = 2
/** How wide a correction of one season's nights reaches, days. */
const SEASON_DAYS = 40
/** What the table's own frosts may move its nights by in all, and what a grower's may at a time, °C. */
const LEASH_C = { table: 4, known: 10 }
/** How far single nights may lie from the normals, times the usual. */
const SPREADS = [0.6, 1.7] as const

/** Where no frost is wanted, nights are warmer than they need be by this, °C. */
const SURELY_C = 0.4

/** How much a month has part in what happens around a day of the year. */
function nearDay(month: number, day: number): number {
  const middle = month * 30.42 + 15
  return Math.exp(-((daysFrom(day, middle) / SEASON_DAYS) ** 2))
}

/** How much each month has part in what happens around a day of the year. */
const monthsNear = (day: number) => MONTHS.map((month) => nearDay(month, day))

function warmedNights(site: SiteClimate, byC: number, day: number): SiteClimate {
  const near = monthsNear(day)
  const tMinC = site.tMinC.map((low, month) => low + byC * near[month])
  return {
    ...site,
    tMinC,
    tMaxC: site.tMaxC.map((high, month) => Math.max(high, tMinC[month] + LEAST_RANGE_C)),
  }
}

/** The value between two at which a rising measure comes nearest to what is wanted. */
function whereIs(low: number, high: number, wanted: number, measure: (value: number) => number): number {
  for (let round = 0; round < 12; round++) {
    const middle = (low + high) / 2
    if (measure(middle) < wanted) low = middle
    else high = middle
  }
  return (low + high) / 2
}

const coldestDay = ({ tMinC }: SiteClimate) => tMinC.indexOf(Math.min(...tMinC)) * 30.42 + 15

/** Nights moved until a frost comes on the day that is wanted, or in less than half of all years where none is. */
function withFrost(
  site: SiteClimate,
  which: 'last' | 'first',
  day: number | null,
  leash: number,
): SiteClimate {
  const around = day ?? coldestDay(site)
  const nights = nightsOf(site)
  const warmed = warmedBy(nights, monthsNear(around))
  /** Days that the time without frost reaches from midsummer on; a year where there is none. */
  const freeFor = (byC: number) => {
    const frost = frostsOf(warmed(byC))[which]
    return frost === null ? YEAR_DAYS : Math.abs(frost)
  }
  const wanted = day === null ? YEAR_DAYS : Math.abs(summerFromDay(nights, day))
  if (day === null && freeFor(0) === YEAR_DAYS) return site
  const byC = whereIs(-leash, leash, wanted, freeFor)
  return warmedNights(site, day === null ? byC + SURELY_C : byC, around)
}

/** How far single nights lie from the normals, and then the coldest month, moved until the coldest night is the one that is wanted. */
function withColdest(site: SiteClimate, coldestC: number): SiteClimate {
  const spreadBy = (daySpread: number) => ({ ...site, daySpread })
  const daySpread = whereIs(
    SPREADS[0],
    SPREADS[1],
    -coldestC,
    (times) => -coldestOf(nightsOf(spreadBy(times))),
  )
  const spread = spreadBy(hundredth(daySpread))
  const day = coldestDay(site)
  const nights = nightsOf(spread)
  const warmed = warmedBy(nights, monthsNear(day))
  const off = coldestC - coldestOf(nights)
  return Math.abs(off) < 0.3
    ? spread
    : warmedNights(
        spread,
        whereIs(-15, 15, coldestC, (byC) => coldestOf(warmed(byC))),
        day,
      )
}

/** Rounds in which frosts and the coldest night, which move one another, are settled. */
const ROUNDS = 3

/** A climate whose nights are those that are known. */
function settled(site: SiteClimate, { lastFrost, firstFrost, coldestC }: Partial<Nights>, leash: number) {
  let now = site
  for (let round = 0; round < ROUNDS; round++) {
    if (coldestC !== undefined) now = withColdest(now, coldestC)
    if (lastFrost !== undefined) now = withFrost(now, 'last', lastFrost, leash)
    if (firstFrost !== undefined) now = withFrost(now, 'first', firstFrost, leash)
  }
  return now
}

/**
 * A climate whose nights are moved towards the table’s frosts: the less the neighbours agree on whether there is any, the less,
 * so that no line on the map parts warm nights from cold ones.
 */
function frostsByTable(site: SiteClimate, table: Blended): SiteClimate {
  const leash = LEASH_C.table * Math.abs(2 * table.frosty - 1)
  const tMinC = settled(site, table, leash).tMinC.map((low, month) =>
    clamp(low, site.tMinC[month] - leash, site.tMinC[month] + leash),
  )
  return {
    ...site,
    tMinC,
    tMaxC: site.tMaxC.map((high, month) => Math.max(high, tMinC[month] + LEAST_RANGE_C)),
  }
}

/** How warm months are between the coldest, 0, and the hottest, 1. */
function warmthOf({ tMaxC, tMinC }: SiteClimate): number[] {
  const means = tMaxC.map((max, month) => max + tMinC[month])
  const [least, most] = [Math.min(...means), Math.max(...means)]
  return means.map((mean) => (most > least ? (mean - least) / (most - least) : 0.5))
}

/** The same climate with winters, summers and rain as a grower says them; each leaves the others as they are. */
function moved(site: SiteClimate, { winterC, summerC, rain }: Corrections): SiteClimate {
  const warmth = warmthOf(site)
  const shift = (values: readonly number[]) =>
    values.map((value, month) => value + winterC * (1 - warmth[month]) + summerC * warmth[month])
  return {
    ...site,
    tMaxC: shift(site.tMaxC),
    tMinC: shift(site.tMinC),
    rainMm: site.rainMm.map((mm) => mm * rain),
    wetDays: site.wetDays.map((days) => clamp(days * Math.sqrt(rain), 0.1, 28)),
  }
}

/** The hottest month brought to what is known of it; the coldest stays. */
function withHottest(site: SiteClimate, { hottestHighC, hottestLowC }: Known): SiteClimate {
  const warmth = warmthOf(site)
  const hottest = warmth.indexOf(1)
  const to = (values: readonly number[], wanted: number | undefined) =>
    wanted === undefined
      ? [...values]
      : values.map((value, month) => value + (wanted - values[hottest]) * warmth[month])
  const tMinC = to(site.tMinC, hottestLowC)
  return {
    ...site,
    tMinC,
    tMaxC: to(site.tMaxC, hottestHighC).map((high, month) => Math.max(high, tMinC[month] + LEAST_RANGE_C)),
  }
}

const rounded = (site: SiteClimate): SiteClimate => ({
  ...site,
  tMaxC: site.tMaxC.map(tenth),
  tMinC: site.tMinC.map(tenth),
  rainMm: site.rainMm.map((mm) => Math.round(mm)),
  wetDays: site.wetDays.map(tenth),
})

/**
 * The usual year of a place: neighbours in the table blended, months between theirs drawn so that frosts come when they say,
 * then changed by what the grower corrects. What is known is held; winter, summer and rain each move alone.
 */
export function usualYear(
  where: Where,
  corrections: Corrections = NO_CORRECTIONS,
  places?: readonly Place[],
): UsualYear {
  const table = blendedAt(where, places)
  const byTable = frostsByTable(siteOf(table), table)
  const uncorrected = rounded(byTable)
  const own = withHottest(moved(byTable, corrections), corrections.known)
  const site = rounded(settled(own, corrections.known, LEASH_C.known))
  return {
    table,
    site,
    nights: usualNights(site),
    uncorrected: { site: uncorrected, nights: usualNights(uncorrected) },
  }
}
