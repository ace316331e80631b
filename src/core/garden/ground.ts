import type { Rectangle } from './bed'
import type { Bed, Segment } from './schema'

export type BedSize = Pick<Bed, 'lengthM' | 'widthM'>

/** The rectangle of a bed that a part takes; null for the path beside it. What lies past the end of the bed is none of it. */
export function rectangleOf(segment: Segment, { lengthM, widthM }: BedSize): Rectangle | null {
  const across = { fromAcrossM: 0, toAcrossM: widthM }
  switch (segment.kind) {
    case 'path':
      return null
    case 'whole':
      return { fromM: 0, toM: lengthM, ...across }
    case 'half':
      return segment.which === 'first'
        ? { fromM: 0, toM: lengthM / 2, ...across }
        : { fromM: lengthM / 2, toM: lengthM, ...across }
    case 'strip':
      return { fromM: Math.min(segment.fromM, lengthM), toM: Math.min(segment.toM, lengthM), ...across }
    case 'rectangle':
      return {
        fromM: Math.min(segment.fromM, lengthM),
        toM: Math.min(segment.toM, lengthM),
        fromAcrossM: Math.min(segment.fromAcrossM, widthM),
        toAcrossM: Math.min(segment.toAcrossM, widthM),
      }
  }
}

/** A rectangle of a bed as the part it is: all of it, one of its halves, a strip, or a rectangle. */
export function segmentOn({ fromM, toM, fromAcrossM, toAcrossM }: Rectangle, bed: BedSize): Segment {
  const { lengthM, widthM } = bed
  if (fromAcrossM > 0 || toAcrossM < widthM) return { kind: 'rectangle', fromM, toM, fromAcrossM, toAcrossM }
  if (fromM === 0 && toM === lengthM) return { kind: 'whole' }
  if (fromM === 0 && toM === lengthM / 2) return { kind: 'half', which: 'first' }
  if (fromM === lengthM / 2 && toM === lengthM) return { kind: 'half', which: 'second' }
  return { kind: 'strip', fromM, toM }
}

export const rectangleM2 = ({ fromM, toM, fromAcrossM, toAcrossM }: Rectangle): number =>
  (toM - fromM) * (toAcrossM - fromAcrossM)

/** What two rectangles of a bed have in common; null where that is nothing. */
export function commonRectangle(a: Rectangle, b: Rectangle): Rectangle | null {
  const common = {
    fromM: Math.max(a.fromM, b.fromM),
    toM: Math.min(a.toM, b.toM),
    fromAcrossM: Math.max(a.fromAcrossM, b.fromAcrossM),
    toAcrossM: Math.min(a.toAcrossM, b.toAcrossM),
  }
  return common.toM > common.fromM && common.toAcrossM > common.fromAcrossM ? common : null
}

/**
 * What is left of a rectangle when another takes its own, in at most four rectangles: what lies before and after it in the
 * whole width, and what lies left and right of it. Together with what was taken they are just the first.
 */
export function rectanglesLeft(of: Rectangle, taken: Rectangle): Rectangle[] {
  const gone = commonRectangle(of, taken)
  if (!gone) return [of]
  const beside = { fromM: gone.fromM, toM: gone.toM }
  return [
    { ...of, toM: gone.fromM },
    { ...of, ...beside, toAcrossM: gone.fromAcrossM },
    { ...of, ...beside, fromAcrossM: gone.toAcrossM },
    { ...of, fromM: gone.toM },
  ].filter((one) => rectangleM2(one) > 0)
}

/** Stretch of a bed's length that a part takes, m; null for the path beside it. */
export function stretchOf(segment: Segment, bed: BedSize): [number, number] | null {
  const ground = rectangleOf(segment, bed)
  return ground && [ground.fromM, ground.toM]
}

/** Edges nearer than this are one: lengths are typed and converted to the centimetre, m. */
const ONE_EDGE_M = 0.01

/** Whether two parts of a bed have ground in common, more than a hair along their edges; the path has none with the bed. */
export function sharesGround(a: Segment, b: Segment, bed: BedSize): boolean {
  const one = rectangleOf(a, bed)
  const other = rectangleOf(b, bed)
  if (!one || !other) return one === other
  const common = commonRectangle(one, other)
  return (
    common !== null &&
    common.toM - common.fromM > ONE_EDGE_M &&
    common.toAcrossM - common.fromAcrossM > ONE_EDGE_M
  )
}

/** Whether one part of a bed takes all the ground of another. */
export function takesAllOf(a: Segment, b: Segment, bed: BedSize): boolean {
  const one = rectangleOf(a, bed)
  const other = rectangleOf(b, bed)
  if (!one || !other) return one === other
  return (
    one.fromM <= other.fromM + ONE_EDGE_M &&
    one.toM >= other.toM - ONE_EDGE_M &&
    one.fromAcrossM <= other.fromAcrossM + ONE_EDGE_M &&
    one.toAcrossM >= other.toAcrossM - ONE_EDGE_M
  )
}

/** What two parts of a bed have in common; the first where that is nothing, as in paths. */
export function commonSegment(a: Segment, b: Segment, bed: BedSize): Segment {
  const [one, other] = [rectangleOf(a, bed), rectangleOf(b, bed)]
  const common = one && other && commonRectangle(one, other)
  return common ? segmentOn(common, bed) : a
}

/** What stays in a part of a bed: what has its place there, and all whose place is not told. */
export function fixturesIn(bed: BedSize & Pick<Bed, 'fixtures'>, segment: Segment): Bed['fixtures'] {
  const ground = rectangleOf(segment, bed)
  if (!ground) return []
  return bed.fixtures.filter(({ place }) => place === null || commonRectangle(place, ground) !== null)
}
