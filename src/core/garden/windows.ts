import { dayNumber } from '../foundations/day'
import { rectangleOf, takesAllOf, segmentOn } from './ground'
import type { Bed, Garden, Segment, Stand } from './schema'
import { NARROWEST_SEGMENT_M, SHORTEST_SEGMENT_M } from './splitSegment'
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
 * Bare windows of a bed between two days: when some of its ground is bare. Ground counts as taken from a stand's start to its
 * end; a cover with no end yet holds it until the next stand on it starts. A part that is taken leaves a window open on the
 * rest; parts that together take the bed close it. The path beside it is other ground.
 */
export function bareWindows(
  bed: Bed,
  stands: readonly Stand[],
  fromDay: number,
  horizonDay: number,
): BedWindow[] {
  const own = bedSpans(stands, bed.id).filter((span) => span.stand.segment.kind !== 'path')
  return joined(
    pieces(bed, own).flatMap((piece) =>
      windowsOn(
        own.filter(({ stand }) => takesAllOf(stand.segment, piece, bed)),
        bed.id,
        fromDay,
        horizonDay,
      ),
    ),
  )
}

type StandSpan = ReturnType<typeof bedSpans>[number]

/** The stretches between some places and both ends of a length, m; those shorter than `shortest` are left out. */
function between(places: readonly number[], length: number, shortest: number): [number, number][] {
  const cuts = [...new Set([0, ...places, length])].sort((a, b) => a - b)
  return cuts
    .slice(1)
    .map((to, i): [number, number] => [cuts[i], to])
    .filter(([from, to]) => to - from >= Math.min(shortest, length))
}

/** A bed cut wherever one of its stands begins or ends, along it and across it. */
function pieces(bed: Bed, spans: readonly StandSpan[]): Segment[] {
  const grounds = spans.flatMap(({ stand }) => rectangleOf(stand.segment, bed) ?? [])
  const along = between(
    grounds.flatMap(({ fromM, toM }) => [fromM, toM]),
    bed.lengthM,
    SHORTEST_SEGMENT_M,
  )
  const across = between(
    grounds.flatMap(({ fromAcrossM, toAcrossM }) => [fromAcrossM, toAcrossM]),
    bed.widthM,
    NARROWEST_SEGMENT_M,
  )
  return along.flatMap(([fromM, toM]) =>
    across.map(([fromAcrossM, toAcrossM]) => segmentOn({ fromM, toM, fromAcrossM, toAcrossM }, bed)),
  )
}

/** Windows that overlap as one: from the first day on which some ground is bare until the last is taken. */
function joined(windows: readonly BedWindow[]): BedWindow[] {
  const sorted = [...windows].sort((a, b) => a.freeFromDay - b.freeFromDay || a.neededByDay - b.neededByDay)
  return sorted.reduce<BedWindow[]>((kept, window) => {
    const last = kept.at(-1)
    if (!last || window.freeFromDay >= last.neededByDay) return [...kept, window]
    const { neededByDay, nextStandId } = window.neededByDay > last.neededByDay ? window : last
    return [...kept.slice(0, -1), { ...last, neededByDay, nextStandId }]
  }, [])
}

/** Windows of one piece of ground that all its stands take whole; what begins past the horizon takes nothing before it. */
function windowsOn(
  all: readonly StandSpan[],
  bedId: string,
  fromDay: number,
  horizonDay: number,
): BedWindow[] {
  const windows: BedWindow[] = []
  const spans = all.filter(({ startDay }) => startDay <= horizonDay)
  let free = fromDay
  spans.forEach((span, index) => {
    if (span.startDay > free)
      windows.push({
        bedId,
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
    windows.push({ bedId, freeFromDay: free, neededByDay: horizonDay, nextStandId: null })
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
