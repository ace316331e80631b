import { physics } from './physics'
import type { CanopyAbove, GroundCrop } from './types'

/** Nitrogen a crop takes from the soil on a day in the members from `begin` up to `end`: what it wants, as far as its roots reach it. */
export function feedCrop(
  crop: GroundCrop,
  day: number,
  mineralG: Float64Array,
  takenG: Float64Array,
  begin: number,
  end: number,
): void {
  const at = day - crop.plantedDay
  if (day >= crop.goneDay || at < 0 || at >= crop.wantedG.length - 1) return
  const wanted = crop.wantedG[at + 1] - crop.wantedG[at]
  for (let m = begin; m < end; m++) {
    const taken = Math.min(wanted, physics.uptakeShare * Math.max(0, mineralG[m] - crop.leavesG))
    takenG[m] += taken
    mineralG[m] -= taken
  }
}

const stands = ({ plantedDay, goneDay }: GroundCrop, day: number) => day >= plantedDay && day < goneDay

/** Share of the ground that a crop covers on a day, 0–1. */
export const cropCover = (crop: GroundCrop, day: number): number =>
  stands(crop, day) ? crop.cover[Math.min(day - crop.plantedDay, crop.cover.length - 1)] : 0

/** Whether a crop is watered on a day. */
export const cropWatered = (crop: GroundCrop, day: number): boolean => crop.watered && stands(crop, day)

/** Share of light that is taken from above on a day, 0–1, where what takes it lives. */
export const shareAbove = ({ fromDay, shares }: CanopyAbove, day: number): number => {
  const at = day - fromDay
  return at >= 0 && at < shares.length ? shares[at] : 0
}
