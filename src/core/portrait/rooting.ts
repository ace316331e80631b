import type { Species } from '../plants/parameters'

/**
 * How fast roots go down, mm per degree-day above 0 °C from coming up, and how far, m: grasses about 1.2, tap-rooted
 * crucifers 2.3 (after Thorup-Kristensen 2001), branching roots between them by judgement; real ground varies by a third
 * either way, and hard layers stop them all.
 */
const DEEPENING: Record<Species['rooting'], { mmPerCd: number; deepestM: number }> = {
  fibrous: { mmPerCd: 1.2, deepestM: 1.2 },
  branching: { mmPerCd: 1.0, deepestM: 0.9 },
  tap: { mmPerCd: 1.8, deepestM: 1.8 },
}
/** Short plants root less deep: deepest root for each metre of height (judgement, 1.5–4). */
const DEEPEST_PER_HEIGHT = 2.5
/** Depth of a seedling's roots on the day it comes up, m. */
const FIRST_ROOT_M = 0.03

/** Rooting depth, m, after so many degree-days above 0 °C from coming up (0 or more). */
export function rootDepthM({ rooting, parameters }: Species, degreeDays: number): number {
  const { mmPerCd, deepestM } = DEEPENING[rooting]
  const deepest = Math.min(deepestM, DEEPEST_PER_HEIGHT * parameters.heightM)
  return Math.min(deepest, FIRST_ROOT_M + (mmPerCd / 1000) * degreeDays)
}
