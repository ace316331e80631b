import { commonRectangle, rectangleM2, rectangleOf } from './ground'
import type { Bed, Segment } from './schema'

/** Sizes typed to the centimetre are not held against each other more closely, m. */
export const ROUNDING_M = 0.005

/**
 * Ground of a part of a bed in m², never negative. What stays in the bed takes its area where it has its place, spread evenly
 * over that; where none is told, in proportion to the share of the bed that the part covers. A path has the bed's length and
 * its own width.
 */
export function segmentAreaM2(bed: Bed, segment: Segment): number {
  const ground = rectangleOf(segment, bed)
  if (!ground) return bed.lengthM * bed.pathWidthM
  const own = rectangleM2(ground)
  const share = own / (bed.lengthM * bed.widthM)
  const taken = bed.fixtures.reduce((sum, { areaM2, place }) => {
    if (!place) return sum + areaM2 * share
    const common = commonRectangle(place, ground)
    return sum + (common ? (areaM2 * rectangleM2(common)) / rectangleM2(place) : 0)
  }, 0)
  return Math.max(0, own - taken)
}

/** Length and width in m of a part, for passes and boards. */
export function segmentSizeM(
  bed: Pick<Bed, 'lengthM' | 'widthM' | 'pathWidthM'>,
  segment: Segment,
): { lengthM: number; widthM: number } {
  const ground = rectangleOf(segment, bed)
  if (!ground) return { lengthM: bed.lengthM, widthM: bed.pathWidthM }
  return { lengthM: ground.toM - ground.fromM, widthM: ground.toAcrossM - ground.fromAcrossM }
}
