import type { Bed, Segment } from './schema'

/** Stretch of a bed's length that a part takes, m; null for the path beside it. */
export function stretchOf(segment: Segment, lengthM: number): [number, number] | null {
  switch (segment.kind) {
    case 'path':
      return null
    case 'whole':
      return [0, lengthM]
    case 'half':
      return segment.which === 'first' ? [0, lengthM / 2] : [lengthM / 2, lengthM]
    case 'strip':
      return [segment.fromM, segment.toM]
  }
}

/** Whether two parts of a bed have ground in common; the path has none with the bed. */
export function sharesGround(a: Segment, b: Segment, { lengthM }: Pick<Bed, 'lengthM'>): boolean {
  const one = stretchOf(a, lengthM)
  const other = stretchOf(b, lengthM)
  if (!one || !other) return one === other
  return one[0] < other[1] && other[0] < one[1]
}

/** Whether one part of a bed takes all the ground of another. */
export function takesAllOf(a: Segment, b: Segment, { lengthM }: Pick<Bed, 'lengthM'>): boolean {
  const one = stretchOf(a, lengthM)
  const other = stretchOf(b, lengthM)
  if (!one || !other) return one === other
  return one[0] <= other[0] && one[1] >= other[1]
}
