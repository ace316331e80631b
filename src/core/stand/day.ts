import { atLeast, atMost } from '../foundations/limit'
import { exponential } from '../foundations/exponential'
import { decayDay, residueCover } from '../residue/pools'
import { keepMoist, keepWatered, waterDay, waterFactor } from '../site/soilWater'
import { leachDay, RELEASE_AT_20C_G, soilRelease } from '../soil/nitrogen'
import type { WeatherBlock } from './block'
import { canopyDay } from './canopy'
import { applyEvent } from './events'
import { germinationDay } from './germination'
import { cropCover, cropWatered, feedCrop, shareAbove } from './groundCrop'
import { demandDay, developmentDay, feedingDay, growthDay, listGrowing, sheddingDay } from './growth'
import { coldAndHeatDay } from './weathering'
import { IN_GROUND, NOT_SOWN } from './plants'
import type { Sheeted } from './fate'
import { MOISTENED_PER_DAY, SHEETED_GROUND, sheetLying, smotherDay } from './sheeted'
import type { Work } from './work'

const PAR_SHARE = 0.5
/** Ground that no sheet lies on. */
const OPEN = { warmerC: 0, light: 1 }
/** Shade of a closed canopy cools the soil by this share of its excess over 8 °C (judgement). */
const CANOPY_COOLING = 0.12
/** Leaves seen from above hide more ground than they take light (judgement). */
const COVER_PER_LEAF = 1.1

/** Light, soil warmth, water and mineral nitrogen that the members from `begin` up to `end` wake up to. */
function morning(
  { input, today, state, capacity, release }: Work,
  weather: WeatherBlock,
  sheet: Sheeted | null,
  day: number,
  at: number,
  begin: number,
  end: number,
) {
  const { soilC, meanC, waterLimit, parMj, mulchCover } = today
  const { tMinC, tMaxC, soilTempC, radiationMjM2 } = weather
  const { mineralG } = state
  const { aboveLives, cover } = state.sky
  const { rootZoneMm } = state.water
  const { soilNitrogenG } = state.tally
  const { fastG, celluloseG, ligninG } = state.surface
  const perRootMm = 1 / capacity.rootMm
  const at20C = RELEASE_AT_20C_G[input.fertility]
  const { warmerC, light: letIn } = sheet === null ? OPEN : SHEETED_GROUND[sheet.kind]
  const light = PAR_SHARE * (1 - input.shade) * letIn
  const above = input.canopyAbove
  const shareTaken = above === null ? 0 : shareAbove(above, day)
  // Warmth below which what stands above is gone by the morning.
  const aboveFrostC = above === null ? -Infinity : above.frostC
  for (let m = begin; m < end; m++) {
    const bareC = soilTempC[at + m] + warmerC
    const warmth = bareC - CANOPY_COOLING * cover[m] * atLeast(0, bareC - 8)
    soilC[m] = warmth
    const tMin = tMinC[at + m]
    meanC[m] = (tMin + tMaxC[at + m]) / 2
    if (tMin <= aboveFrostC) aboveLives[m] = 0
    parMj[m] = radiationMjM2[at + m] * light * (1 - shareTaken * aboveLives[m])
    waterLimit[m] = waterFactor(rootZoneMm[m] * perRootMm)
    mulchCover[m] = residueCover(fastG[m] + celluloseG[m] + ligninG[m])
    const fromSoil = soilRelease(warmth, at20C) * release[m]
    mineralG[m] += fromSoil
    soilNitrogenG[m] += fromSoil
  }
}

/** How many members of each species grow on the day in hand. */
const counts: number[] = []

/** A day of all species in the members from `begin` up to `end`: they grow, share the soil's nitrogen, and meet cold and heat. */
function speciesDay(
  work: Work,
  weather: WeatherBlock,
  sheet: Sheeted | null,
  day: number,
  at: number,
  begin: number,
  end: number,
) {
  const { input, ensemble, today, state, growing, canopy, capacity, wantedG, fromSoilG } = work
  const { surface, tally, mineralG, water } = state
  const { demandG, takenG } = today
  const daylightH = ensemble.daylightHours[day - ensemble.startDay]
  const sheetedC = sheet === null ? 0 : SHEETED_GROUND[sheet.kind].warmerC
  const times = { daylightH, age: day - input.sowDay, sheetedC }
  for (let m = begin; m < end; m++) demandG[m] = takenG[m] = 0
  for (let c = 0; c < state.plants.length; c++) {
    const plants = state.plants[c]
    const own = work.own[c]
    const { plant } = input.sown[c]
    const n = listGrowing(plants, growing[c], begin, end)
    counts[c] = n
    if (n < end - begin)
      germinationDay(plants, input.sown[c], today, water, capacity, work.ownEmergence[c], tally, begin, end)
    if (n === 0) continue
    developmentDay(plants, plant, growing[c], n, weather, at, daylightH, own.development, today)
    growthDay(plants, plant, growing[c], n, canopy, canopy.shares[c], today, own, tally)
    sheddingDay(plants, plant, growing[c], n, today, surface)
    demandDay(plants, plant, growing[c], n, today, wantedG[c], fromSoilG[c])
  }
  for (let c = 0; c < state.plants.length; c++) {
    const n = counts[c]
    if (n === 0) continue
    const plants = state.plants[c]
    const { plant } = input.sown[c]
    feedingDay(plants, plant, growing[c], n, today, wantedG[c], fromSoilG[c], mineralG, tally)
    coldAndHeatDay(plants, plant, growing[c], n, weather, at, today, times, work.own[c].hardinessC, surface)
  }
  for (let m = begin; m < end; m++) mineralG[m] -= takenG[m]
}

/** Green and hidden ground of the evening in the members from `begin` up to `end`. */
function coverGround({ input, state, today }: Work, day: number, begin: number, end: number) {
  const { leaf, green, hidden, mulchCover } = today
  const { cover } = state.sky
  for (let m = begin; m < end; m++) leaf[m] = 0
  for (let c = 0; c < state.plants.length; c++) {
    const { lai } = state.plants[c]
    const perLai = COVER_PER_LEAF * input.sown[c].plant.parameters.extinction
    for (let m = begin; m < end; m++) leaf[m] += perLai * lai[m]
  }
  const crop = input.crop ? cropCover(input.crop, day) : 0
  for (let m = begin; m < end; m++) {
    cover[m] = 1 - exponential(-leaf[m])
    green[m] = cover[m] + crop * (1 - cover[m])
    hidden[m] = atMost(1, green[m] + mulchCover[m])
  }
}

/** Residue of the members from `begin` up to `end` is wetted, by rain or by the ground under a sheet, and rots. */
function rot(
  { today, state, buriedWetness, buriedContact }: Work,
  { rainMm }: WeatherBlock,
  sheet: Sheeted | null,
  at: number,
  begin: number,
  end: number,
) {
  const { surface, buried, wetness, contact, mineralG } = state
  if (sheet !== null && SHEETED_GROUND[sheet.kind].tight)
    for (let m = begin; m < end; m++) wetness[m] += (today.waterLimit[m] - wetness[m]) * MOISTENED_PER_DAY
  else
    for (let m = begin; m < end; m++)
      wetness[m] = atMost(1, wetness[m] * 0.82 + atMost(1, rainMm[at + m] / 5) * 0.6)
  decayDay(surface, today.soilC, wetness, mineralG, contact, begin, end)
  decayDay(buried, today.soilC, buriedWetness, mineralG, buriedContact, begin, end)
}

/**
 * Waters and drains the ground of the members from `begin` up to `end`, unless a tight sheet lies on it; nitrate goes with
 * what drains. The last step of a day.
 */
export function drainDay(
  { input, today, state, capacity, still }: Work,
  { waterMm, et0Mm }: WeatherBlock,
  day: number,
  at: number,
  begin: number,
  end: number,
) {
  const { water, mineralG, tally } = state
  const { green, hidden, drainedMm } = today
  const givenMm = input.watering?.mm.get(day) ?? 0
  if (input.crop && cropWatered(input.crop, day)) keepWatered(water, capacity, begin, end)
  const sheet = sheetLying(input.events, day)
  if (sheet !== null && SHEETED_GROUND[sheet.kind].tight)
    waterDay(water, capacity, still, still, 0, givenMm, green, hidden, drainedMm, begin, end)
  else waterDay(water, capacity, waterMm, et0Mm, at, givenMm, green, hidden, drainedMm, begin, end)
  leachDay(mineralG, drainedMm, input.soil, tally.leachedG, begin, end)
}

/** Sows the members from `begin` up to `end` whose day it is. */
function sow({ input, sownAfter, state }: Work, day: number, begin: number, end: number) {
  if (!sownAfter) return
  for (let m = begin; m < end; m++)
    if (input.sowDay + sownAfter[m] === day)
      for (const { emergence } of state.plants) if (emergence[m] === NOT_SOWN) emergence[m] = IN_GROUND
}

/**
 * A day of the course of a stand alone: its plants come up, go through their stages and die, on ground and under leaves that stay as
 * they are.
 */
export function courseDay(
  work: Work,
  weather: WeatherBlock,
  day: number,
  at: number,
  begin: number,
  end: number,
): void {
  const { input, ensemble, state, growing, own, today } = work
  morning(work, weather, null, day, at, begin, end)
  for (let c = 0; c < state.plants.length; c++) {
    const plants = state.plants[c]
    const { plant } = input.sown[c]
    const n = listGrowing(plants, growing[c], begin, end)
    if (n === 0) continue
    const daylightH = ensemble.daylightHours[day - ensemble.startDay]
    const times = { daylightH, age: day - input.sowDay, sheetedC: 0 }
    developmentDay(plants, plant, growing[c], n, weather, at, daylightH, own[c].development, today)
    coldAndHeatDay(plants, plant, growing[c], n, weather, at, today, times, own[c].hardinessC, state.surface)
  }
}

/**
 * Steps the members from `begin` up to `end` through a day to its evening; its weather stands in the block from
 * `at + begin` on. What is done to the stand happens between its growth and its rotting.
 */
export function stepDay(
  work: Work,
  weather: WeatherBlock,
  day: number,
  at: number,
  begin: number,
  end: number,
): void {
  const { input, state, events, today, canopy, capacity } = work
  const { water, mineralG, tally, plants } = state
  if (day < input.sowDay + (input.watering?.keptMoistDays ?? 0)) keepMoist(water, capacity, begin, end)
  sow(work, day, begin, end)
  const sheet = sheetLying(input.events, day)
  morning(work, weather, sheet, day, at, begin, end)
  if (input.crop) feedCrop(input.crop, day, mineralG, tally.cropNitrogenG, begin, end)
  canopyDay(canopy, plants, input.sown, today, begin, end)
  speciesDay(work, weather, sheet, day, at, begin, end)
  for (const event of events.get(day) ?? []) for (let m = begin; m < end; m++) applyEvent(event, work, m)
  if (sheet !== null) smotherDay(work, weather, sheet, capacity.seedMm, at, begin, end)
  rot(work, weather, sheet, at, begin, end)
  coverGround(work, day, begin, end)
}
