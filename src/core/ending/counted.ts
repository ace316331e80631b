import { dayNumber } from '../foundations/day'
import type { EndDetails, FollowUp } from '../garden/ending'
import type { Stand } from '../garden/schema'
import { stopsOf } from './animals'
import { HAND_FINISH_SHARE, lastActAfter } from './outcome'
import { findWay } from './ways'

type Plot = { lengthM: number; widthM: number }

/**
 * Day on which the work of an ending is over: the last pass, strip or stop of animals, or the day the sheet came off;
 * null while a sheet still lies. Without a plot the stops of animals are not known, and their first day is taken.
 */
export function lastWorkDay(end: EndDetails, plot: Plot | null): number | null {
  const began = dayNumber(end.date)
  const way = findWay(end.method)
  if (!way) return began
  if (way.sheet) return end.liftedOn ? dayNumber(end.liftedOn) : null
  if (end.animals && plot)
    return Math.ceil(stopsOf(end.animals, plot.lengthM, plot.widthM, began).at(-1)!.endDay)
  return began + lastActAfter(way, end)
}

/** Days after the work from which a count tells what it left: what is cut or crimped looks alive until it has browned. */
const TELLS_FROM_DAY = { sheet: 3, other: 10 } as const

/** Counts after the end that tell what stands again, oldest first. */
export function tellingCounts(stand: Stand, plot: Plot | null): FollowUp[] {
  const end = stand.end.fact
  if (!end) return []
  const worked = lastWorkDay(end, plot) ?? dayNumber(end.date)
  const from = worked + (end.liftedOn ? TELLS_FROM_DAY.sheet : TELLS_FROM_DAY.other)
  return [...(stand.followUps ?? [])]
    .filter(({ date }) => dayNumber(date) >= from)
    .sort((a, b) => (a.date < b.date ? -1 : 1))
}

const about = (count: FollowUp, speciesId: string) =>
  count.speciesId === undefined || count.speciesId === speciesId

/** Share of a species that was first counted standing again, 0–1; null where nothing tells of it. */
export function firstCounted(counts: readonly FollowUp[], speciesId: string): number | null {
  const count = counts.find((entry) => about(entry, speciesId))
  return count ? Math.min(1, count.standing / count.before) : null
}

/** What the newest counts say of the whole stand: the largest share that stands again of any plant, and the day it was seen. */
export type Seen = { day: number; share: number }

export function lastSeen(stand: Stand, plot: Plot | null): Seen | null {
  if (stand.content.kind !== 'cover') return null
  const counts = tellingCounts(stand, plot)
  const newest = stand.content.components.flatMap(
    (part) => counts.findLast((count) => about(count, part.speciesId)) ?? [],
  )
  if (newest.length === 0) return null
  return {
    day: Math.max(...newest.map(({ date }) => dayNumber(date))),
    share: Math.max(...newest.map(({ standing, before }) => Math.min(1, standing / before))),
  }
}

/**
 * Day a stand is dead once it was counted: the forecast's own day where that lies before, else the day of the count;
 * NaN where more stood again than is pulled by hand.
 */
export function deadAsSeen(forecastDay: number, seen: Seen | null, target: number): number {
  if (!seen) return forecastDay
  if (seen.share - HAND_FINISH_SHARE > target) return NaN
  return forecastDay <= seen.day ? forecastDay : seen.day
}
