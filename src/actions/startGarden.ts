import { FRESH_GARDEN, USUAL_CLIMATE } from '../core/garden/fresh'
import { bedsInSections, type BedGroup } from './beds'
import type { Garden, GardenData } from '../core/garden/schema'
import type { Home, SiteClimate } from '../core/garden/site'
import { newId } from '../data/ids'

/** Days waited between a dead cover and planting, until the grower says otherwise. */
const USUAL_WAIT = { transplant: 7, seed: 14 }

/** What is computed with until then: a middle latitude with cold winters and warm summers. */
const ANYWHERE: SiteClimate = {
  ...USUAL_CLIMATE,
  latitude: 45,
  elevationM: 250,
  coastal: false,
  tMaxC: [-1, 1, 7, 14, 20, 24, 26, 25, 21, 14, 7, 1],
  tMinC: [-7, -6, -2, 3, 8, 13, 15, 14, 10, 5, 0, -5],
  rainMm: [45, 40, 50, 60, 75, 85, 85, 80, 70, 60, 55, 50],
  wetDays: [10, 9, 10, 10, 11, 11, 10, 10, 9, 9, 10, 10],
}

/** What is asked for a new garden: its home with the normals of the usual year there, null where it is told later; beds and tools. */
export type NewGarden = Pick<Garden, 'name' | 'units' | 'currency' | 'tools' | 'begunOn'> & {
  place: { home: Home; site: SiteClimate } | null
  groups: readonly BedGroup[]
}

/** A new garden, nothing in its beds yet. */
export function startGarden({ place, groups, ...own }: NewGarden): GardenData {
  const id = newId('garden')
  const { sections, beds } = bedsInSections(id, groups)
  return {
    garden: {
      ...FRESH_GARDEN,
      id,
      ...own,
      site: place?.site ?? ANYWHERE,
      home: place?.home ?? null,
      sections,
      waitDays: { ...USUAL_WAIT },
      demo: null,
    },
    beds,
    stands: [],
    checks: [],
  }
}
