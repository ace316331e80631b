import { dayNumber } from '../../core/foundations/day'
import type { Stand } from '../../core/garden/schema'
import { latest } from '../../core/garden/timeline'
import { findSpecies } from '../../core/plants/catalogue'
import { findCrop } from '../../core/plants/crops'
import type { Following } from '../../core/portrait/following'
import { lastDayOf } from '../../core/portrait/scene'
import type { Portrait } from '../../core/portrait/portrait'
import { findMethod } from '../../core/termination/methods'
import { longDate } from '../../text/format'
import { endingWords } from '../../text/names'

/** Days of a stand that a picture can be taken to at once. */
export type NamedDay = { id: 'today' | 'flower' | 'end' | 'before' | 'planting'; name: string; day: number }

/** Day and way of a stand's ending by work, planned or done; null where none is, or the weather ends it. */
function endOf(stand: Stand): { day: number; words: string } | null {
  const end = latest(stand.end)
  return end && end.method !== 'harvest' && !findMethod(end.method)?.waits
    ? { day: dayNumber(end.date), words: endingWords(end) }
    : null
}

/** The days worth a picture, in their order: today, the day before its end, its end, and the planting. */
export function namedDays(
  stand: Stand,
  following: Following | null,
  today: number,
  portrait: Portrait,
): NamedDay[] {
  const end = endOf(stand)
  const crop = following?.crop ? findCrop(following.crop.cropId)?.name : undefined
  const flowers = flowerDay(portrait)
  const days: NamedDay[] = [
    { id: 'today', name: 'Today', day: today },
    ...(flowers === null ? [] : [{ id: 'flower' as const, name: flowers.name, day: flowers.day }]),
    ...(end
      ? ([
          { id: 'before', name: `Before ${end.words}`, day: end.day - 1 },
          { id: 'end', name: `After ${end.words}`, day: end.day },
        ] as const)
      : []),
    ...(following
      ? [{ id: 'planting' as const, name: crop ? `${crop} planted` : 'Planting day', day: following.day }]
      : []),
  ]
  return days
    .filter(
      ({ day }, i) =>
        day >= portrait.startDay &&
        day <= lastDayOf(portrait) &&
        days.findIndex((other) => other.day === day) === i,
    )
    .sort((a, b) => a.day - b.day)
}

const FLOWER_BBCH = 61
const STANDING = 0.3

/** First day on which a species flowers while enough of it stands, and what that is called; null where none does. */
function flowerDay({ species, startDay }: Portrait): { day: number; name: string } | null {
  const days = species.flatMap(({ speciesId, bbch, alive }) => {
    const at = bbch.findIndex((stage, d) => stage >= FLOWER_BBCH && alive[d] > STANDING)
    const name = findSpecies(speciesId)?.group === 'grass' ? 'Pollen' : 'First flower'
    return at < 0 ? [] : [{ day: startDay + at, name }]
  })
  return days.sort((a, b) => a.day - b.day).at(0) ?? null
}

/** What a day is called over its picture. */
export function dayTitle(day: number, stand: Stand, following: Following | null, today: number): string {
  const end = endOf(stand)
  if (following && day === following.day) return `${longDate(day)}, planting day`
  if (end && day === end.day) return `${longDate(day)}, just after: ${end.words}`
  return day === today ? 'Today' : longDate(day)
}
