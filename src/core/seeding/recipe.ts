import { failure, success, type Outcome, type Problem } from '../foundations/outcome'
import { gramsPerM2 } from '../foundations/units'
import { segmentAreaM2 } from '../garden/area'
import type { Bed, Covering, Stand } from '../garden/schema'
import { findSpecies, seedSize, type SeedSize } from '../plants/catalogue'
import { usualStep } from './scaleSteps'
import { BROADCAST_FACTOR, EMERGENCE_SHARE } from '../plants/establishment'
import type { Species } from '../plants/parameters'

/** What to weigh for one species, with the numbers it came from. */
export type RecipeLine = {
  speciesId: string
  name: string
  size: SeedSize
  drillGM2: number
  broadcastFactor: number
  share: number
  germination: number
  /** Pure, living share of seed that the drilled rate is for. */
  usualQuality: number
  /** How deep it should lie, cm. */
  depthCm: Species['depthCm']
  gramsPerM2: number
  grams: number
  /** Grams of each pass; they add up to `grams`. */
  passes: number[]
  seedsPerM2: number
  plantsPerM2: number
  inoculantGroup: string | null
}

export type Recipe = {
  areaM2: number
  covering: Covering
  lines: RecipeLine[]
  totalGrams: number
  passTotals: number[]
}

type Order = {
  areaM2: number
  covering: Covering
  passes: number
  components: readonly { speciesId: string; share: number; germination: number }[]
  /** Smallest step the scale shows, g (0.1–100). */
  scaleStepG: number
}

/** Rounds up to the scale's step: running short is worse than a pinch over. */
const toStep = (grams: number, step: number) => Math.ceil(grams / step - 1e-9) * step

/** Splits a weighed total into passes that are whole steps of the scale and add up exactly; earlier passes take the odd step. */
export function splitPasses(grams: number, passes: number, stepG: number): number[] {
  const steps = Math.round(grams / stepG)
  const base = Math.floor(steps / passes)
  const extra = steps - base * passes
  return Array.from({ length: passes }, (_, pass) => round((base + (pass < extra ? 1 : 0)) * stepG))
}

/** Strips floating dust below a milligram. */
const round = (grams: number) => Math.round(grams * 1000) / 1000

function problemsOf(order: Order): Problem[] {
  const problems: Problem[] = []
  const add = (path: string, code: string, message: string) => problems.push({ path, code, message })
  if (!(order.areaM2 > 0))
    add('areaM2', 'no-area', 'The bed has no ground to sow. Check its length, width and fixtures.')
  if (order.components.length === 0) add('components', 'no-species', 'Choose at least one species to sow.')
  if (!(order.passes >= 1)) add('passes', 'passes', 'Sow in at least one pass.')
  order.components.forEach((component, i) => {
    if (!findSpecies(component.speciesId))
      add(
        `components.${i}.speciesId`,
        'unknown-species',
        `The species "${component.speciesId}" is not in the catalogue.`,
      )
    if (!(component.germination > 0 && component.germination <= 1))
      add(
        `components.${i}.germination`,
        'germination',
        'Germination must be above 0 % and at most 100 %. Use the number on the packet or your own test.',
      )
    if (!(component.share > 0)) add(`components.${i}.share`, 'share', 'The share must be above 0 %.')
  })
  return problems
}

/**
 * Grams to weigh: drilled rate × broadcast factor × share × usual quality ÷ own germination × area, rounded up to the scale.
 * Published rates are for seed of usual quality, so only what own seed differs by is corrected.
 * Shares are those of the full rate, so a straight sowing has share 1.
 */
export function sowingRecipe(order: Order): Outcome<Recipe> {
  const problems = problemsOf(order)
  if (problems.length > 0) return failure(...problems)
  const lines = order.components.map((component) =>
    lineFor(findSpecies(component.speciesId)!, component, order),
  )
  const totalGrams = round(lines.reduce((sum, line) => sum + line.grams, 0))
  const passTotals = Array.from({ length: order.passes }, (_, pass) =>
    round(lines.reduce((sum, line) => sum + line.passes[pass], 0)),
  )
  return success({ areaM2: order.areaM2, covering: order.covering, lines, totalGrams, passTotals })
}

function lineFor(plant: Species, component: Order['components'][number], order: Order): RecipeLine {
  const size = seedSize(plant)
  const drillGM2 = gramsPerM2(plant.parameters.drillKgHa)
  const broadcastFactor = BROADCAST_FACTOR[order.covering][size]
  const perM2 = (drillGM2 * broadcastFactor * component.share * plant.usualQuality) / component.germination
  const grams = round(toStep(perM2 * order.areaM2, order.scaleStepG))
  const seedsPerM2 = viableSeedsPerM2(plant, grams, component.germination, order.areaM2)
  return {
    speciesId: plant.id,
    name: plant.name,
    size,
    drillGM2,
    broadcastFactor,
    share: component.share,
    germination: component.germination,
    usualQuality: plant.usualQuality,
    depthCm: plant.depthCm,
    gramsPerM2: perM2,
    grams,
    passes: splitPasses(grams, order.passes, order.scaleStepG),
    seedsPerM2: seedsPerM2 / component.germination,
    plantsPerM2: seedsPerM2 * EMERGENCE_SHARE[order.covering][size],
    inoculantGroup: plant.inoculantGroup,
  }
}

const plannedOrder = ({ content, segment, start }: Stand, bed: Bed) =>
  content.kind === 'cover'
    ? {
        areaM2: segmentAreaM2(bed, segment),
        covering: start.plan?.covering ?? USUAL_COVERING,
        passes: start.plan?.passes ?? USUAL_PASSES,
        components: content.components,
      }
    : null

/** The step of the scale that a stand's seed is usually weighed with, g. */
export function plannedStep(stand: Stand, bed: Bed, imperial: boolean): number {
  const order = plannedOrder(stand, bed)
  const exact = order && sowingRecipe({ ...order, scaleStepG: FINEST_STEP_G })
  return usualStep(exact?.ok ? exact.value.totalGrams : 0, imperial)
}

/** What to weigh for a stand as it is planned: the recipe that Sow opens with. Null for crops, or where it cannot be sown. */
export function plannedRecipe(stand: Stand, bed: Bed, imperial: boolean): Recipe | null {
  const order = plannedOrder(stand, bed)
  const recipe = order && sowingRecipe({ ...order, scaleStepG: plannedStep(stand, bed, imperial) })
  return recipe?.ok ? recipe.value : null
}
const FINEST_STEP_G = 0.01
/** How a sowing is done where nothing says. */
export const USUAL_COVERING: Covering = 'raked'
const USUAL_PASSES = 2

/** Seeds able to germinate per m² from grams sown on an area. */
export function viableSeedsPerM2(plant: Species, grams: number, germination: number, areaM2: number): number {
  return areaM2 > 0 ? ((grams * germination) / areaM2 / plant.parameters.thousandSeedG) * 1000 : 0
}
