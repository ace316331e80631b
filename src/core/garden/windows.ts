import { dayNumber } from '../foundations/day'
import type { Bed, Garden, Stand } from './schema'
import { bedSpans, latest } from './timeline'

/** Bare time of a bed between what stands before and after: free from the first day, needed by the last. */
export type BedWindow = {
  bedId: string
  freeFromDay: number
  /** First day the ground is taken again; the horizon when nothing is planned. */
  neededByDay: number
  nextStandId: string | null
}

/** Shorter gaps than this are turn-round time, not a window. */
const SHORTEST_WINDOW_DAYS = 7
/** Residue of an ended cover still holds the ground this long when nothing follows (judgement, 4–10 weeks). */
const RESIDUE_HOLDS_DAYS = 56

/**
 * Bare windows of a bed between two days. Ground counts as taken from a stand's start to its end; a cover with
 * no end yet holds the ground until the next stand of the bed starts. Only stands of the whole bed close a
 * window: halves, strips and paths leave ground that can still be filled.
 */
export function bareWindows(
  bed: Bed,
  stands: readonly Stand[],
  fromDay: number,
  horizonDay: number,
): BedWindow[] {
  const spans = bedSpans(stands, bed.id).filter((span) => span.stand.segment.kind === 'whole')
  const windows: BedWindow[] = []
  let free = fromDay
  spans.forEach((span, index) => {
    if (span.startDay > free && span.startDay <= horizonDay)
      windows.push({
        bedId: bed.id,
        freeFromDay: free,
        neededByDay: span.startDay,
        nextStandId: span.standId,
      })
    const next = spans[index + 1]
    const end = span.endDay ?? next?.startDay ?? horizonDay
    const residue = span.stand.content.kind === 'cover' && span.endDay !== null ? RESIDUE_HOLDS_DAYS : 0
    free = Math.max(free, Math.min(end + residue, next?.startDay ?? end + residue))
  })
  if (free < horizonDay)
    windows.push({ bedId: bed.id, freeFromDay: free, neededByDay: horizonDay, nextStandId: null })
  return windows.filter((window) => window.neededByDay - window.freeFromDay >= SHORTEST_WINDOW_DAYS)
}

const firstStart = (stands: readonly Stand[], otherwise: number): number =>
  stands.reduce((first, { start }) => Math.min(first, dayNumber(latest(start)!.date)), otherwise)

/** What tells how far a garden's records reach back. */
export type Recorded = { garden: Pick<Garden, 'begunOn'>; stands: readonly Stand[] }

/**
 * Day from which the records of a bed run, so that ground before it is not called bare: the one its garden was begun on, or
 * that of the first thing known to have stood in it. Where the garden does not tell, the first of all its beds.
 */
export function recordsFrom({ garden, stands }: Recorded, bedId: string, today: number): number {
  const { begunOn } = garden
  if (begunOn === null) return firstStart(stands, today)
  return firstStart(
    stands.filter((stand) => stand.bedId === bedId),
    dayNumber(begunOn),
  )
}

/** The window of a bed that holds a day, if any. */
export function windowAt(windows: readonly BedWindow[], day: number): BedWindow | null {
  return windows.find((window) => day >= window.freeFromDay && day < window.neededByDay) ?? null
}
