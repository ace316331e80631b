import type { Species } from '../plants/parameters'
import { addResidue, type ResiduePools } from '../residue/pools'
import { germinationMoisture, type SoilWater } from '../site/soilWater'
import { dailyThermalTime, developmentGain, vernalisingDay } from './development'
import { crownTemperature, nextLt50, nightSurvival } from './hardiness'
import { criticalNitrogenPct } from './nitrogen'
import { bbchAt } from './stage'
import type { SownSpecies } from './types'

/** Soil nitrogen reachable per day, share of the mineral pool (judgement). */
export const UPTAKE_SHARE_PER_DAY = 0.08
/** Legumes take at most this share of demand from soil. */
const LEGUME_SOIL_SHARE = 0.4
const NODULATION_CD = 120
/** Leaf area above which lower leaves are shaded out, m² m⁻². */
const SELF_SHADING_LAI = 4.5

/** Seed in soil too cold for it rots or is eaten: share lost per day and per °C of its base temperature + 1 (judgement, 0.002–0.008). */
const COLD_SEED_LOSS = 0.004

/** State of one species in one member, reused over all days. */
export type SpeciesState = {
  height: number
  germination: number
  seedAlive: number
  moistureSum: number
  moistureDays: number
  emerged: boolean
  plants: number
  ageCd: number
  vernal: number
  lai: number
  mass: number
  nitrogen: number
  alive: number
  lt50: number
  /** Survival of the worst night so far. */
  worstNight: number
  bbch: number
  /** Critical nitrogen of the canopy it stands in today, %. */
  criticalPct: number
}

/** What has come into and gone out of a member's stand since sowing, g m⁻²; closes mass and nitrogen. */
export type Tally = {
  fixed: number
  grown: number
  seedNitrogen: number
  exportedMass: number
  broughtMass: number
  broughtNitrogen: number
  exportedNitrogen: number
  soilNitrogen: number
  /** Washed out of the root zone. */
  leached: number
  /** Taken from the soil by a crop above. */
  cropNitrogen: number
}

export const newTally = (): Tally => ({
  fixed: 0,
  grown: 0,
  seedNitrogen: 0,
  exportedMass: 0,
  broughtMass: 0,
  broughtNitrogen: 0,
  exportedNitrogen: 0,
  soilNitrogen: 0,
  leached: 0,
  cropNitrogen: 0,
})

export const newState = (): SpeciesState => ({
  height: 0,
  germination: 0,
  seedAlive: 1,
  moistureSum: 0,
  moistureDays: 0,
  emerged: false,
  plants: 0,
  ageCd: 0,
  vernal: 0,
  lai: 0,
  mass: 0,
  nitrogen: 0,
  alive: 0,
  lt50: 0,
  worstNight: 1,
  bbch: 0,
  criticalPct: 4,
})

export function resetState(state: SpeciesState, plant: Species, hardinessC: number): void {
  Object.assign(state, newState())
  state.lt50 = plant.parameters.lt50TenderC + hardinessC * 0.3
}

/** Moves a share of the live stand to the residue. */
export function die(state: SpeciesState, share: number, pools: ResiduePools): void {
  if (share <= 0) return
  addResidue(pools, state.mass * share, state.nitrogen * share)
  const kept = 1 - share
  state.mass *= kept
  state.nitrogen *= kept
  state.lai *= kept
  state.alive *= kept
}

/** Share of a shed leaf's mass and nitrogen that the plant keeps back. */
const LEAF_KEPT_BACK = 0.4

/** Sheds leaf area, m² m⁻², to the ground: the leaf's mass less what the plant keeps back goes to the residue. */
function shedLeaves(state: SpeciesState, area: number, specificLeafM2G: number, pools: ResiduePools): void {
  if (area <= 0) return
  const lost = Math.min(state.lai, area)
  const share = Math.min(0.5, (lost / specificLeafM2G / Math.max(1e-9, state.mass)) * (1 - LEAF_KEPT_BACK))
  addResidue(pools, state.mass * share, state.nitrogen * share * (1 - LEAF_KEPT_BACK))
  state.lai -= lost
  state.nitrogen *= 1 - share * (1 - LEAF_KEPT_BACK)
  state.mass *= 1 - share
}

/** Share of new growth that becomes leaf, falling with stage. */
function leafShare(state: SpeciesState, plant: Species): number {
  const p = plant.parameters
  if (state.ageCd < p.t31Cd) return 0.68 - 0.13 * (state.ageCd / p.t31Cd)
  if (state.ageCd < p.t61Cd) return 0.55 - 0.4 * ((state.ageCd - p.t31Cd) / (p.t61Cd - p.t31Cd))
  return Math.max(plant.perennial ? 0.2 : 0, 0.15 - 0.15 * ((state.ageCd - p.t61Cd) / p.t69Cd))
}

export function germinate(
  state: SpeciesState,
  sown: SownSpecies,
  soilC: number,
  water: SoilWater,
  ownEmergence: number,
  tally: Tally,
): void {
  const p = sown.plant.parameters
  const moisture = germinationMoisture(water)
  state.moistureSum += moisture
  state.moistureDays += 1
  state.germination += Math.max(0, soilC - p.emergenceBaseC) * moisture
  if (soilC < p.emergenceBaseC) state.seedAlive *= 1 - COLD_SEED_LOSS * (p.emergenceBaseC + 1)
  if (state.germination < p.emergenceCd) return
  state.emerged = true
  state.alive = 1
  const moistShare = 0.35 + 0.65 * (state.moistureSum / state.moistureDays)
  state.plants =
    sown.seedsPerM2 * state.seedAlive * Math.min(0.95, sown.emergenceShare * moistShare * ownEmergence)
  state.lai = (state.plants * p.leafCm2) / 10_000
  state.mass = state.lai / p.specificLeafM2G / 0.7
  state.nitrogen = (state.mass * p.nitrogenPlateau) / 100
  tally.grown += state.mass
  tally.seedNitrogen += state.nitrogen
}

export function age(
  state: SpeciesState,
  plant: Species,
  tMin: number,
  tMax: number,
  daylightH: number,
  ownDevelopment: number,
): number {
  const thermal = dailyThermalTime(tMin, tMax, plant.parameters)
  if (state.ageCd < plant.parameters.t31Cd) state.vernal += vernalisingDay((tMin + tMax) / 2)
  state.ageCd +=
    ownDevelopment * developmentGain(thermal, state.ageCd, state.vernal, daylightH, plant.parameters)
  state.bbch = bbchAt(state.ageCd, plant.parameters)
  return thermal
}

export function coldAndHeat(
  state: SpeciesState,
  plant: Species,
  tMin: number,
  tMax: number,
  soilC: number,
  snowMm: number,
  hardinessC: number,
  pools: ResiduePools,
): void {
  const p = plant.parameters
  const crown = crownTemperature(tMin, soilC, snowMm, p)
  state.lt50 = nextLt50(state.lt50, crown, state.ageCd, p)
  const lt50 = state.lt50 + hardinessC
  if (crown < lt50 + 5) {
    const survival = nightSurvival(crown, lt50)
    // The worst night decides: nights that are no worse than one already lived through kill nobody more.
    if (survival < state.worstNight) {
      die(state, 1 - survival / state.worstNight, pools)
      state.worstNight = survival
    }
  }
  const leafMargin = tMin - (lt50 - 3)
  if (leafMargin < 6 && tMin < -3) {
    const lost = Math.min(0.08, 0.015 * (6 - leafMargin))
    addResidue(pools, state.mass * lost * 0.5, state.nitrogen * lost * 0.5)
    state.lai *= 1 - lost
    state.mass *= 1 - lost * 0.5
    state.nitrogen *= 1 - lost * 0.5
  }
  if (tMax > p.heatC) die(state, Math.min(0.5, 0.03 * (tMax - p.heatC)), pools)
  if (!plant.perennial && state.bbch >= 89) die(state, 0.06, pools)
}

export function grow(
  state: SpeciesState,
  plant: Species,
  thermal: number,
  light: number,
  response: number,
  water: number,
  nitrogenFactor: number,
  ownGrowth: number,
  pools: ResiduePools,
  tally: Tally,
): void {
  const p = plant.parameters
  const gain = p.lightUseGMj * light * response * water * nitrogenFactor * ownGrowth
  const before = state.lai
  let grown = gain
  if (state.lai < 0.8 && state.ageCd < p.t61Cd) {
    const exponential = state.lai * (Math.exp(p.leafGrowthPerCd * thermal * water * Math.sqrt(ownGrowth)) - 1)
    state.lai += exponential
    grown = Math.max(gain, (exponential / p.specificLeafM2G) * 1.2 * Math.min(1, response * 2))
  } else state.lai += gain * leafShare(state, plant) * p.specificLeafM2G
  state.mass += grown
  tally.grown += grown
  let shed = before > SELF_SHADING_LAI ? before * Math.min(0.05, 0.012 * (before - SELF_SHADING_LAI)) : 0
  // Annuals wither from first flower on; perennials lose their old stems once they have seeded.
  if (state.ageCd > p.t61Cd + (plant.perennial ? p.t75Cd : 0))
    shed += before * Math.min(0.1, 0.0028 * thermal)
  shedLeaves(state, shed, p.specificLeafM2G, pools)
}

/** Nitrogen taken up and fixed in a day, g m⁻²; returns what came from soil and adds what was fixed to `tally.fixed`. */
export function feed(state: SpeciesState, plant: Species, soilMineral: number, tally: Tally): number {
  const p = plant.parameters
  const wanted = (state.criticalPct / 100) * state.mass * 1.05
  const demand = Math.max(0, wanted - state.nitrogen)
  const legume = p.fixationShare > 0
  const reachable = soilMineral * UPTAKE_SHARE_PER_DAY
  const fromSoil = Math.min(
    reachable,
    legume && state.ageCd > NODULATION_CD ? demand * LEGUME_SOIL_SHARE : demand,
  )
  const fixed = legume && state.ageCd > NODULATION_CD ? (demand - fromSoil) * p.fixationShare : 0
  state.nitrogen += fromSoil + fixed
  tally.fixed += fixed
  return fromSoil
}

/** Share of growth that nitrogen allows, 0.15–1, from today's content against the critical one. */
export function nitrogenFactor(state: SpeciesState, plant: Species, canopyMass: number): number {
  state.criticalPct = criticalNitrogenPct(canopyMass, plant.parameters)
  if (state.mass <= 0) return 1
  const ratio = (100 * state.nitrogen) / state.mass / state.criticalPct
  return Math.min(1, Math.max(0.15, 1.35 * ratio - 0.2))
}

export function heightOf(state: SpeciesState, plant: Species): number {
  const p = plant.parameters
  const stage = Math.min(1, Math.max(0.08, state.ageCd / p.t61Cd))
  const body = 1 - Math.exp(-state.mass / 120)
  return p.heightM * stage * Math.sqrt(Math.sqrt(stage)) * body
}
