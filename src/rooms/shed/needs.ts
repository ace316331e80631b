import { segmentAreaM2 } from '../../core/garden/area'
import type { GardenData } from '../../core/garden/schema'
import { isSelfSown } from '../../core/garden/timeline'
import type { SeedLot } from '../../core/garden/seed'
import { drawDown } from '../../core/seeding/lots'
import { sowingRecipe } from '../../core/seeding/recipe'

/** What one species is wanted for: by bed, what is at hand, and what must be bought, g. */
export type SeedNeed = { speciesId: string; wantedG: number; beds: string[]; atHandG: number; shortG: number }

const SCALE_STEP_G = 1

/** Seed that all sowings planned and not done yet need, against what is at hand. */
export function seedNeeds(data: GardenData, lots: readonly SeedLot[]): SeedNeed[] {
  const needs = new Map<string, { wantedG: number; beds: string[] }>()
  for (const stand of data.stands) {
    const bed = data.beds.find((entry) => entry.id === stand.bedId)
    if (!bed || stand.content.kind !== 'cover' || stand.start.actual || !stand.start.plan) continue
    if (isSelfSown(stand)) continue
    const recipe = sowingRecipe({
      areaM2: segmentAreaM2(bed, stand.segment),
      covering: stand.start.plan.covering ?? 'raked',
      passes: stand.start.plan.passes ?? 2,
      scaleStepG: SCALE_STEP_G,
      components: stand.content.components,
    })
    if (!recipe.ok) continue
    for (const { speciesId, grams } of recipe.value.lines) {
      const need = needs.get(speciesId) ?? { wantedG: 0, beds: [] }
      need.wantedG += grams
      if (!need.beds.includes(bed.label)) need.beds.push(bed.label)
      needs.set(speciesId, need)
    }
  }
  return [...needs].map(([speciesId, { wantedG, beds }]) => {
    const { short } = drawDown(lots, speciesId, wantedG)
    return { speciesId, wantedG, beds, atHandG: wantedG - short, shortG: short }
  })
}
