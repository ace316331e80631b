import type { Bed } from '../garden/schema'
import type { Species } from '../plants/parameters'
import { addResidue, decayDay, emptyPools, poolMass, type ResiduePools } from '../residue/pools'
import { germinationMoisture, soilWater, waterDay, waterFactor, type SoilWater } from '../site/soilWater'
import type { MemberWeather, WeatherEnsemble } from '../site/weather'
import { dailyThermalTime, developmentGain, growthResponse, vernalisingDay } from './development'
import { crownTemperature, nextLt50, nightSurvival } from './hardiness'
import { criticalNitrogenPct, RELEASE_AT_20C_G, soilRelease, STARTING_NITROGEN_G } from './nitrogen'
import { bbchAt } from './stage'
import type { MemberTraits } from './traits'

/** One species as sown: viable seeds per m² and the share expected to come up in a moist seedbed. */
export type SownSpecies = { plant: Species; seedsPerM2: number; emergenceShare: number }

/** Something done to a stand on a day. Survival is asked per member and species with its BBCH at that day. */
export type StandEvent =
  | { day: number; kind: 'cut'; shareRemoved: number; left: boolean }
  | { day: number; kind: 'end'; survival: (member: number, component: number, bbch: number, plant: Species) => number }

export type StandInput = {
  sown: readonly SownSpecies[]
  sowDay: number
  soil: Bed['soil']
  fertility: Bed['fertility']
  /** Share of light taken by surroundings, 0–0.8. */
  shade: number
  /** A crop above: takes this share of the light until the day it goes. */
  canopyAbove: { share: number; untilDay: number } | null
  events: readonly StandEvent[]
}

/** Daily series of all members, `[member · days + day]`, from `startDay` (the sowing day). Masses g m⁻². */
export type StandRun = {
  startDay: number
  days: number
  members: number
  sown: readonly SownSpecies[]
  /** Per species: BBCH, live shoot mass, share of emerged plants alive. */
  species: { bbch: Float32Array; massG: Float32Array; alive: Float32Array }[]
  /** Ground covered by live green, 0–1. */
  cover: Float32Array
  heightM: Float32Array
  massG: Float32Array
  nitrogenG: Float32Array
  fixedG: Float32Array
  residueG: Float32Array
  /** Net mineral nitrogen released by residue since sowing; negative while it ties up. */
  releasedG: Float32Array
}

const PAR_SHARE = 0.5
/** Soil nitrogen reachable per day, share of the mineral pool (judgement). */
const UPTAKE_SHARE_PER_DAY = 0.08
/** Legumes take at most this share of demand from soil. */
const LEGUME_SOIL_SHARE = 0.4
const NODULATION_CD = 120
/** Leaf area above which lower leaves are shaded out, m² m⁻². */
const SELF_SHADING_LAI = 4.5

/** State of one species in one member, reused over all days. */
type SpeciesState = {
  germination: number
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
  bbch: number
}

const newState = (): SpeciesState => ({
  germination: 0, moistureSum: 0, moistureDays: 0, emerged: false, plants: 0, ageCd: 0, vernal: 0,
  lai: 0, mass: 0, nitrogen: 0, alive: 0, lt50: 0, bbch: 0,
})

function resetState(state: SpeciesState, plant: Species, hardinessC: number): void {
  Object.assign(state, newState())
  state.lt50 = plant.parameters.lt50TenderC + hardinessC * 0.3
}

/** Moves a share of the live stand to the residue. */
function die(state: SpeciesState, share: number, pools: ResiduePools): void {
  if (share <= 0) return
  addResidue(pools, state.mass * share, state.nitrogen * share)
  const kept = 1 - share
  state.mass *= kept
  state.nitrogen *= kept
  state.lai *= kept
  state.alive *= kept
}

/** Share of new growth that becomes leaf, falling with stage. */
function leafShare(state: SpeciesState, plant: Species): number {
  const p = plant.parameters
  if (state.ageCd < p.t31Cd) return 0.68 - 0.13 * (state.ageCd / p.t31Cd)
  if (state.ageCd < p.t61Cd) return 0.55 - 0.4 * ((state.ageCd - p.t31Cd) / (p.t61Cd - p.t31Cd))
  return Math.max(plant.perennial ? 0.2 : 0, 0.15 - 0.15 * ((state.ageCd - p.t61Cd) / p.t69Cd))
}

function germinate(state: SpeciesState, sown: SownSpecies, soilC: number, water: SoilWater, emergenceTrait: number): void {
  const p = sown.plant.parameters
  const moisture = germinationMoisture(water)
  state.moistureSum += moisture
  state.moistureDays += 1
  state.germination += Math.max(0, soilC - p.emergenceBaseC) * moisture
  if (state.germination < p.emergenceCd) return
  state.emerged = true
  state.alive = 1
  const moistShare = 0.35 + 0.65 * (state.moistureSum / state.moistureDays)
  state.plants = sown.seedsPerM2 * Math.min(0.95, sown.emergenceShare * moistShare * emergenceTrait)
  state.lai = (state.plants * p.leafCm2) / 10_000
  state.mass = state.lai / p.specificLeafM2G / 0.7
  state.nitrogen = (state.mass * p.nitrogenPlateau) / 100
}

function age(state: SpeciesState, plant: Species, tMin: number, tMax: number, daylightH: number, developmentTrait: number): number {
  const thermal = dailyThermalTime(tMin, tMax, plant.parameters)
  if (state.ageCd < plant.parameters.t31Cd) state.vernal += vernalisingDay((tMin + tMax) / 2)
  state.ageCd += developmentTrait * developmentGain(thermal, state.ageCd, state.vernal, daylightH, plant.parameters)
  state.bbch = bbchAt(state.ageCd, plant.parameters)
  return thermal
}

function coldAndHeat(state: SpeciesState, plant: Species, tMin: number, tMax: number, soilC: number, snowMm: number, hardinessC: number, pools: ResiduePools): void {
  const p = plant.parameters
  const crown = crownTemperature(tMin, soilC, snowMm, p)
  state.lt50 = nextLt50(state.lt50, crown, state.ageCd, p)
  const lt50 = state.lt50 + hardinessC
  if (crown < lt50 + 5) {
    const survival = nightSurvival(crown, lt50)
    // The worst night decides: nights that are no worse than one already lived through kill nobody more.
    if (survival < state.alive) die(state, 1 - survival / state.alive, pools)
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

function grow(state: SpeciesState, plant: Species, thermal: number, light: number, response: number, water: number, nitrogenFactor: number, growthTrait: number): void {
  const p = plant.parameters
  const gain = p.lightUseGMj * light * response * water * nitrogenFactor * growthTrait
  const before = state.lai
  if (state.lai < 0.8 && state.ageCd < p.t61Cd) {
    const exponential = state.lai * (Math.exp(p.leafGrowthPerCd * thermal * water * Math.sqrt(growthTrait)) - 1)
    state.lai += exponential
    state.mass += Math.max(gain, (exponential / p.specificLeafM2G) * 1.2 * Math.min(1, response * 2))
  } else {
    state.lai += gain * leafShare(state, plant) * p.specificLeafM2G
    state.mass += gain
  }
  if (before > SELF_SHADING_LAI) state.lai -= before * Math.min(0.05, 0.012 * (before - SELF_SHADING_LAI))
  if (state.ageCd > p.t61Cd && !plant.perennial) {
    const lost = before * Math.min(0.1, 0.0028 * thermal)
    state.lai = Math.max(0, state.lai - lost)
  }
}

/** Nitrogen taken up and fixed in a day, g m⁻²; returns what came from soil and adds what was fixed to `tally.fixed`. */
function feed(state: SpeciesState, plant: Species, canopyMass: number, soilMineral: number, tally: { fixed: number }): number {
  const p = plant.parameters
  const wanted = (criticalNitrogenPct(canopyMass, p) / 100) * state.mass * 1.05
  const demand = Math.max(0, wanted - state.nitrogen)
  const legume = p.fixationShare > 0
  const reachable = soilMineral * UPTAKE_SHARE_PER_DAY
  const fromSoil = Math.min(reachable, legume && state.ageCd > NODULATION_CD ? demand * LEGUME_SOIL_SHARE : demand)
  const fixed = legume && state.ageCd > NODULATION_CD ? (demand - fromSoil) * p.fixationShare : 0
  state.nitrogen += fromSoil + fixed
  tally.fixed += fixed
  return fromSoil
}

function nitrogenFactor(state: SpeciesState, plant: Species, canopyMass: number): number {
  if (state.mass <= 0) return 1
  const ratio = (100 * state.nitrogen) / state.mass / criticalNitrogenPct(canopyMass, plant.parameters)
  return Math.min(1, Math.max(0.15, 1.35 * ratio - 0.2))
}

function heightOf(state: SpeciesState, plant: Species): number {
  const p = plant.parameters
  const stage = Math.min(1, Math.max(0.08, state.ageCd / p.t61Cd))
  const body = 1 - Math.exp(-state.mass / 120)
  return p.heightM * Math.pow(stage, 1.3) * body
}

function applyEvents(input: StandInput, day: number, member: number, states: SpeciesState[], pools: ResiduePools): void {
  for (const event of input.events) {
    if (event.day !== day) continue
    states.forEach((state, component) => {
      const plant = input.sown[component].plant
      if (event.kind === 'end') {
        if (state.emerged) die(state, 1 - event.survival(member, component, state.bbch, plant), pools)
        else state.germination = -Infinity
        return
      }
      const share = event.shareRemoved
      if (event.left) addResidue(pools, state.mass * share, state.nitrogen * share)
      state.mass *= 1 - share
      state.nitrogen *= 1 - share
      state.lai *= 1 - share
    })
  }
}

function emptyRun(input: StandInput, ensemble: WeatherEnsemble): StandRun {
  const days = ensemble.startDay + ensemble.days - input.sowDay
  const members = ensemble.members.length
  const series = () => new Float32Array(days * members)
  return {
    startDay: input.sowDay, days, members, sown: input.sown,
    species: input.sown.map(() => ({ bbch: series(), massG: series(), alive: series() })),
    cover: series(), heightM: series(), massG: series(), nitrogenG: series(), fixedG: series(), residueG: series(), releasedG: series(),
  }
}

function runMember(input: StandInput, ensemble: WeatherEnsemble, weather: MemberWeather, traits: MemberTraits, member: number, run: StandRun, states: SpeciesState[]): void {
  const { days } = run
  const offset = input.sowDay - ensemble.startDay
  const pools = emptyPools()
  const water = soilWater(input.soil)
  const tally = { fixed: 0 }
  let mineral = STARTING_NITROGEN_G[input.fertility]
  let wetness = 0.5
  let cover = 0
  // The water balance starts before sowing, so that dry weeks are felt by the seed.
  for (let i = Math.max(0, offset - 30); i < offset; i++) waterDay(water, weather.rainMm[i], weather.et0Mm[i], 0.2, 0.2)
  states.forEach((state, component) => resetState(state, input.sown[component].plant, traits.hardinessC[member]))

  for (let d = 0; d < days; d++) {
    const i = offset + d
    const day = input.sowDay + d
    const tMin = weather.tMinC[i]
    const tMax = weather.tMaxC[i]
    const residue = poolMass(pools)
    const soilC = weather.soilTempC[i] - 0.12 * cover * Math.max(0, weather.soilTempC[i] - 8)
    const above = input.canopyAbove && day < input.canopyAbove.untilDay ? input.canopyAbove.share : 0
    const par = weather.radiationMjM2[i] * PAR_SHARE * (1 - input.shade) * (1 - above)
    const waterLimit = waterFactor(water)
    mineral += soilRelease(soilC, RELEASE_AT_20C_G[input.fertility])

    let canopy = 0
    let leafLight = 0
    let tallest = 0
    for (let c = 0; c < states.length; c++) {
      const state = states[c]
      if (!state.emerged || state.lai <= 0) continue
      canopy += state.mass
      const height = Math.max(0.03, heightOf(state, input.sown[c].plant))
      if (height > tallest) tallest = height
      leafLight += input.sown[c].plant.parameters.extinction * state.lai
    }
    const intercepted = par * (1 - Math.exp(-leafLight))
    let weightedLight = 0
    for (let c = 0; c < states.length; c++) {
      const state = states[c]
      if (state.lai > 0) weightedLight += input.sown[c].plant.parameters.extinction * state.lai * (0.4 + (0.6 * heightOf(state, input.sown[c].plant)) / Math.max(0.03, tallest))
    }

    for (let c = 0; c < states.length; c++) {
      const state = states[c]
      const { plant } = input.sown[c]
      if (!state.emerged) {
        germinate(state, input.sown[c], soilC, water, traits.emergence[member])
        state.vernal += vernalisingDay((tMin + tMax) / 2)
        continue
      }
      if (state.alive <= 0.001) continue
      const thermal = age(state, plant, tMin, tMax, ensemble.daylightHours[i], traits.development[member])
      const p = plant.parameters
      const weight = p.extinction * state.lai * (0.4 + (0.6 * heightOf(state, plant)) / Math.max(0.03, tallest))
      const light = weightedLight > 0 ? (intercepted * weight) / weightedLight : 0
      const response = growthResponse(tMin, tMax, p)
      grow(state, plant, thermal, light, response, waterLimit, nitrogenFactor(state, plant, canopy), traits.growth[member])
      mineral -= feed(state, plant, canopy, mineral, tally)
      coldAndHeat(state, plant, tMin, tMax, soilC, weather.snowMm[i], traits.hardinessC[member], pools)
    }
    applyEvents(input, day, member, states, pools)

    wetness = Math.min(1, wetness * 0.82 + Math.min(1, weather.rainMm[i] / 5) * 0.6)
    decayDay(pools, soilC, wetness)
    let light = 0
    let mass = 0
    let nitrogen = 0
    let height = 0
    const at = member * days + d
    for (let c = 0; c < states.length; c++) {
      const state = states[c]
      const { plant } = input.sown[c]
      light += plant.parameters.extinction * state.lai
      mass += state.mass
      nitrogen += state.nitrogen
      if (state.emerged && state.alive > 0.02) height = Math.max(height, heightOf(state, plant))
      run.species[c].bbch[at] = state.bbch
      run.species[c].massG[at] = state.mass
      run.species[c].alive[at] = state.emerged ? state.alive : 0
    }
    cover = 1 - Math.exp(-light * 1.1)
    waterDay(water, weather.snowMm[i] > 0 ? 0 : weather.rainMm[i], weather.et0Mm[i], cover, Math.min(1, cover + (1 - Math.exp(-0.0045 * residue))))
    run.cover[at] = cover
    run.heightM[at] = height
    run.massG[at] = mass
    run.nitrogenG[at] = nitrogen
    run.fixedG[at] = tally.fixed
    run.residueG[at] = poolMass(pools)
    run.releasedG[at] = pools.netReleasedG
  }
}

/**
 * Runs a stand from its sowing day to the end of the ensemble, every member with its own weather and traits.
 * Light-use-efficiency growth of the LINTUL family (Spitters 1990), light shared in mixes by k·LAI weighted by
 * height (Spitters and Aerts 1983). `sowDay` must lie inside the ensemble.
 */
export function runStand(input: StandInput, ensemble: WeatherEnsemble, traits: MemberTraits): StandRun {
  const run = emptyRun(input, ensemble)
  const states = input.sown.map(newState)
  ensemble.members.forEach((weather, member) => runMember(input, ensemble, weather, traits, member, run, states))
  return run
}
