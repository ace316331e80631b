import { exponential } from '../foundations/exponential'
import type { Bed } from '../garden/schema'

/** Mineral nitrogen where nothing is known of a bed's past, by the soil-fertility answer, g m⁻² (judgement; medium is the stated default 4.5). */
export const STARTING_NITROGEN_G = { low: 3, medium: 4.5, high: 7.5 } as const

/** Nitrogen the soil's organic matter releases per day at 20 °C by the fertility answer, g m⁻² (judgement, default 0.055). */
export const RELEASE_AT_20C_G = { low: 0.035, medium: 0.055, high: 0.09 } as const

/**
 * What the answer to "what stood here before" makes of the starting nitrogen (judgement; ranges in brackets): ground that
 * lay bare has gathered (1.2–2), vegetables that were fed leave a rest (0.5–1.3), a cover has taken most (0.3–0.8), grass
 * just broken is rich (1.1–1.8).
 */
export const LEFT_BY: Readonly<Record<NonNullable<Bed['stoodBefore']>, number>> = {
  bare: 1.5,
  vegetables: 0.9,
  cover: 0.5,
  grass: 1.4,
}

/** Mineral nitrogen of a bed whose records begin, by the two answers, g m⁻². */
export const startingNitrogen = (
  fertility: Bed['fertility'],
  stoodBefore: Bed['stoodBefore'] | undefined,
): number => STARTING_NITROGEN_G[fertility] * (stoodBefore ? LEFT_BY[stoodBefore] : 1)

/** Natural logarithm of a doubling over 10 °C, per °C. */
const PER_DEGREE = Math.LN2 / 10

/** Release at a soil temperature in °C: Q10 of 2, none below freezing. */
export function soilRelease(soilC: number, at20C: number): number {
  return soilC <= 0 ? 0 : at20C * exponential(PER_DEGREE * (soilC - 20))
}

/** Share of the mineral nitrogen that moves with water: nitrate (judgement, 0.7–0.95). */
const NITRATE_SHARE = 0.85

/** Water that the root zone of 0.7 m holds at field capacity, mm (FAO-56 table 19, middle of each range). */
const FIELD_CAPACITY_MM: Record<Bed['soil'], number> = {
  sand: 84,
  'sandy loam': 160,
  loam: 175,
  'silt loam': 205,
  'clay loam': 225,
  clay: 250,
}

/**
 * Washes nitrogen out of the root zone with a day's drainage in the members from `begin` up to `end`: the root zone as one
 * mixed cell, from which the nitrate leaves in the measure of the water that passes (after Burns 1975).
 * @param mineralG mineral nitrogen in the root zone, g m⁻²  @param drainedMm water that leaves it, mm
 * @param leachedG is given what is washed out, g m⁻²
 */
export function leachDay(
  mineralG: Float64Array,
  drainedMm: Float64Array,
  soil: Bed['soil'],
  leachedG: Float64Array,
  begin: number,
  end: number,
): void {
  const fieldCapacityMm = FIELD_CAPACITY_MM[soil]
  for (let m = begin; m < end; m++) {
    const drained = drainedMm[m]
    if (drained <= 0) continue
    const washed = (mineralG[m] * NITRATE_SHARE * drained) / (drained + fieldCapacityMm)
    mineralG[m] -= washed
    leachedG[m] += washed
  }
}
