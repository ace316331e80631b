import { viningLegume } from '../archetypes'
import { kind } from './define'

const shoots = { part: 'shoot tips', when: 'before flowers', how: 'raw or briefly cooked' }
const fastPods = { t65Cd: 70, t69Cd: 170, t71Cd: 180, t75Cd: 300, t85Cd: 450, t89Cd: 600 }

export const vetchesAndPeas = kind({ group: 'legume', family: 'Fabaceae', inoculantGroup: 'pea and vetch', rootKnot: 'host', habit: 'climbing', flowerValue: 1 }, [
  { id: 'hairy-vetch', name: 'Hairy vetch', shortName: 'vetch', scientificName: 'Vicia villosa', endingClass: 'vetch', flowerValue: 2, weediness: 2, pricePerKg: { low: 5, high: 10 },
    base: viningLegume, own: { drillKgHa: 25, thousandSeedG: 26, lt50HardyC: -14.5 } },
  { id: 'common-vetch', name: 'Common vetch', shortName: 'com.vetch', scientificName: 'Vicia sativa', endingClass: 'vetch', flowerValue: 2, weediness: 1, pricePerKg: { low: 3, high: 7 },
    base: viningLegume, own: { ...fastPods, t31Cd: 300, t51Cd: 520, t61Cd: 640, vernalDays: 10, vernalFloor: 0.6, photoFloor: 0.35, leafCm2: 2.4, leafGrowthPerCd: 0.0095, lightUseGMj: 1.4, lt50HardyC: -9, crownSoilShare: 0.35, heightM: 0.7, dormantShare: 0.08, drillKgHa: 65, thousandSeedG: 55 } },
  { id: 'winter-pea', name: 'Winter pea', shortName: 'wint. pea', scientificName: 'Pisum sativum (winter type)', endingClass: 'pea', pricePerKg: { low: 2, high: 5 }, edible: shoots,
    base: viningLegume, own: { ...fastPods, emergenceCd: 115, t31Cd: 330, t51Cd: 570, t61Cd: 700, vernalDays: 20, vernalFloor: 0.5, photoLowH: 8, photoFullH: 15, photoFloor: 0.25, leafCm2: 4.8, leafGrowthPerCd: 0.0095, lightUseGMj: 1.45, lt50HardyC: -10.3, crownSoilShare: 0.4, heightM: 1.1, dormantShare: 0.02, drillKgHa: 80, thousandSeedG: 130 } },
  { id: 'field-pea', name: 'Field pea (spring type)', shortName: 'pea', scientificName: 'Pisum sativum', endingClass: 'pea', pricePerKg: { low: 1.8, high: 4.5 }, edible: shoots,
    base: viningLegume, own: { ...fastPods, emergenceCd: 115, t31Cd: 300, t51Cd: 520, t61Cd: 640, vernalDays: 0, vernalFloor: 1, photoLowH: 8, photoFullH: 15, photoFloor: 0.55, leafCm2: 6.5, leafGrowthPerCd: 0.0112, lightUseGMj: 1.7, lt50TenderC: -4, lt50HardyC: -7, crownSoilShare: 0.25, heightM: 1.0, seedShare: 0.35, dormantShare: 0.01, drillKgHa: 110, thousandSeedG: 190, t89Cd: 520, t85Cd: 400 } },
  { id: 'faba-bean', name: 'Faba bean', shortName: 'faba', scientificName: 'Vicia faba', endingClass: 'faba', flowerValue: 2, rootPower: 2, rooting: 'tap', habit: 'upright', pricePerKg: { low: 2, high: 5 }, edible: { part: 'shoot tips, young beans', when: 'tips before pods', how: 'cooked' },
    base: viningLegume, own: { emergenceCd: 150, emergenceBaseC: 1, t31Cd: 280, t51Cd: 480, t61Cd: 600, t65Cd: 100, t69Cd: 280, t71Cd: 220, t75Cd: 380, t85Cd: 600, t89Cd: 820, vernalDays: 0, vernalFloor: 1, photoFloor: 0.5, leafCm2: 12, leafGrowthPerCd: 0.0105, extinction: 0.6, lightUseGMj: 1.6, lt50HardyC: -6.2, crownSoilShare: 0.3, heightM: 1.2, seedShare: 0.35, dormantShare: 0.01, drillKgHa: 160, thousandSeedG: 420 } },
  { id: 'white-lupin', name: 'White lupin', shortName: 'lupin', scientificName: 'Lupinus albus', endingClass: 'faba', inoculantGroup: 'lupin', flowerValue: 2, rootPower: 3, rooting: 'tap', habit: 'upright', pricePerKg: { low: 2.5, high: 6 },
    base: viningLegume, own: { emergenceCd: 120, emergenceBaseC: 2, t31Cd: 320, t51Cd: 540, t61Cd: 680, t65Cd: 100, t69Cd: 260, t71Cd: 220, t75Cd: 400, t85Cd: 660, t89Cd: 860, vernalDays: 12, vernalFloor: 0.5, photoFloor: 0.5, leafCm2: 9, leafGrowthPerCd: 0.01, lightUseGMj: 1.5, lt50HardyC: -5.8, crownSoilShare: 0.3, heightM: 0.9, seedShare: 0.3, dormantShare: 0.02, drillKgHa: 150, thousandSeedG: 320 } },
])
