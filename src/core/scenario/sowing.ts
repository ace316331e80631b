import { countBy } from 'es-toolkit/array'
import { shareOf } from '../foundations/statistics'
import type { Bed, Covering } from '../garden/schema'
import { soilWater, waterCapacity, waterDay } from '../site/soilWater'
import type { MemberWeather, WeatherEnsemble } from '../site/weather'
import { firstDays } from '../stand/summary'
import type { StandRun } from '../stand/types'
import type { GroundTrouble } from './types'

/** A cover counts as established at this share of green ground. */
const ESTABLISHED_COVER = 0.3
/** Of the plants that a moist seedbed gives, the share below which a stand is thin, however wide few plants grow (judgement, 0.1–0.33). */
const THIN_SHARE = 0.2
/** Soil at 5 cm at or below this is frozen too hard to rake, °C; snow from this depth lies in the way, mm of water. */
const FROZEN_C = 0.3
const SNOW_MM = 2
/** Water drained from under the roots in two days from which the ground is too wet to work, mm (judgement, ± a half). */
const WET_MM: Record<Bed['soil'], number> = {
  sand: 45,
  'sandy loam': 30,
  loam: 20,
  'silt loam': 15,
  'clay loam': 12,
  clay: 9,
}
/** Days of weather over which soil water is followed before the day. */
const LEAD_DAYS = 30
/** Ground covered in those days, 0–1. */
const SOME_COVER = Float64Array.of(0.2)

/** Coverings that move no soil: the seed is thrown onto the ground as it is. */
const UNTOUCHED: readonly (Covering | null)[] = [
  'surface',
  'frost-seeded',
  'crop dropped over',
  'vines put back',
]

/**
 * What keeps a seedbed from being worked on a day: snow, frost in it, water; null where nothing does. Seed that is only thrown
 * asks for ground without snow, and frost-seeding for nothing.
 */
function troubleOf(
  ensemble: WeatherEnsemble,
  member: number,
  day: number,
  soil: Bed['soil'],
  covering: Covering | null,
): GroundTrouble | null {
  const i = day - ensemble.startDay
  const weather = ensemble.members[member]
  if (i < 0 || i >= ensemble.days || covering === 'frost-seeded') return null
  if (weather.snowMm[i] > SNOW_MM) return 'snow'
  if (UNTOUCHED.includes(covering)) return null
  if (weather.soilTempC[i] <= FROZEN_C) return 'frozen'
  return tooWet(ensemble, member, i, soil) ? 'wet' : null
}

/** Whether a seedbed can be worked on a day. */
export const workable = (...of: Parameters<typeof troubleOf>): boolean => troubleOf(...of) === null

/** Of what keeps the ground from being worked in so many members, less than this share is not worth a word. */
const NAMED_SHARE = 0.2

/** What keeps the ground from being worked on a day where something does, the most frequent first. */
export function troublesOn(
  ensemble: WeatherEnsemble,
  day: number,
  soil: Bed['soil'],
  covering: Covering | null,
): GroundTrouble[] {
  const counts = countBy(
    ensemble.members.flatMap((_, member) => troubleOf(ensemble, member, day, soil, covering) ?? []),
    (trouble) => trouble,
  )
  const found = Object.entries(counts) as [GroundTrouble, number][]
  const all = found.reduce((sum, [, count]) => sum + count, 0)
  return found
    .filter(([, count]) => count >= NAMED_SHARE * all)
    .sort((a, b) => b[1] - a[1])
    .map(([trouble]) => trouble)
}

const knownWet = new WeakMap<WeatherEnsemble, Map<Bed['soil'], Int8Array>>()

/** Whether so much water drains in a member on the day of its weather that the ground must be left alone; worked out once. */
function tooWet(ensemble: WeatherEnsemble, member: number, i: number, soil: Bed['soil']): boolean {
  let bySoil = knownWet.get(ensemble)
  if (!bySoil) knownWet.set(ensemble, (bySoil = new Map()))
  let known = bySoil.get(soil)
  if (!known) bySoil.set(soil, (known = new Int8Array(ensemble.members.length * ensemble.days)))
  const at = member * ensemble.days + i
  known[at] ||= drainsOn(ensemble.members[member], i, soil) >= WET_MM[soil] ? 1 : -1
  return known[at] === 1
}

/** Water that drains from under the roots on a day and the one before, mm. */
function drainsOn(weather: MemberWeather, i: number, soil: Bed['soil']): number {
  const water = soilWater(soil, 1, 0.75)
  const capacity = waterCapacity(soil)
  const drained = new Float64Array(1)
  let before = 0
  for (let k = Math.max(0, i - LEAD_DAYS); k <= i; k++) {
    before = drained[0]
    waterDay(water, capacity, weather.waterMm, weather.et0Mm, k, 0, SOME_COVER, SOME_COVER, drained, 0, 1)
  }
  return before + drained[0]
}

/** Days that work waits for ground that bears it, before it is too late for it (judgement, 4–10). */
const WAITS_DAYS = 7

/** Whether the ground bears work on a day or within the week after it. */
export const bearsWork = (
  ensemble: WeatherEnsemble,
  member: number,
  day: number,
  soil: Bed['soil'],
): boolean =>
  Array.from({ length: WAITS_DAYS }, (_, k) => day + k).some((on) =>
    workable(ensemble, member, on, soil, 'raked'),
  )

/** Chance that a seedbed can be worked on a day. */
export const workableChance = (
  ensemble: WeatherEnsemble,
  day: number,
  soil: Bed['soil'],
  covering: Covering | null,
): number => shareOf(ensemble.members.length, (member) => workable(ensemble, member, day, soil, covering))

/** Whether most of the seed of every species was lost before it came up: to cold ground, to drought. */
const cameUpThin = ({ sown, species }: StandRun, member: number): boolean =>
  species.every(
    ({ plantsPerM2 }, c) => plantsPerM2[member] < THIN_SHARE * sown[c].seedsPerM2 * sown[c].emergenceShare,
  )

/** The same days as far as they count for a plan: what covers only after the work of its ending has not covered. */
export const coveredBefore = (covered: Float64Array, lastDay: number): Float64Array =>
  covered.map((day) => (day <= lastDay ? day : NaN))

/** First day with 30 % of the ground green under a stand that is not thin, by member; NaN where never. */
export const coveredDays = (run: StandRun): Float64Array =>
  firstDays(run, (at) => run.cover[at] >= ESTABLISHED_COVER).map((day, member) =>
    cameUpThin(run, member) ? NaN : day,
  )
