import { physics } from './physics'
import type { GroundCrop } from './types'

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

/** Share of the ground that a crop covers on a day, 0–1: straight up to its full size. */
export const cropCover = (crop: GroundCrop, day: number): number =>
  day < crop.plantedDay || day >= crop.goneDay
    ? 0
    : crop.cover * Math.min(1, (day - crop.plantedDay) / crop.grownAfterDays)
