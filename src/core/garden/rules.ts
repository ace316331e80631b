import { z } from 'zod'
import { id, isoDay, numberBetween, shortText } from './fields'

export const livestockKind = z.enum(['hens', 'pigs', 'sheep', 'goats', 'ducks', 'rabbits'])
export type LivestockKind = z.infer<typeof livestockKind>

/** Animals that can be put on a bed; the pen is what moves over it, null until it has been measured. */
export const livestock = z.object({
  id,
  kind: livestockKind,
  head: z.number().int().min(1).max(2000),
  penLengthM: numberBetween('Pen length', 0.3, 200, 'm').nullable(),
  penWidthM: numberBetween('Pen width', 0.3, 200, 'm').nullable(),
  /** What a kilo of their bought feed costs, in the garden's currency; not told where left out. */
  feedPricePerKg: numberBetween('Price of a kilo of feed', 0.001, 1000).optional(),
})
export type Livestock = z.infer<typeof livestock>

/** What manure a feed holds: none, composted hot, raw, or some of which nobody knows how it was treated. */
export const manureKind = z.enum(['none', 'composted', 'raw', 'unknown'])
export type ManureKind = z.infer<typeof manureKind>

/**
 * Compost, manure or another feed that was spread on a bed on a day, kg in all, null where it was not weighed; or animals
 * that were on its spent crops or weeds until that day.
 */
export const spread = z.object({
  id,
  date: isoDay,
  what: shortText('What was spread', 60),
  manure: manureKind,
  kg: numberBetween('Weight spread', 0.01, 1_000_000, 'kg').nullable(),
  animals: z
    .object({ kind: livestockKind, head: z.number().int().min(1).max(2000), from: isoDay })
    .optional(),
})

/** Compost or another feed: its analysis as fed. Null where nothing is known yet. */
export const nitrogenSource = z.object({
  id,
  name: shortText('Name of the feed', 60),
  /** Total nitrogen, % of the weight as it is spread. */
  nitrogenPct: numberBetween('Nitrogen', 0.05, 20, '%').nullable(),
  /** Carbon, % of the weight as it is spread. */
  carbonPct: numberBetween('Carbon', 0, 60, '%').nullable(),
  /** Share of its nitrogen that a crop gets in the first season. */
  firstSeason: numberBetween('Share freed in the first season', 0.02, 1).nullable(),
  /** Weight of a cubic metre, kg. */
  kgPerM3: numberBetween('Weight of a cubic metre', 50, 2000, 'kg').nullable(),
  /** Manure in it; by its name where not said. */
  manure: manureKind.optional(),
  /** What was found out about weedkillers that outlast composting; not asked where left out. */
  sprayed: z.enum(['none', 'not known']).optional(),
})
export type NitrogenSource = z.infer<typeof nitrogenSource>

/** A grower's own limits: the schools they follow. They leave ways out; they never hide what is computed. */
export const rules = z.object({
  /** Longest that ground lies under a sheet, days; null: as long as it takes. */
  longestSheetDays: numberBetween('Longest under a sheet', 3, 365, 'days').nullable(),
  /** Earliest stage at which a legume is ended. */
  legumeFrom: z.enum(['any stage', 'bloom', 'first pods']),
  /** Whether ground is turned. */
  turning: z.enum(['never', 'when it helps']),
  /** Whether a cover may set seed fit to sprout before it is ended. */
  seedSet: z.enum(['never', 'allowed']),
  /** Days from raw manure to harvest: where the part that is eaten touches soil or its splash, and where it does not. */
  manureDays: z.object({
    touching: numberBetween('Days from manure to harvest', 0, 400, 'days'),
    clear: numberBetween('Days from manure to harvest', 0, 400, 'days'),
  }),
  /** No flame at present: a ban, or drought. */
  fireBan: z.boolean(),
  /** Crops whose eaten part the grower knows to touch soil or its splash, or to be clear of it. */
  harvestTouches: z.record(id, z.boolean()),
  /** Days from planting to the last weeding, of crops for which the grower knows their own. */
  lastWeeding: z.record(id, numberBetween('Days to the last weeding', 5, 400, 'days')),
  /** How much closer crops are planted for each week they are late, and at least what share of their distance stays, from own trials. */
  closerWhenLate: z.record(
    id,
    z.object({
      closerPerWeek: numberBetween('Closer for each week', 0, 0.3),
      least: numberBetween('Least share of the distance', 0.3, 1),
    }),
  ),
})
export type Rules = z.infer<typeof rules>
