import type { Spread } from '../foundations/statistics'
import type { Covering } from '../garden/schema'
import { findSpecies, seedSize } from '../plants/catalogue'
import { EMERGENCE_SHARE } from '../plants/establishment'
import type { Species } from '../plants/parameters'
import { sowingRecipe } from '../seeding/recipe'
import type { SownSpecies } from '../stand/types'
import type { ChooseQuestion, Part } from './types'

/** Seed of ordinary quality. */
const GERMINATION = 0.85
/** Organic or untreated seed over the usual price (judgement, 1.3–2). */
const ORGANIC_PRICE = 1.6
/** How the seed of a composition is covered: under a crop it lies or is raked in lightly, small seed is tamped. */
export function coveringFor(plants: readonly Species[], underCrop: boolean): Covering {
  const small = plants.every((plant) => seedSize(plant) === 'tiny' || seedSize(plant) === 'small')
  if (underCrop) return small ? 'surface' : 'raked'
  return small ? 'raked and tamped' : 'raked'
}

type Sowing = { sown: SownSpecies[]; plants: Species[]; covering: Covering; cost: Spread }

/** Seeds, covering and price of a composition at broadcast rates. */
export function sowingOf(parts: readonly Part[], question: ChooseQuestion): Sowing {
  const plants = parts.map((part) => findSpecies(part.speciesId)!)
  const covering = coveringFor(plants, question.canopyAbove !== null)
  const recipe = sowingRecipe({
    areaM2: question.areaM2,
    covering,
    passes: 2,
    scaleStepG: 0.1,
    components: parts.map((part) => ({ ...part, germination: GERMINATION })),
  })
  if (!recipe.ok) throw new Error(recipe.problems[0].message)
  const factor = question.organicSeed ? ORGANIC_PRICE : 1
  const cost = { low: 0, mid: 0, high: 0 }
  const sown = plants.map((plant, i) => {
    const { grams, seedsPerM2 } = recipe.value.lines[i]
    const { low, high } = plant.pricePerKg
    cost.low += (grams / 1000) * low * factor
    cost.high += (grams / 1000) * high * factor
    return {
      plant,
      seedsPerM2: seedsPerM2 * GERMINATION,
      emergenceShare: EMERGENCE_SHARE[covering][seedSize(plant)],
    }
  })
  cost.mid = (cost.low + cost.high) / 2
  return { sown, plants, covering, cost }
}
