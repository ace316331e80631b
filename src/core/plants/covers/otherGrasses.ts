import { warmGrass, winterCereal } from '../archetypes'
import { kind } from './define'


export const otherGrasses = kind({ group: 'grass', family: 'Poaceae', rootPower: 2 }, [
  { id: 'annual-ryegrass', name: 'Annual ryegrass', shortName: 'ryegrass', scientificName: 'Lolium multiflorum', endingClass: 'ryegrass', allelopathy: 0.3, weediness: 3, pricePerKg: { low: 2.5, high: 6 },
    cautions: ['Shatters seed early and can become a weed. End it before seed sets.'],
    base: winterCereal, own: { emergenceCd: 110, t31Cd: 415, t51Cd: 710, t61Cd: 880, vernalDays: 20, vernalFloor: 0.35, leafCm2: 0.25, leafGrowthPerCd: 0.0105, lightUseGMj: 2.7, specificLeafM2G: 0.026, lt50HardyC: -10.5, crownSoilShare: 0.5, heightM: 0.8, rootShare: 0.38, seedShare: 0.2, dormantShare: 0.15, nitrogenA: 4.8, nitrogenB: 0.32, drillKgHa: 22, thousandSeedG: 2.3 } },
  { id: 'sorghum-sudangrass', name: 'Sorghum-sudangrass', shortName: 'sorghum', scientificName: 'Sorghum bicolor × S. sudanense', endingClass: 'sorghum', season: 'warm', allelopathy: 0.9, rootKnot: 'sets back', biofumigant: 1, pricePerKg: { low: 3, high: 7 },
    base: warmGrass, own: { drillKgHa: 40, thousandSeedG: 25 } },
  { id: 'sudangrass', name: 'Sudangrass', shortName: 'sudangr.', scientificName: 'Sorghum × drummondii', endingClass: 'sorghum', season: 'warm', allelopathy: 0.8, rootKnot: 'sets back', pricePerKg: { low: 3, high: 7 },
    base: warmGrass, own: { t61Cd: 720, t51Cd: 580, leafCm2: 1.4, lightUseGMj: 3.0, heightM: 1.9, drillKgHa: 30, thousandSeedG: 12 } },
  { id: 'pearl-millet', name: 'Pearl millet', shortName: 'p. millet', scientificName: 'Cenchrus americanus', endingClass: 'millet', season: 'warm', allelopathy: 0.4, rootKnot: 'depends on cultivar', pricePerKg: { low: 4, high: 8 },
    base: warmGrass, own: { emergenceCd: 58, t31Cd: 330, t51Cd: 600, t61Cd: 740, leafCm2: 1.2, leafGrowthPerCd: 0.0165, lightUseGMj: 3.1, heightM: 1.7, drillKgHa: 17, thousandSeedG: 8 } },
  { id: 'foxtail-millet', name: 'Foxtail millet', shortName: 'f. millet', scientificName: 'Setaria italica', endingClass: 'millet', season: 'warm', rootPower: 1, weediness: 2, pricePerKg: { low: 3, high: 6 },
    base: warmGrass, own: { emergenceCd: 55, t31Cd: 230, t51Cd: 430, t61Cd: 540, photoFloor: 0.75, leafCm2: 0.7, leafGrowthPerCd: 0.017, lightUseGMj: 2.8, heightM: 1, seedShare: 0.3, drillKgHa: 20, thousandSeedG: 2.2 } },
])
