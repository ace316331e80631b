import type { Quantiles } from '../foundations/statistics'
import type { EndDetails } from '../garden/ending'
import { CRITERIA, type ScenarioOutcome } from './types'

/** Below this chance a way is not worth planning, and what its residue does is not worth following. */
export const HOPELESS = 0.03
/** Chance a grower can rely on. */
export const SAFE_CHANCE = 0.8
/** Chances this near to the best count as equal; then the work decides. */
export const EQUAL_CHANCE = 0.05

/** Chance of seed fit to sprout up to which an ending still counts as one before seed. */
export const SEEDS_BORNE = 0.1

/** A way that is begun on a day, with what it comes to. */
export type TerminationStart = {
  day: number
  end: EndDetails
  chance: number
  /** The same over the members in which the weather lets the crop be planted that day: what the ending itself is worth. */
  worth: number
  /** The chance if the grower's own rules did not count. */
  chanceFree: number
  /** Chance that some of the stand bears seed fit to sprout by then. */
  seeds: number
  failures: ScenarioOutcome['failures']
  dead: Quantiles | null
  survivors: Quantiles
  minutes: number
}

/** Whether a chance counts as equal to the best. */
export const near = (worth: number, top: number) => worth >= top - EQUAL_CHANCE - 1e-9

/** Whether an ending comes before there is seed fit to sprout. */
export const beforeSeed = ({ seeds }: Pick<TerminationStart, 'seeds'>) => seeds <= SEEDS_BORNE

/** Whether endings before seed are good enough to leave the others: one can be relied on, or none is better than they are. */
export const enough = (before: number, top: number) => before >= SAFE_CHANCE || near(before, top)

type Sown = Pick<TerminationStart, 'worth' | 'seeds'>

/** Of endings those before seed, where that is no worse or can be relied on; else all. */
export function preferred<T>(all: readonly T[], startOf: (one: T) => Sown): readonly T[] {
  const before = all.filter((one) => beforeSeed(startOf(one)))
  const top = (some: readonly T[]) => Math.max(-1, ...some.map((one) => startOf(one).worth))
  return before.length > 0 && enough(top(before), top(all)) ? before : all
}

/**
 * The last day of some in their order that gives a chance to rely on, with hardly more seed than the first that does; null
 * where none does. Only those that matter are asked.
 */
export function lastSafe<T extends { day: number; seeds: number }>(
  inOrder: readonly T[],
  isSafe: (one: T) => boolean,
): number | null {
  const first = inOrder.find(isSafe)
  return first ? inOrder.findLast((one) => one.seeds <= first.seeds + SEEDS_BORNE && isSafe(one))!.day : null
}

/** The same of starts of one way. */
export const latestSafe = (starts: readonly Pick<TerminationStart, 'day' | 'chance' | 'seeds'>[]) =>
  lastSafe(starts, ({ chance }) => chance >= SAFE_CHANCE)

/** How far a plan gets before it fails, by the order of the work. */
export const reach = ({ failures }: Pick<TerminationStart, 'failures'>) =>
  failures.reduce((sum, { id, share }) => sum + share * CRITERIA.indexOf(id), 0)

/** Share of the seasons in which a start is refused by a rule of the grower's or by danger to animals. */
export const refused = ({ failures }: Pick<TerminationStart, 'failures'>) =>
  failures.reduce((sum, { id, share }) => sum + (id === 'stock' || id === 'own-rule' ? share : 0), 0)

/** Of some starts those that are refused least. */
function leastRefused(starts: readonly TerminationStart[]): readonly TerminationStart[] {
  const least = Math.min(...starts.map(refused))
  return starts.filter((start) => refused(start) <= least + EQUAL_CHANCE)
}

/**
 * The best of some starts of one way: within five points of its best chance the latest, so that the cover grows on, but
 * before seed where that can be; once it bears seed the soonest. Where none has a chance it is the one that gets furthest
 * of those that no rule refuses, so that what really stands against the way is told.
 */
export function bestStart(starts: readonly TerminationStart[]): TerminationStart | null {
  const all = preferred(starts, (start) => start)
  const top = Math.max(-1, ...all.map(({ worth }) => worth))
  if (top <= HOPELESS && starts.length > 0)
    return leastRefused(starts).reduce((a, b) => (reach(b) > reach(a) ? b : a))
  const best = leastRefused(all.filter(({ worth }) => near(worth, top)))
  const latest = best.at(-1)
  return (latest && !beforeSeed(latest) ? best[0] : latest) ?? null
}
