import { seedFlyDay } from '../termination/seedFlies'
import type { Bed } from '../garden/schema'
import type { Crop } from '../plants/crops'
import { agedIndex, freshIndex, HARMLESS_INDEX } from '../residue/allelopathy'
import type { WeatherEnsemble } from '../site/weather'
import { RELEASE_AT_20C_G, soilRelease } from '../soil/nitrogen'
import type { StandRun } from '../stand/types'
import { CAUGHT, cropNeed } from './feeding'
import { placeIn } from '../stand/series'

/**
 * The first day of the time without a break in which something is open that holds `plantingDay`; where it is shut then,
 * the first open day after. −Infinity where it is open back to `fromDay`, Infinity where it opens no more.
 */
export function openFrom(
  fromDay: number,
  lastDay: number,
  plantingDay: number,
  isOpen: (day: number) => boolean,
): number {
  if (isOpen(plantingDay)) {
    let day = plantingDay
    while (day > fromDay && isOpen(day - 1)) day--
    return day <= fromDay ? -Infinity : day
  }
  for (let day = plantingDay + 1; day <= lastDay; day++) if (isOpen(day)) return day
  return Infinity
}

/** Share of what the soil has left and frees that residue may take from a young crop (judgement, 0.3–0.7). */
export const TIE_UP_SHARE = 0.5
/** The first weeks of a crop, in which its roots reach little: tie-up hurts then, days. */
export const FIRST_WEEKS_DAYS = 28

const warmthKnown = new WeakMap<WeatherEnsemble, Float64Array[]>()

/** Days at 20 °C that bare soil's warmth between two days is worth to its organic matter. */
function warmth(ensemble: WeatherEnsemble, member: number, fromDay: number, toDay: number): number {
  let of = warmthKnown.get(ensemble)
  if (!of) warmthKnown.set(ensemble, (of = []))
  const sums = (of[member] ??= ensemble.members[member].soilTempC.reduce(
    (sums, soilC, i) => {
      sums[i + 1] = sums[i] + soilRelease(soilC, 1)
      return sums
    },
    new Float64Array(ensemble.days + 1),
  ))
  const place = (day: number) => Math.min(ensemble.days, Math.max(0, day - ensemble.startDay))
  return sums[place(toDay)] - sums[place(fromDay)]
}

/** Nitrogen that the soil's organic matter frees in a crop's first four weeks, g m⁻². */
export const freedBySoil = (
  ensemble: WeatherEnsemble,
  member: number,
  day: number,
  fertility: Bed['fertility'],
): number => RELEASE_AT_20C_G[fertility] * warmth(ensemble, member, day, day + FIRST_WEEKS_DAYS)

/**
 * Whether residue starves a crop planted on a day: in its first four weeks it takes more than half of what the soil has
 * left and frees, and what remains, with what is fed, is less than the crop wants. `ended` has the ending in it.
 */
export function tiesUp(
  ended: StandRun,
  ensemble: WeatherEnsemble,
  member: number,
  day: number,
  crop: Pick<Crop, 'nitrogenG' | 'daysToHarvest'>,
  fertility: Bed['fertility'],
  feedG: number,
): boolean {
  const from = Math.max(0, day - ended.startDay)
  const to = Math.min(ended.days - 1, day - ended.startDay + FIRST_WEEKS_DAYS)
  if (to <= from) return false
  const takenG = ended.releasedG[placeIn(ended, member, from)] - ended.releasedG[placeIn(ended, member, to)]
  if (takenG <= 0) return false
  const soilG = ended.mineralG[placeIn(ended, member, from)] + freedBySoil(ensemble, member, day, fertility)
  return takenG > TIE_UP_SHARE * soilG && CAUGHT * soilG + feedG - takenG < cropNeed(crop, FIRST_WEEKS_DAYS)
}

/** Most residue a direct sowing bears without raking, g m⁻² (judgement): small seed, large seed. */
export const SEEDBED_RESIDUE_G = { small: 120, large: 350 } as const

/** Most residue that the rows of a crop bear: under small seed little, under large seed and beside plants with a drip line more. */
export const thinResidueG = ({ smallSeed }: Pick<Crop, 'smallSeed'>, establishment: 'transplant' | 'seed') =>
  SEEDBED_RESIDUE_G[establishment === 'seed' && smallSeed ? 'small' : 'large']

/** Residue on the surface on a day, g m⁻²; that of the nearest day of the run outside it. */
export const residueOn = (run: StandRun, member: number, day: number) =>
  run.residueG[placeIn(run, member, Math.min(run.days - 1, Math.max(0, day - run.startDay)))]

/** The first day after death on which the residue's hold on small seed is harmless; Infinity where never. */
export function residueHoldDay(
  standing: StandRun,
  ensemble: WeatherEnsemble,
  member: number,
  endDay: number,
  deadDay: number,
): number {
  if (!Number.isFinite(deadDay)) return Infinity
  const on = Math.min(standing.days - 1, Math.max(0, endDay - standing.startDay))
  const strengthMass = standing.sown.reduce(
    (sum, { plant }, c) => sum + plant.allelopathy * standing.species[c].massG[placeIn(standing, member, on)],
    0,
  )
  const fresh = freshIndex(strengthMass)
  const { tMinC, tMaxC } = ensemble.members[member]
  let warmth = 0
  for (let i = Math.max(0, Math.round(deadDay) - ensemble.startDay); i < ensemble.days; i++) {
    if (agedIndex(fresh, warmth) <= HARMLESS_INDEX) return ensemble.startDay + i
    warmth += Math.max(0, (tMinC[i] + tMaxC[i]) / 2)
  }
  return Infinity
}

/** Days in a row that soil must be warm before planting. */
const WARM_DAYS = 3

/** Whether the soil at 5 cm has been warm enough for three days. */
export function soilWarm(ensemble: WeatherEnsemble, member: number, day: number, leastC: number): boolean {
  const { soilTempC } = ensemble.members[member]
  for (let i = day - ensemble.startDay - WARM_DAYS + 1; i <= day - ensemble.startDay; i++)
    if (!(soilTempC[Math.max(0, i)] >= leastC)) return false
  return true
}

/** Days after planting in which no night may be as cold as young plants do not bear. */
const TENDER_DAYS = 21

/** Whether no night of the three weeks from a day on is at or below a temperature. */
export function frostPast(ensemble: WeatherEnsemble, member: number, day: number, limitC: number): boolean {
  const { tMinC } = ensemble.members[member]
  const from = Math.max(0, day - ensemble.startDay)
  const to = Math.min(ensemble.days - 1, from + TENDER_DAYS)
  for (let i = from; i <= to; i++) if (tMinC[i] <= limitC) return false
  return true
}

/** The day on which seed flies no longer matter to what was buried; Infinity past the weather. */
export function fliesPast(ensemble: WeatherEnsemble, member: number, buriedDay: number): number {
  const day = seedFlyDay(ensemble, member, buriedDay)
  return Number.isNaN(day) ? Infinity : day
}
