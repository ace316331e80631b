import { BURIED_CONTACT, decayDay, poolMass, residueCover } from '../residue/pools'
import { keepMoist, keepWatered, waterDay, waterFactor } from '../site/soilWater'
import type { WeatherEnsemble } from '../site/weather'
import { leachedNitrogen, RELEASE_AT_20C_G, soilRelease } from '../soil/nitrogen'
import { growthResponse, vernalisingDay } from './development'
import { age, coldAndHeat, feed, germinate, grow, nitrogenFactor } from './plantState'
import { applyEvents } from './events'
import { leafWeight, lightInto, type Canopy } from './canopy'
import { cropCover, feedCrop } from './groundCrop'
import { beginMember, copyState, type MemberState } from './memberState'
import { closeAccounts, emptyRun, record } from './recording'
import type { MemberParameters } from './memberParameters'
import type { StandInput, StandRun } from './types'

const PAR_SHARE = 0.5
/** Shade of a closed canopy cools the soil by this share of its excess over 8 °C (judgement). */
const CANOPY_COOLING = 0.12
/** Moisture of residue under the soil, 0–1: steadier than on top (judgement, 0.6–0.9). */
const BURIED_WETNESS = 0.75

/**
 * Runs one member from the first day of `run` to its last and writes it into its place `slot`; copies of its state go into
 * the lists of `saveOn`, by day.
 */
function runMember(
  input: StandInput,
  ensemble: WeatherEnsemble,
  memberParameters: MemberParameters,
  member: number,
  run: StandRun,
  slot: number,
  now: MemberState,
  saveOn: ReadonlyMap<number, MemberState[]> | null,
): void {
  const { days } = run
  const { states, pools, buried, water, tally } = now
  const weather = ensemble.members[member]
  const emergence = memberParameters.emergence[member]
  const offset = run.startDay - ensemble.startDay
  const moistUntil = input.sowDay + (input.watering?.keptMoistDays ?? 0)
  const waterings = input.watering && input.watering.mm.size > 0 ? input.watering.mm : null
  const crop = input.crop ?? null
  let { shadeAbove, mineral, wetness, cover } = now
  const canopy: Canopy = { massG: 0, intercepted: 0, weightedLeaf: 0, tallestM: 0 }

  for (let d = 0; d < days; d++) {
    const i = offset + d
    const day = run.startDay + d
    if (saveOn !== null) saveOn.get(day)?.push(copyState({ ...now, shadeAbove, mineral, wetness, cover }))
    const tMin = weather.tMinC[i]
    const tMax = weather.tMaxC[i]
    const residue = poolMass(pools)
    const soilC = weather.soilTempC[i] - CANOPY_COOLING * cover * Math.max(0, weather.soilTempC[i] - 8)
    if (day < moistUntil) keepMoist(water)
    if (input.canopyAbove && (day >= input.canopyAbove.untilDay || tMin <= input.canopyAbove.frostC))
      shadeAbove = 0
    const waterLimit = waterFactor(water)
    const fromSoil = soilRelease(soilC, RELEASE_AT_20C_G[input.fertility])
    mineral += fromSoil
    tally.soilNitrogen += fromSoil
    if (crop) mineral -= feedCrop(crop, day, mineral, tally)
    lightInto(
      canopy,
      states,
      input,
      weather.radiationMjM2[i] * PAR_SHARE * (1 - input.shade) * (1 - shadeAbove),
    )

    for (let c = 0; c < states.length; c++) {
      const state = states[c]
      const { plant } = input.sown[c]
      if (!state.emerged) {
        germinate(
          state,
          input.sown[c],
          soilC,
          water,
          emergence * (memberParameters.plants?.[c][member] ?? 1),
          tally,
        )
        state.vernal += vernalisingDay((tMin + tMax) / 2)
        continue
      }
      if (state.alive <= 0.001) continue
      const thermal = age(
        state,
        plant,
        tMin,
        tMax,
        ensemble.daylightHours[i],
        memberParameters.development[member],
      )
      const weight = leafWeight(state, plant.parameters.extinction, canopy.tallestM)
      const light = canopy.weightedLeaf > 0 ? (canopy.intercepted * weight) / canopy.weightedLeaf : 0
      const response = growthResponse(tMin, tMax, plant.parameters)
      grow(
        state,
        plant,
        thermal,
        light,
        response,
        waterLimit,
        nitrogenFactor(state, plant, canopy.massG),
        memberParameters.growth[member],
        pools,
        tally,
      )
      mineral -= feed(state, plant, mineral, tally)
      coldAndHeat(
        state,
        plant,
        tMin,
        tMax,
        soilC,
        weather.snowMm[i],
        memberParameters.hardinessC[member],
        pools,
      )
    }
    applyEvents(input, day, member, states, pools, buried, tally)
    wetness = Math.min(1, wetness * 0.82 + Math.min(1, weather.rainMm[i] / 5) * 0.6)
    mineral += decayDay(pools, soilC, wetness, mineral)
    mineral += decayDay(buried, soilC, BURIED_WETNESS, mineral, BURIED_CONTACT)
    cover = record(run, slot * days + d, states, pools, buried, water, mineral, tally.fixed)
    if (crop) keepWatered(water)
    const green = crop ? Math.max(cover, cropCover(crop, day)) : cover
    const wetMm = weather.waterMm[i] + (waterings?.get(day) ?? 0)
    const drainedMm = waterDay(
      water,
      wetMm,
      weather.et0Mm[i],
      green,
      Math.min(1, green + residueCover(residue)),
    )
    const washed = leachedNitrogen(mineral, drainedMm, input.soil)
    mineral -= washed
    tally.leached += washed
  }
  const end = { ...now, shadeAbove, mineral, wetness, cover }
  saveOn?.get(run.startDay + days)?.push(copyState(end))
  closeAccounts(run, slot, end)
}

/** States of all members at the beginning of some days of a run, by day number: where a what-if begins. */
export type SavedStates = ReadonlyMap<number, readonly MemberState[]>

/**
 * Runs a stand from its sowing day to the end of the ensemble, every member with its own weather and parameters.
 * Light-use-efficiency growth of the LINTUL family (Spitters 1990), light shared in mixes by k·LAI weighted by
 * height (Spitters and Aerts 1983). `sowDay` must lie inside the ensemble.
 */
export function runStand(
  input: StandInput,
  ensemble: WeatherEnsemble,
  memberParameters: MemberParameters,
): StandRun {
  return runSaving(input, ensemble, memberParameters, []).run
}

/** The same, with the states kept that stand at the beginning of the days in `saveOn`; the day after the last is its end. */
export function runSaving(
  input: StandInput,
  ensemble: WeatherEnsemble,
  memberParameters: MemberParameters,
  saveOn: readonly number[],
): { run: StandRun; saved: SavedStates } {
  const run = emptyRun(input, ensemble, input.sowDay)
  const saved = new Map<number, MemberState[]>(saveOn.map((day) => [day, []]))
  for (let member = 0; member < run.members; member++)
    runMember(
      input,
      ensemble,
      memberParameters,
      member,
      run,
      member,
      beginMember(input, ensemble, memberParameters, member),
      saveOn.length > 0 ? saved : null,
    )
  return { run, saved }
}

/**
 * Runs a stand on from saved states: `input` may hold other events from `day` on, all else as in the run that was saved.
 * The result begins on `day` and goes on for `days`, or to the end of the ensemble. It holds the `members` asked for, in
 * their order; all of them when left out.
 */
export function resumeStand(
  input: StandInput,
  ensemble: WeatherEnsemble,
  memberParameters: MemberParameters,
  saved: readonly MemberState[],
  day: number,
  days = Infinity,
  members: readonly number[] = saved.map((_, member) => member),
): StandRun {
  const run = emptyRun(
    input,
    {
      ...ensemble,
      days: Math.min(ensemble.days, day + days - ensemble.startDay),
      members: members.map((member) => ensemble.members[member]),
    },
    day,
  )
  members.forEach((member, slot) =>
    runMember(input, ensemble, memberParameters, member, run, slot, copyState(saved[member]), null),
  )
  return run
}
