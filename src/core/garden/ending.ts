import { z } from 'zod'
import { id, isoDay, numberBetween } from './fields'
import { livestockKind } from './rules'

/** Ways of ending a stand; those that join several acts carry them in their name. */
export const endMethodId = z.enum([
  'chop',
  'crimp',
  'tarp',
  'winter-kill',
  'harvest',
  'crimp-tarp',
  'crimp-flame',
  'flame',
  'clear-sheet',
  'chop-cardboard',
  'bury',
  'flip-cover',
  'soil-tarp',
  'turn',
  'biofumigate',
  'strips',
  'summer-kill',
  'hens',
  'pigs',
  'graze',
  'pull',
])
export type EndMethodId = z.infer<typeof endMethodId>

export const ending = z.object({
  date: isoDay,
  method: endMethodId,
  /** How often it is done, a week apart; 1 for what is done once. */
  passes: z.number().int().min(1).max(4),
  note: z.string().max(2000),
  /** Stubble that a cut leaves, cm; cut as low as ends the plant where left out. */
  stubbleCm: numberBetween('Stubble', 0, 100, 'cm').optional(),
  /** How the animals were moved over it. */
  animals: z
    .object({
      kind: livestockKind,
      head: z.number().int().min(1).max(2000),
      penLengthM: numberBetween('Pen length', 0.3, 200, 'm').nullable(),
      penWidthM: numberBetween('Pen width', 0.3, 200, 'm').nullable(),
      daysPerStop: numberBetween('Days per stop', 0.5, 60, 'days'),
      /** Stops of the last of several rounds, which finishes what has grown again; as long as the others when left out. */
      lastDaysPerStop: numberBetween('Days per stop on the last round', 0.5, 60, 'days').optional(),
      rounds: z.number().int().min(1).max(6),
      restDays: numberBetween('Rest between rounds', 0, 120, 'days'),
    })
    .optional(),
  /** Lanes ended one after the other, and the days between them. */
  lanes: z
    .object({ count: z.number().int().min(2).max(12), everyDays: z.number().int().min(1).max(60) })
    .optional(),
  /** Whether the ground is wanted only once the residue is thin enough for a drip line and a seeder. */
  untilThin: z.boolean().optional(),
  /** Day a sheet was taken off. */
  liftedOn: isoDay.optional(),
  /** Stage it was ended at, by what was seen or forecast. */
  bbch: numberBetween('Stage', 0, 99).optional(),
  /** The same for each species of a mix. */
  stages: z.record(id, numberBetween('Stage', 0, 99)).optional(),
  /** Who did it, how long it took, and what it used up, as recorded. */
  by: z.string().max(80).optional(),
  minutes: numberBetween('Minutes', 0, 10_000, 'min').optional(),
  materials: z.string().max(400).optional(),
  /** Animals that were hurt or lost meanwhile, and what happened is in the note; not asked where left out. */
  hurt: z.number().int().min(0).max(2000).optional(),
})
export type EndDetails = z.infer<typeof ending>

/** How animals are moved over the ground. */
export type AnimalPlan = NonNullable<EndDetails['animals']>

/**
 * Plants counted before and those that stood again, of one way, class and band of stages, and from how many endings; by
 * the key of `termination/ownResults`.
 */
export type OwnCount = { before: number; standing: number; endings: number }
export type OwnResults = Record<string, OwnCount>

/** Work after the end on what stood again: pulled one by one, the same way once more, cut low, or covered. */
export const finishing = z.object({
  id,
  date: isoDay,
  act: z.enum(['pull', 'again', 'cut', 'cover']),
  minutes: numberBetween('Minutes', 0, 10_000, 'min').optional(),
})
export type Finishing = z.infer<typeof finishing>

/** A count after the end: plants that stand again on the ground looked at, out of those that stood there before. */
export const followUp = z.object({
  id,
  date: isoDay,
  standing: z.number().int().min(0).max(100_000),
  groundM2: numberBetween('Ground counted', 0.01, 1000, 'm²'),
  /** Plants that stood on that ground before the end, as counted or as the forecast had it. */
  before: numberBetween('Plants before', 0.1, 1_000_000),
  speciesId: id.optional(),
  note: z.string().max(2000),
})
export type FollowUp = z.infer<typeof followUp>
