import { atLeast, atMost, within } from '../foundations/limit'
import { columns, type Columns } from '../foundations/columns'
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

/** Plants take all they want above 45 % of the root zone's water. */
const FULL_UPTAKE = 1 / 0.45

/** What the two buckets hold when full, mm: the seed layer (0–5 cm) and the root zone beneath it. */
export type WaterCapacity = { seedMm: number; rootMm: number }

export const waterCapacity = (soil: Bed['soil']): WaterCapacity => ({
  seedMm: AVAILABLE_MM_PER_M[soil] * SEED_LAYER_M * 1.4,
  rootMm: AVAILABLE_MM_PER_M[soil] * ROOT_ZONE_M,
})

/** Contents of the two buckets, and what has come and gone since the start, mm. */
export type SoilWater = Columns<
  'seedLayerMm' | 'rootZoneMm' | 'gainedMm' | 'evaporatedMm' | 'transpiredMm' | 'drainedMm'
>
const CONTENTS = ['seedLayerMm', 'rootZoneMm'] as const
export const WATER_ACCOUNTS = ['gainedMm', 'evaporatedMm', 'transpiredMm', 'drainedMm'] as const

/** Soil water of so many members at the start of a season's run, at a share of capacity. */
export function soilWater(soil: Bed['soil'], members: number, fill = 0.75): SoilWater {
  const water = columns([...CONTENTS, ...WATER_ACCOUNTS], members)
  const { seedMm, rootMm } = waterCapacity(soil)
  water.seedLayerMm.fill(seedMm * fill)
  water.rootZoneMm.fill(rootMm * fill)
  return water
}

/**
 * One day of the members from `begin` up to `end`: rain fills the seed layer, then the root zone, the rest drains; bare
 * ground evaporates from the seed layer, plants take from the root zone (crop coefficient 1.05 at full cover, FAO-56
 * table 12 for closed green cover). The day's rain and ET₀, mm, are read from `at` on, a place for each member; `givenMm` is poured on all of them.
 * @param green share of the ground under live green, 0–1  @param hidden share under green or residue
 * @param drained is given the mm that leave each member's root zone
 */
export function waterDay(
  water: SoilWater,
  { seedMm, rootMm }: WaterCapacity,
  rain: Float64Array,
  et0: Float64Array,
  at: number,
  givenMm: number,
  green: Float64Array,
  hidden: Float64Array,
  drained: Float64Array,
  begin: number,
  end: number,
): void {
  const { seedLayerMm, rootZoneMm, gainedMm, evaporatedMm, transpiredMm, drainedMm } = water
  const perSeed = 1 / seedMm
  const perRoot = 1 / rootMm
  for (let m = begin; m < end; m++) {
    const rainMm = rain[at + m] + givenMm
    const et0Mm = et0[at + m]
    let seed = seedLayerMm[m]
    let root = rootZoneMm[m]
    const intoSeed = atMost(rainMm, seedMm - seed)
    seed += intoSeed
    const rest = rainMm - intoSeed
    const intoRoots = atMost(rest, rootMm - root)
    root += intoRoots
    const wetness = seed * perSeed
    const evaporation = atMost(seed, et0Mm * 0.9 * (1 - hidden[m]) * atMost(1, wetness * 1.6))
    seed -= evaporation * 0.8
    const rootShare = root * perRoot
    const fromRoots = atMost(root, evaporation * 0.2)
    root -= fromRoots
    const uptake = atMost(root, 1.05 * et0Mm * green[m] * atMost(1, rootShare * FULL_UPTAKE))
    root -= uptake
    // Water moves up from the root zone into a drier seed layer.
    const moved = atMost(0.06 * atLeast(0, rootShare - wetness) * seedMm, root)
    seedLayerMm[m] = seed + moved
    rootZoneMm[m] = root - moved
    gainedMm[m] += rainMm
    evaporatedMm[m] += evaporation * 0.8 + fromRoots
    transpiredMm[m] += uptake
    drainedMm[m] += rest - intoRoots
    drained[m] = rest - intoRoots
  }
}

/** Share of growth that water allows, 0–1, by how full the root zone is, 0–1: all above 45 %. */
export const waterFactor = (rootShare: number) => atMost(1, rootShare * FULL_UPTAKE)

/** Depth at which seed feels the root zone's water and no longer that of the surface, cm (judgement, 4–7). */
const MOIST_DEPTH_CM = 6

/**
 * Share of the germination rate that moisture allows where seed lies, 0–1: seed near the surface follows the seed layer,
 * deeper seed the ground beneath it, which dries later (hydrothermal time with a threshold, Gummerson 1986).
 * @param seedLayer and @param rootZone share of what each holds  @param depthCm how deep the seed lies, 0–5
 */
export function germinationMoisture(seedLayer: number, rootZone: number, depthCm: number): number {
  const wetness = seedLayer + atLeast(0, rootZone - seedLayer) * atMost(1, depthCm / MOIST_DEPTH_CM)
  return within((wetness - 0.08) / 0.27, 0, 1)
}

/** Wetness of the seed layer that a bed kept moist does not fall below, share of its capacity. */
const KEPT_MOIST = 0.8
/** Share of the root zone's water below which vegetables are taken to be watered (judgement, 0.4–0.6). */
const WATERED_SHARE = 0.5

/** Waters a bucket up to a level, mm, where it lies below. */
function fillTo(levelMm: number, bucket: Float64Array, gainedMm: Float64Array, begin: number, end: number) {
  for (let m = begin; m < end; m++) {
    const given = atLeast(0, levelMm - bucket[m])
    bucket[m] += given
    gainedMm[m] += given
  }
}

/** Waters the seed layer up to moist. */
export const keepMoist = (water: SoilWater, { seedMm }: WaterCapacity, begin: number, end: number) =>
  fillTo(KEPT_MOIST * seedMm, water.seedLayerMm, water.gainedMm, begin, end)

/** Waters the root zone of a crop up to what growers keep it at. */
export const keepWatered = (water: SoilWater, { rootMm }: WaterCapacity, begin: number, end: number) =>
  fillTo(WATERED_SHARE * rootMm, water.rootZoneMm, water.gainedMm, begin, end)
