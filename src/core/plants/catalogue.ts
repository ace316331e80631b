import { brassicas } from './covers/brassicas'
import { cereals } from './covers/cereals'
import { clovers } from './covers/clovers'
import { otherBroadleaves } from './covers/otherBroadleaves'
import { otherGrasses } from './covers/otherGrasses'
import { vetchesAndPeas } from './covers/vetchesAndPeas'
import { warmLegumes } from './covers/warmLegumes'
import type { Creature, PlantGroup, Species } from './parameters'

/**
 * Plain data made anew with its fields in one order. Objects of one make are read faster in the daily steps: the engine
 * need not look for their fields by make. A first one of fractions alone tells it that every field may hold one.
 */
function ofOneMake<T extends object>(all: readonly T[]): T[] {
  const names = [...new Set(all.flatMap(Object.keys))].sort() as (keyof T)[]
  const made = (value: (name: keyof T) => unknown) =>
    JSON.parse(JSON.stringify(Object.fromEntries(names.map((name) => [name, value(name) ?? null])))) as T
  if (all.every((one) => names.every((name) => typeof one[name] === 'number'))) made(() => 0.5)
  return all.map((one) => made((name) => one[name]))
}

const written = [
  ...cereals,
  ...otherGrasses,
  ...clovers,
  ...vetchesAndPeas,
  ...warmLegumes,
  ...brassicas,
  ...otherBroadleaves,
]
const parameters = ofOneMake(written.map((plant) => plant.parameters))

/** All cover species, grasses first. */
export const SPECIES: readonly Species[] = ofOneMake(written).map((plant, i) =>
  Object.assign(plant, { parameters: parameters[i] }),
)

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

/** A harm that a cover can do, with all of those it can do it to. */
export type HarmOf = { plant: string; why: string; who: Creature[] }

/** What a cover can do to some of its eaters, told once for all of them. */
export function harmsOf(
  plant: Pick<Species, 'name' | 'harms'>,
  whom: (who: Creature) => boolean = () => true,
): HarmOf[] {
  const byWhy = new Map<string, Creature[]>()
  for (const { who, why } of plant.harms) if (whom(who)) byWhy.set(why, [...(byWhy.get(why) ?? []), who])
  return [...byWhy].map(([why, who]) => ({ plant: plant.name, why, who }))
}
