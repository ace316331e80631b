import { interpolate, quantilesOf, type Quantiles } from '../foundations/statistics'
import { EMERGENCE_SHARE } from '../plants/establishment'
import { seedSize } from '../plants/catalogue'
import { dateQuantiles, stageDays, type DateQuantiles } from './summary'
import type { StandRun } from './types'
import { placeIn } from './series'

/** Before this stage there is no seed. */
export const SEEDS_FROM_BBCH = 71
/** Share of the seed's final mass that is filled, by BBCH. */
const FILLED = [
  [SEEDS_FROM_BBCH, 0],
  [75, 0.35],
  [85, 0.95],
  [89, 1],
] as const
/** Share of the filled seed that can sprout, by BBCH (judgement: milk-ripe seed hardly, hard dough nearly all). */
const VIABLE = [
  [73, 0],
  [75, 0.1],
  [83, 0.5],
  [85, 0.75],
  [89, 0.95],
] as const
/** From this stage on seed falls by itself, and this share of what hangs goes each day (judgement, 0.02–0.1). */
const SHED_FROM_BBCH = 87
const SHED_PER_DAY = 0.05
/** Seed on the ground that birds, mice and beetles take (judgement, 0.3–0.8). */
const EATEN = 0.5

/** What one species of a stand sows by itself. */
export type SelfSowing = {
  component: number
  /** When its seed begins to fall. */
  sheds: DateQuantiles
  /** Viable seeds on the ground by the end of the stand, per m², after what is eaten. */
  viablePerM2: Quantiles
  /** How thick they come up within a year. */
  sproutsPerM2: Quantiles | null
}

/**
 * Seed set and shed by each species until `endDay`, on which what still hangs falls too when `dropped`, and the
 * seedlings that follow: as many as lie shallow and are not dormant.
 */
export function selfSowing(run: StandRun, endDay: number, dropped: boolean): SelfSowing[] {
  const last = Math.min(run.days - 1, endDay - 1 - run.startDay)
  if (last < 0) return []
  return run.sown.flatMap(({ plant }, component) => {
    const { bbch, massG } = run.species[component]
    const p = plant.parameters
    // Seeds that all of a gram would be, were all of them filled.
    const perMassG = p.seedShare / (p.thousandSeedG / 1000)
    const seeds = new Float64Array(run.members)
    for (let member = 0; member < run.members; member++) {
      let hanging = 0
      let fallen = 0
      let set = 0
      for (let day = 0; day <= last; day++) {
        const at = placeIn(run, member, day)
        if (bbch[at] < SEEDS_FROM_BBCH) continue
        // Only where so much stands that more is filled than has been.
        if (massG[at] * perMassG > set) {
          const filled = massG[at] * perMassG * interpolate(FILLED, bbch[at])
          if (filled > set) {
            hanging += filled - set
            set = filled
          }
        }
        if (hanging > 0 && bbch[at] >= SHED_FROM_BBCH) {
          fallen += hanging * SHED_PER_DAY * interpolate(VIABLE, bbch[at])
          hanging *= 1 - SHED_PER_DAY
        }
      }
      if (dropped) fallen += hanging * interpolate(VIABLE, bbch[placeIn(run, member, last)])
      seeds[member] = fallen * (1 - EATEN)
    }
    const viablePerM2 = quantilesOf(seeds)
    if (!viablePerM2 || viablePerM2.p90 < 1) return []
    const surface = EMERGENCE_SHARE.surface[seedSize(plant)]
    const sprouted = seeds.map((count) => count * (1 - p.dormantShare) * surface)
    return [
      {
        component,
        sheds: dateQuantiles(stageDays(run, component, SHED_FROM_BBCH)),
        viablePerM2,
        sproutsPerM2: quantilesOf(sprouted),
      },
    ]
  })
}
