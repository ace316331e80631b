import { clover } from '../archetypes'
import { kind } from './define'

const blossoms = { part: 'flowers', when: 'in bloom', how: 'fresh or dried for tea, in small amounts' }
const perennialGrowth = { vernalDays: 0, vernalFloor: 1, photoLowH: 10, photoFullH: 15.5, photoFloor: 0.1 }

export const clovers = kind({ group: 'legume', family: 'Fabaceae', inoculantGroup: 'true clovers', flowerValue: 3, rootPower: 1, rootKnot: 'host', habit: 'spreading' }, [
  { id: 'crimson-clover', name: 'Crimson clover', shortName: 'crimson', scientificName: 'Trifolium incarnatum', endingClass: 'crimson clover', habit: 'upright', weediness: 1, pricePerKg: { low: 5, high: 10 }, edible: blossoms, rooting: 'tap',
    base: clover, own: { dormantShare: 0.15, drillKgHa: 18, thousandSeedG: 3.2, lt50HardyC: -8.5 } },
  { id: 'red-clover', name: 'Red clover', shortName: 'red clov.', scientificName: 'Trifolium pratense', endingClass: 'perennial clover', perennial: true, rootPower: 2, rooting: 'tap', habit: 'upright', weediness: 1, pricePerKg: { low: 7, high: 13 }, edible: blossoms,
    base: clover, own: { ...perennialGrowth, t31Cd: 550, t51Cd: 850, t61Cd: 1000, developBaseC: 3, developOptLowC: 20, developOptHighC: 26, leafCm2: 0.22, leafGrowthPerCd: 0.0088, extinction: 0.65, lightUseGMj: 1.75, growBaseC: 4, growOptLowC: 15, growMaxC: 35, lt50HardyC: -11, crownSoilShare: 0.6, heightM: 0.6, rootShare: 0.4, drillKgHa: 11, thousandSeedG: 1.8 } },
  { id: 'white-clover', name: 'White clover', shortName: 'wh. clov.', scientificName: 'Trifolium repens', endingClass: 'perennial clover', perennial: true, rooting: 'branching', weediness: 2, pricePerKg: { low: 9, high: 16 }, edible: blossoms,
    base: clover, own: { ...perennialGrowth, emergenceCd: 80, t31Cd: 520, t51Cd: 820, t61Cd: 960, developBaseC: 3, leafCm2: 0.12, leafGrowthPerCd: 0.0086, extinction: 0.75, lightUseGMj: 1.2, growBaseC: 4, growOptLowC: 15, lt50HardyC: -10, crownSoilShare: 0.65, heightM: 0.25, rootShare: 0.38, dormantShare: 0.5, drillKgHa: 5, thousandSeedG: 0.65 } },
  { id: 'berseem-clover', name: 'Berseem clover', shortName: 'berseem', scientificName: 'Trifolium alexandrinum', endingClass: 'annual clover', habit: 'upright', pricePerKg: { low: 5, high: 9 }, rooting: 'tap',
    base: clover, own: { t31Cd: 320, t51Cd: 600, t61Cd: 740, vernalDays: 0, vernalFloor: 1, photoFloor: 0.4, leafGrowthPerCd: 0.0105, lightUseGMj: 1.7, lt50TenderC: -3, lt50HardyC: -6, crownSoilShare: 0.25, heightM: 0.6, dormantShare: 0.1, drillKgHa: 14, thousandSeedG: 2.9 } },
  { id: 'subterranean-clover', name: 'Subterranean clover', shortName: 'sub clov.', scientificName: 'Trifolium subterraneum', endingClass: 'annual clover', weediness: 2, flowerValue: 1, pricePerKg: { low: 7, high: 13 },
    base: clover, own: { t31Cd: 300, t51Cd: 520, t61Cd: 640, vernalDays: 25, leafCm2: 0.5, extinction: 0.75, lightUseGMj: 1.35, lt50HardyC: -6.5, crownSoilShare: 0.55, heightM: 0.25, seedShare: 0.2, dormantShare: 0.5, drillKgHa: 20, thousandSeedG: 6.5 } },
  { id: 'alfalfa', name: 'Alfalfa', shortName: 'alfalfa', scientificName: 'Medicago sativa', endingClass: 'perennial clover', perennial: true, inoculantGroup: 'alfalfa and sweetclover', rootPower: 3, rooting: 'tap', habit: 'upright', pricePerKg: { low: 8, high: 14 }, edible: { part: 'sprouted seed and young shoots', when: 'before buds', how: 'cooked; not for people on blood thinners' },
    base: clover, own: { ...perennialGrowth, emergenceCd: 70, t31Cd: 480, t51Cd: 780, t61Cd: 920, developBaseC: 4, leafCm2: 0.25, leafGrowthPerCd: 0.0092, lightUseGMj: 1.8, growBaseC: 4, growOptLowC: 17, growOptHighC: 28, growMaxC: 38, heatC: 41, lt50HardyC: -12, crownSoilShare: 0.65, heightM: 0.75, rootShare: 0.45, drillKgHa: 18, thousandSeedG: 2.1 } },
  { id: 'sweetclover', name: 'Yellow sweetclover', shortName: 'sweetcl.', scientificName: 'Melilotus officinalis', endingClass: 'perennial clover', perennial: true, inoculantGroup: 'alfalfa and sweetclover', rootPower: 3, rooting: 'tap', habit: 'upright', weediness: 3, pricePerKg: { low: 6, high: 11 },
    cautions: ['Listed as invasive in some places, and its seed lies for decades. Check local rules.'],
    base: clover, own: { ...perennialGrowth, t31Cd: 520, t51Cd: 860, t61Cd: 1040, leafCm2: 0.25, leafGrowthPerCd: 0.009, lightUseGMj: 1.8, lt50HardyC: -14, crownSoilShare: 0.6, heightM: 1.4, rootShare: 0.45, dormantShare: 0.7, drillKgHa: 10, thousandSeedG: 1.8, vernalDays: 40, vernalFloor: 0 } },
])
