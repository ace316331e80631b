import { brassica } from '../archetypes'
import { kind } from './define'

const greens = { part: 'young leaves', when: 'before flower stems', how: 'raw when small, else cooked' }

export const brassicas = kind({ group: 'broadleaf', family: 'Brassicaceae', endingClass: 'brassica', rooting: 'tap', habit: 'rosette', flowerValue: 2, rootKnot: 'host', weediness: 1 }, [
  { id: 'oilseed-radish', name: 'Oilseed radish', shortName: 'radish', scientificName: 'Raphanus sativus var. oleiformis', endingClass: 'radish', rootPower: 3, flowerValue: 1, biofumigant: 2, rootKnot: 'depends on cultivar', pricePerKg: { low: 4, high: 8 }, edible: greens,
    base: brassica, own: { drillKgHa: 15, thousandSeedG: 12, vernalDays: 0, vernalFloor: 1, t31Cd: 250, t51Cd: 480, t61Cd: 600 } },
  { id: 'tillage-radish', name: 'Tillage radish', shortName: 'till.rad.', scientificName: 'Raphanus sativus var. longipinnatus', endingClass: 'radish', rootPower: 3, flowerValue: 1, rootKnot: 'depends on cultivar', pricePerKg: { low: 5, high: 10 }, edible: { part: 'roots and young leaves', when: 'roots before they grow woody', how: 'raw or cooked' },
    base: brassica, own: { t51Cd: 560, t61Cd: 700, rootShare: 0.4, lt50HardyC: -6, heightM: 0.9, drillKgHa: 9, thousandSeedG: 13, vernalDays: 0, vernalFloor: 1, t31Cd: 300 } },
  { id: 'white-mustard', name: 'White mustard', shortName: 'mustard', scientificName: 'Sinapis alba', allelopathy: 0.5, biofumigant: 2, habit: 'upright', weediness: 2, pricePerKg: { low: 3, high: 6 }, edible: greens, cautions: ['Sets seed quickly in long days. Cut it in flower.'],
    base: brassica, own: { emergenceCd: 58, t31Cd: 260, t51Cd: 420, t61Cd: 560, vernalDays: 0, vernalFloor: 1, photoLowH: 10, photoFloor: 0.65, leafCm2: 1.1, lt50HardyC: -5.5, heightM: 1.2, drillKgHa: 13, thousandSeedG: 6.5 } },
  { id: 'brown-mustard', name: 'Brown mustard', shortName: 'br.must.', scientificName: 'Brassica juncea', allelopathy: 0.5, biofumigant: 3, habit: 'upright', weediness: 2, pricePerKg: { low: 4, high: 9 }, edible: greens,
    base: brassica, own: { emergenceCd: 58, t31Cd: 280, t51Cd: 450, t61Cd: 600, vernalDays: 0, vernalFloor: 1, photoLowH: 10, photoFloor: 0.65, leafCm2: 0.8, lt50HardyC: -5.5, heightM: 1.3, drillKgHa: 9, thousandSeedG: 3 } },
  { id: 'winter-rape', name: 'Winter rape', shortName: 'rape', scientificName: 'Brassica napus', allelopathy: 0.4, biofumigant: 1, flowerValue: 3, rootPower: 2, pricePerKg: { low: 3, high: 6 }, edible: greens,
    base: brassica, own: { emergenceCd: 75, t31Cd: 420, t51Cd: 640, t61Cd: 800, vernalDays: 56, vernalFloor: 0.01, photoLowH: 8, photoFloor: 0.35, leafCm2: 0.9, leafGrowthPerCd: 0.0115, lt50HardyC: -11.5, crownSoilShare: 0.4, heightM: 1.4, drillKgHa: 7, thousandSeedG: 4.5 } },
  { id: 'turnip', name: 'Turnip', shortName: 'turnip', scientificName: 'Brassica rapa', rootPower: 2, biofumigant: 1, flowerValue: 3, pricePerKg: { low: 4, high: 9 }, edible: { part: 'leaves and roots', when: 'before flower stems', how: 'raw or cooked' },
    base: brassica, own: { emergenceCd: 60, t31Cd: 400, t51Cd: 600, t61Cd: 740, vernalDays: 35, vernalFloor: 0.1, photoFloor: 0.4, leafCm2: 0.6, leafGrowthPerCd: 0.0125, lt50HardyC: -6.9, crownSoilShare: 0.35, heightM: 1, rootShare: 0.4, drillKgHa: 4, thousandSeedG: 2.2 } },
])
