import { springCereal, warmGrass, winterCereal } from '../archetypes'
import type { Species } from '../parameters'

const grass = { group: 'grass', family: 'Poaceae', inoculantGroup: null, flowerValue: 0, perennial: false } as const

export const grasses: Species[] = [
  {
    ...grass,
    id: 'cereal-rye', name: 'Cereal rye', shortName: 'rye', scientificName: 'Secale cereale',
    endingClass: 'winter cereal', rootPower: 2, allelopathy: 1, cautions: [],
    parameters: { ...winterCereal, drillKgHa: 100, thousandSeedG: 28 },
    sources: { drillKgHa: 'extension', thousandSeedG: 'extension', nitrogenA: 'published', nitrogenB: 'published' },
  },
  {
    ...grass,
    id: 'triticale', name: 'Triticale', shortName: 'triticale', scientificName: '× Triticosecale',
    endingClass: 'winter cereal', rootPower: 2, allelopathy: 0.5, cautions: [],
    parameters: { ...winterCereal, t31Cd: 390, t51Cd: 760, t61Cd: 970, lt50HardyC: -22, heightM: 1.2, drillKgHa: 110, thousandSeedG: 40 },
    sources: { drillKgHa: 'extension', thousandSeedG: 'extension', nitrogenA: 'published', nitrogenB: 'published' },
  },
  {
    ...grass,
    id: 'oats', name: 'Oats', shortName: 'oats', scientificName: 'Avena sativa',
    endingClass: 'spring cereal', rootPower: 1, allelopathy: 0.4, cautions: [],
    parameters: { ...springCereal, drillKgHa: 100, thousandSeedG: 32 },
    sources: { drillKgHa: 'extension', thousandSeedG: 'extension', nitrogenA: 'published', nitrogenB: 'published' },
  },
  {
    ...grass,
    id: 'annual-ryegrass', name: 'Annual ryegrass', shortName: 'ryegrass', scientificName: 'Lolium multiflorum',
    endingClass: 'ryegrass', rootPower: 2, allelopathy: 0.3,
    cautions: ['Shatters seed early and can become a weed. End it before seed sets.'],
    parameters: {
      ...winterCereal, emergenceCd: 110, t31Cd: 480, t51Cd: 820, t61Cd: 1010, vernalDays: 20, vernalFloor: 0.35, leafCm2: 0.25,
      leafGrowthPerCd: 0.0105, lightUseGMj: 2.7, specificLeafM2G: 0.026, lt50HardyC: -14, crownSoilShare: 0.5, heightM: 0.8,
      nitrogenA: 4.8, nitrogenB: 0.32, drillKgHa: 22, thousandSeedG: 2.3,
    },
    sources: { drillKgHa: 'extension', thousandSeedG: 'extension', nitrogenA: 'published', nitrogenB: 'published' },
  },
  {
    ...grass,
    id: 'sorghum-sudangrass', name: 'Sorghum-sudangrass', shortName: 'sorghum', scientificName: 'Sorghum bicolor × S. sudanense',
    endingClass: 'sorghum', rootPower: 2, allelopathy: 0.9,
    cautions: ['Young or frosted leaves can poison grazing animals. Ask a vet before feeding it.'],
    parameters: { ...warmGrass, drillKgHa: 40, thousandSeedG: 25 },
    sources: { drillKgHa: 'extension', thousandSeedG: 'extension', nitrogenA: 'published', nitrogenB: 'published' },
  },
]
