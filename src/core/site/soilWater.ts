import type { Bed } from '../garden/schema'

/** Plant-available water, mm per metre of soil (FAO-56 table 19, middle of each range). */
export const AVAILABLE_MM_PER_M: Record<Bed['soil'], number> = {
  sand: 80,
  'sandy loam': 125,
  loam: 155,
  'silt loam': 170,
  'clay loam': 165,
  clay: 150,
}

const SEED_LAYER_M = 0.05
const ROOT_ZONE_M = 0.7

/** Two buckets: the seed layer (0–5 cm) and the root zone beneath it. Contents in mm. */
export type SoilWater = {
  seedLayerMm: number
  rootZoneMm: number
  seedCapacityMm: number
  rootCapacityMm: number
  /** What has come and gone since the start, mm. */
  gainedMm: number
  evaporatedMm: number
  transpiredMm: number
  drainedMm: number
}

/** Soil water at the start of a season's run, at a share of capacity. */
export function soilWater(soil: Bed['soil'], fill = 0.75): SoilWater {
  const seedCapacityMm = AVAILABLE_MM_PER_M[soil] * SEED_LAYER_M * 1.4
  const rootCapacityMm = AVAILABLE_MM_PER_M[soil] * ROOT_ZONE_M
  return {
    seedLayerMm: seedCapacityMm * fill,
    rootZoneMm: rootCapacityMm * fill,
    seedCapacityMm,
    rootCapacityMm,
    gainedMm: 0,
    evaporatedMm: 0,
    transpiredMm: 0,
    drainedMm: 0,
  }
}

/**
 * One day: rain fills the seed layer, then the root zone, the rest drains; bare ground evaporates from the seed
 * layer, plants take from the root zone (crop coefficient 1.05 at full cover, FAO-56 table 12 for closed green
 * cover). Returns the mm drained.
 */
export function waterDay(
  water: SoilWater,
  rainMm: number,
  et0Mm: number,
  greenCover: number,
  groundCover: number,
): number {
  const intoSeed = Math.min(rainMm, water.seedCapacityMm - water.seedLayerMm)
  water.seedLayerMm += intoSeed
  const rest = rainMm - intoSeed
  const intoRoots = Math.min(rest, water.rootCapacityMm - water.rootZoneMm)
  water.rootZoneMm += intoRoots
  const wetness = water.seedLayerMm / water.seedCapacityMm
  const evaporation = Math.min(
    water.seedLayerMm,
    et0Mm * 0.9 * (1 - groundCover) * Math.min(1, wetness * 1.6),
  )
  water.seedLayerMm -= evaporation * 0.8
  const rootShare = water.rootZoneMm / water.rootCapacityMm
  const fromRoots = Math.min(water.rootZoneMm, evaporation * 0.2)
  water.rootZoneMm -= fromRoots
  const uptake = Math.min(water.rootZoneMm, 1.05 * et0Mm * greenCover * Math.min(1, rootShare / 0.45))
  water.rootZoneMm -= uptake
  // Water moves up from the root zone into a drier seed layer.
  const rise = 0.06 * Math.max(0, rootShare - wetness) * water.seedCapacityMm
  const moved = Math.min(rise, water.rootZoneMm)
  water.rootZoneMm -= moved
  water.seedLayerMm += moved
  water.gainedMm += rainMm
  water.evaporatedMm += evaporation * 0.8 + fromRoots
  water.transpiredMm += uptake
  water.drainedMm += rest - intoRoots
  return rest - intoRoots
}

/** Share of growth the root-zone water allows, 0–1: full above 45 % of available water. */
export const waterFactor = (water: SoilWater) => Math.min(1, water.rootZoneMm / water.rootCapacityMm / 0.45)

/** Share of the germination rate the seed layer allows, 0–1. */
export const germinationMoisture = (water: SoilWater) =>
  Math.min(1, Math.max(0, (water.seedLayerMm / water.seedCapacityMm - 0.1) / 0.35))

/** Wetness of the seed layer that a bed kept moist does not fall below, share of its capacity. */
const KEPT_MOIST = 0.8

/** Waters the seed layer up to moist; returns the mm given. */
export function keepMoist(water: SoilWater): number {
  const given = Math.max(0, KEPT_MOIST * water.seedCapacityMm - water.seedLayerMm)
  water.seedLayerMm += given
  water.gainedMm += given
  return given
}

/** Share of the root zone's water below which vegetables are taken to be watered (judgement, 0.4–0.6). */
const WATERED_SHARE = 0.5

/** Waters the root zone of a crop up to what growers keep it at; returns the mm given. */
export function keepWatered(water: SoilWater): number {
  const given = Math.max(0, WATERED_SHARE * water.rootCapacityMm - water.rootZoneMm)
  water.rootZoneMm += given
  water.gainedMm += given
  return given
}
