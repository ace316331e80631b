import { bedsInSections, type BedGroup } from './beds'
import type { Garden, GardenData } from '../core/garden/schema'
import { CLIMATE_TYPES, siteFromType } from '../core/site/climateTypes'
import { newId } from '../data/ids'

/** Days waited between a dead cover and planting, until the grower says otherwise. */
const USUAL_WAIT = { transplant: 7, seed: 14 }

/** What is asked for a new garden: its place (degrees north, m above the sea), beds and tools. */
export type NewGarden = Pick<Garden, 'name' | 'units' | 'currency' | 'tools' | 'climateType'> & {
  latitude: number
  elevationM: number
  groups: readonly BedGroup[]
}

/** A new garden, nothing in its beds yet. */
export function startGarden({ latitude, elevationM, groups, climateType, ...own }: NewGarden): GardenData {
  const id = newId('garden')
  const type = CLIMATE_TYPES.find((item) => item.id === climateType) ?? CLIMATE_TYPES[0]
  const { sections, beds } = bedsInSections(id, groups)
  return {
    garden: {
      id,
      ...own,
      site: siteFromType(type, latitude, elevationM),
      climateType: type.id,
      sections,
      waitDays: { ...USUAL_WAIT },
      demo: null,
    },
    beds,
    stands: [],
    checks: [],
  }
}
