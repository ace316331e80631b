import { dayNumber } from '../foundations/day'
import { segmentAreaM2 } from '../garden/area'
import { sharesGround } from '../garden/ground'
import type { Bed, Segment, Stand } from '../garden/schema'
import { latest } from '../garden/timeline'

/** Days that what stood on a ground is followed back through; older uses have told all they can. */
export const LOOK_BACK_DAYS = 365

/** A stand that had, or is to have, the ground from a day on. */
export type Use = { stand: Stand; startDay: number }

/**
 * What begins on a part of a bed before a day, the earliest first, as far as it can matter to a sowing on `firstDay` or
 * later; a stand of one's own is left out. Where several begin together on parts of the ground, the one on most of it
 * stands for all.
 */
export function usesBefore(
  stands: readonly Stand[],
  bed: Bed,
  segment: Segment,
  day: number,
  ownId: string | null,
  firstDay = day,
): Use[] {
  const begun = stands
    .flatMap((stand) => {
      const start = stand.bedId === bed.id && stand.id !== ownId ? latest(stand.start) : null
      return start && dayNumber(start.date) < day && sharesGround(stand.segment, segment, bed)
        ? [{ stand, startDay: dayNumber(start.date) }]
        : []
    })
    .sort(
      (a, b) =>
        a.startDay - b.startDay || segmentAreaM2(bed, a.stand.segment) - segmentAreaM2(bed, b.stand.segment),
    )
    .filter((use, i, all) => all[i + 1]?.startDay !== use.startDay)
  // What was followed by something else a year before is over. The first is kept: it tells how far back records reach.
  return begun.filter((_, i) => i === 0 || !(begun[i + 1]?.startDay <= firstDay - LOOK_BACK_DAYS))
}
