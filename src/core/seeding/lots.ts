import type { SeedLot } from '../garden/seed'

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
