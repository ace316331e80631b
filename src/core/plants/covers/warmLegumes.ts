import { warmLegume } from '../archetypes'
import { kind } from './define'

export const warmLegumes = kind({ group: 'legume', family: 'Fabaceae', season: 'warm', endingClass: 'warm legume', inoculantGroup: 'cowpea', rooting: 'tap', rootKnot: 'host', flowerValue: 1 }, [
  { id: 'cowpea', name: 'Cowpea', shortName: 'cowpea', scientificName: 'Vigna unguiculata', habit: 'climbing', flowerValue: 2, pricePerKg: { low: 3, high: 8 }, edible: { part: 'young leaves, pods', when: 'until pods fill', how: 'cooked' },
    base: warmLegume, own: { heightM: 0.6, drillKgHa: 55, thousandSeedG: 150 } },
  { id: 'soybean', name: 'Soybean', shortName: 'soybean', scientificName: 'Glycine max', inoculantGroup: 'soybean', pricePerKg: { low: 2, high: 5 }, edible: { part: 'green beans', when: 'pods full and green', how: 'boiled, never raw' },
    base: warmLegume, own: { emergenceCd: 80, emergenceBaseC: 7, developBaseC: 7, growBaseC: 7, t31Cd: 280, t51Cd: 500, t61Cd: 620, lightUseGMj: 1.65, heightM: 0.8, seedShare: 0.35, drillKgHa: 80, thousandSeedG: 170 } },
  { id: 'sunn-hemp', name: 'Sunn hemp', shortName: 'sunnhemp', scientificName: 'Crotalaria juncea', rootPower: 2, rootKnot: 'sets back', flowerValue: 2, pricePerKg: { low: 5, high: 10 },
    cautions: ['Its fibre toughens with age; after about eight weeks hand tools struggle.'],
    base: warmLegume, own: { emergenceCd: 58, t31Cd: 250, t51Cd: 640, t61Cd: 760, photoLowH: 15, photoFullH: 12, photoFloor: 0.35, leafCm2: 2.6, leafGrowthPerCd: 0.016, lightUseGMj: 2.1, heightM: 1.9, drillKgHa: 35, thousandSeedG: 31 } },
  { id: 'lablab', name: 'Lablab', shortName: 'lablab', scientificName: 'Lablab purpureus', habit: 'climbing', rootPower: 2, pricePerKg: { low: 4, high: 9 },
    base: warmLegume, own: { t31Cd: 320, t51Cd: 760, t61Cd: 900, photoLowH: 15, photoFullH: 11.5, photoFloor: 0.25, leafCm2: 8, lightUseGMj: 1.75, heightM: 0.9, drillKgHa: 50, thousandSeedG: 240 } },
])
