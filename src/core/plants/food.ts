import type { Species } from './parameters'

/** How a legume that is no food is told from pea shoots, which grow among it. */
const VETCH_APART =
  'Pea shoots have two to six broad leaflets and a leafy collar round the stem; vetch has a dozen narrow ones and none.'

/**
 * What to mind where people eat from a mix: null where all of it is food or none, or where it is no mix. A mix is never
 * food as such; its species are named one by one.
 */
export function notAllFood(
  plants: readonly Pick<Species, 'name' | 'edible' | 'endingClass'>[],
): string | null {
  const food = plants.filter((plant) => plant.edible)
  const other = plants.filter((plant) => !plant.edible)
  if (food.length === 0 || other.length === 0) return null
  const names = (some: readonly Pick<Species, 'name'>[]) =>
    some.map(({ name }) => name.toLowerCase()).join(', ')
  const alike =
    other.some(({ endingClass }) => endingClass === 'vetch') &&
    food.some(({ endingClass }) => endingClass === 'pea')
  return `Not all of it is food: pick only ${names(food)}; leave ${names(other)}.${alike ? ` ${VETCH_APART}` : ''}`
}
