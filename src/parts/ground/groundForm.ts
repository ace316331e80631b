import { z } from 'zod'
import type { Rectangle } from '../../core/garden/bed'
import { rectangleOf, segmentOn, type BedSize } from '../../core/garden/ground'
import type { Segment } from '../../core/garden/schema'
import type { Units } from '../../text/format'
import { writeQuantity } from '../../text/quantity'
import { quantityOrNone } from '../form/codecs'

/** Which ground is meant, by name or drawn; an edge left empty is that of the bed. */
export const groundChoice = z.enum(['whole', 'first half', 'second half', 'part', 'path'])

const edges = (units: Units) => {
  const edge = (name: string, high: number) => quantityOrNone('length', units, { name, low: 0, high })
  return {
    fromM: edge('From', 500),
    toM: edge('To', 500),
    fromAcrossM: edge('From, across', 50),
    toAcrossM: edge('To, across', 50),
  }
}

/** Fields that say which part of a bed is meant. */
export const groundShape = (units: Units) => ({ ground: groundChoice, ...edges(units) })
export const NO_EDGES = { fromM: '', toM: '', fromAcrossM: '', toAcrossM: '' }
export const WHOLE_GROUND = { ground: 'whole' as const, ...NO_EDGES }

/** A part of a bed as it is filled in. */
export function groundText(segment: Segment, bed: BedSize, units: Units): GroundText {
  if (segment.kind === 'whole' || segment.kind === 'path') return { ...WHOLE_GROUND, ground: segment.kind }
  if (segment.kind === 'half')
    return { ...WHOLE_GROUND, ground: segment.which === 'first' ? 'first half' : 'second half' }
  const { fromM, toM, fromAcrossM, toAcrossM } = rectangleOf(segment, bed)!
  const write = (m: number) => writeQuantity(m, 'length', units)
  return {
    ground: 'part',
    fromM: write(fromM),
    toM: write(toM),
    fromAcrossM: write(fromAcrossM),
    toAcrossM: write(toAcrossM),
  }
}

/** Fields of a rectangle alone. */
export const rectangleForm = (units: Units) => z.object(edges(units))
/** Whether no edge of a rectangle is said. */
export const isUndrawn = (edges: Edges): boolean => Object.values(pick(edges)).every((edge) => edge === null)
const pick = ({ fromM, toM, fromAcrossM, toAcrossM }: Edges): Edges => ({
  fromM,
  toM,
  fromAcrossM,
  toAcrossM,
})

/** The rectangle that is typed, whatever else stands in the form; null where it is none, or nothing was drawn yet. */
export function rectangleTyped(text: EdgeText, bed: BedSize, units: Units): Rectangle | null {
  const read = rectangleForm(units).safeParse(text)
  return read.success && !isUndrawn(read.data) ? rectangleFrom(read.data, bed) : null
}

export type Edges = { [edge in keyof Rectangle]: number | null }
export type EdgeText = Record<keyof Edges, string>
export type GroundText = EdgeText & Pick<GroundValue, 'ground'>
export type GroundValue = Edges & { ground: z.infer<typeof groundChoice> }

/** The rectangle that is meant; null where it ends before it starts, or past the bed. */
export function rectangleFrom(edges: Edges, bed: BedSize): Rectangle | null {
  const rectangle = {
    fromM: edges.fromM ?? 0,
    toM: edges.toM ?? bed.lengthM,
    fromAcrossM: edges.fromAcrossM ?? 0,
    toAcrossM: edges.toAcrossM ?? bed.widthM,
  }
  const { fromM, toM, fromAcrossM, toAcrossM } = rectangle
  const lies = toM <= bed.lengthM + SLACK_M && toAcrossM <= bed.widthM + SLACK_M
  if (!(lies && toM > fromM && toAcrossM > fromAcrossM)) return null
  return { ...rectangle, toM: Math.min(toM, bed.lengthM), toAcrossM: Math.min(toAcrossM, bed.widthM) }
}
/** Lengths typed in feet reach past the bed by their last digit, m. */
const SLACK_M = 0.01

/** The part of a bed that is meant; null where none is drawn, or it does not lie on the bed. */
export function segmentFrom(value: GroundValue, bed: BedSize): Segment | null {
  const { ground } = value
  if (ground === 'whole' || ground === 'path') return { kind: ground }
  if (ground !== 'part') return { kind: 'half', which: ground === 'first half' ? 'first' : 'second' }
  const rectangle = isUndrawn(value) ? null : rectangleFrom(value, bed)
  return rectangle && segmentOn(rectangle, bed)
}

/** The part of a bed that is typed, whatever else stands in the form; null where none is drawn, or it does not lie on the bed. */
export function segmentTyped(text: GroundText, bed: BedSize, units: Units): Segment | null {
  if (text.ground !== 'part') return segmentFrom({ ground: text.ground, ...NO_RECTANGLE }, bed)
  const rectangle = rectangleTyped(text, bed, units)
  return rectangle && segmentOn(rectangle, bed)
}
const NO_RECTANGLE: Edges = { fromM: null, toM: null, fromAcrossM: null, toAcrossM: null }

/** What is wrong with the ground as filled in; null where nothing is. */
export function groundProblem(value: GroundValue, bed: BedSize): string | null {
  if (segmentFrom(value, bed)) return null
  return isUndrawn(value)
    ? 'Draw the part on the bed, or type where it begins and ends.'
    : 'The part must lie on the bed and end after it starts.'
}
