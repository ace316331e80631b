import { UPTAKE_SHARE_PER_DAY, type Tally } from './plantState'
import type { GroundCrop } from './types'

/** Nitrogen a crop takes from the soil on a day, g m⁻²: what it wants, as far as its roots reach it. */
export function feedCrop(crop: GroundCrop, day: number, mineralG: number, tally: Tally): number {
  if (day >= crop.goneDay) return 0
  const at = day - crop.plantedDay
  const last = crop.wantedG.length - 1
  if (at < 0 || at >= last) return 0
  const wanted = crop.wantedG[at + 1] - crop.wantedG[at]
  const taken = Math.min(wanted, UPTAKE_SHARE_PER_DAY * Math.max(0, mineralG - crop.leavesG))
  tally.cropNitrogen += taken
  return taken
}

/** Share of the ground that a crop covers on a day, 0–1: straight up to its full size. */
export const cropCover = (crop: GroundCrop, day: number): number =>
  day < crop.plantedDay || day >= crop.goneDay
    ? 0
    : crop.cover * Math.min(1, (day - crop.plantedDay) / crop.grownAfterDays)
