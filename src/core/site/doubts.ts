import { daysFrom } from '../foundations/yearDay'
import type { SiteClimate } from '../garden/site'
import type { Known, UsualYear } from './usualYear'

/** What cannot be as it was said. */
export type KnownProblem =
  | 'frosts the wrong way round'
  | 'high below low'
  | 'night above summer low'
  | 'frosts without a frosty night'
  | 'frosty night without frosts'
/** What is odd about a place or what was said of it: it is asked about and computed with all the same. */
export type Doubt = 'far from all places' | 'high up' | 'no summer' | 'frosts unlike the table'

/** Nearer the equator than this frosts may fall in any half of the year, degrees. */
const SEASONS_FROM = 10
/** A coldest night this far to the other side of 0 °C contradicts what is said of frosts. */
const CONTRADICTS_C = 1
/** Farther from every place of the table than this its blend is a guess, km. */
const FAR_KM = 800
/** Above this the table has few places, m. */
const HIGH_UP_M = 3000
/** Usual high of the hottest month below which little ever covers the ground, °C (judgement, 10–14). */
const NO_SUMMER_C = 12
/** A frost this far from the table's is asked about, days. */
const UNLIKE_DAYS = 30

const isDay = (day: number | null | undefined): day is number => day !== null && day !== undefined

/** What contradicts itself among the things a grower knows. */
export function problemsOf(known: Known, latitude: number): KnownProblem[] {
  const { lastFrost, firstFrost, coldestC, hottestHighC, hottestLowC } = known
  const problems: KnownProblem[] = []
  if (
    isDay(lastFrost) &&
    isDay(firstFrost) &&
    Math.abs(latitude) >= SEASONS_FROM &&
    lastFrost < firstFrost !== latitude > 0
  )
    problems.push('frosts the wrong way round')
  if (hottestHighC !== undefined && hottestLowC !== undefined && !(hottestHighC > hottestLowC))
    problems.push('high below low')
  if (coldestC !== undefined && hottestLowC !== undefined && !(coldestC < hottestLowC))
    problems.push('night above summer low')
  if (coldestC !== undefined && coldestC > CONTRADICTS_C && (isDay(lastFrost) || isDay(firstFrost)))
    problems.push('frosts without a frosty night')
  if (coldestC !== undefined && coldestC < -CONTRADICTS_C && lastFrost === null && firstFrost === null)
    problems.push('frosty night without frosts')
  return problems
}

/** What is odd about a usual year. */
export function doubtsOf({ table, site, uncorrected }: UsualYear, known: Known): Doubt[] {
  const doubts: Doubt[] = []
  if (!(table.neighbours[0]?.km < FAR_KM)) doubts.push('far from all places')
  if (site.elevationM > HIGH_UP_M) doubts.push('high up')
  if (hottestOf(site) < NO_SUMMER_C) doubts.push('no summer')
  const unlike = (said: number | null | undefined, made: number | null) =>
    said !== undefined &&
    (said === null || made === null ? said !== made : Math.abs(daysFrom(said, made)) > UNLIKE_DAYS)
  if (
    unlike(known.lastFrost, uncorrected.nights.lastFrost) ||
    unlike(known.firstFrost, uncorrected.nights.firstFrost)
  )
    doubts.push('frosts unlike the table')
  return doubts
}

/** Mean high of the hottest month, °C. */
export const hottestOf = ({ tMaxC }: SiteClimate): number => Math.max(...tMaxC)
