import { springCereal, winterCereal } from '../archetypes'
import { kind } from './define'

const greens = { part: 'young leaves', when: 'before stems lengthen', how: 'juiced' }

export const cereals = kind({ group: 'grass', family: 'Poaceae', rootPower: 2, endingClass: 'winter cereal', weediness: 1 }, [
  { id: 'cereal-rye', name: 'Cereal rye', shortName: 'rye', scientificName: 'Secale cereale', allelopathy: 1, pricePerKg: { low: 1.5, high: 4 }, edible: greens,
    base: winterCereal, own: { drillKgHa: 100, thousandSeedG: 28, t61Cd: 780, t51Cd: 590, lightUseGMj: 3.25 } },
  { id: 'triticale', name: 'Triticale', shortName: 'triticale', scientificName: '× Triticosecale', allelopathy: 0.5, pricePerKg: { low: 1.5, high: 3.5 }, edible: greens,
    base: winterCereal, own: { t31Cd: 332, t51Cd: 661, t61Cd: 852, lt50HardyC: -22, heightM: 1.2, drillKgHa: 110, thousandSeedG: 40 } },
  { id: 'winter-wheat', name: 'Winter wheat', shortName: 'wheat', scientificName: 'Triticum aestivum', allelopathy: 0.4, pricePerKg: { low: 1.2, high: 3 }, edible: greens,
    base: winterCereal, own: { t31Cd: 357, t51Cd: 722, t61Cd: 896, vernalDays: 45, lightUseGMj: 2.8, lt50HardyC: -22, heightM: 0.95, drillKgHa: 110, thousandSeedG: 42 } },
  { id: 'winter-barley', name: 'Winter barley', shortName: 'barley', scientificName: 'Hordeum vulgare (winter type)', allelopathy: 0.6, rootKnot: 'host', pricePerKg: { low: 1.2, high: 3 }, edible: greens,
    base: winterCereal, own: { t31Cd: 306, t51Cd: 600, t61Cd: 703, vernalDays: 30, vernalFloor: 0.12, lightUseGMj: 2.75, lt50HardyC: -12, crownSoilShare: 0.45, heightM: 1, drillKgHa: 100, thousandSeedG: 45 } },
  { id: 'oats', name: 'Oats', shortName: 'oats', scientificName: 'Avena sativa', endingClass: 'spring cereal', rootPower: 1, allelopathy: 0.4, rootKnot: 'host', pricePerKg: { low: 1.2, high: 3 }, edible: { part: 'milky tops', when: 'at milk stage', how: 'dried for tea' },
    base: springCereal, own: { dormantShare: 0.1, drillKgHa: 100, thousandSeedG: 32 } },
  { id: 'black-oat', name: 'Black oat', shortName: 'black oat', scientificName: 'Avena strigosa', endingClass: 'spring cereal', allelopathy: 0.6, rootKnot: 'sets back', pricePerKg: { low: 2, high: 4.5 },
    base: springCereal, own: { t31Cd: 400, t51Cd: 760, t61Cd: 940, lt50HardyC: -7.5, crownSoilShare: 0.2, heightM: 1.2, dormantShare: 0.15, drillKgHa: 65, thousandSeedG: 17 } },
  { id: 'spring-barley', name: 'Spring barley', shortName: 'sp.barley', scientificName: 'Hordeum vulgare (spring type)', endingClass: 'spring cereal', rootPower: 1, allelopathy: 0.5, rootKnot: 'host', pricePerKg: { low: 1.2, high: 3 }, edible: greens,
    base: springCereal, own: { emergenceCd: 95, t31Cd: 340, t51Cd: 680, t61Cd: 790, photoFloor: 0.35, leafGrowthPerCd: 0.0112, lt50HardyC: -6.5, heightM: 0.9, drillKgHa: 100, thousandSeedG: 45 } },
])
