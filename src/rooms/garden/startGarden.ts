import { CLIMATE_TYPES, siteFromType } from '../../core/site/climateTypes'
import type { GardenData } from '../../core/garden/schema'
import { newId } from '../../data/ids'
import { bedsOfGroup, toMetres, toolOf, type StartValue } from './forms'

/** A new garden from what was filled in; beds are labelled and walked in the order given. */
export function startGarden(value: StartValue, tools: Parameters<typeof toolOf>[0][]): GardenData {
  const gardenId = newId('garden')
  const type = CLIMATE_TYPES.find((item) => item.id === value.climateType) ?? CLIMATE_TYPES[0]
  const names = [...new Set(value.groups.map((group) => group.section))]
  const sections = names.map((name) => ({ id: newId('section'), name }))
  const beds: GardenData['beds'] = []
  for (const group of value.groups) {
    const section = sections[names.indexOf(group.section)]
    beds.push(
      ...bedsOfGroup(
        group,
        value.units,
        gardenId,
        section.id,
        beds.length,
        new Set(beds.map((bed) => bed.label)),
      ),
    )
  }
  return {
    garden: {
      id: gardenId,
      name: value.name,
      site: siteFromType(type, value.latitude, toMetres(value.elevation, value.units)),
      climateType: type.id,
      sections,
      tools: tools.map((tool) => toolOf(tool, value.units)),
      units: value.units,
      currency: value.currency,
      waitDays: { transplant: 7, seed: 14 },
      demo: null,
    },
    beds,
    stands: [],
    checks: [],
  }
}
