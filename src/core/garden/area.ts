import type { Bed, Segment } from './schema'

/** Area kept plants and fixtures take from a bed, m². */
function fixturesM2(bed: Bed): number {
  return bed.fixtures.reduce((sum, fixture) => sum + fixture.areaM2, 0)
}

/**
 * Ground of a part of a bed in m², never negative. Kept plants and fixtures are taken from the bed in
 * proportion to the share of it that the part covers; a path has the bed's length and its own width.
 */
export function segmentAreaM2(bed: Bed, segment: Segment): number {
  const whole = bed.lengthM * bed.widthM
  if (segment.kind === 'path') return bed.lengthM * bed.pathWidthM
  const share =
    segment.kind === 'whole'
      ? 1
      : segment.kind === 'half'
        ? 0.5
        : Math.max(0, Math.min(segment.toM, bed.lengthM) - Math.min(segment.fromM, bed.lengthM)) / bed.lengthM
  return Math.max(0, (whole - fixturesM2(bed)) * share)
}

/** Length and width in m of a part, for passes and boards. */
export function segmentSizeM(
  bed: Pick<Bed, 'lengthM' | 'widthM' | 'pathWidthM'>,
  segment: Segment,
): { lengthM: number; widthM: number } {
  if (segment.kind === 'path') return { lengthM: bed.lengthM, widthM: bed.pathWidthM }
  if (segment.kind === 'half') return { lengthM: bed.lengthM / 2, widthM: bed.widthM }
  if (segment.kind === 'strip')
    return { lengthM: Math.min(segment.toM, bed.lengthM) - segment.fromM, widthM: bed.widthM }
  return { lengthM: bed.lengthM, widthM: bed.widthM }
}
