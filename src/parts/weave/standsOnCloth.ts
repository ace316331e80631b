import { stretchOf, takesAllOf } from '../../core/garden/ground'
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

/** The start of a bed lies at the left of its cloth, its end at the right: parts stand side by side. */
function acrossOf(segment: Segment, lengthM: number): Across {
  const stretch = stretchOf(segment, lengthM)
  return stretch ? [stretch[0] / lengthM, Math.min(1, stretch[1] / lengthM)] : [1 - SELVEDGE, 1]
}

/** The stands of a bed in order; those with nothing after them on all their ground reach to the end of the sheet. */
export function standsOnCloth(
  stands: readonly Stand[],
  bed: Pick<Bed, 'id' | 'lengthM'>,
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
      across: acrossOf(segment, bed.lengthM),
    }
  }) // Parts that began together stand in the order they have along the bed.
  return lying.sort((a, b) => a.fromDay - b.fromDay || a.across[0] - b.across[0])
}
