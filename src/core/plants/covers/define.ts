import { archetypeOf, withCalibration } from '../calibration'
import { HARMS } from '../harms'
import type { PlantGroup, Species, SpeciesParameters } from '../parameters'

type Facts = Omit<Species, 'parameters' | 'stated' | 'archetype' | 'sources' | 'harms'>
type Shared = 'group' | 'family' | 'perennial' | 'inoculantGroup' | 'flowerValue' | 'rootPower' | 'allelopathy' | 'cautions' | 'season' | 'habit' | 'rooting' | 'edible' | 'weediness' | 'rootKnot' | 'biofumigant' | 'endingClass'

/** What a species of a kind states: what differs from its kind, and its parameters where they differ from the archetype. */
export type Entry = Omit<Facts, Shared> & Partial<Pick<Facts, Shared>> & { base: SpeciesParameters; own: Partial<SpeciesParameters> }

const USUAL: Omit<Pick<Facts, Shared>, 'group' | 'family' | 'endingClass'> = {
  perennial: false, inoculantGroup: null, flowerValue: 0, rootPower: 1, allelopathy: 0, cautions: [], season: 'cool', habit: 'upright',
  rooting: 'fibrous', edible: null, weediness: 0, rootKnot: 'poor host', biofumigant: 0,
}

/** Rates and seed weights come from extension guides; critical nitrogen is published by class; the rest is judgement. */
const SOURCES: Record<PlantGroup, Species['sources']> = {
  grass: { drillKgHa: 'extension', thousandSeedG: 'extension', nitrogenA: 'published', nitrogenB: 'published' },
  legume: { drillKgHa: 'extension', thousandSeedG: 'extension', nitrogenA: 'published', nitrogenB: 'published' },
  broadleaf: { drillKgHa: 'extension', thousandSeedG: 'extension' },
}

/** Makes the species of a kind from what they share and what each states. */
export function kind(shared: Partial<Pick<Facts, Shared>> & Pick<Facts, 'group'>, entries: readonly Entry[]): Species[] {
  return entries.map(({ base, own, ...entry }) => {
    const archetype = archetypeOf(base)
    const stated = { ...base, ...own }
    return {
      ...USUAL, ...shared, ...entry, harms: HARMS[entry.id] ?? [], archetype, stated,
      parameters: withCalibration(stated, archetype, entry.id),
      sources: SOURCES[shared.group],
    } as Species
  })
}
