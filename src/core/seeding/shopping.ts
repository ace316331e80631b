import { solve } from 'yalps'
import type { SeedPack } from '../garden/seed'

/** A pack on offer: straight seed or a mix by weight shares; `available` null for any number. */
export type Pack = SeedPack

export type Basket = {
  packs: { id: string; count: number }[]
  cost: number
  leftGrams: Record<string, number>
}

/**
 * The cheapest set of packs that covers what all sowings need beyond the stock, g by species. An integer program; null
 * when the packs on offer cannot cover it.
 */
export function cheapestPacks(
  needs: Readonly<Record<string, number>>,
  packs: readonly Pack[],
): Basket | null {
  const wanted = Object.entries(needs).filter(([, grams]) => grams > 1e-9)
  if (wanted.length === 0) return { packs: [], cost: 0, leftGrams: {} }
  const useful = packs.filter((pack) => pack.contents.some(({ speciesId }) => (needs[speciesId] ?? 0) > 0))
  const constraints: Record<string, { min?: number; max?: number }> = {}
  for (const [speciesId, grams] of wanted) constraints[`need ${speciesId}`] = { min: grams }
  const variables: Record<string, Record<string, number>> = {}
  for (const pack of useful) {
    const column: Record<string, number> = { price: pack.price }
    for (const { speciesId, weightShare } of pack.contents)
      column[`need ${speciesId}`] = pack.grams * weightShare
    if (pack.available !== null) {
      column[`have ${pack.id}`] = 1
      constraints[`have ${pack.id}`] = { max: pack.available }
    }
    variables[pack.id] = column
  }
  const solution = solve({
    direction: 'minimize',
    objective: 'price',
    constraints,
    variables,
    integers: true,
  })
  if (solution.status !== 'optimal') return null
  const chosen = solution.variables
    .map(([packId, count]) => ({ id: packId, count: Math.round(count) }))
    .filter(({ count }) => count > 0)
  const leftGrams: Record<string, number> = {}
  for (const [speciesId, grams] of wanted) leftGrams[speciesId] = -grams
  let cost = 0
  for (const { id, count } of chosen) {
    const pack = useful.find((entry) => entry.id === id)!
    cost += count * pack.price
    for (const { speciesId, weightShare } of pack.contents)
      leftGrams[speciesId] = (leftGrams[speciesId] ?? 0) + count * pack.grams * weightShare
  }
  return { packs: chosen, cost: Math.round(cost * 100) / 100, leftGrams }
}

/** What a packet of so many grams sows at a rate, m². */
export const packetSowsM2 = (grams: number, gramsPerM2: number) => (gramsPerM2 > 0 ? grams / gramsPerM2 : 0)

/** A bought blend by sorting and counting a sample: weight shares by species with the range the count leaves (90 %). */
export function blendFromCounts(
  counts: readonly { speciesId: string; seeds: number; thousandSeedG: number }[],
): { speciesId: string; weightShare: { low: number; mid: number; high: number } }[] {
  const weights = counts.map(({ seeds, thousandSeedG }) => (seeds * thousandSeedG) / 1000)
  const total = weights.reduce((sum, weight) => sum + weight, 0)
  if (total <= 0) return []
  const variances = counts.map(({ seeds, thousandSeedG }) => seeds * (thousandSeedG / 1000) ** 2)
  const variance = variances.reduce((sum, value) => sum + value, 0)
  return counts.map(({ speciesId }, i) => {
    const mid = weights[i] / total
    // Poisson counts carried through the share by first-order propagation.
    const sd = Math.sqrt((1 - mid) ** 2 * variances[i] + mid ** 2 * (variance - variances[i])) / total
    return {
      speciesId,
      weightShare: { low: Math.max(0, mid - 1.645 * sd), mid, high: Math.min(1, mid + 1.645 * sd) },
    }
  })
}

/** Rate of a hand-cranked spreader from what it lost over a strip, g m⁻². */
export const spreaderRate = (lostG: number, stripLengthM: number, swathM: number) =>
  stripLengthM > 0 && swathM > 0 ? lostG / (stripLengthM * swathM) : NaN
