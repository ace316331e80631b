import type { SpeciesParameters } from './parameters'

/**
 * Starting sets by kind of plant. A species states only what differs; what it inherits is judgement.
 * Critical nitrogen: wheat-like cereals 5.35/0.44 (Justes et al. 1994), C3 4.8/0.32 and C4 3.6/0.34
 * (Lemaire and Gastal 1997), pea-like legumes 5.1/0.32 (Ney et al. 1997).
 */
export const winterCereal: SpeciesParameters = {
  emergenceCd: 95, emergenceBaseC: 1,
  t31Cd: 300, t51Cd: 565, t61Cd: 742, t65Cd: 55, t69Cd: 120, t71Cd: 160, t75Cd: 280, t85Cd: 500, t89Cd: 700,
  developBaseC: 0, developOptLowC: 22, developOptHighC: 28, developMaxC: 38,
  vernalDays: 61, vernalFloor: 0.01, photoLowH: 8.5, photoFullH: 13, photoFloor: 0.15,
  leafCm2: 1.0, leafGrowthPerCd: 0.0092, extinction: 0.55, lightUseGMj: 3, specificLeafM2G: 0.022,
  growBaseC: 2, growOptLowC: 17, growOptHighC: 26, growMaxC: 36,
  lt50TenderC: -4, lt50HardyC: -28, crownSoilShare: 0.55, heatC: 37, heightM: 1.5,
  nitrogenA: 5.35, nitrogenB: 0.44, nitrogenPlateau: 4.6, fixationShare: 0,
  rootShare: 0.3, seedShare: 0.36, dormantShare: 0.03,
  drillKgHa: 100, thousandSeedG: 30,
}

export const springCereal: SpeciesParameters = {
  ...winterCereal,
  emergenceCd: 105,
  t31Cd: 420, t51Cd: 820, t61Cd: 1020,
  developBaseC: 1, vernalDays: 0, vernalFloor: 1, photoLowH: 8, photoFullH: 16, photoFloor: 0.25,
  leafCm2: 1.1, leafGrowthPerCd: 0.0105, lightUseGMj: 2.65, growBaseC: 3, growOptLowC: 16,
  lt50TenderC: -4.5, lt50HardyC: -6, crownSoilShare: 0.15, heightM: 1.1,
  rootShare: 0.25, seedShare: 0.4, dormantShare: 0.05,
}

export const warmGrass: SpeciesParameters = {
  ...springCereal,
  emergenceCd: 62, emergenceBaseC: 9,
  t31Cd: 380, t51Cd: 620, t61Cd: 760, t65Cd: 60, t69Cd: 130, t71Cd: 160, t75Cd: 280, t85Cd: 520, t89Cd: 760,
  developBaseC: 9, developOptLowC: 30, developOptHighC: 35, developMaxC: 44,
  photoLowH: 15.5, photoFullH: 13, photoFloor: 0.6,
  leafCm2: 2.0, leafGrowthPerCd: 0.016, extinction: 0.5, lightUseGMj: 3.3, specificLeafM2G: 0.024,
  growBaseC: 9, growOptLowC: 26, growOptHighC: 34, growMaxC: 44,
  lt50TenderC: 0, lt50HardyC: -1, crownSoilShare: 0, heatC: 46, heightM: 2.2,
  nitrogenA: 3.6, nitrogenB: 0.34, nitrogenPlateau: 4.4,
  rootShare: 0.25, seedShare: 0.15, dormantShare: 0.1,
}

export const viningLegume: SpeciesParameters = {
  emergenceCd: 110, emergenceBaseC: 2,
  t31Cd: 330, t51Cd: 560, t61Cd: 700, t65Cd: 90, t69Cd: 220, t71Cd: 250, t75Cd: 380, t85Cd: 560, t89Cd: 750,
  developBaseC: 2, developOptLowC: 21, developOptHighC: 27, developMaxC: 36,
  vernalDays: 25, vernalFloor: 0.25, photoLowH: 8, photoFullH: 15, photoFloor: 0.15,
  leafCm2: 1.8, leafGrowthPerCd: 0.0085, extinction: 0.6, lightUseGMj: 1.3, specificLeafM2G: 0.026,
  growBaseC: 3, growOptLowC: 17, growOptHighC: 25, growMaxC: 34,
  lt50TenderC: -4, lt50HardyC: -18, crownSoilShare: 0.45, heatC: 36, heightM: 0.8,
  nitrogenA: 5.1, nitrogenB: 0.32, nitrogenPlateau: 4.8, fixationShare: 0.85,
  rootShare: 0.25, seedShare: 0.22, dormantShare: 0.2,
  drillKgHa: 25, thousandSeedG: 30,
}

export const clover: SpeciesParameters = {
  ...viningLegume,
  emergenceCd: 75,
  t31Cd: 285, t51Cd: 480, t61Cd: 605, t65Cd: 80, t69Cd: 190, t71Cd: 210, t75Cd: 300, t85Cd: 430, t89Cd: 560,
  vernalDays: 20, vernalFloor: 0.3,
  leafCm2: 0.32, leafGrowthPerCd: 0.009, specificLeafM2G: 0.025,
  lt50HardyC: -14, crownSoilShare: 0.5, heightM: 0.5,
  rootShare: 0.3, seedShare: 0.12, dormantShare: 0.35,
  drillKgHa: 18, thousandSeedG: 3.8,
}

export const brassica: SpeciesParameters = {
  emergenceCd: 60, emergenceBaseC: 3,
  t31Cd: 350, t51Cd: 700, t61Cd: 900, t65Cd: 90, t69Cd: 220, t71Cd: 200, t75Cd: 320, t85Cd: 560, t89Cd: 760,
  developBaseC: 3, developOptLowC: 20, developOptHighC: 26, developMaxC: 36,
  vernalDays: 12, vernalFloor: 0.4, photoLowH: 9, photoFullH: 16, photoFloor: 0.2,
  leafCm2: 1.6, leafGrowthPerCd: 0.013, extinction: 0.65, lightUseGMj: 2.3, specificLeafM2G: 0.022,
  growBaseC: 4, growOptLowC: 14, growOptHighC: 24, growMaxC: 35,
  lt50TenderC: -4, lt50HardyC: -6.5, crownSoilShare: 0.2, heatC: 36, heightM: 1.1,
  nitrogenA: 4.8, nitrogenB: 0.32, nitrogenPlateau: 4.6, fixationShare: 0,
  rootShare: 0.2, seedShare: 0.22, dormantShare: 0.05,
  drillKgHa: 14, thousandSeedG: 12,
}

export const softBroadleaf: SpeciesParameters = {
  ...brassica,
  emergenceCd: 90,
  t31Cd: 280, t51Cd: 480, t61Cd: 600, t65Cd: 90, t69Cd: 260, t71Cd: 220, t75Cd: 330, t85Cd: 480, t89Cd: 640,
  vernalDays: 0, vernalFloor: 1, photoLowH: 8, photoFullH: 15, photoFloor: 0.3,
  leafCm2: 0.3, leafGrowthPerCd: 0.012, lightUseGMj: 2.1, specificLeafM2G: 0.024,
  lt50TenderC: -3, lt50HardyC: -7, crownSoilShare: 0.25, heightM: 0.8,
  drillKgHa: 9, thousandSeedG: 1.9,
}

export const warmLegume: SpeciesParameters = {
  ...viningLegume,
  emergenceCd: 68, emergenceBaseC: 9,
  t31Cd: 260, t51Cd: 520, t61Cd: 640, t65Cd: 90, t69Cd: 260, t71Cd: 170, t75Cd: 320, t85Cd: 540, t89Cd: 700,
  developBaseC: 9, developOptLowC: 28, developOptHighC: 33, developMaxC: 42,
  vernalDays: 0, vernalFloor: 1, photoLowH: 15.5, photoFullH: 12.5, photoFloor: 0.5,
  leafCm2: 6, leafGrowthPerCd: 0.0135, extinction: 0.68, lightUseGMj: 1.7, specificLeafM2G: 0.026,
  growBaseC: 9, growOptLowC: 24, growOptHighC: 33, growMaxC: 43,
  lt50TenderC: 0, lt50HardyC: -1, crownSoilShare: 0, heatC: 45, heightM: 0.7,
  rootShare: 0.2, seedShare: 0.25, dormantShare: 0.05,
  drillKgHa: 60, thousandSeedG: 140,
}
