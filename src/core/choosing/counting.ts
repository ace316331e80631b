import { residueCover } from '../residue/pools'
import type { WeatherEnsemble } from '../site/weather'
import { broughtBy } from '../stand/summary'
import type { StandRun } from '../stand/types'
import type { WeedKind } from './types'
import { placeIn } from '../stand/series'

/** What a purpose is counted from, for one member. */
export type Counting = {
  run: StandRun
  ensemble: WeatherEnsemble
  member: number
  /** Day the stand is ended. */
  endDay: number
  /** Share of what stands then that the ending leaves in the bed, 0–1. */
  left: number
  weeds: WeedKind
  /** Covers of which the seed is named resistant to root-knot nematodes. */
  resistant: readonly string[]
}

export const indexOf = ({ run, member, endDay }: Counting) =>
  placeIn(run, member, Math.min(run.days - 1, Math.max(0, endDay - run.startDay)))

const lifeDays = ({ run, endDay }: Counting) => Math.max(1, Math.min(run.days, endDay - run.startDay))

/** Dry matter a cover has grown by the day of the end: what lives and what has fallen, without what lay there or was brought. */
export const grownMass = (counting: Counting) => {
  const { run, member, endDay } = counting
  const at = indexOf(counting)
  const notOwn = run.residueG[placeIn(run, member, 0)] + broughtBy(run, endDay).massG
  return run.massG[at] + Math.max(0, run.residueG[at] - notOwn)
}

/** What of it lies in the bed once it is ended. */
export const massLeft = (counting: Counting) =>
  grownMass(counting) - (1 - counting.left) * counting.run.massG[indexOf(counting)]

/** Days between those looked at for the most that a cover has grown. */
const LOOKED_AT_EVERY = 7

/** The most dry matter a cover has grown by the day of the end: what rots before then was grown all the same. */
export function mostGrown(counting: Counting): number {
  let most = 0
  for (let day = counting.endDay; day >= counting.run.startDay; day -= LOOKED_AT_EVERY)
    most = Math.max(most, grownMass({ ...counting, endDay: day }))
  return most
}

/** What residue frees stays in reach of the next roots for so long before drainage has most of it, days (judgement, 15–60). */
const IN_REACH_DAYS = 30

/**
 * Nitrogen that a cover has gathered by the day of the end and still keeps in reach, g m⁻²: in live growth, in what has died
 * since sowing, and what that freed of late; and all that it gathered, washed out since or not.
 */
function nitrogenKept(counting: Counting): { kept: number; gathered: number } {
  const { nitrogenG, residueNitrogenG, releasedG, members } = counting.run
  const at = indexOf(counting)
  const start = placeIn(counting.run, counting.member, 0)
  const brought = broughtBy(counting.run, counting.endDay).nitrogenG
  const here = nitrogenG[at] + residueNitrogenG[at] - residueNitrogenG[start] - brought
  const freed = Math.max(0, releasedG[at] - releasedG[Math.max(start, at - IN_REACH_DAYS * members)])
  return { kept: Math.max(0, here + freed), gathered: here + Math.max(0, releasedG[at]) }
}

/**
 * Soil nitrogen kept from being washed out on the day of the end, g m⁻². A catch crop that winter killed holds on to what
 * lies on the ground.
 */
export const nitrateHeld = (counting: Counting): number =>
  Math.max(0, nitrogenKept(counting).kept - counting.run.fixedG[indexOf(counting)])

/**
 * Nitrogen fixed that is still there for the next crop, g m⁻²: what frost killed by Christmas has lost most of it by June, and
 * what is carried off is gone.
 */
export function fixedAndKept(counting: Counting): number {
  const at = indexOf(counting)
  const { fixedG, nitrogenG } = counting.run
  const { kept, gathered } = nitrogenKept(counting)
  const here = Math.max(0, kept - (1 - counting.left) * nitrogenG[at])
  return gathered > 0 ? fixedG[at] * Math.min(1, here / gathered) : 0
}

/** Soil temperatures at which the weeds of a season come up, °C (judgement). */
export const WEED_SEASON: Record<WeedKind, [from: number, to: number]> = {
  any: [-50, 60],
  'cool season': [3, 14],
  'warm season': [13, 60],
  creeping: [6, 60],
}
/** Cover that shades creeping weeds enough to weaken them. */
const DEEP_SHADE = 0.85

export function weedCover(counting: Counting): number {
  const { run, ensemble, member, weeds } = counting
  const [from, to] = WEED_SEASON[weeds]
  const { soilTempC } = ensemble.members[member]
  const offset = run.startDay - ensemble.startDay
  let sum = 0
  let days = 0
  for (let day = 0; day < lifeDays(counting); day++) {
    const soil = soilTempC[offset + day]
    if (soil < from || soil > to) continue
    const cover = run.cover[placeIn(run, member, day)]
    sum += weeds === 'creeping' ? (cover >= DEEP_SHADE ? 1 : 0) : cover
    days++
  }
  return days > 0 ? (100 * sum) / days : 0
}

export function daysToCover({ run, member }: Counting, share: number): number {
  for (let day = 0; day < run.days; day++) if (run.cover[placeIn(run, member, day)] >= share) return day
  return run.days
}

export function flowerDays(counting: Counting): number {
  const { run, member } = counting
  let best = 0
  run.species.forEach((species, component) => {
    const value = run.sown[component].plant.flowerValue / 3
    let count = 0
    for (let day = 0; day < lifeDays(counting); day++) {
      const at = placeIn(run, member, day)
      if (species.bbch[at] >= 61 && species.bbch[at] < 75 && species.alive[at] > 0.2) count++
    }
    best = Math.max(best, count * value)
  })
  return best
}

/** Largest mass each species reached, g m⁻², times a weight of its own. */
export function weightedPeak(
  counting: Counting,
  weight: (component: number) => number,
  beforeBbch = 100,
): number {
  const { run, member } = counting
  return run.species.reduce((sum, species, component) => {
    const factor = weight(component)
    if (factor === 0) return sum
    let peak = 0
    for (let day = 0; day < lifeDays(counting); day++) {
      const at = placeIn(run, member, day)
      if (species.bbch[at] < beforeBbch) peak = Math.max(peak, species.massG[at])
    }
    return sum + factor * peak
  }, 0)
}

/** Mass above which roots work no harder, g m⁻². */
const ROOTS_FULL_G = 250

export function rootWork(counting: Counting): number {
  const { run } = counting
  return run.species.reduce((sum, _, component) => {
    const power = run.sown[component].plant.rootPower / 3
    return (
      sum +
      power *
        Math.min(
          ROOTS_FULL_G,
          weightedPeak(counting, (other) => (other === component ? 1 : 0)),
        )
    )
  }, 0)
}

export function rootMass(counting: Counting): number {
  return weightedPeak(counting, (component) => {
    const share = counting.run.sown[component].plant.parameters.rootShare
    return share / (1 - share)
  })
}

/** Rain from which soil moves on a bare slope, mm d⁻¹. */
const EROSIVE_MM = 8

export function shelteredRain(counting: Counting): number {
  const { run, ensemble, member } = counting
  const { rainMm } = ensemble.members[member]
  const offset = run.startDay - ensemble.startDay
  let held = 0
  let all = 0
  for (let day = 0; day < lifeDays(counting); day++) {
    const mm = rainMm[offset + day]
    if (mm < EROSIVE_MM) continue
    const at = placeIn(run, member, day)
    const cover = 1 - (1 - run.cover[at]) * (1 - residueCover(run.residueG[at]))
    held += mm * cover
    all += mm
  }
  return all > 0 ? (100 * held) / all : 100
}

/** Carbon to nitrogen from which mulch lasts, and the worth of softer mulch. */
const LASTING_CN = 20
const SOFT_WORTH = 0.5

export function liftedMulch(counting: Counting): number {
  const at = indexOf(counting)
  const { massG, nitrogenG } = counting.run
  const ratio = nitrogenG[at] > 0 ? (0.42 * massG[at]) / nitrogenG[at] : 0
  return massG[at] * (ratio >= LASTING_CN ? 1 : SOFT_WORTH)
}

export const NEMATODE_WORTH = {
  'sets back': 1,
  'poor host': 0.25,
  'depends on cultivar': 0,
  host: 0,
} as const
/** Fresh weight over dry of young shoots, and the share of them that is picked. */
export const FRESH_PER_DRY = 8
export const PICKED = 0.25
/** Share of soft growth that birds take. */
export const BIRDS_EAT = 0.6
