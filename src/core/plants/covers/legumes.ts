import { clover, viningLegume } from '../archetypes'
import type { Species } from '../parameters'

const legume = { group: 'legume', family: 'Fabaceae', perennial: false, allelopathy: 0 } as const
const nitrogenSources = { nitrogenA: 'published', nitrogenB: 'published', drillKgHa: 'extension', thousandSeedG: 'extension' } as const

export const legumes: Species[] = [
  {
    ...legume,
    id: 'hairy-vetch', name: 'Hairy vetch', shortName: 'vetch', scientificName: 'Vicia villosa',
    endingClass: 'vetch', inoculantGroup: 'pea and vetch', flowerValue: 2, rootPower: 1,
    cautions: ['Seed and, in quantity, growth can poison some livestock. Ask a vet before grazing.'],
    parameters: { ...viningLegume, drillKgHa: 25, thousandSeedG: 30 },
    sources: nitrogenSources,
  },
  {
    ...legume,
    id: 'crimson-clover', name: 'Crimson clover', shortName: 'crimson', scientificName: 'Trifolium incarnatum',
    endingClass: 'crimson clover', inoculantGroup: 'true clovers', flowerValue: 3, rootPower: 1,
    cautions: ['Lush growth can bloat ruminants.'],
    parameters: { ...clover, drillKgHa: 18, thousandSeedG: 3.8 },
    sources: nitrogenSources,
  },
  {
    ...legume,
    id: 'red-clover', name: 'Red clover', shortName: 'red clov.', scientificName: 'Trifolium pratense',
    endingClass: 'perennial clover', perennial: true, inoculantGroup: 'true clovers', flowerValue: 3, rootPower: 2,
    cautions: ['Lush growth can bloat ruminants.'],
    parameters: {
      ...clover, t31Cd: 550, t51Cd: 850, t61Cd: 1000, developBaseC: 3, developOptLowC: 20, developOptHighC: 26, vernalDays: 0, vernalFloor: 1,
      photoLowH: 10, photoFullH: 15.5, photoFloor: 0.1, leafCm2: 0.22, leafGrowthPerCd: 0.0088, extinction: 0.65, lightUseGMj: 1.75,
      growBaseC: 4, growOptLowC: 15, growMaxC: 35, lt50HardyC: -22, crownSoilShare: 0.6, heightM: 0.6, drillKgHa: 11, thousandSeedG: 1.8,
    },
    sources: nitrogenSources,
  },
  {
    ...legume,
    id: 'field-pea', name: 'Field pea (spring type)', shortName: 'pea', scientificName: 'Pisum sativum',
    endingClass: 'pea', inoculantGroup: 'pea and vetch', flowerValue: 1, rootPower: 1, cautions: [],
    parameters: {
      ...viningLegume, emergenceCd: 115, t31Cd: 300, t51Cd: 520, t61Cd: 640, t65Cd: 70, t69Cd: 170, t71Cd: 180, t75Cd: 300, t85Cd: 450, t89Cd: 600,
      vernalDays: 0, vernalFloor: 1, photoLowH: 8, photoFullH: 15, photoFloor: 0.55, leafCm2: 6.5, leafGrowthPerCd: 0.0112, lightUseGMj: 2.0,
      lt50TenderC: -4, lt50HardyC: -7, crownSoilShare: 0.25, heightM: 1.0, drillKgHa: 110, thousandSeedG: 190,
    },
    sources: nitrogenSources,
  },
  {
    ...legume,
    id: 'winter-pea', name: 'Winter pea', shortName: 'wint. pea', scientificName: 'Pisum sativum (winter type)',
    endingClass: 'pea', inoculantGroup: 'pea and vetch', flowerValue: 1, rootPower: 1, cautions: [],
    parameters: {
      ...viningLegume, emergenceCd: 115, t31Cd: 330, t51Cd: 570, t61Cd: 700, t65Cd: 70, t69Cd: 170, t71Cd: 180, t75Cd: 300, t85Cd: 450, t89Cd: 600,
      vernalDays: 20, vernalFloor: 0.5, photoLowH: 8, photoFullH: 15, photoFloor: 0.25, leafCm2: 4.8, leafGrowthPerCd: 0.0095, lightUseGMj: 1.7,
      lt50HardyC: -13, crownSoilShare: 0.4, heightM: 1.1, drillKgHa: 80, thousandSeedG: 130,
    },
    sources: nitrogenSources,
  },
  {
    ...legume,
    id: 'faba-bean', name: 'Faba bean', shortName: 'faba', scientificName: 'Vicia faba',
    endingClass: 'faba', inoculantGroup: 'pea and vetch', flowerValue: 2, rootPower: 2,
    cautions: ['Raw beans harm people with favism (G6PD deficiency).'],
    parameters: {
      ...viningLegume, emergenceCd: 150, emergenceBaseC: 1, t31Cd: 280, t51Cd: 480, t61Cd: 600, t65Cd: 100, t69Cd: 280, t71Cd: 220, t75Cd: 380, t85Cd: 600, t89Cd: 820,
      vernalDays: 0, vernalFloor: 1, photoFloor: 0.5, leafCm2: 12, leafGrowthPerCd: 0.0105, extinction: 0.6, lightUseGMj: 2.0,
      lt50HardyC: -9, crownSoilShare: 0.3, heightM: 1.2, drillKgHa: 160, thousandSeedG: 420,
    },
    sources: nitrogenSources,
  },
]
