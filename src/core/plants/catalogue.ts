import { brassicas } from './covers/brassicas'
import { cereals } from './covers/cereals'
import { clovers } from './covers/clovers'
import { otherBroadleaves } from './covers/otherBroadleaves'
import { otherGrasses } from './covers/otherGrasses'
import { vetchesAndPeas } from './covers/vetchesAndPeas'
import { warmLegumes } from './covers/warmLegumes'
import type { Creature, PlantGroup, Species } from './parameters'

/** All cover species, grasses first. */
export const SPECIES: readonly Species[] = [
  ...cereals,
  ...otherGrasses,
  ...clovers,
  ...vetchesAndPeas,
  ...warmLegumes,
  ...brassicas,
  ...otherBroadleaves,
]

const byId = new Map(SPECIES.map((entry) => [entry.id, entry]))

/** The species with this id, or null for an id from a newer or foreign file. */
export function findSpecies(speciesId: string): Species | null {
  return byId.get(speciesId) ?? null
}

/** Plant groups of a cover in order of share, most first, without repeats. */
export function groupsOf(components: readonly { speciesId: string; share: number }[]): PlantGroup[] {
  const sorted = [...components].sort((a, b) => b.share - a.share)
  return [...new Set(sorted.flatMap((component) => findSpecies(component.speciesId)?.group ?? []))]
}

/** Seed sizes that behave alike when thrown and covered. */
export type SeedSize = 'tiny' | 'small' | 'medium' | 'large'

/** Seed size from the weight of a thousand seeds, g: below 3 tiny, below 10 small, below 80 medium, else large. */
export function seedSize(plant: Species): SeedSize {
  const grams = plant.parameters.thousandSeedG
  return grams < 3 ? 'tiny' : grams < 10 ? 'small' : grams < 80 ? 'medium' : 'large'
}

/** What a cover can do to some of its eaters, told once for all of them, with its name; about animals it defers to a vet. */
export function harmTexts(
  plant: Pick<Species, 'name' | 'harms'>,
  whom: (who: Creature) => boolean = () => true,
): string[] {
  const byWhy = new Map<string, Creature[]>()
  for (const { who, why } of plant.harms) if (whom(who)) byWhy.set(why, [...(byWhy.get(why) ?? []), who])
  return [...byWhy].map(([why, who]) => {
    const vet = who.some((creature) => creature !== 'people') ? ' Ask a vet.' : ''
    return `${plant.name} and ${who.join(', ')}: ${why}${vet}`
  })
}

/** All cautions of a species, those about animals deferring to a vet. */
export const cautionsOf = (plant: Species): string[] => [...harmTexts(plant), ...plant.cautions]
