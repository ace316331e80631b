import { sumBy } from 'es-toolkit/math'
import { dayNumber } from '../foundations/day'
import type { FollowUp } from '../garden/ending'
import { leadSpeciesId } from '../garden/lead'
import type { Stand } from '../garden/schema'
import { findSpecies } from '../plants/catalogue'
import type { Species } from '../plants/parameters'
import { tellingCounts } from './counted'
import type { OwnResults } from '../garden/ending'
import { keyOf, MOST_PER_ENDING, stageBand } from './ownResults'

/** Days after the work until which what stands again is not yet new growth from seed. */
const TELLS_TO_DAY = 35

/** Counts that tell what the ending itself left, oldest first: none after survivors were worked on or new seedlings come up. */
function countsOfTheEnding(stand: Stand): FollowUp[] {
  const end = stand.end.actual
  if (!end) return []
  const until = Math.min(
    dayNumber(end.liftedOn ?? end.date) + TELLS_TO_DAY,
    ...stand.finishings.map(({ date }) => dayNumber(date)),
  )
  return tellingCounts(stand, null).filter(({ date }) => dayNumber(date) <= until)
}

/** Plants of a stand that stood again, and that stood there before; of a mix counted plant by plant, all of them on a m². */
export type StoodAgain = Pick<FollowUp, 'standing' | 'before'>

/** What the newest counts of an ending say of the whole stand; null where none tells. */
export function stoodAgain(stand: Stand): StoodAgain | null {
  const counts = countsOfTheEnding(stand)
  const newest = counts.at(-1)
  if (!newest || newest.speciesId === undefined) return newest ?? null
  const each = speciesOf(stand).flatMap((id) => counts.findLast(({ speciesId }) => speciesId === id) ?? [])
  if (each.length < 2) return newest
  return {
    standing: sumBy(each, ({ standing, groundM2 }) => standing / groundM2),
    before: sumBy(each, ({ before, groundM2 }) => before / groundM2),
  }
}

const speciesOf = ({ content }: Stand): string[] =>
  content.kind === 'cover' ? content.components.map(({ speciesId }) => speciesId) : []

/** The species a count is about: the one named, or the only one; null for a count of all plants of a mix. */
export function countedSpecies(stand: Stand, { speciesId }: Pick<FollowUp, 'speciesId'>): Species | null {
  const all = speciesOf(stand)
  const id = speciesId ?? (all.length === 1 ? all[0] : undefined)
  return id === undefined ? null : findSpecies(id)
}

/** Stage a species was at when its stand was ended; undefined when that was not recorded. */
export function stageAtEnd(stand: Stand, speciesId: string): number | undefined {
  const actual = stand.end.actual
  if (!actual || stand.content.kind !== 'cover') return undefined
  const own = actual.stages?.[speciesId]
  return own ?? (leadSpeciesId(stand) === speciesId ? actual.bbch : undefined)
}

/**
 * Pools the garden's own counts by way, class and stage at the end, each species of a mix by its own: a count of all plants of
 * a mix does not tell which of them stand again. Endings done more than once do not tell what one
 * pass leaves, and those without a stage cannot be placed; both are left out, and so are animals, which take many stops.
 */
export function ownResults(stands: readonly Stand[]): OwnResults {
  const results: OwnResults = {}
  const told = stands.flatMap((stand) => {
    const counts = countsOfTheEnding(stand)
    return speciesOf(stand).flatMap((id) => {
      const count = counts.findLast((one) => countedSpecies(stand, one)?.id === id)
      return count ? [{ stand, count, id }] : []
    })
  })
  for (const { stand, count, id } of told) {
    const plant = findSpecies(id)
    const bbch = stageAtEnd(stand, id)
    const end = stand.end.actual
    if (!end || !plant || bbch === undefined || end.passes > 1 || end.animals) continue
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
