import type { Bed, BedPart } from './schema'

/** Stretch of a bed's length that a part takes, m; null for the path beside it. */
export function stretchOf(part: BedPart, lengthM: number): [number, number] | null {
  switch (part.kind) {
    case 'path':
      return null
    case 'whole':
      return [0, lengthM]
    case 'half':
      return part.which === 'first' ? [0, lengthM / 2] : [lengthM / 2, lengthM]
    case 'strip':
      return [part.fromM, part.toM]
  }
}

/** Whether two parts of a bed have ground in common; the path has none with the bed. */
export function sharesGround(a: BedPart, b: BedPart, { lengthM }: Pick<Bed, 'lengthM'>): boolean {
  const one = stretchOf(a, lengthM)
  const other = stretchOf(b, lengthM)
  if (!one || !other) return one === other
  return one[0] < other[1] && other[0] < one[1]
}
