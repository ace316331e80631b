import { FRESH_GARDEN } from '../core/garden/fresh'
import { bedsInSections, type BedGroup } from './beds'
import type { Garden, GardenData } from '../core/garden/schema'
import { PLACE_NOT_TOLD } from '../core/garden/placeTold'
import { askedClimate, type AskedClimate } from '../core/site/askedClimate'
import { newId } from '../data/ids'

/** Days waited between a dead cover and planting, until the grower says otherwise. */
const USUAL_WAIT = { transplant: 7, seed: 14 }

/** What is computed with until then: a middle latitude with cold winters and warm summers. */
const ANYWHERE = {
  latitude: 45,
  climate: { winter: 'cold', summer: 'warm', rain: 'all year' } satisfies AskedClimate,
}

/** What is asked for a new garden: its place (degrees north) and how its climate is, null where it is told later; beds and tools. */
export type NewGarden = Pick<Garden, 'name' | 'units' | 'currency' | 'tools' | 'begunOn'> & {
  place: { latitude: number; climate: AskedClimate } | null
  groups: readonly BedGroup[]
}

/** A new garden, nothing in its beds yet. */
export function startGarden({ place, groups, ...own }: NewGarden): GardenData {
  const id = newId('garden')
  const { latitude, climate } = place ?? ANYWHERE
  const { type, site } = askedClimate(climate, latitude)
  const { sections, beds } = bedsInSections(id, groups)
  return {
    garden: {
      ...FRESH_GARDEN,
      id,
      ...own,
      site,
      climateType: place ? type.id : PLACE_NOT_TOLD,
      sections,
      waitDays: { ...USUAL_WAIT },
      demo: null,
    },
    beds,
    stands: [],
    checks: [],
  }
}
