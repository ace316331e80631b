import { spreadOf, type Spread } from '../foundations/statistics'
import { findWay, type Way, type WayId } from './ways'

/** What follows the cover and when: the date everything is reckoned back from. */
export type Target = {
  plantingDay: number
  establishment: 'transplant' | 'seed'
  waitDays: number
  /** What the harvest of what follows asks of manure; null or left out where no crop is known. */
  harvest?: HarvestRule | null
}

/** The interval from manure to the harvest of the crop that follows. */
export type HarvestRule = {
  crop: string
  /** Usual days from planting to the first harvest. */
  daysToHarvest: number
  /** Days that must lie between manure on the ground and the harvest. */
  manureDays: number
  /** Last day on which manure comes onto the ground by anything but the way weighed; null: none. */
  lastManureDay: number | null
}

/** What a way comes to when it starts on a day. */
export type StartOutcome = {
  day: number
  /** Day of death at evenly spaced ranks of the members, ascending; members that never get there are missing. */
  dead: number[]
  /** The same when the grower's own rules are left out of account; null where they change nothing. */
  deadFree: number[] | null
  /** Share of plants left alive before hand-finishing. */
  survivors: Spread
  minutes: number
  /** Days on which seed flies no longer matter, ranked as `dead`; null where nothing fresh is buried. */
  flies: number[] | null
}

/** One way judged for a stand, before a planting date is set against it. */
export type JudgedWay = {
  method: WayId
  passes: number
  name: string
  /** Why it cannot be done here, or null. */
  obstacle: string | null
  /** The grower's own rule that leaves it out, or null. */
  leftOut: string | null
  /** Ranks that `dead` was taken at: how many make the whole. */
  ranks: number
  settleDays: number
  disturbance: number
  /** Days from the start to the last day animals are on the ground; null where none are. */
  manureAfterDays: number | null
  needs: readonly string[]
  byStart: StartOutcome[]
}

/** One way weighed against a planting date. */
export type EndingOption = {
  method: WayId
  name: string
  passes: number
  obstacle: string | null
  /** Best start day found and its chance of dead, waited and plantable on the planting day. */
  bestStartDay: number | null
  chance: number
  /** Best chance when the grower's own rules are left out of account. */
  chanceFree: number
  /** Last start day that still gives at least the wanted chance; null when none does. */
  latestSafeDay: number | null
  /** Days from the start to dead, and the date of it. */
  days: Spread | null
  finish: Spread | null
  /** Share of plants left alive before hand-finishing. */
  survivors: Spread | null
  minutes: number
  needs: readonly string[]
  risk: string
  /** Chance by start day, for the strip chart: pairs of day and chance. */
  byStart: { day: number; chance: number }[]
}

/** Chance a grower can rely on. */
export const SAFE_CHANCE = 0.8
/** Below this chance a way is shown as not worth planning. */
export const HOPELESS = 0.03
/** From this chance on a thing is called likely, below one less this unlikely. */
const LIKELY = 0.65
/** As few as this standing again are pulled by hand: what is wanting then is time. */
const FEW_LEFT = 0.15

const chanceBy = (dead: readonly number[], ranks: number, day: number) =>
  dead.filter((value) => value <= day).length / ranks

/**
 * Sets a judged way against a planting date: quick enough to follow a dragged date. `startDay` asks for one start;
 * without it the latest safe one is taken, or the best.
 */
export function weigh(judged: JudgedWay, target: Target, startDay?: number): EndingOption {
  const way = findWay(judged.method)!
  const deadline = target.plantingDay - Math.max(target.waitDays, judged.settleDays)
  const inTime = judged.byStart.filter((start) => start.day <= target.plantingDay)
  // Two conditions that hardly vary together: the rarer one decides.
  const chanceOf = (start: StartOutcome, dead: readonly number[]) =>
    keepsInterval(judged, target, start.day)
      ? Math.min(
          chanceBy(dead, judged.ranks, deadline),
          start.flies ? chanceBy(start.flies, judged.ranks, target.plantingDay) : 1,
        )
      : 0
  const byStart = inTime.map((start) => ({ day: start.day, chance: chanceOf(start, start.dead) }))
  const top = Math.max(0, ...byStart.map((point) => point.chance))
  const best = byStart.filter((point) => point.chance >= top - 1e-9).at(-1) ?? null
  const safe = byStart.filter((point) => point.chance >= SAFE_CHANCE).at(-1) ?? null
  const asked =
    startDay === undefined
      ? null
      : (byStart.reduce<(typeof byStart)[number] | null>(
          (a, b) => (!a || Math.abs(b.day - startDay) < Math.abs(a.day - startDay) ? b : a),
          null,
        ) ?? null)
  const start = asked ?? safe ?? best
  const outcome = start && inTime.find((entry) => entry.day === start.day)
  const worth = start !== null && start.chance > HOPELESS
  const finish = worth && outcome ? spreadOf(outcome.dead) : null
  return {
    method: judged.method,
    name: judged.name,
    passes: judged.passes,
    obstacle: judged.obstacle,
    bestStartDay: start && (worth || asked) ? start.day : null,
    chance: start?.chance ?? 0,
    chanceFree: inTime.some((entry) => entry.deadFree !== null)
      ? Math.max(...inTime.map((entry) => chanceOf(entry, entry.deadFree ?? entry.dead)))
      : (start?.chance ?? 0),
    latestSafeDay: safe?.day ?? null,
    days: finish && {
      low: finish.low - start!.day,
      mid: finish.mid - start!.day,
      high: finish.high - start!.day,
    },
    finish,
    survivors: outcome?.survivors ?? null,
    minutes: outcome?.minutes ?? 0,
    needs: judged.needs,
    risk:
      manureRisk(judged, target, start) ??
      fliesRisk(target, judged, outcome, deadline) ??
      riskOf(way, judged.passes, start?.chance ?? 0, outcome?.survivors ?? null),
    byStart,
  }
}

/** Day on which manure is last on the ground for a way started on a day; null where there is none. */
function lastManureOf({ manureAfterDays }: JudgedWay, { harvest }: Target, startDay: number): number | null {
  const own = manureAfterDays === null ? null : startDay + manureAfterDays
  const other = harvest?.lastManureDay ?? null
  return own === null ? other : Math.max(own, other ?? own)
}

/** Whether the first harvest of what follows keeps its interval from manure. */
function keepsInterval(judged: JudgedWay, target: Target, startDay: number): boolean {
  const { harvest, plantingDay } = target
  const last = harvest ? lastManureOf(judged, target, startDay) : null
  return !harvest || last === null || last + harvest.manureDays <= plantingDay + harvest.daysToHarvest
}

/** Why no start keeps the interval, or null. */
function manureRisk(judged: JudgedWay, target: Target, start: { day: number; chance: number } | null) {
  const { harvest, plantingDay } = target
  if (!harvest || !start || keepsInterval(judged, target, start.day)) return null
  const between = plantingDay + harvest.daysToHarvest - lastManureOf(judged, target, start.day)!
  return `The harvest of ${harvest.crop.toLowerCase()} would come ${between} days after manure; ${harvest.manureDays} are asked for. Plant later, or another crop.`
}

/** What is wanting where seed flies, and not the cover, hold planting back; null where they do not. */
function fliesRisk(
  { plantingDay }: Target,
  { ranks }: JudgedWay,
  outcome: StartOutcome | null | undefined,
  deadline: number,
): string | null {
  if (!outcome?.flies) return null
  const flies = chanceBy(outcome.flies, ranks, plantingDay)
  return flies < SAFE_CHANCE && flies < chanceBy(outcome.dead, ranks, deadline)
    ? 'Seed flies come to what is freshly buried and eat seeds and young stems: three to four weeks before planting.'
    : null
}

function riskOf(way: Way, passes: number, chance: number, survivors: Spread | null): string {
  const standAgain = survivors ? Math.round(survivors.mid * 100) : 100
  const safe = chance >= SAFE_CHANCE
  if (way.waits)
    return chance >= LIKELY
      ? `In a ${way.waits === 'cold' ? 'mild winter' : 'cool summer'} part of it may live on.`
      : chance >= 1 - LIKELY
        ? 'It may as well be alive as dead on the planting day.'
        : 'It will most likely be alive on the planting day.'
  if (way.sheet === 'clear')
    return safe
      ? 'Cloud stops it: cover again with black if the sun fails.'
      : 'Too little strong sun before planting.'
  if (way.sheet)
    return safe
      ? way.sheet === 'cardboard'
        ? 'It goes soft after eight to twelve weeks and may blow off before.'
        : 'A cool or dry spell under the sheet takes longer.'
      : 'Too little warmth under the sheet before planting.'
  if (!safe && !way.animals && survivors && survivors.mid <= FEW_LEFT)
    return way.id === 'strips'
      ? 'Few would stand again, but the last strip is cut too near to planting.'
      : 'Few would stand again, but it is not brown long enough before planting.'
  if (way.animals === 'grazers') return 'Tops are eaten, crowns grow again: another ending must follow.'
  if (way.animals) return `About ${standAgain} % may stand again; wet ground is caked and fouled.`
  if (way.id === 'turn' || way.id === 'biofumigate')
    return `About ${standAgain} % may stand again; every pass brings a flush of weeds, and seed flies for some weeks.`
  if (safe) return `About ${standAgain} % may stand again; pull those.`
  return passes === 2
    ? `Even after two passes about ${standAgain} % stand again.`
    : `About ${standAgain} % would stand again at this stage.`
}
