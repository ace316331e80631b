import { dayNumber } from '../foundations/day'
import type { EndDetails, Finishing, FollowUp } from '../garden/ending'
import type { Stand } from '../garden/schema'
import { stopsOf } from './stops'
import { HAND_FINISH_SHARE, lastActAfter } from './lastAct'
import { findMethod } from './methods'

type Plot = { lengthM: number; widthM: number }

/**
 * Day on which the work of an ending is over: the last pass, strip or stop of animals, or the day the sheet came off;
 * null while a sheet still lies. Without a plot the stops of animals are not known, and their first day is taken.
 */
export function lastWorkDay(end: EndDetails, plot: Plot | null): number | null {
  const began = dayNumber(end.date)
  const method = findMethod(end.method)
  if (!method) return began
  if (method.sheet) return end.liftedOn ? dayNumber(end.liftedOn) : null
  if (end.animals && plot)
    return Math.ceil(stopsOf(end.animals, plot.lengthM, plot.widthM, began).at(-1)!.endDay)
  return began + lastActAfter(method, end)
}

/**
 * Share that work after the end leaves of the plants that stood again, 0–1, with its range, and the days until it shows
 * (judgement): pulling misses few, a second pass of the same way leaves about a third, a low cut after rolling a quarter, a cover or sheet a tenth.
 */
export const FINISHING = {
  pull: { leaves: 0.02, range: [0, 0.05], showsDays: 0 },
  again: { leaves: 0.33, range: [0.2, 0.5], showsDays: 10 },
  cut: { leaves: 0.25, range: [0.1, 0.5], showsDays: 10 },
  cover: { leaves: 0.1, range: [0, 0.2], showsDays: 14 },
} as const satisfies Record<Finishing['act'], { leaves: number; range: [number, number]; showsDays: number }>

/** The same for a recorded one, with its day. */
const done = ({ date, act }: Finishing) => ({ day: dayNumber(date), ...FINISHING[act] })

/** Days after the work on which what stands again is counted. */
const LOOK_DAYS = [7, 14, 21] as const

/**
 * Looks at what stands again after a stand's end, as days with the days since the work; anew after work on the survivors,
 * from when it shows. None while a sheet still lies.
 */
export function looksAfter(stand: Stand, plot: Plot | null): { day: number; after: number }[] {
  const end = stand.end.actual
  const worked = end && lastWorkDay(end, plot)
  if (worked === null) return []
  const newest = [{ day: worked, showsDays: 0 }, ...stand.finishings.map(done)].reduce((a, b) =>
    b.day >= a.day ? b : a,
  )
  return LOOK_DAYS.filter((after) => after >= newest.showsDays).map((after) => ({
    day: newest.day + after,
    after,
  }))
}

/** Days after the work from which a count tells what it left: what is cut or crimped looks alive until it has browned. */
const TELLS_FROM_DAY = { sheet: 3, other: 10 } as const

/** Counts after the end that tell what stands again, oldest first. */
export function tellingCounts(stand: Stand, plot: Plot | null): FollowUp[] {
  const end = stand.end.actual
  if (!end) return []
  const worked = lastWorkDay(end, plot) ?? dayNumber(end.date)
  const from = worked + (end.liftedOn ? TELLS_FROM_DAY.sheet : TELLS_FROM_DAY.other)
  return [...stand.followUps]
    .filter(({ date }) => {
      const day = dayNumber(date)
      const shows = stand.finishings
        .map(done)
        .every((work) => day <= work.day || day >= work.day + work.showsDays)
      return day >= from && shows
    })
    .sort((a, b) => (a.date < b.date ? -1 : 1))
}

/** Work on the survivors that no count has told of yet. */
export function workSince(stand: Stand, counts: readonly FollowUp[]): Finishing[] {
  const newest = counts.at(-1)?.date ?? ''
  return stand.finishings.filter(({ date }) => date >= newest)
}

const about = (count: FollowUp, speciesId: string) =>
  count.speciesId === undefined || count.speciesId === speciesId

/** Share of a species that was first counted standing again, 0–1; null where nothing tells of it. */
export function firstCounted(counts: readonly FollowUp[], speciesId: string): number | null {
  const count = counts.find((entry) => about(entry, speciesId))
  return count ? Math.min(1, count.standing / count.before) : null
}

/**
 * What the newest counts say of the whole stand: the largest share that stands again of any plant, and the day it was
 * seen. `finished` where work since then is taken to have left that share by that day, which no count has told yet.
 */
export type Seen = { day: number; share: number; finished: boolean }

export function lastSeen(stand: Stand, plot: Plot | null): Seen | null {
  if (stand.content.kind !== 'cover') return null
  const counts = tellingCounts(stand, plot)
  const newest = stand.content.components.flatMap(
    (component) => counts.findLast((count) => about(count, component.speciesId)) ?? [],
  )
  if (newest.length === 0) return null
  const day = Math.max(...newest.map(({ date }) => dayNumber(date)))
  const since = workSince(stand, counts).map(done)
  return {
    day: Math.max(day, ...since.map((work) => work.day + work.showsDays)),
    share: since.reduce(
      (share, work) => share * work.leaves,
      Math.max(...newest.map(({ standing, before }) => Math.min(1, standing / before))),
    ),
    finished: since.length > 0,
  }
}

/**
 * Day a stand is dead once it was counted: the forecast's own day where that lies before, else the day of the count, or
 * the day by which work on the survivors shows; NaN where more stood again than is pulled by hand.
 */
export function deadAsSeen(forecastDay: number, seen: Seen | null, target: number): number {
  if (!seen) return forecastDay
  if (seen.share - HAND_FINISH_SHARE > target) return NaN
  return forecastDay <= seen.day && !seen.finished ? forecastDay : seen.day
}
