import type { Species } from './parameters'

/** A mix of which people eat only some species; `peaAndVetch`: those that are told apart by their leaves. */
export type PartlyFood = { food: string[]; other: string[]; peaAndVetch: boolean }

/**
 * What to mind where people eat from a mix: null where all of it is food or none, or where it is no mix. A mix is never
 * food as such; its species are named one by one.
 */
export function partlyFood(
  plants: readonly Pick<Species, 'name' | 'edible' | 'endingClass'>[],
): PartlyFood | null {
  const food = plants.filter((plant) => plant.edible)
  const other = plants.filter((plant) => !plant.edible)
  if (food.length === 0 || other.length === 0) return null
  return {
    food: food.map(({ name }) => name),
    other: other.map(({ name }) => name),
    peaAndVetch:
      other.some(({ endingClass }) => endingClass === 'vetch') &&
      food.some(({ endingClass }) => endingClass === 'pea'),
  }
}
