import type { Crop } from './crops'

/** Share of a crop's time in the bed after which it is full grown (judgement, 0.3–0.6; of autumn-sown grain 0.7–0.85). */
const GROWN_SHARE = { steady: 0.45, overwintering: 0.8 }
/** Grown plants bear a little more frost than young ones, °C. */
const GROWN_BEARS_C = 2

/** Days after planting until a crop is full grown. */
export const grownAfterDays = ({ daysInBed, overwinters }: Crop): number =>
  Math.max(1, (overwinters ? GROWN_SHARE.overwintering : GROWN_SHARE.steady) * daysInBed)

/** How much of its full size a crop has some days after planting, 0–1: straight up, or slowly first where it overwinters. */
export function grownShare(crop: Crop, days: number): number {
  const share = Math.min(1, Math.max(0, days / grownAfterDays(crop)))
  return crop.overwinters ? share * share : share
}

/**
 * Share of the light that a crop takes from what is sown under it, for each day from its planting until the light
 * returns before it is cleared.
 */
export const shadeByDay = (crop: Crop, plantedDay: number, clearedDay: number): Float64Array =>
  Float64Array.from(
    { length: Math.max(0, clearedDay - crop.lightReturns.daysBeforeClearing - plantedDay) },
    (_, day) => crop.shade * grownShare(crop, day),
  )

/** Lowest night that a grown crop lives through, °C. */
export const grownFrostC = ({ frostLimitC }: Crop): number => frostLimitC - GROWN_BEARS_C
