import { dayNumber } from '../foundations/day'
import type { Bed, Stand } from '../garden/schema'
import { standsOn } from '../garden/timeline'

/** Days after an end in which nobody has to be asked what grows there. */
const KNOWN_DAYS = 60

/**
 * Beds of which nothing tells what grows in them on a day, as they are walked: nothing stands there, nothing was ended
 * lately, and what should have ended by now still stands until it is told to have ended.
 */
export function unknownGround(beds: readonly Bed[], stands: readonly Stand[], today: number): Bed[] {
  const tells = (stand: Stand) => {
    const { start, end } = stand
    if (end.actual && dayNumber(end.actual.date) > today - KNOWN_DAYS) return true
    return (start.actual !== null && end.actual === null) || standsOn(stand, today)
  }
  const known = new Set(stands.filter(tells).map(({ bedId }) => bedId))
  return beds.filter(({ id }) => !known.has(id)).sort((a, b) => a.walkOrder - b.walkOrder)
}
