import { dayNumber } from '../foundations/day'
import { segmentAreaM2 } from '../garden/area'
import type { Bed, Stand } from '../garden/schema'
import { latest } from '../garden/timeline'
import { findSpecies, seedSize } from '../plants/catalogue'
import { DEPTH_CM, EMERGENCE_SHARE } from '../plants/establishment'
import { sowingRecipe, viableSeedsPerM2 } from '../seeding/recipe'
import { shadeOf } from '../plants/shade'
import type { SownSpecies, StandInput } from '../stand/types'

/** Covering taken for plans that do not say. */
const USUAL_COVERING = 'raked'
/** Light a standing cover takes from what is sown under it (judgement, 0.3–0.8). */
const COVER_SHADE = 0.55
/** A cover above is taken to stand until it is ended. */
const NO_FROST_KILLS_C = -60

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

/** The crop above a stand sown under it, until light returns or frost takes it. */
export function canopyAbove(stand: Stand, stands: readonly Stand[]): StandInput['canopyAbove'] {
  const upper = stands.find((other) => other.id === stand.underStandId)
  if (!upper) return null
  const end = latest(upper.end)
  return (
    shadeOf(upper) ?? (end && { share: COVER_SHADE, untilDay: dayNumber(end.date), frostC: NO_FROST_KILLS_C })
  )
}

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
