import { spreadOf, type Spread } from '../foundations/statistics'

/** What a count of seedlings says about a stand. */
export type StandCount = {
  /** Plants per m² and its range from counting only some rings (90 %). */
  plantsPerM2: Spread
  /** Share of the expected plants that are there. */
  share: number
}

/** Below this share of the expected plants a stand is thin (judgement, 0.5–0.7). */
export const THIN_SHARE = 0.6

/** Plants per m² from counts in rings of a size; null without a usable count. */
export function countedStand(
  counts: readonly number[],
  ringM2: number,
  expectedPerM2: number,
): StandCount | null {
  if (counts.length === 0 || !(ringM2 > 0) || counts.some((count) => !(count >= 0))) return null
  const mean = counts.reduce((sum, count) => sum + count, 0) / counts.length
  const own = spreadOf(counts.map((count) => count / ringM2))!
  const error = (1.645 * Math.sqrt(Math.max(1, mean * counts.length))) / counts.length / ringM2
  const mid = mean / ringM2
  return {
    plantsPerM2: {
      low: Math.max(0, Math.min(mid - error, counts.length > 2 ? own.low : mid)),
      mid,
      high: Math.max(mid + error, counts.length > 2 ? own.high : mid),
    },
    share: expectedPerM2 > 0 ? mid / expectedPerM2 : 0,
  }
}

/** Grams to sow again on the thin part so that it comes to the expected plants: the rate's missing share over its ground. */
export function resowGrams(
  gramsPerM2: number,
  areaM2: number,
  thinShare: number,
  standShare: number,
): number {
  return gramsPerM2 * areaM2 * Math.min(1, Math.max(0, thinShare)) * Math.min(1, Math.max(0, 1 - standShare))
}
