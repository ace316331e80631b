import { spreadOf, type Spread } from '../foundations/statistics'
import { findWay, type Way, type WayId } from './ways'

/** What follows the cover and when: the date everything is reckoned back from. */
export type Target = { plantingDay: number; establishment: 'transplant' | 'seed'; waitDays: number }

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
  const byStart = inTime.map((start) => ({
    day: start.day,
    chance: chanceBy(start.dead, judged.ranks, deadline),
  }))
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
      ? Math.max(...inTime.map((entry) => chanceBy(entry.deadFree ?? entry.dead, judged.ranks, deadline)))
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
    risk: riskOf(way, judged.passes, start?.chance ?? 0, outcome?.survivors ?? null),
    byStart,
  }
}

function riskOf(way: Way, passes: number, chance: number, survivors: Spread | null): string {
  const standAgain = survivors ? Math.round(survivors.mid * 100) : 100
  const safe = chance >= SAFE_CHANCE
  if (way.waits === 'cold')
    return safe
      ? 'In a mild winter part of it may live on.'
      : 'It will most likely be alive on the planting day.'
  if (way.waits === 'heat')
    return safe
      ? 'In a cool summer part of it may live on.'
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
    return `About ${standAgain} % may stand again, and every pass brings a flush of weeds.`
  if (safe) return `About ${standAgain} % may stand again; pull those.`
  return passes === 2
    ? `Even after two passes about ${standAgain} % stand again.`
    : `About ${standAgain} % would stand again at this stage.`
}
