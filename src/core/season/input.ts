import { dayNumber } from '../foundations/day'
import { segmentAreaM2 } from '../garden/area'
import type { Bed, Stand } from '../garden/schema'
import { latest } from '../garden/timeline'
import { findSpecies, seedSize } from '../plants/catalogue'
import { DEPTH_CM, EMERGENCE_SHARE } from '../plants/establishment'
import { sowingRecipe, viableSeedsPerM2 } from '../seeding/recipe'
import type { SownSpecies, StandInput } from '../stand/types'

/** Covering taken for plans that do not say. */
const USUAL_COVERING = 'raked'
/** Seeds and expected emergence of a cover as weighed, or as the recipe would have it. Empty for crops. */
export function sownSpecies(stand: Stand, bed: Bed): SownSpecies[] {
  if (stand.content.kind !== 'cover') return []
  const start = latest(stand.start)
  const components = start && start.components.length > 0 ? start.components : stand.content.components
  const covering = start?.covering ?? USUAL_COVERING
  const areaM2 = segmentAreaM2(bed, stand.segment)
  return components.flatMap((component) => {
    const plant = findSpecies(component.speciesId)
    if (!plant) return []
    let grams = component.grams
    if (grams === null) {
      const recipe = sowingRecipe({ areaM2, covering, passes: 1, scaleStepG: 0.01, components: [component] })
      grams = recipe.ok ? recipe.value.totalGrams : 0
    }
    return [
      {
        plant,
        seedsPerM2: viableSeedsPerM2(plant, grams, component.germination, areaM2),
        emergenceShare: EMERGENCE_SHARE[covering][seedSize(plant)],
        depthCm: DEPTH_CM[covering][seedSize(plant)],
      },
    ]
  })
}

/** Plants per m² that should come up of what was sown. */
export const plantsExpected = (sown: readonly SownSpecies[]) =>
  sown.reduce((sum, component) => sum + component.seedsPerM2 * component.emergenceShare, 0)

/** Watering by hand as it was recorded or is planned. */
export function wateringOf(stand: Stand): StandInput['watering'] {
  const keptMoistDays = latest(stand.start)?.keptMoistDays ?? 0
  const mm = new Map<number, number>()
  for (const watering of stand.waterings) {
    const day = dayNumber(watering.date)
    mm.set(day, (mm.get(day) ?? 0) + watering.mm)
  }
  return { keptMoistDays, mm }
}
