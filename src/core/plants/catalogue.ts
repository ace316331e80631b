import { broadleaves } from './covers/broadleaves'
import { grasses } from './covers/grasses'
import { legumes } from './covers/legumes'
import type { PlantGroup, Species } from './parameters'

/** All cover species, grasses first. */
export const SPECIES: readonly Species[] = [...grasses, ...legumes, ...broadleaves]

const byId = new Map(SPECIES.map((entry) => [entry.id, entry]))

/** The species with this id, or null for an id from a newer or foreign file. */
export function findSpecies(speciesId: string): Species | null {
  return byId.get(speciesId) ?? null
}

/** Plant groups of a cover in order of share, most first, without repeats. */
export function groupsOf(components: readonly { speciesId: string; share: number }[]): PlantGroup[] {
  const sorted = [...components].sort((a, b) => b.share - a.share)
  return [...new Set(sorted.flatMap((part) => findSpecies(part.speciesId)?.group ?? []))]
}

/** Seed sizes that behave alike when thrown and covered. */
export type SeedSize = 'tiny' | 'small' | 'medium' | 'large'

/** Seed size from the weight of a thousand seeds, g: below 3 tiny, below 10 small, below 80 medium, else large. */
export function seedSize(plant: Species): SeedSize {
  const grams = plant.parameters.thousandSeedG
  return grams < 3 ? 'tiny' : grams < 10 ? 'small' : grams < 80 ? 'medium' : 'large'
}
