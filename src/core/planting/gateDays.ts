import { deadAsSeen, type Seen } from '../ending/counted'
import type { Bed } from '../garden/schema'
import type { EndDetails } from '../garden/ending'
import { endingOf, lastActAfter, type EndingSetup } from '../ending/outcome'
import { drawsSeedFlies, seedFlyDay } from '../ending/seedFlies'
import { findWay } from '../ending/ways'
import type { Crop } from '../plants/crops'
import type { manureGate } from './manure'
import { agedIndex, freshIndex, HARMLESS_INDEX } from '../residue/allelopathy'
import type { WeatherEnsemble } from '../site/weather'
import type { StandRun } from '../stand/types'

/** What the gates are judged from. */
export type GateInput = {
  /** The stand run without its ending, and with it. */
  standing: StandRun
  ended: StandRun
  ensemble: WeatherEnsemble
  end: EndDetails
  /** How the end is carried out. */
  setup: EndingSetup
  /** What was counted standing again after it; null while nothing tells. */
  seen: Seen | null
  crop: Pick<
    Crop,
    'name' | 'smallSeed' | 'soilMinC' | 'frostLimitC' | 'daysToHarvest' | 'rootKnotHost' | 'nitrogenG'
  >
  fertility: Bed['fertility']
  /** When manure last came onto this ground, and the days that must pass from then to the harvest. */
  manure: ReturnType<typeof manureGate>
  /** True where root-knot nematodes were noted in this bed. */
  nematodes: boolean
  /** Creeping weeds that were named in this bed. */
  creeping: readonly string[]
  establishment: 'transplant' | 'seed'
  waitDays: number
  plantingDay: number
  today: number
}

/** Mineral nitrogen lost to residue in a fortnight that counts as tie-up, g m⁻² (judgement, 0.2–0.6). */
export const TIE_UP_G = 0.3
const FORTNIGHT = 14
/** Tie-up is looked for this long after the end; later it no longer matters to the crop planted. */
const TIE_UP_LOOK_DAYS = 90

export function deadDay(input: GateInput, endDay: number, member: number): number {
  const { end, standing, ensemble, setup, seen } = input
  const forecast = endingOf(end.method, standing, ensemble, member, endDay, setup).deadDay
  return deadAsSeen(forecast, seen, setup.target)
}

/** The day after the last fortnight, within the following months, in which the residue still takes up mineral nitrogen. */
export function tieUpDays({ ended }: GateInput, endDay: number): Float64Array {
  const from = Math.max(0, endDay - ended.startDay)
  const last = Math.min(ended.days - FORTNIGHT, from + TIE_UP_LOOK_DAYS)
  return Float64Array.from({ length: ended.members }, (_, member) => {
    const released = (day: number) => ended.releasedG[member * ended.days + day]
    for (let day = last - 1; day >= from; day--)
      if (released(day) - released(day + FORTNIGHT) > TIE_UP_G) return ended.startDay + day + FORTNIGHT
    return ended.startDay + from
  })
}

/** The first day after death on which the residue's hold on small seed is harmless. */
export function residueHoldDays(
  { standing, ensemble }: GateInput,
  endDay: number,
  dead: Float64Array,
): Float64Array {
  const on = Math.min(standing.days - 1, Math.max(0, endDay - standing.startDay))
  return Float64Array.from({ length: standing.members }, (_, member) => {
    const strengthMass = standing.sown.reduce(
      (sum, { plant }, c) => sum + plant.allelopathy * standing.species[c].massG[member * standing.days + on],
      0,
    )
    const fresh = freshIndex(strengthMass)
    const { tMinC, tMaxC } = ensemble.members[member]
    let warmth = 0
    for (let i = Math.round(dead[member]) - ensemble.startDay; i >= 0 && i < ensemble.days; i++) {
      if (agedIndex(fresh, warmth) <= HARMLESS_INDEX) return ensemble.startDay + i
      warmth += Math.max(0, (tMinC[i] + tMaxC[i]) / 2)
    }
    return NaN
  })
}

export function residueBelow(run: StandRun, fromDay: number, limitG: number): Float64Array {
  return Float64Array.from({ length: run.members }, (_, member) => {
    for (let day = Math.max(0, fromDay - run.startDay); day < run.days; day++)
      if (run.residueG[member * run.days + day] <= limitG) return run.startDay + day
    return NaN
  })
}

export function soilDays({ ensemble, today, crop }: GateInput): Float64Array {
  return Float64Array.from(ensemble.members, (weather) => {
    let warm = 0
    for (let i = Math.max(0, today - 3 - ensemble.startDay); i < ensemble.days; i++) {
      warm = weather.soilTempC[i] >= crop.soilMinC ? warm + 1 : 0
      if (warm >= 3) return ensemble.startDay + i
    }
    return NaN
  })
}

export function frostDays({ ensemble, today, plantingDay, crop }: GateInput): Float64Array {
  return Float64Array.from(ensemble.members, (weather) => {
    let last = today
    const to = Math.min(ensemble.days - 1, plantingDay + 21 - ensemble.startDay)
    for (let i = Math.max(0, today - ensemble.startDay); i <= to; i++)
      if (weather.tMinC[i] <= crop.frostLimitC) last = ensemble.startDay + i + 1
    return last
  })
}

/** Days on which seed flies no longer matter to what was buried; null where nothing fresh was. */
export function seedFlyDays({ end, setup, ensemble }: GateInput, endDay: number): Float64Array | null {
  const way = findWay(end.method)
  if (!way || !drawsSeedFlies(way)) return null
  const buried = endDay + lastActAfter(way, setup)
  return Float64Array.from(ensemble.members, (_, member) => seedFlyDay(ensemble, member, buried))
}
