import { z } from 'zod'
import { id, isoDay, numberBetween, shortText } from '../garden/fields'

/** Seed at hand: a bag or packet of one species, or of a bought mix. */
export const seedLot = z.object({
  id,
  gardenId: id,
  label: shortText('Lot name', 60),
  /** Species and their shares by weight; one entry for straight seed, shares adding up to 1. */
  contents: z
    .array(z.object({ speciesId: id, weightShare: numberBetween('Share by weight', 0.001, 1) }))
    .min(1, 'A lot holds at least one species.')
    .max(20),
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

/** Yearly loss of germination in a cool dry place, as a share of what is left (extension, 0.02–0.2): short- to long-lived seed. */
const LOSS_PER_YEAR = { Fabaceae: 0.04, Poaceae: 0.08, Brassicaceae: 0.06, Amaranthaceae: 0.09 } as Record<
  string,
  number
>
const USUAL_LOSS = 0.1
/** Germination of fresh seed without label or test. */
const FRESH = 0.88

/** What germinates, as a share, with the range it is known to: own test, else the label grown older, else age alone. */
export function germinationOf(
  lot: SeedLot,
  family: string,
  year: number,
): { low: number; mid: number; high: number; from: 'test' | 'label' | 'age' } {
  const loss = LOSS_PER_YEAR[family] ?? USUAL_LOSS
  if (lot.test) {
    const age = Math.max(0, year - Number(lot.test.date.slice(0, 4)))
    const { seeds, sprouted } = lot.test
    // Beta posterior with a flat prior; its normal range is close enough for these counts.
    const mid = (sprouted + 1) / (seeds + 2)
    const sd = Math.sqrt((mid * (1 - mid)) / (seeds + 3))
    const kept = (1 - loss) ** age
    return {
      low: Math.max(0.01, (mid - 1.28 * sd) * kept),
      mid: mid * kept,
      high: Math.min(1, (mid + 1.28 * sd) * kept),
      from: 'test',
    }
  }
  const kept = (1 - loss) ** Math.max(0, year - lot.year)
  const mid = (lot.labelGermination ?? FRESH) * kept
  const doubt = lot.labelGermination === null ? 0.12 : 0.05
  return {
    low: Math.max(0.01, mid - doubt),
    mid,
    high: Math.min(1, mid + doubt),
    from: lot.labelGermination === null ? 'age' : 'label',
  }
}

/** Pure live seed: the share of a weight that is seed of its kind and germinates. */
export const pureLiveSeed = (purity: number, germination: number) => purity * germination

/** The lots with grams taken for a sowing, oldest first; `short` is what they do not hold. */
export function drawDown(
  lots: readonly SeedLot[],
  speciesId: string,
  grams: number,
): { lots: SeedLot[]; short: number } {
  let wanted = grams
  const order = lots
    .filter(
      (lot) => lot.leftGrams > 0 && lot.contents.length === 1 && lot.contents[0].speciesId === speciesId,
    )
    .sort((a, b) => a.year - b.year)
  const changed: SeedLot[] = []
  for (const lot of order) {
    if (wanted <= 1e-9) break
    const taken = Math.min(lot.leftGrams, wanted)
    wanted -= taken
    changed.push({ ...lot, leftGrams: Math.round((lot.leftGrams - taken) * 1000) / 1000 })
  }
  return { lots: changed, short: Math.max(0, Math.round(wanted * 1000) / 1000) }
}
