import type { Quantiles } from '../foundations/statistics'
import type { EndDetails } from '../garden/ending'
import { CRITERIA, type ScenarioOutcome } from './types'

/** Below this chance a way is not worth planning, and what its residue does is not worth following. */
export const HOPELESS = 0.03
/** Chance a grower can rely on. */
export const SAFE_CHANCE = 0.8
/** Chances this near to the best count as equal; then the work decides. */
export const EQUAL_CHANCE = 0.05

/** A way that is begun on a day, with what it comes to. */
export type TerminationStart = {
  day: number
  end: EndDetails
  chance: number
  /** The same over the members in which the weather lets the crop be planted that day: what the ending itself is worth. */
  worth: number
  /** The chance if the grower's own rules did not count. */
  chanceFree: number
  failures: ScenarioOutcome['failures']
  dead: Quantiles | null
  survivors: Quantiles
  minutes: number
}

/** Starts of one way, the last of them that gives a chance to rely on. */
export const latestSafe = (starts: readonly Pick<TerminationStart, 'day' | 'chance'>[]): number | null =>
  starts.filter(({ chance }) => chance >= SAFE_CHANCE).at(-1)?.day ?? null

/** Whether a chance counts as equal to the best. */
export const near = (worth: number, top: number) => worth >= top - EQUAL_CHANCE - 1e-9

/** How far a plan gets before it fails, by the order of the work. */
export const reach = ({ failures }: Pick<TerminationStart, 'failures'>) =>
  failures.reduce((sum, { id, share }) => sum + share * CRITERIA.indexOf(id), 0)

/**
 * The best of some starts of one way: within five points of its best chance the latest, so that the cover grows on. Where
 * none has a chance it is the one that gets furthest, so that what really stands against the way is told.
 */
export function bestStart(starts: readonly TerminationStart[]): TerminationStart | null {
  const top = Math.max(-1, ...starts.map(({ worth }) => worth))
  if (top <= HOPELESS && starts.length > 0) return starts.reduce((a, b) => (reach(b) > reach(a) ? b : a))
  return starts.filter(({ worth }) => near(worth, top)).at(-1) ?? null
}
