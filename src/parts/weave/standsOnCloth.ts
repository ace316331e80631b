import { rectangleOf, takesAllOf, type BedSize } from '../../core/garden/ground'
import type { Bed, Segment, Stand } from '../../core/garden/schema'
import { bedSpans } from '../../core/garden/timeline'

/** A share of the cloth from its left edge to its right, 0–1. */
export type Across = readonly [number, number]
export const WHOLE_CLOTH: Across = [0, 1]

/** A stand of a bed as it lies on the cloth: from its start until it gives way, when the ground is taken over, and how far across it lies. */
export type StandOnCloth = {
  stand: Stand
  fromDay: number
  untilDay: number
  nextStart: number
  across: Across
}

/** The path beside a bed is woven as a selvedge of this share of its cloth. */
const SELVEDGE = 0.12

/**
 * The start of a bed lies at the left of its cloth, its end at the right: parts stand side by side; those that lie beside each
 * other across the bed share the place that their stretch of it has.
 */
function acrossOf(segment: Segment, bed: BedSize): Across {
  const ground = rectangleOf(segment, bed)
  if (!ground) return [1 - SELVEDGE, 1]
  const from = ground.fromM / bed.lengthM
  const share = ground.toM / bed.lengthM - from
  return [from + (share * ground.fromAcrossM) / bed.widthM, from + (share * ground.toAcrossM) / bed.widthM]
}

/** The stands of a bed in order; those with nothing after them on all their ground reach to the end of the sheet. */
export function standsOnCloth(
  stands: readonly Stand[],
  bed: Pick<Bed, 'id' | 'lengthM' | 'widthM'>,
  lastDay: number,
): StandOnCloth[] {
  const spans = bedSpans(stands, bed.id)
  const lying = spans.map((span, i): StandOnCloth => {
    const { segment } = span.stand
    const next = spans
      .slice(i + 1)
      .find(
        ({ stand, startDay }) =>
          startDay > span.startDay &&
          takesAllOf(stand.segment, segment, bed) &&
          stand.underStandId !== span.standId,
      )
    const nextStart = next?.startDay ?? lastDay
    const natural = span.stand.content.kind === 'cover' ? nextStart : (span.endDay ?? nextStart)
    return {
      stand: span.stand,
      fromDay: span.startDay,
      untilDay: Math.min(natural, nextStart),
      nextStart,
      across: acrossOf(segment, bed),
    }
  }) // Parts that began together stand in the order they have along the bed.
  return lying.sort((a, b) => a.fromDay - b.fromDay || a.across[0] - b.across[0])
}
