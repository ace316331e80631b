import { dayNumber } from '../foundations/day'
import type { FollowUp } from '../garden/ending'
import type { Component, Stand } from '../garden/schema'
import { findSpecies } from '../plants/catalogue'
import { tellingCounts } from './counted'
import type { OwnResults } from '../garden/ending'
import { keyOf, MOST_PER_ENDING, stageBand } from './ownResults'

/** Days after the work until which what stands again is not yet new growth from seed. */
const TELLS_TO_DAY = 35

/** The count of an ending that tells most: the last one before new seedlings come up among the survivors. */
export function tellingCount(stand: Stand): FollowUp | null {
  const end = stand.end.actual
  if (!end) return null
  // What is counted after the survivors were worked on does not tell what the ending itself left.
  const until = Math.min(
    dayNumber(end.liftedOn ?? end.date) + TELLS_TO_DAY,
    ...stand.finishings.map(({ date }) => dayNumber(date)),
  )
  return tellingCounts(stand, null).findLast(({ date }) => dayNumber(date) <= until) ?? null
}

/** The species a count is about: the one named, or the main one of the cover. */
export function countedSpecies(stand: Stand, count: FollowUp) {
  if (stand.content.kind !== 'cover') return null
  return findSpecies(count.speciesId ?? leadOf(stand.content.components).speciesId)
}

/** Stage a species was at when its stand was ended; undefined when that was not recorded. */
export function stageAtEnd(stand: Stand, speciesId: string): number | undefined {
  const actual = stand.end.actual
  if (!actual || stand.content.kind !== 'cover') return undefined
  const own = actual.stages?.[speciesId]
  return own ?? (leadOf(stand.content.components).speciesId === speciesId ? actual.bbch : undefined)
}

const leadOf = (components: readonly Component[]) => [...components].sort((a, b) => b.share - a.share)[0]

/**
 * Pools the garden's own counts by way, class and stage at the end. Endings done more than once do not tell what one
 * pass leaves, and those without a stage cannot be placed; both are left out, and so are animals, which take many stops.
 */
export function ownResults(stands: readonly Stand[]): OwnResults {
  const results: OwnResults = {}
  for (const stand of stands) {
    const count = tellingCount(stand)
    const plant = count && countedSpecies(stand, count)
    const bbch = plant ? stageAtEnd(stand, plant.id) : undefined
    const end = stand.end.actual
    if (!end || !count || !plant || bbch === undefined || end.passes > 1 || end.animals) continue
    const share = Math.min(1, MOST_PER_ENDING / count.before)
    const key = keyOf(end.method, plant.endingClass, stageBand(bbch))
    const sum = results[key] ?? { before: 0, standing: 0, endings: 0 }
    results[key] = {
      before: sum.before + count.before * share,
      standing: sum.standing + Math.min(count.standing, count.before) * share,
      endings: sum.endings + 1,
    }
  }
  return results
}
