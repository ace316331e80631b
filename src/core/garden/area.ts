import type { Bed, BedPart } from './schema'

/** Area kept plants and fixtures take from a bed, m². */
function fixturesM2(bed: Bed): number {
  return bed.fixtures.reduce((sum, fixture) => sum + fixture.areaM2, 0)
}

/**
 * Ground of a part of a bed in m², never negative. Kept plants and fixtures are taken from the bed in
 * proportion to the share of it that the part covers; a path has the bed's length and its own width.
 */
export function partAreaM2(bed: Bed, part: BedPart): number {
  const whole = bed.lengthM * bed.widthM
  if (part.kind === 'path') return bed.lengthM * bed.pathWidthM
  const share =
    part.kind === 'whole'
      ? 1
      : part.kind === 'half'
        ? 0.5
        : Math.max(0, Math.min(part.toM, bed.lengthM) - Math.min(part.fromM, bed.lengthM)) / bed.lengthM
  return Math.max(0, (whole - fixturesM2(bed)) * share)
}

/** Length and width in m of a part, for passes and boards. */
export function partSizeM(
  bed: Pick<Bed, 'lengthM' | 'widthM' | 'pathWidthM'>,
  part: BedPart,
): { lengthM: number; widthM: number } {
  if (part.kind === 'path') return { lengthM: bed.lengthM, widthM: bed.pathWidthM }
  if (part.kind === 'half') return { lengthM: bed.lengthM / 2, widthM: bed.widthM }
  if (part.kind === 'strip')
    return { lengthM: Math.min(part.toM, bed.lengthM) - part.fromM, widthM: bed.widthM }
  return { lengthM: bed.lengthM, widthM: bed.widthM }
}
