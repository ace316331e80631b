import { having } from '../foundations/grouped'
import { sharesGround, takesAllOf } from '../garden/ground'
import type { GardenData, Segment, Stand } from '../garden/schema'
import { spanOf } from '../garden/timeline'

type Known = Pick<GardenData, 'beds' | 'stands'>

/**
 * The stands that follow on the ground of another, the earliest first: what takes all of it next, and before that what takes
 * parts of it once it is over, each part once. What is sown under it, sheets between, and what begins beside it while it
 * stands follow nothing; a path is followed by what is sown in it only.
 */
export function followersOf({ stands, beds }: Known, stand: Stand): Stand[] {
  const own = spanOf(stand)
  const bed = having(beds, 'id', stand.bedId).at(0)
  if (!own || !bed) return []
  const isOver = (day: number) => own.endDay !== null && own.endDay <= day
  const later = having(stands, 'bedId', stand.bedId)
    .flatMap((other) => {
      const span = spanOf(other)
      const begins = span !== null && span.startDay > own.startDay ? span.startDay : null
      const follows =
        begins !== null &&
        other.content.kind !== 'sheet' &&
        other.underStandId !== stand.id &&
        (takesAllOf(other.segment, stand.segment, bed) ||
          (isOver(begins) && sharesGround(other.segment, stand.segment, bed)))
      return follows ? [{ other, begins }] : []
    })
    .sort((a, b) => a.begins - b.begins)
  const taken: Segment[] = []
  const followers: Stand[] = []
  for (const { other } of later) {
    if (taken.some((segment) => sharesGround(segment, other.segment, bed))) continue
    taken.push(other.segment)
    followers.push(other)
  }
  return followers
}

/** The one of them that the plan goes on to: of those that have not begun the one that was chosen, or the first; else the first. */
export const nextStand = (data: Known, stand: Stand): Stand | null => {
  const followers = followersOf(data, stand)
  const awaited = followers.filter(({ start }) => start.actual === null)
  return awaited.find(({ id }) => id === stand.goesOnTo) ?? awaited[0] ?? followers[0] ?? null
}

/** Day on which the first that follows a cover begins, where that is another than this one: by then a sheet is off all its ground. */
export function sheetOffBefore(data: Known, stand: Stand, crop: Stand | null): number | undefined {
  const first = followersOf(data, stand).at(0)
  return first && crop && first.id !== crop.id ? spanOf(first)?.startDay : undefined
}
