import { bladesFor, workedGround } from '../termination/workRates'
import { boardOf } from '../termination/board'
import { canFlatten } from '../termination/flattening'
import { isoDate } from '../foundations/day'
import type { Range } from '../foundations/statistics'
import { perEuro } from './perEuro'
import { segmentAreaM2 } from '../garden/area'
import { coverStand } from '../garden/newStands'
import type { Covering } from '../garden/schema'
import { findSpecies } from '../plants/catalogue'
import type { Species } from '../plants/parameters'
import type { Scenario } from '../scenario/types'
import { sowingRecipe } from '../seeding/recipe'
import { keyOf, type ChooseQuestion, type MixComponent } from './types'

/** Organic or untreated seed over the usual price (judgement, 1.3–2). */
const ORGANIC_PRICE = 1.6
export const plantsOf = (components: readonly MixComponent[]): Species[] =>
  components.map((component) => findSpecies(component.speciesId)!)

/** A composition with seed as it is usually sold, until a packet or a test says otherwise. */
export const ofUsualSeed = (
  components: readonly MixComponent[],
): (MixComponent & { germination: number })[] =>
  components.map((component) => ({
    ...component,
    germination: findSpecies(component.speciesId)!.usualQuality,
  }))

/** The price of a composition's seed at broadcast rates. */
export function seedCost(
  components: readonly MixComponent[],
  covering: Covering,
  question: ChooseQuestion,
): Range {
  const plants = plantsOf(components)
  const recipe = sowingRecipe({
    areaM2: segmentAreaM2(question.bed, question.segment),
    covering,
    passes: 2,
    scaleStepG: 0.1,
    components: ofUsualSeed(components),
  })
  if (!recipe.ok) throw new Error(recipe.problems[0].message)
  const factor = (question.organicSeed ? ORGANIC_PRICE : 1) * perEuro(question.currency)
  const cost = { low: 0, mid: 0, high: 0 }
  plants.forEach((plant, i) => {
    const { grams } = recipe.value.lines[i]
    cost.low += (grams / 1000) * plant.pricePerKg.low * factor
    cost.high += (grams / 1000) * plant.pricePerKg.high * factor
  })
  cost.mid = (cost.low + cost.high) / 2
  return cost
}

/** The plan that a composition sown on a day would be: what is judged is what would be stored. */
export function scenarioFor(
  components: readonly MixComponent[],
  sowDay: number,
  covering: Covering,
  question: ChooseQuestion,
): Scenario {
  const { bed, segment, upper, underStandId, means, follows } = question
  const stand = coverStand(
    {
      id: keyOf(components),
      gardenId: bed.gardenId,
      bedId: bed.id,
      segment,
      underStandId,
    },
    ofUsualSeed(components),
    question.purposes,
    { date: isoDate(sowDay), covering },
  )
  const blades = bladesFor(means.tools, workedGround(bed, segment))
  return {
    standCase: {
      bed,
      stand,
      upper,
      checks: [],
      nextStartDay: follows.kind === 'nothing' ? null : follows.day,
      own: means.own,
      flattens: canFlatten(means.tools),
      board: boardOf(means.tools),
      ...(blades && { blades }),
      establishment: follows.kind === 'nothing' ? 'transplant' : follows.establishment,
      before: question.before,
    },
    follows,
    means,
    ground: question.ground,
    today: question.today,
  }
}
