import { learnRule, type Prior } from '../foundations/regression'
import { daysFrom, inYear } from '../foundations/yearDay'
import { kmBetween, PLACES, type Place, type Quarters } from './places'

/** Where a garden lies: degrees, metres, and kilometres to the nearest coast (at most 300). */
export type Where = Pick<Place, 'latitude' | 'longitude' | 'elevationM' | 'seaKm'>

/** A place of the table near a garden, how far off it is, km, and how much it counts, 0–1. */
export type Neighbour = { place: Place; km: number; weight: number }

/** What the table's neighbours say of a garden's place: as a place of the table, and those it was made from, the nearest first. */
export type Blended = Omit<Place, 'name' | 'country'> & {
  neighbours: Neighbour[]
  /** How much of what the neighbours say is that there is frost, 0–1. */
  frosty: number
}

// How neighbours count, found by leaving each place out and asking its neighbours
// for it (`npm run validate -- --places`).

/** Neighbours that are asked. */
const ASKED = 12
/** A neighbour this far off counts half as much as one next door, km: for warmth, and for rain, which changes sooner. */
const HALF_KM = { warmth: 150, rain: 100 }
/** A metre of height between counts as so many km. */
const KM_PER_M = 0.1
/** Another way of lying to the sea counts as so many km; for rain nothing. */
const SEA_AS_KM = { warmth: 50, rain: 0 }
/** Over this distance the sea loses two thirds of its hold, km. */
const SEA_REACH_KM = { warmth: 40, rain: 80 }

/** Warmth: error of a neighbour next door, °C; terms are its own level, degrees poleward and east, km of height, hold of the sea. */
const WARMTH_ERROR_C = 0.3
const warmthPrior = (perKm: number): Prior => ({
  mean: [10, -0.3, 0, perKm, 0],
  sd: [100, 0.4, 0.25, 1.5, 4],
})
/** Days cool with height as free air does or less, nights less still: cold air lies in valleys (judgement). */
const HIGH_PRIOR = warmthPrior(-5.5)
const LOW_PRIOR = warmthPrior(-5)
/** Rain: the same of its logarithm. */
const RAIN_ERROR = 0.2
const RAIN_PRIOR: Prior = { mean: [4, 0, 0, 0, 0], sd: [10, 0.05, 0.12, 0.4, 0.4] }
/** So little is not told apart from none, mm in a quarter. */
const RAIN_LEAST_MM = 5
/** A neighbour whose rain is so many times another counts half: it lies across a range (logarithm). */
const ACROSS_RANGE = 0.5
/** Frosts: error, days; days later in spring with latitude, east, km of height, hold of the sea. */
const FROST_ERROR_DAYS = 4
const frostPrior = (turn: 1 | -1): Prior => ({
  mean: [0, 2.5 * turn, 0, 20 * turn, 0],
  sd: [200, 2, 1, 12, 20],
})

type Kind = 'warmth' | 'rain'
const seaHold = (seaKm: number, kind: Kind) => Math.exp(-seaKm / SEA_REACH_KM[kind])

function neighboursOf(where: Where, places: readonly Place[], kind: Kind): Neighbour[] {
  return places
    .map((place) => {
      const km = kmBetween(place, where)
      const off =
        km ** 2 +
        (KM_PER_M * (place.elevationM - where.elevationM)) ** 2 +
        (SEA_AS_KM[kind] * (seaHold(place.seaKm, kind) - seaHold(where.seaKm, kind))) ** 2
      return { place, km, weight: 1 / (1 + off / HALF_KM[kind] ** 2) }
    })
    .sort((a, b) => b.weight - a.weight)
    .slice(0, ASKED)
}

/** How a neighbour lies from a garden. */
const termsOf = (place: Where, where: Where, kind: Kind) => [
  1,
  Math.abs(place.latitude) - Math.abs(where.latitude),
  (place.longitude - where.longitude) * Math.cos((where.latitude * Math.PI) / 180),
  (place.elevationM - where.elevationM) / 1000,
  seaHold(place.seaKm, kind) - seaHold(where.seaKm, kind),
]

/** What neighbours say of a value at the garden itself. */
function said(
  where: Where,
  neighbours: readonly Neighbour[],
  kind: Kind,
  prior: Prior,
  error: number,
  value: (place: Place) => number,
): number {
  const seen = neighbours.map(({ place, weight }) => ({
    terms: termsOf(place, where, kind),
    value: value(place),
    sd: error / Math.sqrt(weight),
  }))
  return learnRule(prior, seen)[0]
}

/** Rain of a quarter, mm: neighbours across a range count less, which is seen from how unlike the others they are. */
function rainSaid(where: Where, neighbours: readonly Neighbour[], quarter: number): number {
  const amount = (place: Place) => Math.log(place.rainMm[quarter] + RAIN_LEAST_MM)
  let now = neighbours
  let level = said(where, now, 'rain', RAIN_PRIOR, RAIN_ERROR, amount)
  for (let round = 0; round < 2; round++) {
    now = neighbours.map((one) => ({
      ...one,
      weight: one.weight / (1 + ((amount(one.place) - level) / ACROSS_RANGE) ** 2),
    }))
    level = said(where, now, 'rain', RAIN_PRIOR, RAIN_ERROR, amount)
  }
  return Math.max(0, Math.exp(level) - RAIN_LEAST_MM)
}

const weightOf = (some: readonly Neighbour[]) => some.reduce((sum, { weight }) => sum + weight, 0)
const withFrost = (neighbours: readonly Neighbour[]) =>
  neighbours.filter(({ place }) => place.lastFrost !== null)

/** The day of a frost in half the years, from neighbours that have any. */
function frostSaid(where: Where, frosty: readonly Neighbour[], which: 'lastFrost' | 'firstFrost'): number {
  const middle = frosty[0].place[which]!
  const prior = frostPrior(which === 'lastFrost' ? 1 : -1)
  const day = said(where, frosty, 'warmth', prior, FROST_ERROR_DAYS, (place) =>
    daysFrom(middle, place[which]!),
  )
  return inYear(middle + Math.round(day) - 1) + 1
}

const QUARTERS = [0, 1, 2, 3] as const
const quarters = (of: (quarter: number) => number) => QUARTERS.map(of) as unknown as Quarters

/** The usual year of a place from its neighbours in the table, by distance, height and the sea. */
export function blendedAt(where: Where, places: readonly Place[] = PLACES): Blended {
  const warm = neighboursOf(where, places, 'warmth')
  const wet = neighboursOf(where, places, 'rain')
  const cold = withFrost(warm)
  const frosty = weightOf(cold) / weightOf(warm)
  // Neighbours with frost that count for less than those without say nothing of its day.
  const frost = (which: 'lastFrost' | 'firstFrost') => (frosty < 0.5 ? null : frostSaid(where, cold, which))
  return {
    ...where,
    highC: quarters((q) =>
      said(where, warm, 'warmth', HIGH_PRIOR, WARMTH_ERROR_C, (place) => place.highC[q]),
    ),
    lowC: quarters((q) => said(where, warm, 'warmth', LOW_PRIOR, WARMTH_ERROR_C, (place) => place.lowC[q])),
    rainMm: quarters((q) => rainSaid(where, wet, q)),
    lastFrost: frost('lastFrost'),
    firstFrost: frost('firstFrost'),
    neighbours: warm,
    frosty,
  }
}

/** Places around that tell how high a point lies where nobody has said it. */
const AROUND = 4

/** Where a garden is said to lie; null what nobody has said. */
export type Point = Pick<Where, 'latitude' | 'longitude'> & {
  elevationM: number | null
  seaKm: number | null
}

/** A point with what nobody has said of it taken from the places around, the nearer the more. */
export function whereOf(point: Point, places: readonly Place[] = PLACES): Where {
  const near = places
    .map((place) => ({ place, km: kmBetween(place, point) }))
    .sort((a, b) => a.km - b.km)
    .slice(0, AROUND)
  const mean = (value: (place: Place) => number) =>
    near.reduce((sum, { place, km }) => sum + value(place) / (km + 20), 0) /
    near.reduce((sum, { km }) => sum + 1 / (km + 20), 0)
  return {
    ...point,
    elevationM: point.elevationM ?? Math.round(mean(({ elevationM }) => elevationM) / 10) * 10,
    seaKm: point.seaKm ?? Math.round(mean(({ seaKm }) => seaKm)),
  }
}
