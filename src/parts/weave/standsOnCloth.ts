import type { Stand } from '../../core/garden/schema'
import { bedSpans } from '../../core/garden/timeline'

/** A stand of a bed as it lies on the cloth: from its start until it gives way, and when the ground is taken over. */
export type StandOnCloth = { stand: Stand; fromDay: number; untilDay: number; nextStart: number }

/** The stands of a bed in order; those with nothing after them reach to the end of the sheet. */
export function standsOnCloth(stands: readonly Stand[], bedId: string, lastDay: number): StandOnCloth[] {
  const spans = bedSpans(stands, bedId)
  return spans.map((span, i) => {
    const next = spans
      .slice(i + 1)
      .find((other) => other.stand.segment.kind === 'whole' && other.stand.underStandId !== span.standId)
    const nextStart = next?.startDay ?? lastDay
    const natural = span.stand.content.kind === 'crop' ? (span.endDay ?? nextStart) : nextStart
    return { stand: span.stand, fromDay: span.startDay, untilDay: Math.min(natural, nextStart), nextStart }
  })
}
