import { residueCover, weedSuppression } from '../residue/pools'
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
  /** Share of what stands then that the ending leaves in the bed, and on top of it, 0–1. */
  left: number
  onTop: number
  /** The window: from the day the ground is free or what stands above has gone, until it is wanted. */
  window: Window
  weeds: WeedKind
  /** Covers of which the seed is named resistant to root-knot nematodes. */
  resistant: readonly string[]
}

export type Window = { fromDay: number; untilDay: number }

export const indexOf = ({ run, member, endDay }: Counting) =>
  placeIn(run, member, Math.min(run.days - 1, Math.max(0, endDay - run.startDay)))

const lifeDays = ({ run, endDay }: Counting) => Math.max(1, Math.min(run.days, endDay - run.startDay))

/** Green cover and mulch on a day of the window: before the sowing what lay there, after the end what it left on top, g m⁻². */
function onGround(counting: Counting, day: number): { green: number; mulchG: number; heightM: number } {
  const { run, member, endDay, onTop } = counting
  const last = Math.min(run.days - 1, endDay - run.startDay)
  const at = placeIn(run, member, Math.max(0, Math.min(last, day - run.startDay)))
  if (day < run.startDay) return { green: 0, mulchG: run.residueG[at], heightM: 0 }
  if (day >= endDay && endDay < counting.window.untilDay)
    return { green: 0, mulchG: onTop * (run.massG[at] + run.residueG[at]), heightM: 0 }
  return { green: run.cover[at], mulchG: run.residueG[at], heightM: run.heightM[at] }
}

/** Share of the ground hidden by green or mulch, 0–1. */
export function hidden(counting: Counting, day: number): number {
  const { green, mulchG } = onGround(counting, day)
  return 1 - (1 - green) * (1 - residueCover(mulchG))
}

/** Less of the ground hidden than this counts as bare, 0–1. */
const BARE_BELOW = 0.5

/** Days of the window with the ground bare, before the cover closes or is sown and after, and those on which it is held. */
export type Held = { before: number; after: number; held: number }

export function daysHeld(counting: Counting): Held {
  const { fromDay, untilDay } = counting.window
  let before = 0
  let after = 0
  let held = 0
  for (let day = fromDay; day < untilDay; day++)
    if (hidden(counting, day) >= BARE_BELOW) held++
    else if (held === 0) before++
    else after++
  return { before, after, held }
}

/** Days of the window with the ground bare. */
export const daysBare = (counting: Counting): number => {
  const { before, after } = daysHeld(counting)
  return before + after
}

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

/** Nitrogen in what stands on the day of the end and is carried off, g m⁻². */
const carriedOff = (counting: Counting) => (1 - counting.left) * counting.run.nitrogenG[indexOf(counting)]

/**
 * Soil nitrogen kept from being washed out that is still here after the end, g m⁻². A catch crop that winter killed holds on
 * to what lies on the ground; what is carried off is gone.
 */
export function nitrateHeld(counting: Counting): number {
  const { kept } = nitrogenKept(counting)
  const fixed = Math.min(kept, counting.run.fixedG[indexOf(counting)])
  const here = Math.max(0, kept - carriedOff(counting))
  return kept > 0 ? ((kept - fixed) * here) / kept : 0
}

/**
 * Nitrogen fixed that is still there for the next crop, g m⁻²: what frost killed by Christmas has lost most of it by June, and
 * what is carried off is gone.
 */
export function fixedAndKept(counting: Counting): number {
  const at = indexOf(counting)
  const { fixedG } = counting.run
  const { kept, gathered } = nitrogenKept(counting)
  const here = Math.max(0, kept - carriedOff(counting))
  return gathered > 0 ? fixedG[at] * Math.min(1, here / gathered) : 0
}

/** Soil temperatures at which the weeds of a season come up, °C (judgement). */
export const WEED_SEASON: Record<WeedKind, [from: number, to: number]> = {
  any: [3, 60],
  'cool season': [3, 14],
  'warm season': [13, 60],
  creeping: [6, 60],
}
/** Cover that shades creeping weeds enough to weaken them. */
const DEEP_SHADE = 0.85

/** Weeds come through a cover lower than this, m, and half of them through one that lies on the ground (after den Hollander et al. 2007). */
const OVERTOPS_M = 0.25
const shades = (heightM: number) => Math.min(1, 0.5 + (0.5 * heightM) / OVERTOPS_M)

/**
 * Share of the window's weed season on which these weeds are kept down, %: by the shade of what is green and by mulch; creeping
 * ones by deep shade alone.
 */
export function weedCover(counting: Counting): number {
  const { ensemble, member, weeds, window } = counting
  const [from, to] = WEED_SEASON[weeds]
  const { soilTempC } = ensemble.members[member]
  let sum = 0
  let days = 0
  for (let day = window.fromDay; day < window.untilDay; day++) {
    const soil = soilTempC[day - ensemble.startDay]
    if (!(soil >= from && soil <= to)) continue
    const { green, mulchG, heightM } = onGround(counting, day)
    sum +=
      weeds === 'creeping'
        ? Number(green >= DEEP_SHADE)
        : 1 - (1 - green * shades(heightM)) * (1 - weedSuppression(mulchG))
    days++
  }
  return days > 0 ? (100 * sum) / days : 0
}

/** Bees and hoverflies fly from about this warmest hour of a day on, °C (Heinrich 1979 for honey bees, 10–14). */
const INSECTS_FLY_C = 12

/** Days on which something is in flower and insects fly, each by the worth of the best flower open. */
export function flowerDays(counting: Counting): number {
  const { run, ensemble, member } = counting
  const { tMaxC } = ensemble.members[member]
  const offset = run.startDay - ensemble.startDay
  let sum = 0
  for (let day = 0; day < lifeDays(counting); day++) {
    if (tMaxC[offset + day] < INSECTS_FLY_C) continue
    const at = placeIn(run, member, day)
    let best = 0
    run.species.forEach(({ bbch, alive }, component) => {
      if (bbch[at] >= 61 && bbch[at] < 75 && alive[at] > 0.2)
        best = Math.max(best, run.sown[component].plant.flowerValue / 3)
    })
    sum += best
  }
  return sum
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

/** Share of the window's hard rain that falls on green or mulch, %. */
export function shelteredRain(counting: Counting): number {
  const { ensemble, member, window } = counting
  const { rainMm } = ensemble.members[member]
  let held = 0
  let all = 0
  for (let day = window.fromDay; day < window.untilDay; day++) {
    const mm = rainMm[day - ensemble.startDay]
    if (!(mm >= EROSIVE_MM)) continue
    held += mm * hidden(counting, day)
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
