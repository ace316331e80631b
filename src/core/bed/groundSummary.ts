import { quantilesOf, type Quantiles } from '../foundations/statistics'
import { poolMass } from '../residue/pools'
import type { EarlierUse, StandCase } from '../season/run'
import type { WeatherEnsemble } from '../site/weather'
import type { Ground } from '../soil/ground'
import { throughBed } from './through'

/** What a ground holds on a day, per m²: mineral nitrogen and mulch, g, and water in reach of roots as a share of its most, 0–1. */
export type GroundSummary = { mineralG: Quantiles; mulchG: Quantiles; waterShare: Quantiles }

/** The ground of a bed at the beginning of a day, from what stood on it; null where its past is not known. */
export function groundSummary(
  before: readonly EarlierUse[],
  bed: StandCase['bed'],
  ensemble: WeatherEnsemble,
  day: number,
): GroundSummary | null {
  // As it is under what still stands: nothing of that lies on it yet.
  const states = throughBed(before, bed, ensemble, day).at(-1)?.states
  if (!states) return null
  const over = (of: (at: Ground) => number) => quantilesOf(Float64Array.from(states, of))!
  return {
    mineralG: over(({ mineral }) => mineral),
    mulchG: over(({ pools }) => poolMass(pools)),
    waterShare: over(({ water }) => water.rootZoneMm / water.rootCapacityMm),
  }
}
