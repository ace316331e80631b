import { failure, success, type Outcome } from '../foundations/outcome'
import { stretchOf } from './ground'
import type { Bed, Segment } from './schema'

/** Shortest part of a bed that is treated by itself, m. */
export const SHORTEST_SEGMENT_M = 0.3

/** A stretch of a bed as the part it is: all of it, one of its halves, or a strip. */
function segmentOf(fromM: number, toM: number, lengthM: number): Segment {
  if (fromM === 0 && toM === lengthM) return { kind: 'whole' }
  if (fromM === 0 && toM === lengthM / 2) return { kind: 'half', which: 'first' }
  if (fromM === lengthM / 2 && toM === lengthM) return { kind: 'half', which: 'second' }
  return { kind: 'strip', fromM, toM }
}

/**
 * The two parts that a cut across a part of a bed leaves: side by side, together just that part.
 * @param atM where along the bed it is cut, m from its start
 */
export function splitSegment(
  { lengthM }: Pick<Bed, 'lengthM'>,
  segment: Segment,
  atM: number,
): Outcome<[Segment, Segment]> {
  const stretch = stretchOf(segment, lengthM)
  if (!stretch)
    return failure({
      path: 'atM',
      code: 'path',
      message: 'A path is treated as one. Part the bed beside it instead.',
    })
  const [fromM, toM] = stretch
  if (!(atM - fromM >= SHORTEST_SEGMENT_M && toM - atM >= SHORTEST_SEGMENT_M))
    return failure({
      path: 'atM',
      code: 'too-near-the-end',
      message: 'Part it nearer to the middle: either part must be a pace or so long to be treated by itself.',
    })
  return success([segmentOf(fromM, atM, lengthM), segmentOf(atM, toM, lengthM)])
}
