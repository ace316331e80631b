import { atLeast, atMost } from '../foundations/limit'
import { germinationMoisture, type SoilWater, type WaterCapacity } from '../site/soilWater'
import { vernalisingDay } from './development'
import { IN_GROUND, JUST_UP, type Plants, type Tally } from './plants'
import type { Today } from './today'
import type { SownSpecies } from './types'

/** Seed in soil too cold for it rots or is eaten: share lost per day and per °C of its base temperature + 1 (judgement, 0.002–0.008). */
const COLD_SEED_LOSS = 0.004
/**
 * Seed of the warm season, from this base temperature on, is chilled in soil that is warmer by less than `CHILLED_C`, and lost
 * faster (judgement, 0.004–0.01; after cold tests of sorghum, maize and beans, in which half is lost in two to three weeks).
 */
const WARM_SEED_C = 7
const CHILLED_C = 4
const CHILLED_SEED_LOSS = 0.006
/** Most of the seed that can come up, and the share that comes up from a dry seedbed. */
const MOST_UP = 0.95
const DRY_SHARE = 0.35
/** More leaf than this finds no room above the ground, however much was sown, m² m⁻². */
const MOST_LAI = 50

/** A day of seed in the ground, in the members from `begin` up to `end`. `ownEmergence` multiplies the plants that come up. */
export function germinationDay(
  plants: Plants,
  { plant, seedsPerM2, emergenceShare, depthCm }: SownSpecies,
  { soilC, meanC }: Today,
  { seedLayerMm, rootZoneMm }: SoilWater,
  { seedMm, rootMm }: WaterCapacity,
  ownEmergence: Float64Array,
  tally: Tally,
  begin: number,
  end: number,
): void {
  const p = plant.parameters
  const perSeed = 1 / seedMm
  const perRoot = 1 / rootMm
  const chilled = p.emergenceBaseC >= WARM_SEED_C
  const safeC = p.emergenceBaseC + (chilled ? CHILLED_C : 0)
  const lost = (chilled ? CHILLED_SEED_LOSS : COLD_SEED_LOSS) * (p.emergenceBaseC + 1)
  for (let m = begin; m < end; m++) {
    if (plants.emergence[m] !== IN_GROUND) continue
    if (p.vernalFloor > 0) plants.vernal[m] += vernalisingDay(meanC[m])
    const moisture = germinationMoisture(seedLayerMm[m] * perSeed, rootZoneMm[m] * perRoot, depthCm)
    plants.moistureSum[m] += moisture
    plants.moistureDays[m] += 1
    plants.germination[m] += atLeast(0, soilC[m] - p.emergenceBaseC) * moisture
    if (soilC[m] < safeC)
      plants.seedAlive[m] *= 1 - (chilled ? lost * atMost(1, (safeC - soilC[m]) / CHILLED_C) : lost)
    if (plants.germination[m] < p.emergenceCd) continue
    const moistShare = DRY_SHARE + (1 - DRY_SHARE) * (plants.moistureSum[m] / plants.moistureDays[m])
    const share = atMost(MOST_UP, emergenceShare * moistShare * ownEmergence[m])
    plants.emergence[m] = JUST_UP
    plants.alive[m] = 1
    plants.perM2[m] = seedsPerM2 * plants.seedAlive[m] * share
    plants.lai[m] = atMost(MOST_LAI, (plants.perM2[m] * p.leafCm2) / 10_000)
    plants.massG[m] = plants.lai[m] / p.specificLeafM2G / 0.7
    plants.nitrogenG[m] = (plants.massG[m] * p.nitrogenPlateau) / 100
    tally.grownG[m] += plants.massG[m]
    tally.seedNitrogenG[m] += plants.nitrogenG[m]
  }
}
