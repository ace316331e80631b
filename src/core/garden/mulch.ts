import { z } from 'zod'
import { segment } from './bed'
import { id, isoDay, numberBetween } from './fields'

/** Mulch that is brought from outside; what was cut here stands in the stands it was cut from. */
export const mulchKind = z.enum(['straw', 'hay', 'leaves', 'wood chips', 'prunings'])
export type MulchKind = z.infer<typeof mulchKind>

/** Whether weed seed is in it, and weedkillers that outlast composting: asked, and tried with beans. */
export const mulchSeeds = z.enum(['none', 'some', 'not known'])
export const mulchSprayed = z.enum(['none', 'not known', 'beans grew well', 'beans curled'])

/** A load of mulch brought in, as it lies in store: air-dry weight, kg. */
export const mulchLoad = z.object({
  id,
  kind: mulchKind,
  broughtOn: isoDay,
  kg: numberBetween('Weight of the mulch', 0.1, 1_000_000, 'kg'),
  seeds: mulchSeeds,
  sprayed: mulchSprayed,
})
export type MulchLoad = z.infer<typeof mulchLoad>

/**
 * Mulch from store laid on a bed, or owed to it from a day on: from a load, or from a cut that was carried off, by its id.
 */
export const mulchLaid = z.object({
  id,
  date: isoDay,
  bedId: id,
  /** The part of the bed it lies on; all of it where left out. */
  segment: segment.optional(),
  /** Whether it is promised to the bed and still in store. */
  owed: z.boolean().optional(),
  /** The stand whose ending it comes after, and how many days after its ground lies open; owed mulch goes with that day. */
  after: z.object({ standId: id, days: z.int().min(0).max(400) }).optional(),
  sourceId: id,
  kg: numberBetween('Weight laid', 0.1, 1_000_000, 'kg'),
})
export type MulchLaid = z.infer<typeof mulchLaid>
