import { z } from 'zod'
import { id, isoDay, numberBetween, shortText } from './fields'

/** Species of a bag and their shares by weight; one entry for straight seed. */
const contents = z
  .array(z.object({ speciesId: id, weightShare: numberBetween('Share by weight', 0.001, 1) }))
  .min(1, 'It holds at least one species.')
  .max(20)

/** Seed at hand: a bag or packet of one species, or of a bought mix. */
export const seedLot = z.object({
  id,
  gardenId: id,
  label: shortText('Lot name', 60),
  contents,
  year: z.number().int().min(1990, 'The year must be 1990 or later.').max(2100),
  boughtGrams: numberBetween('Weight bought', 0.1, 2_000_000, 'g'),
  leftGrams: numberBetween('Weight left', 0, 2_000_000, 'g'),
  price: numberBetween('Price', 0, 1_000_000).nullable(),
  /** Seeds tested on a damp paper towel and how many sprouted; null without an own test. */
  test: z
    .object({
      date: isoDay,
      seeds: z.number().int().min(5).max(1000),
      sprouted: z.number().int().min(0).max(1000),
    })
    .refine((test) => test.sprouted <= test.seeds, {
      error: 'More seeds sprouted than were laid out. Check both numbers.',
      path: ['sprouted'],
    })
    .nullable(),
  /** Purity as a share, from the label; 1 when it does not say. */
  purity: numberBetween('Purity', 0.01, 1),
  /** Germination on the label, as a share; null when it does not say. */
  labelGermination: numberBetween('Germination', 0.01, 1).nullable(),
  treated: z.boolean(),
  inoculantExpires: isoDay.nullable(),
})
export type SeedLot = z.infer<typeof seedLot>

/** A pack that can be bought. */
export const seedPack = z.object({
  id,
  label: shortText('Pack name', 60),
  contents,
  grams: numberBetween('Pack weight', 0.1, 2_000_000, 'g'),
  price: numberBetween('Price', 0.01, 1_000_000),
  available: z.number().int().min(1).max(10_000).nullable(),
})
export type SeedPack = z.infer<typeof seedPack>

const handful = numberBetween('Handful', 1, 400, 'g').optional()

/** A person who sows: grams in a handful by seed size, width of a cast, length of a pace. */
export const sower = z.object({
  id,
  name: shortText('Name', 40),
  gramsPerHandful: z.object({ tiny: handful, small: handful, medium: handful, large: handful }),
  castWidthM: numberBetween('Cast width', 0.2, 8, 'm'),
  paceM: numberBetween('Pace', 0.2, 1.5, 'm'),
})
export type Sower = z.infer<typeof sower>
