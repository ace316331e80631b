import type { GardenData, Stand } from '../garden/schema'
import { findSpecies } from '../plants/catalogue'
import type { Species } from '../plants/parameters'
import { nextStand } from '../season/followers'
import { startingShares } from './mixes'
import type { MixComponent } from './types'

/** The clover that lives on longest while it is mown (of the perennial clovers, by how they thin: judgement). */
const STAYS = 'white-clover'
/** What covers stubble at once while that clover is small; age takes it after its second winter. */
const NURSE = 'annual-ryegrass'
const GRAINS: readonly Species['endingClass'][] = ['winter cereal', 'spring cereal']

/** What follows in a living aisle: a stand planned there already, or what may be sown into the stubble and from which day on. */
export type AisleNext =
  | { kind: 'planned'; stand: Stand }
  | { kind: 'sow'; components: MixComponent[]; day: number }
  | { kind: 'no end'; components: MixComponent[] }

/**
 * The next step of a living aisle whose plants do not live on: after a grain ryegrass with clover in its stubble, after
 * anything else clover; null where something in it lives on, or what stands in it is no cover.
 *
 * @param readyDay day on which its ground can be sown by its plan; null where no end is planned that kills it
 */
export function aisleNext(
  data: Pick<GardenData, 'beds' | 'stands'>,
  aisle: Stand,
  readyDay: number | null,
  today: number,
): AisleNext | null {
  if (aisle.content.kind !== 'cover') return null
  const plants = aisle.content.components.flatMap(({ speciesId }) => findSpecies(speciesId) ?? [])
  if (plants.length === 0 || plants.some(({ perennial }) => perennial)) return null
  const planned = nextStand(data, aisle)
  if (planned) return { kind: 'planned', stand: planned }
  const sown = plants.some(({ endingClass }) => GRAINS.includes(endingClass)) ? [NURSE, STAYS] : [STAYS]
  const components =
    sown.length === 1
      ? [{ speciesId: STAYS, share: 1 }]
      : startingShares(sown.map((speciesId) => findSpecies(speciesId)!))
  return readyDay === null
    ? { kind: 'no end', components }
    : { kind: 'sow', components, day: Math.max(today, readyDay) }
}
