import { archetypeOf, withCalibration, type ArchetypeName } from '../calibration'
import { HARMS } from '../harms'
import type { Species, SpeciesParameters } from '../parameters'
import { SEED_FACTS, type SeedFacts } from '../seedFacts'

type Facts = Omit<Species, 'parameters' | 'stated' | 'archetype' | 'sources' | 'harms' | keyof SeedFacts>
type Shared = 'group' | 'family' | 'perennial' | 'yearlyLoss' | 'inoculantGroup' | 'flowerValue' | 'rootPower' | 'allelopathy' | 'cautions' | 'season' | 'habit' | 'rooting' | 'edible' | 'weediness' | 'rootKnot' | 'biofumigant' | 'endingClass'

/** What a species of a kind states: what differs from its kind, and its parameters where they differ from the archetype. */
export type Entry = Omit<Facts, Shared> & Partial<Pick<Facts, Shared>> & { base: SpeciesParameters; own: Partial<SpeciesParameters> }

const USUAL: Omit<Pick<Facts, Shared>, 'group' | 'family' | 'endingClass'> = {
  perennial: false, yearlyLoss: 0, inoculantGroup: null, flowerValue: 0, rootPower: 1, allelopathy: 0, cautions: [], season: 'cool', habit: 'upright',
  rooting: 'fibrous', edible: null, weediness: 0, rootKnot: 'poor host', biofumigant: 0,
}

const EXTENSION = { class: 'extension', reference: 'seeding guides of extension services' } as const

/** Where the critical nitrogen of each kind was published. */
const CRITICAL_NITROGEN: Record<ArchetypeName, string> = {
  winterCereal: 'Justes et al. 1994, winter wheat',
  springCereal: 'Justes et al. 1994, winter wheat',
  warmGrass: 'Lemaire and Gastal 1997, C4 grasses',
  viningLegume: 'Ney et al. 1997, pea',
  clover: 'Ney et al. 1997, pea',
  warmLegume: 'Ney et al. 1997, pea',
  brassica: 'Lemaire and Gastal 1997, C3 crops',
  softBroadleaf: 'Lemaire and Gastal 1997, C3 crops',
}

/** Rates and seed weights come from extension guides; critical nitrogen is published by kind; the rest is judgement. */
function sourcesOf(archetype: ArchetypeName, own: Partial<SpeciesParameters>): Species['sources'] {
  const published = { class: 'published', reference: CRITICAL_NITROGEN[archetype] } as const
  return {
    drillKgHa: EXTENSION,
    thousandSeedG: EXTENSION,
    ...(own.nitrogenA === undefined && { nitrogenA: published }),
    ...(own.nitrogenB === undefined && { nitrogenB: published }),
  }
}

/** Makes the species of a kind from what they share and what each states. */
export function kind(shared: Partial<Pick<Facts, Shared>> & Pick<Facts, 'group'>, entries: readonly Entry[]): Species[] {
  return entries.map(({ base, own, ...entry }) => {
    const archetype = archetypeOf(base)
    const stated = { ...base, ...own }
    return {
      ...USUAL, ...shared, ...entry, harms: HARMS[entry.id] ?? [], archetype, stated,
      parameters: withCalibration(stated, archetype, entry.id),
      sources: sourcesOf(archetype, own),
      ...SEED_FACTS[entry.id],
    } as Species
  })
}
