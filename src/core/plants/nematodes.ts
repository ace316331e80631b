import type { Species } from './parameters'

/** Covers that feed root-knot nematodes unless the bag names a cultivar as resistant (extension). */
const RESISTANT_CULTIVARS = ['cowpea', 'soybean']

/** Whether cultivars of a cover are sold that set root-knot nematodes back though others feed them. */
export const resistantSold = (plant: Pick<Species, 'id' | 'rootKnot'>): boolean =>
  plant.rootKnot === 'depends on cultivar' || RESISTANT_CULTIVARS.includes(plant.id)

/** How seed of a cover stands to root-knot nematodes. @param named species of which the grower's seed is named resistant */
export const rootKnotOf = (
  plant: Pick<Species, 'id' | 'rootKnot'>,
  named: readonly string[],
): Species['rootKnot'] => (resistantSold(plant) && named.includes(plant.id) ? 'sets back' : plant.rootKnot)
