import { dayOfYear } from '../foundations/day'
import { inYear, YEAR_DAYS } from '../foundations/yearDay'
import type { Bed } from '../garden/schema'
import type { SiteClimate } from '../garden/site'
import type { EndingClass, Species } from '../plants/parameters'
import {
  DEEP_IN_DRY,
  sowingSeasonOf,
  type CoolSeason,
  type SeasonKind,
  type SowingSeason,
  type WarmSeason,
} from '../plants/seasons'
import { usualNights } from '../site/frostOdds'
import { dailyFromMonthly } from '../site/normals'
import { AVAILABLE_MM_PER_M } from '../site/soilWater'
import { extraterrestrialRadiation, hargreavesEt0 } from '../site/sun'

/** How a sowing day suits a cover by what growers do; `no` is left out and can still be planned. */
export type SeasonWord = 'usual' | 'possible' | 'unusual' | 'no'
/** Why a day is not the usual one. */
export type SeasonWhy =
  | 'early'
  | 'late'
  | 'rising'
  | 'hot'
  | 'cold soil'
  | 'frost near'
  | 'dry season'
  | 'winter too cold'
  | 'summer too cool'
  | 'no winter here'
  | 'not a clover'
export type SeasonJudgement = { word: SeasonWord; why: SeasonWhy | null }

/** What of a usual year tells when covers are sown, by day of the year (index 0 = 1 January). */
export type SeasonYear = {
  meanC: Float64Array
  /** Whether it grows warmer. */
  rising: Uint8Array
  soilC: Float64Array
  /** Whether a day lies in the dry season. */
  dry: Uint8Array
  /** Water in reach of deep roots: what the soil holds in a usual year, mm. */
  reachMm: Float64Array
  /** Rain of the three weeks from a day on, mm. */
  sproutMm: Float64Array
  firstFrost: number | null
  lastFrost: number | null
  coldestC: number
  /** The lowest and highest of the smoothed means. */
  leastC: number
  mostC: number
}

/** Over this the mean is smoothed, and its slope is read, days. */
const SLOPE_DAYS = 12
/** Bare soil at 5 cm follows the air by this, days, and is so much warmer in the sun, °C (judgement). */
const SOIL_LAG_DAYS = 6
const SOIL_WARMER_C = 1.5
const DAYS_A_MONTH = 30.44
/** A month is dry that has less rain, mm, than so many times its mean, °C (Gaussen's rule). */
const DRY_PER_C = 2

type Soil = Bed['soil']

const known = new WeakMap<SiteClimate, Map<Soil, SeasonYear>>()
/** The seasons of a usual year on some soil, which nobody waters. */
export function seasonYear(site: SiteClimate, soil: Soil = 'loam'): SeasonYear {
  const years = known.get(site) ?? new Map<Soil, SeasonYear>()
  known.set(site, years)
  const [other] = years.values()
  // Of another soil only the water in it differs.
  const year = years.get(soil) ?? { ...(other ?? yearOf(site)), reachMm: waterInReach(site, soil) }
  years.set(soil, year)
  return year
}

/** Deep roots reach so far, m (judgement, 1–1.8). */
const DEEP_M = 1.3
/** Ground on which something grows now and then gives off so much of what a meadow would (judgement; FAO-56: 0.3–0.4 bare, 0.7 weedy). */
const FALLOW_ET_SHARE = 0.5

/** Water in reach of deep roots by day of the year: what the soil holds through a usual year, mm. */
function waterInReach(site: SiteClimate, soil: Soil): Float64Array {
  const highs = dailyFromMonthly(site.tMaxC)
  const lows = dailyFromMonthly(site.tMinC)
  const rainMm = rainByDay(site)
  const fullMm = AVAILABLE_MM_PER_M[soil] * DEEP_M
  const held = new Float64Array(YEAR_DAYS)
  let now = fullMm
  // The second year begins with what the first one left.
  for (let i = 0; i < 2 * YEAR_DAYS; i++) {
    const day = inYear(i)
    const et0 = hargreavesEt0(extraterrestrialRadiation(site.latitude, day + 1), lows[day], highs[day])
    now = Math.min(fullMm, Math.max(0, now + rainMm[day] - FALLOW_ET_SHARE * et0))
    held[day] = now
  }
  return held
}

const rainByDay = ({ rainMm }: SiteClimate) =>
  dailyFromMonthly(rainMm).map((mm) => Math.max(0, mm) / DAYS_A_MONTH)

function rainOver(rainMm: Float64Array, from: number, days: number): number {
  let sum = 0
  for (let k = 0; k < days; k++) sum += rainMm[inYear(from + k)]
  return sum
}

function yearOf(site: SiteClimate): Omit<SeasonYear, 'reachMm'> {
  const highs = dailyFromMonthly(site.tMaxC)
  const lows = dailyFromMonthly(site.tMinC)
  const rainMm = rainByDay(site)
  const means = Float64Array.from({ length: YEAR_DAYS }, (_, day) => (highs[day] + lows[day]) / 2)
  const smooth = Float64Array.from({ length: YEAR_DAYS }, (_, day) => {
    let sum = 0
    for (let k = -SLOPE_DAYS; k <= SLOPE_DAYS; k++) sum += means[inYear(day + k)]
    return sum / (2 * SLOPE_DAYS + 1)
  })
  const { firstFrost, lastFrost, coldestC } = usualNights(site)
  return {
    meanC: smooth,
    rising: Uint8Array.from(smooth, (_, day) =>
      Number(smooth[inYear(day + SLOPE_DAYS)] > smooth[inYear(day - SLOPE_DAYS)]),
    ),
    soilC: smooth.map((_, day) => smooth[inYear(day - SOIL_LAG_DAYS)] + SOIL_WARMER_C),
    dry: Uint8Array.from(smooth, (mean, day) => Number(DAYS_A_MONTH * rainMm[day] < DRY_PER_C * mean)),
    sproutMm: rainMm.map((_, day) => rainOver(rainMm, day, SPROUT_DAYS)),
    firstFrost,
    lastFrost,
    coldestC,
    leastC: Math.min(...smooth),
    mostC: Math.max(...smooth),
  }
}

/** Of the coming weeks, this share must be dry for a dry season. */
const DRY_SHARE = 0.6
const DRY_LOOK_DAYS = 63
/** Water that deep roots need in reach to be sown into the dry, mm. */
const DEEP_NEED_MM = 100
/** Seed on dry ground needs so much rain in the weeks after it is thrown, days and mm (judgement, 10–25). */
const SPROUT_DAYS = 21
const SPROUT_MM = 15
/** Sown so long before the rains seed may wait for them, days (judgement, 7–21). */
const RAINS_NEAR_DAYS = 14

/** Days from a day of the year to the next frost of half of all years; Infinity where most have none, 0 in the frosty time. */
function daysToFrost({ firstFrost, lastFrost }: SeasonYear, day: number): number {
  if (firstFrost === null) return Infinity
  if (lastFrost !== null && inYear(lastFrost - 1 - day) < inYear(firstFrost - 1 - day)) return 0
  return inYear(firstFrost - 1 - day)
}
/** The same to the first frost of autumn, which may lie behind: negative within half the frosty time after it. */
function daysBeforeAutumnFrost(year: SeasonYear, day: number): number {
  if (year.firstFrost === null) return Infinity
  const ahead = inYear(year.firstFrost - 1 - day)
  return ahead > YEAR_DAYS / 2 + 90 ? ahead - YEAR_DAYS : ahead
}

const USUAL: SeasonJudgement = { word: 'usual', why: null }
const judged = (word: SeasonWord, why: SeasonWhy): SeasonJudgement => ({ word, why })
const ORDER: readonly SeasonWord[] = ['usual', 'possible', 'unusual', 'no']
/** How far a day is from the usual one: 0 for that, 3 for one that is left out. */
export const seasonRank = ({ word }: SeasonJudgement): number => ORDER.indexOf(word)
const worse = (a: SeasonJudgement, b: SeasonJudgement) => (seasonRank(b) > seasonRank(a) ? b : a)

/** Where means differ by less over the year, the rains make the seasons, °C. */
const EVEN_C = 7
/** Cool covers are usual in such places where it stays below this, °C. */
const EVEN_COOL_C = 20
/** Below this the ground is frozen; only clovers are thrown on it, when spring is near, °C. */
const FROZEN_C = -1
/** Later than this below its usual span nothing comes of it before winter, °C. */
const MUCH_TOO_LATE_C = 4
/** The warmest weeks must be so much warmer than the soil that a warm cover comes up in, °C. */
const SUMMER_ABOVE_SOIL_C = 1.5

/** Kinds that are sown all through a mild winter; others only while autumn is still warm. */
const THROUGH_WINTER: readonly SeasonKind[] = ['winter cereal', 'spring cereal', 'spring legume']

/** A grass or legume of warm soil: by soil and by the weeks without frost ahead. */
function warmSeason({ soilC, freeWeeks, summerC }: WarmSeason, year: SeasonYear, day: number) {
  const [usual, possible, none] = freeWeeks
  if (year.soilC[day] < soilC) return judged('no', 'cold soil')
  if (year.mostC < Math.max(summerC, soilC + SUMMER_ABOVE_SOIL_C)) return judged('unusual', 'summer too cool')
  const weeks = daysToFrost(year, day) / 7
  if (weeks < none) return judged('no', 'frost near')
  if (weeks < possible) return judged('unusual', 'frost near')
  return weeks < usual ? judged('possible', 'frost near') : USUAL
}

/** How a day suits a cover, by the garden's own usual year. */
export function seasonOf(plant: Pick<Species, 'id'>, day: number, year: SeasonYear): SeasonJudgement {
  const season = sowingSeasonOf(plant)
  const date = inYear(dayOfYear(day) - 1)
  return worse(byWarmth(season, date, year), byWater(plant, season, date, year))
}

/**
 * Unwatered, seed waits for the rains: where no frost makes the seasons until they are near. Into the dry nothing is usual but,
 * in dry summers, what roots deep and still comes up; what must grow in the heat without water in reach is not sown.
 */
function byWater({ id }: Pick<Species, 'id'>, season: SowingSeason, date: number, year: SeasonYear) {
  const rainRules = year.firstFrost === null
  const rains = rainRules ? !year.dry[inYear(date + RAINS_NEAR_DAYS)] : year.sproutMm[date] >= SPROUT_MM
  const comesUp = !year.dry[date] || rains
  if (!inDrySeason(year, date)) return comesUp ? USUAL : judged('possible', 'dry season')
  if (season.by === 'warmth') return judged('possible', 'dry season')
  if (year.reachMm[date] < DEEP_NEED_MM) return judged('no', 'dry season')
  if (!DEEP_IN_DRY.includes(id)) return judged('unusual', 'dry season')
  return comesUp && !rainRules ? USUAL : judged('possible', 'dry season')
}

function byWarmth(season: SowingSeason, date: number, year: SeasonYear): SeasonJudgement {
  const mean = year.meanC[date]
  if (mean > season.hotC) return judged('unusual', 'hot')
  return season.by === 'soil' ? warmSeason(season, year, date) : coolSeason(season, date, year)
}

/** What grows in cool weather: by the mean while it rises or falls, and by the weeks to the first frost. */
function coolSeason(season: CoolSeason, date: number, year: SeasonYear): SeasonJudgement {
  const mean = year.meanC[date]
  if (season.winterKillC !== null && year.coldestC < season.winterKillC && !year.rising[date])
    return judged('unusual', 'winter too cold')
  if (year.mostC - year.leastC < EVEN_C) return inEvenYear(season, mean)
  if (mean < FROZEN_C && !(season.kind === 'perennial legume' && year.rising[date]))
    return judged('unusual', year.rising[date] ? 'early' : 'late')
  if (year.rising[date]) {
    if (season.rising && mean >= season.rising[0] && mean <= season.rising[1]) return USUAL
    if (mean > season.risingTooWarmC) return judged('unusual', 'rising')
    if (season.rising) return judged('possible', mean < season.rising[0] ? 'early' : 'late')
    // Sown in spring what belongs in autumn is a short leafy cover.
    return judged('possible', 'rising')
  }
  const [warmest, coldest] = season.falling
  const weeks = daysBeforeAutumnFrost(year, date) / 7
  const mild = season.mildWinterC !== null && year.coldestC > season.mildWinterC
  const throughWinter = mild && THROUGH_WINTER.includes(season.kind)
  if (mean > warmest) return judged('possible', 'early')
  if (mean < coldest - MUCH_TOO_LATE_C && !throughWinter) return judged('unusual', 'late')
  if (mean < coldest && !throughWinter) return tooLate(season)
  if (season.weeksBefore === null || mild || weeks === Infinity) return USUAL
  if (weeks > season.weeksBefore[0]) return judged('possible', 'early')
  if (weeks < season.weeksBefore[1]) return tooLate(season)
  return USUAL
}

/** Clovers that are to stay for years die small where they are sown too late; others are thin. */
const tooLate = ({ kind }: CoolSeason) => judged(kind === 'perennial legume' ? 'unusual' : 'possible', 'late')

/** Where no season is cold the rains rule, and what wants a winter first has none. */
function inEvenYear({ kind }: CoolSeason, mean: number): SeasonJudgement {
  if (kind === 'winter cereal') return judged('unusual', 'no winter here')
  return mean <= EVEN_COOL_C ? USUAL : judged('possible', 'hot')
}

/** Whether most of the coming nine weeks are of the dry season. */
function inDrySeason(year: SeasonYear, date: number): boolean {
  let dry = 0
  for (let k = 0; k < DRY_LOOK_DAYS; k++) dry += year.dry[inYear(date + k)]
  return dry > DRY_SHARE * DRY_LOOK_DAYS
}

/** A mix suits a day as its least suited part does. */
export const seasonOfMix = (
  plants: readonly Pick<Species, 'id'>[],
  day: number,
  year: SeasonYear,
): SeasonJudgement => plants.map((plant) => seasonOf(plant, day, year)).reduce(worse, USUAL)

/** Covers that stay low in the shade of grain and fill out once it is cut. */
const UNDER_GRAIN: readonly EndingClass[] = ['perennial clover', 'annual clover', 'crimson clover']

/** Under grain clovers are what is sown; others are possible at best. */
export const amongGrain = (
  plants: readonly Pick<Species, 'endingClass'>[],
  season: SeasonJudgement,
): SeasonJudgement =>
  plants.every(({ endingClass }) => UNDER_GRAIN.includes(endingClass))
    ? season
    : worse(season, judged('possible', 'not a clover'))

/** What is left of a score on a day that is possible and not usual (judgement, 0.8–0.95). */
const POSSIBLE_WORTH = 0.88
/** The score with the season in it, by which days of one cover and covers of one day are held against each other. */
export const inSeason = (score: number, season: SeasonJudgement | null): number =>
  season?.word === 'possible' ? POSSIBLE_WORTH * score : score

/** Covers in their season stand above those that are not; of two alike the better. */
export const bySeason = (
  a: { score: number; season: SeasonJudgement | null },
  b: { score: number; season: SeasonJudgement | null },
): number => Number(isUnusual(a)) - Number(isUnusual(b)) || b.score - a.score
export const isUnusual = ({ season }: { season: SeasonJudgement | null }) =>
  season?.word === 'unusual' || season?.word === 'no'
