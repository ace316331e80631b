import { dayNumber } from '../foundations/day'
import type { Stand } from '../garden/schema'
import { latest } from '../garden/timeline'
import type { Follows } from '../scenario/types'

/** What takes a stand's ground after it: when, and which crop if it is one. */
export type Following = {
  day: number
  crop: { cropId: string; establishment: 'transplant' | 'seed'; goneDay: number | null } | null
}

/** What a stand that follows is to the picture of the one before; null where it has no day. */
export function followingOf(next: Stand | null): Following | null {
  const start = next && latest(next.start)
  if (!next || !start) return null
  const end = latest(next.end)
  const { content } = next
  return {
    day: dayNumber(start.date),
    crop:
      content.kind === 'crop'
        ? {
            cropId: content.cropId,
            establishment: content.establishment,
            goneDay: end && dayNumber(end.date),
          }
        : null,
  }
}

/** The same of a plan's. */
export function followingIn(follows: Follows): Following | null {
  if (follows.kind === 'nothing') return null
  const { day } = follows
  return follows.kind === 'crop'
    ? { day, crop: { cropId: follows.crop.id, establishment: follows.establishment, goneDay: null } }
    : { day, crop: null }
}
