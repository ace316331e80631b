import { quantilesOf } from '../foundations/statistics'
import { valuesOn } from '../stand/summary'
import type { StandEvent, StandRun } from '../stand/types'
import type { Observation } from './observations'

/** Days up to a look over which what has grown is set right, so that nothing jumps. */
const OVER_DAYS = 7
/** Most that growth is set right by one look, either way. */
const MOST_FACTOR = 12
/** Covers and masses this small tell nothing of how much there is, and cannot be scaled. */
const LEAST_COVER = 0.02
const LEAST_MASS_G = 2
const MOST_COVER = 0.98

/** Leaf by the cover it makes, in the same unit for all. */
const leafOf = (cover: number) => -Math.log(1 - Math.min(MOST_COVER, Math.max(LEAST_COVER, cover)))

/** What is nearest to what was told and within an error of what was seen. */
const towards = (told: number, seen: number, error: number) =>
  told > seen ? Math.min(told, seen + error) : Math.max(told, seen - error)

/**
 * The factor by which growth is off a look that the members, learned as well as they can, still do not agree with; 1 where the
 * middle lies within an error of what was seen.
 */
function factorOff(run: StandRun, { day, cover, coverError, massG, massError }: Observation): number {
  const middle = (series: Float32Array) => quantilesOf(valuesOn(run, series, day))?.p50 ?? NaN
  if (massG !== null) {
    const told = middle(run.massG)
    if (told > LEAST_MASS_G) return towards(told, massG, massError * Math.max(20, massG)) / told
  }
  if (cover === null) return 1
  const told = middle(run.cover)
  return told > LEAST_COVER ? leafOf(towards(told, cover, coverError)) / leafOf(told) : 1
}

/** What sets the growth of a stand right by a look it does not agree with, day by day up to it; empty where it agrees. */
export function correctionsBy(run: StandRun, look: Observation): StandEvent[] {
  const off = factorOff(run, look)
  if (!(Math.abs(Math.log(off)) > 0.01)) return []
  const factor = Math.min(MOST_FACTOR, Math.max(1 / MOST_FACTOR, off)) ** (1 / OVER_DAYS)
  return Array.from({ length: OVER_DAYS }, (_, i) => ({
    day: look.day - i,
    kind: 'corrected',
    factor,
  }))
}
