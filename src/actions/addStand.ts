import { standsTaking, type Treatment } from '../core/season/occupied'
import type { Bed, GardenData, Stand } from '../core/garden/schema'
import { newId } from '../data/ids'
import type { Write } from '../data/writes'
import { writesBetween } from './planStretch'

/** The writes that put a new stand on its ground, and treat what stands there as said or as usual, in one step. */
export const addStand = (
  data: Pick<GardenData, 'stands'>,
  bed: Bed,
  fresh: Stand,
  said: Readonly<Record<string, Treatment>> = {},
): Write[] =>
  writesBetween(
    data.stands,
    standsTaking(data.stands, bed, fresh, () => newId('stand'), said),
  )
