import type { GardenData } from '../../core/garden/schema'
import { findSpecies } from '../../core/plants/catalogue'

/** Covers that most gardens know, for those that have sown none yet. */
const KNOWN = [
  'cereal-rye',
  'hairy-vetch',
  'crimson-clover',
  'oats',
  'winter-pea',
  'winter-wheat',
  'white-clover',
  'phacelia',
  'buckwheat',
  'white-mustard',
  'tillage-radish',
]
/** How many are shown at once. */
const SHOWN = KNOWN.length

/** Covers to name first: those that this garden sows most often or has seed of, then those that most know. */
export function oftenSown({ garden, stands }: Pick<GardenData, 'garden' | 'stands'>): string[] {
  const times = new Map<string, number>()
  for (const { content } of stands)
    if (content.kind === 'cover')
      for (const { speciesId } of content.components) times.set(speciesId, (times.get(speciesId) ?? 0) + 1)
  const own = [...times].sort((a, b) => b[1] - a[1]).map(([id]) => id)
  return [...new Set([...own, ...garden.seedAtHand, ...KNOWN])]
    .filter((id) => findSpecies(id) !== null)
    .slice(0, SHOWN)
}
