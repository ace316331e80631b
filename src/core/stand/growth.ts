import { atLeast, atMost } from '../foundations/limit'
import { exponential } from '../foundations/exponential'
import type { Species, SpeciesParameters } from '../plants/parameters'
import { addResidue, type ResiduePools } from '../residue/pools'
import type { WeatherBlock } from './block'
import type { Canopy } from './canopy'
import {
  dailyThermalTime,
  developmentPace,
  growthResponse,
  photoFactor,
  vernalFactor,
  vernalisingDay,
  dormancyFactor,
} from './development'
import { criticalNitrogenPct, plateauMassG } from './nitrogen'
import { crownLai, leastLeafShare, livesOn, oldestAgeCd, SENESCED_GIVES, STORE_CD } from './perennial'
import { physics } from './physics'
import type { OwnPlants } from './memberParameters'
import { GROWING, type Plants, type Tally } from './plants'
import type { Today } from './today'

/** Legumes take at most this share of demand from soil. */
const LEGUME_SOIL_SHARE = 0.4
const NODULATION_CD = 120
/** Leaf area of all that stands there below which leaves grow by their own number, not by light, m² m⁻². */
const YOUNG_LAI = 0.8
/** Fewer than this share of the plants are not followed any more. */
const LAST_SHARE = 0.001

/** Lists the members from `begin` up to `end` whose plants are up and alive; returns how many. */
export function listGrowing({ alive }: Plants, list: Int32Array, begin: number, end: number): number {
  let n = 0
  for (let m = begin; m < end; m++) if (alive[m] > LAST_SHARE) list[n++] = m
  return n
}

/** A day of development of the first `n` listed members. */
export function developmentDay(
  plants: Plants,
  plant: Species,
  list: Int32Array,
  n: number,
  { tMinC, tMaxC }: WeatherBlock,
  at: number,
  daylightH: number,
  ownDevelopment: Float64Array,
  { thermalCd, response }: Today,
): void {
  const { ageCd, leafCd, vernal, emergence } = plants
  const { parameters: p, perennial } = plant
  const { t31Cd } = p
  const photo = photoFactor(daylightH, p)
  // Biennials answer the cold only once they have grown; others as soon as the seed has swollen.
  const biennial = p.vernalFloor === 0
  const dormancy = perennial ? dormancyFactor(daylightH) : 1
  const oldest = oldestAgeCd(plant, daylightH)
  for (let k = 0; k < n; k++) {
    const m = list[k]
    const tMin = tMinC[at + m]
    const tMax = tMaxC[at + m]
    const thermal = dailyThermalTime(tMin, tMax, p)
    const age = ageCd[m]
    if (age < t31Cd && (!biennial || leafCd[m] >= STORE_CD)) vernal[m] += vernalisingDay((tMin + tMax) / 2)
    const pace = developmentPace(age, vernal[m], photo, p)
    emergence[m] = GROWING
    ageCd[m] = atMost(oldest, age + ownDevelopment[m] * thermal * pace)
    leafCd[m] += ownDevelopment[m] * thermal
    thermalCd[m] = thermal
    response[m] = dormancy * growthResponse(tMin, tMax, p)
  }
}

/** Share of new growth that becomes leaf, falling with stage. */
function leafShare(ageCd: number, t31Cd: number, t61Cd: number, t69Cd: number, least: number): number {
  if (ageCd < t31Cd) return 0.68 - 0.13 * (ageCd / t31Cd)
  if (ageCd < t61Cd) return atLeast(least, 0.55 - 0.4 * ((ageCd - t31Cd) / (t61Cd - t31Cd)))
  return atLeast(least, 0.15 - 0.15 * ((ageCd - t61Cd) / t69Cd))
}

/** Share of its light use that an annual has left so long after first flower, falling until soft dough, 0–1. */
export const ripeningFactor = (sinceFlowerCd: number, t85Cd: number): number =>
  1 - (1 - physics.ripeLightUse) * atMost(1, sinceFlowerCd / t85Cd)

/** How tired a plant is, 0–1, that stays in leaf for want of cold, by its warmth in leaf and its vernalisation. */
export function tiredness(leafCd: number, vernalDays: number, p: SpeciesParameters): number {
  const { coldWantingCd } = physics
  const old = atMost(1, leafCd / coldWantingCd - 1)
  return old <= 0 ? 0 : old * (1 - vernalFactor(vernalDays, p))
}

/**
 * A day of growth of the first `n` listed members by the light they take, its warmth, water and nitrogen; before leaves
 * close they grow by their own number. `share` is what the species takes of the canopy's light.
 */
export function growthDay(
  plants: Plants,
  plant: Species,
  list: Int32Array,
  n: number,
  canopy: Canopy,
  share: Float64Array,
  { thermalCd, response, waterLimit, criticalPct, shed, senesced, meanC }: Today,
  own: OwnPlants,
  tally: Tally,
): void {
  const { lai, massG, nitrogenG, ageCd, alive, leafCd, perM2, vernal } = plants
  const { grownG } = tally
  const { growth: ownGrowth, leaf: ownLeaf, nitrogen: ownNitrogen } = own
  const {
    t31Cd,
    t51Cd,
    t61Cd,
    t69Cd,
    t75Cd,
    t85Cd,
    growOptHighC,
    lightUseGMj,
    leafGrowthPerCd,
    specificLeafM2G,
  } = plant.parameters
  const plateauG = plateauMassG(plant.parameters)
  const { shootLifeCd, heatLossPerC, selfShadingLai, tiredLightUse } = physics
  const wantsCold = !plant.perennial && plant.parameters.vernalDays > 0
  const hunger = 100 * physics.hungerSlope
  const youngLeaf = YOUNG_LAI * plant.parameters.extinction
  const perExtinction = 1 / plant.parameters.extinction
  const leastLeaf = leastLeafShare(plant)
  // Plants that live on put out leaves anew at any age, from their store once they are rooted.
  const lasts = livesOn(plant)
  const youngUntilCd = lasts ? Infinity : t61Cd
  const crown = crownLai(plant)
  // Annuals senesce from first flower on; perennials lose their old stems once they have seeded.
  const withersFromCd = t61Cd + (plant.perennial ? t75Cd : 0)
  for (let k = 0; k < n; k++) {
    const m = list[k]
    const age = ageCd[m]
    const mass = massG[m]
    const before = lai[m]
    const canopyG = canopy.massG[m]
    const pct = ownNitrogen[m] * criticalNitrogenPct(canopyG, plateauG, plant.parameters)
    criticalPct[m] = pct
    const fed = mass <= 0 ? 1 : atMost(1, atLeast(0.15, (hunger * nitrogenG[m]) / (mass * pct) - 0.2))
    const light = canopy.lightMj[m] * share[m]
    // 1 while nothing but leaves is made, falling to 0 as stems stretch.
    const leafy = age < t31Cd ? 1 : age < t51Cd ? (t51Cd - age) / (t51Cd - t31Cd) : 0
    const vigour = age < t61Cd || plant.perennial ? 1 : ripeningFactor(age - t61Cd, t85Cd)
    const tired = wantsCold ? leafy * tiredness(leafCd[m], vernal[m], plant.parameters) : 0
    const fresh = vigour * (1 - (1 - tiredLightUse) * tired)
    const gain = lightUseGMj * fresh * light * response[m] * waterLimit[m] * fed * ownGrowth[m]
    let grown = gain
    if (canopy.leaf[m] < youngLeaf && age < youngUntilCd) {
      const spread = leafGrowthPerCd * thermalCd[m] * waterLimit[m] * Math.sqrt(ownGrowth[m] * ownLeaf[m])
      const from = leafCd[m] >= STORE_CD ? atLeast(before, crown * perM2[m] * alive[m]) : before
      const leaf = from * (exponential(spread) - 1)
      lai[m] = before + leaf
      grown = atLeast(gain, (leaf / specificLeafM2G) * 1.2 * atMost(1, response[m] * 2))
    } else
      lai[m] = before + gain * leafShare(age, t31Cd, t61Cd, t69Cd, leastLeaf) * specificLeafM2G * ownLeaf[m]
    massG[m] = mass + grown
    grownG[m] += grown
    // Leaves are shaded by all that stands there.
    const shading = canopy.leaf[m] * perExtinction
    let lost = shading > selfShadingLai ? before * atMost(0.05, 0.012 * (shading - selfShadingLai)) : 0
    if (age > withersFromCd) lost += before * atMost(0.1, 0.0028 * thermalCd[m])
    shed[m] = lost
    // What stands in leaf turns over whole, its tillers and leaves made anew; once stems stretch they stay.
    senesced[m] = atMost(
      0.2,
      (leafy * (1 + tired) * thermalCd[m]) / shootLifeCd + heatLossPerC * atLeast(0, meanC[m] - growOptHighC),
    )
  }
}

/** Share of a shed leaf's mass and nitrogen that the plant keeps back. */
const LEAF_KEPT_BACK = 0.4
const LEAF_GIVEN = 1 - LEAF_KEPT_BACK

/** Leaves that the first `n` listed members shed in a day, and shoots that senesce, lie on the ground, less what the plants keep back. */
export function sheddingDay(
  { lai, massG, nitrogenG }: Plants,
  { parameters: { specificLeafM2G } }: Species,
  list: Int32Array,
  n: number,
  { shed, senesced }: Today,
  residue: ResiduePools,
): void {
  for (let k = 0; k < n; k++) {
    const m = list[k]
    if (senesced[m] > 0) {
      const share = senesced[m]
      const nitrogenShare = share * SENESCED_GIVES
      addResidue(residue, m, massG[m] * share, nitrogenG[m] * nitrogenShare)
      lai[m] *= 1 - share
      massG[m] *= 1 - share
      nitrogenG[m] *= 1 - nitrogenShare
    }
    if (shed[m] <= 0) continue
    const lost = atMost(lai[m], shed[m])
    const share = atMost(0.5, (lost / (specificLeafM2G * atLeast(1e-9, massG[m]))) * LEAF_GIVEN)
    const nitrogenShare = share * LEAF_GIVEN
    addResidue(residue, m, massG[m] * share, nitrogenG[m] * nitrogenShare)
    lai[m] -= lost
    nitrogenG[m] *= 1 - nitrogenShare
    massG[m] *= 1 - share
  }
}

/**
 * What the first `n` listed members of a species want of the soil's nitrogen in a day, into `demand` and the sum over the
 * species. `wanted` is all that they want.
 */
export function demandDay(
  { ageCd, massG, nitrogenG }: Plants,
  { parameters: { fixationShare } }: Species,
  list: Int32Array,
  n: number,
  { criticalPct, demandG }: Today,
  wantedG: Float64Array,
  fromSoilG: Float64Array,
): void {
  for (let k = 0; k < n; k++) {
    const m = list[k]
    const wanted = atLeast(0, (criticalPct[m] / 100) * massG[m] * 1.05 - nitrogenG[m])
    const fixes = fixationShare > 0 && ageCd[m] > NODULATION_CD
    wantedG[m] = wanted
    fromSoilG[m] = fixes ? wanted * LEGUME_SOIL_SHARE : wanted
    demandG[m] += fromSoilG[m]
  }
}

/**
 * Nitrogen taken up and fixed in a day by the first `n` listed members. What the soil has in reach is shared among the species
 * by what they want of it; `takenG` is the sum of what they take.
 */
export function feedingDay(
  { ageCd, nitrogenG }: Plants,
  { parameters: { fixationShare } }: Species,
  list: Int32Array,
  n: number,
  { demandG, takenG }: Today,
  wantedG: Float64Array,
  fromSoilG: Float64Array,
  mineralG: Float64Array,
  { fixedG }: Tally,
): void {
  const { uptakeShare } = physics
  for (let k = 0; k < n; k++) {
    const m = list[k]
    const reachable = mineralG[m] * uptakeShare
    const fromSoil = demandG[m] > reachable ? (fromSoilG[m] * reachable) / demandG[m] : fromSoilG[m]
    const fixes = fixationShare > 0 && ageCd[m] > NODULATION_CD
    const fixed = fixes ? (wantedG[m] - fromSoil) * fixationShare : 0
    nitrogenG[m] += fromSoil + fixed
    fixedG[m] += fixed
    takenG[m] += fromSoil
  }
}
