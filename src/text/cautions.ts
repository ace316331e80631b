import type { CoverCaution } from '../core/choosing/types'
import { harmsOf, type HarmOf } from '../core/plants/catalogue'
import { findCrop } from '../core/plants/crops'
import type { PartlyFood } from '../core/plants/food'
import type { Species } from '../core/plants/parameters'
import type { StockingDoubt } from '../core/termination/animals'
import { nitrogen } from './amounts'
import { area, type Units } from './format'

/** A harm in a sentence; about animals it defers to a vet. */
export function harmText({ plant, who, why }: HarmOf): string {
  const vet = who.some((creature) => creature !== 'people') ? ' Ask a vet.' : ''
  return `${plant} and ${who.join(', ')}: ${why}${vet}`
}

/** All cautions of a species. */
export const plantCautions = (plant: Species): string[] => [
  ...harmsOf(plant).map(harmText),
  ...plant.cautions,
]

/** How a legume that is no food is told from pea shoots, which grow among it. */
const VETCH_APART =
  'Pea shoots have two to six broad leaflets and a leafy collar round the stem; vetch has a dozen narrow ones and none.'

/** What to pick of a mix and what to leave. */
export function partlyFoodText({ food, other, peaAndVetch }: PartlyFood): string {
  const names = (some: readonly string[]) => some.map((name) => name.toLowerCase()).join(', ')
  return `Not all of it is food: pick only ${names(food)}; leave ${names(other)}.${peaAndVetch ? ` ${VETCH_APART}` : ''}`
}

/** What to mind with a cover, in a sentence. */
export function cautionText(caution: CoverCaution): string {
  switch (caution.code) {
    case 'of the plant':
      return caution.text
    case 'harm':
      return harmText(caution.harm)
    case 'same family':
      return `Same family as the next crop (${caution.family}): pests and diseases may carry over.`
    case 'ties up':
      return `Strawy residue holds back nitrogen just when ${findCrop(caution.cropId)?.name.toLowerCase() ?? 'the crop'} wants it.`
    case 'which nematode':
      return 'Ask a laboratory which nematode it is: lesion nematodes feed on rye, oats and buckwheat as well.'
    case 'partly food':
      return partlyFoodText(caution.food)
  }
}

/** What is doubtful about animals on a plot, with the fix. */
export function stockingDoubtText(doubt: StockingDoubt, units: Units): string {
  switch (doubt.code) {
    case 'too tight':
      return `${area(doubt.eachM2, units)} for each is too tight: at most ${doubt.mostHead} ${doubt.kind} in this pen.`
    case 'too much manure':
      return `Their droppings bring ${nitrogen(doubt.nitrogenG, units)} of nitrogen, more than the ${nitrogen(doubt.mostG, units)} usually allowed in a year. Move them sooner or take fewer.`
    case 'too little growth':
      return 'There is less growth than they eat on a stop. Shorten the stop or bring hay.'
  }
}
