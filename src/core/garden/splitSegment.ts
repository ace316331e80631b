import { failure, success, type Outcome } from '../foundations/outcome'
import type { Rectangle } from './bed'
import { commonRectangle, rectanglesLeft, rectangleOf, segmentOn, type BedSize } from './ground'
import type { Segment } from './schema'

/** Shortest and narrowest part of a bed that is treated by itself, m. */
export const SHORTEST_SEGMENT_M = 0.3
export const NARROWEST_SEGMENT_M = 0.2
/** Nearer than this to an edge is that edge, m. */
const AT_THE_EDGE_M = 0.02

/** A piece with its edges on those of the ground it lies in where they all but are. */
function onEdges(piece: Rectangle, of: Rectangle): Rectangle {
  const edge = (at: number, own: number) => (Math.abs(at - own) < AT_THE_EDGE_M ? own : at)
  return {
    fromM: edge(piece.fromM, of.fromM),
    toM: edge(piece.toM, of.toM),
    fromAcrossM: edge(piece.fromAcrossM, of.fromAcrossM),
    toAcrossM: edge(piece.toAcrossM, of.toAcrossM),
  }
}

const isSmall = ({ fromM, toM, fromAcrossM, toAcrossM }: Rectangle) =>
  !(toM - fromM >= SHORTEST_SEGMENT_M && toAcrossM - fromAcrossM >= NARROWEST_SEGMENT_M)

/**
 * A piece taken out of a part of a bed, and what is left of it around that in one to four parts, by where they begin along
 * the bed: side by side, together just that part.
 */
export function splitSegment(bed: BedSize, segment: Segment, wanted: Rectangle): Outcome<Segment[]> {
  const of = rectangleOf(segment, bed)
  if (!of)
    return failure({
      path: 'piece',
      code: 'path',
      message: 'A path is treated as one. Part the bed beside it instead.',
    })
  const piece = onEdges(wanted, of)
  const within = commonRectangle(piece, of)
  const inside =
    within !== null && Object.entries(within).every(([edge, at]) => piece[edge as keyof Rectangle] === at)
  if (!inside)
    return failure({
      path: 'piece',
      code: 'outside',
      message:
        'The piece reaches past what grows there. Draw it inside that, and let it end after it starts.',
    })
  const rest = rectanglesLeft(of, piece)
  if (rest.length === 0)
    return failure({
      path: 'piece',
      code: 'all-of-it',
      message: 'That is all of it. Leave something beside the piece.',
    })
  if ([piece, ...rest].some(isSmall))
    return failure({
      path: 'piece',
      code: 'too-near-the-end',
      message:
        'Part it nearer to the middle: every part must be a pace or so long and two hands wide to be treated by itself.',
    })
  return success(
    [piece, ...rest]
      .sort((a, b) => a.fromM - b.fromM || a.fromAcrossM - b.fromAcrossM)
      .map((ground) => segmentOn(ground, bed)),
  )
}
