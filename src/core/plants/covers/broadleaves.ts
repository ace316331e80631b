import { brassica, softBroadleaf } from '../archetypes'
import type { Species } from '../parameters'

const broadleaf = { group: 'broadleaf', perennial: false, inoculantGroup: null } as const
const rateSources = { drillKgHa: 'extension', thousandSeedG: 'extension' } as const

export const broadleaves: Species[] = [
  {
    ...broadleaf,
    id: 'buckwheat', name: 'Buckwheat', shortName: 'buckwheat', scientificName: 'Fagopyrum esculentum', family: 'Polygonaceae',
    endingClass: 'buckwheat', flowerValue: 3, rootPower: 0, allelopathy: 0,
    cautions: ['Ripens seed within weeks of flowering. Cut it before the seed turns brown.'],
    parameters: {
      ...softBroadleaf, emergenceCd: 54, emergenceBaseC: 6, t31Cd: 105, t51Cd: 235, t61Cd: 345, t65Cd: 90, t69Cd: 350, t71Cd: 170, t75Cd: 260, t85Cd: 420, t89Cd: 620,
      developBaseC: 6, developOptLowC: 24, developOptHighC: 30, developMaxC: 40, photoFloor: 1,
      leafCm2: 3.0, leafGrowthPerCd: 0.0155, specificLeafM2G: 0.03, growBaseC: 6, growOptLowC: 18, growOptHighC: 28, growMaxC: 38,
      lt50TenderC: -1, lt50HardyC: -1.5, crownSoilShare: 0, heatC: 38, heightM: 0.8, drillKgHa: 60, thousandSeedG: 27,
    },
    sources: rateSources,
  },
  {
    ...broadleaf,
    id: 'phacelia', name: 'Phacelia', shortName: 'phacelia', scientificName: 'Phacelia tanacetifolia', family: 'Boraginaceae',
    endingClass: 'phacelia', flowerValue: 3, rootPower: 1, allelopathy: 0, cautions: ['Hairs can irritate bare skin. Wear gloves when cutting.'],
    parameters: { ...softBroadleaf, drillKgHa: 10, thousandSeedG: 1.9 },
    sources: rateSources,
  },
  {
    ...broadleaf,
    id: 'oilseed-radish', name: 'Oilseed radish', shortName: 'radish', scientificName: 'Raphanus sativus var. oleiformis', family: 'Brassicaceae',
    endingClass: 'radish', flowerValue: 1, rootPower: 3, allelopathy: 0, cautions: [],
    parameters: { ...brassica, drillKgHa: 15, thousandSeedG: 12 },
    sources: rateSources,
  },
  {
    ...broadleaf,
    id: 'white-mustard', name: 'White mustard', shortName: 'mustard', scientificName: 'Sinapis alba', family: 'Brassicaceae',
    endingClass: 'brassica', flowerValue: 2, rootPower: 1, allelopathy: 0.5, cautions: ['Sets seed quickly in long days. Cut it in flower.'],
    parameters: { ...brassica, emergenceCd: 58, t31Cd: 260, t51Cd: 420, t61Cd: 560, vernalDays: 0, vernalFloor: 1, photoLowH: 10, photoFloor: 0.4, leafCm2: 1.1, lt50HardyC: -5.5, heightM: 1.2, drillKgHa: 13, thousandSeedG: 6.5 },
    sources: rateSources,
  },
  {
    ...broadleaf,
    id: 'winter-rape', name: 'Winter rape', shortName: 'rape', scientificName: 'Brassica napus', family: 'Brassicaceae',
    endingClass: 'brassica', flowerValue: 3, rootPower: 2, allelopathy: 0.4, cautions: [],
    parameters: { ...brassica, emergenceCd: 75, t31Cd: 420, t51Cd: 640, t61Cd: 800, vernalDays: 40, vernalFloor: 0.05, photoLowH: 8, photoFloor: 0.35, leafCm2: 0.9, leafGrowthPerCd: 0.0115, lt50HardyC: -16, crownSoilShare: 0.4, heightM: 1.4, drillKgHa: 7, thousandSeedG: 4.5 },
    sources: rateSources,
  },
]
