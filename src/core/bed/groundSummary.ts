import { quantilesOf, type Quantiles } from '../foundations/statistics'
import { poolMass } from '../residue/pools'
import type { EarlierUse, StandCase } from '../season/cases'
import type { WeatherEnsemble } from '../site/weather'
import { waterCapacity } from '../site/soilWater'
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
  const state = throughBed(before, bed, ensemble, day).at(-1)?.state
  if (!state) return null
  const { mineralG, surface, water } = state
  const { rootMm } = waterCapacity(bed.soil)
  return {
    mineralG: quantilesOf(mineralG)!,
    mulchG: quantilesOf(mineralG.map((_, m) => poolMass(surface, m)))!,
    waterShare: quantilesOf(water.rootZoneMm.map((mm) => mm / rootMm))!,
  }
}
