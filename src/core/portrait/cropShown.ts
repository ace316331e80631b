import { grownShare } from '../plants/shade'
import { findCrop } from '../plants/crops'
import type { Following } from './following'

/** A crop as it stands on a day: its height, its share of full size, and its plants' distance in the row. */
export type CropShown = { cropId: string; heightM: number; grown: number; apartM: number }

/** Size of a transplant, share of full size (judgement, 0.05–0.2). */
const TRANSPLANT_SHARE = 0.12
const LEAST_M = 0.02

/** How a crop that follows stands on a day: null before it is planted, after it is cleared, or where it is not known. */
export function cropShown({ day: plantedDay, crop: planned }: Following, day: number): CropShown | null {
  const crop = planned && findCrop(planned.cropId)
  if (!crop || day < plantedDay || day >= (planned.goneDay ?? plantedDay + crop.daysInBed)) return null
  const begun = planned.establishment === 'transplant' ? TRANSPLANT_SHARE : 0
  const share = grownShare(crop, day - plantedDay)
  // Slow, fast, slow: a smooth step between planting and full size.
  const grown = begun + (1 - begun) * share * share * (3 - 2 * share)
  return {
    cropId: crop.id,
    heightM: Math.max(LEAST_M, grown * crop.heightM),
    grown,
    apartM: crop.plantCm / 100,
  }
}
