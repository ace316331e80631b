import { poolMass, poolNitrogen, type ResiduePools } from '../residue/pools'
import type { SoilWater } from '../site/soilWater'
import type { WeatherEnsemble } from '../site/weather'
import { heldBy } from '../soil/ground'
import type { MemberState } from './memberState'
import type { SpeciesState } from './plantState'
import type { StandInput, StandRun } from './types'

/** A run with all its series empty, from a day to the end of the weather. */
export function emptyRun(input: StandInput, ensemble: WeatherEnsemble, startDay: number): StandRun {
  const days = ensemble.startDay + ensemble.days - startDay
  const members = ensemble.members.length
  const series = () => new Float32Array(days * members)
  const perMember = () => new Float64Array(members)
  return {
    startDay,
    days,
    members,
    sown: input.sown,
    species: input.sown.map(() => ({
      bbch: series(),
      massG: series(),
      alive: series(),
      plantsPerM2: perMember(),
    })),
    cover: series(),
    heightM: series(),
    massG: series(),
    nitrogenG: series(),
    fixedG: series(),
    residueG: series(),
    residueNitrogenG: series(),
    soilWaterMm: series(),
    seedLayer: series(),
    releasedG: series(),
    mineralG: series(),
    carriedOff: { massG: perMember(), nitrogenG: perMember() },
    accounts: {
      massIn: perMember(),
      massOut: perMember(),
      nitrogenIn: perMember(),
      nitrogenOut: perMember(),
      waterIn: perMember(),
      waterOut: perMember(),
    },
  }
}

/** Writes the day's state of all species into the run; returns the green cover. */
export function record(
  run: StandRun,
  at: number,
  states: readonly SpeciesState[],
  pools: ResiduePools,
  buried: ResiduePools,
  water: SoilWater,
  mineral: number,
  fixed: number,
): number {
  let leaf = 0
  let mass = 0
  let nitrogen = 0
  let height = 0
  for (let c = 0; c < states.length; c++) {
    const state = states[c]
    leaf += run.sown[c].plant.parameters.extinction * state.lai
    mass += state.mass
    nitrogen += state.nitrogen
    if (state.emerged && state.alive > 0.02) height = Math.max(height, state.height)
    run.species[c].bbch[at] = state.bbch
    run.species[c].massG[at] = state.mass
    run.species[c].alive[at] = state.emerged ? state.alive : 0
  }
  const cover = 1 - Math.exp(-leaf * 1.1)
  run.cover[at] = cover
  run.heightM[at] = height
  run.massG[at] = mass
  run.nitrogenG[at] = nitrogen
  run.fixedG[at] = fixed
  run.residueG[at] = poolMass(pools)
  run.residueNitrogenG[at] = poolNitrogen(pools) + poolNitrogen(buried)
  run.soilWaterMm[at] = water.seedLayerMm + water.rootZoneMm
  run.seedLayer[at] = water.seedLayerMm / water.seedCapacityMm
  run.releasedG[at] = pools.netReleasedG + buried.netReleasedG
  run.mineralG[at] = mineral
  return cover
}

/** Closes a member's accounts: all that was there and came in, and where it is or went. */
export function closeAccounts(run: StandRun, member: number, end: MemberState): void {
  const { accounts } = run
  const { states, pools, buried, water, tally, start } = end
  states.forEach((state, c) => (run.species[c].plantsPerM2[member] = state.plants))
  let live = 0
  let plantNitrogen = 0
  for (const state of states) {
    live += state.mass
    plantNitrogen += state.nitrogen
  }
  const held = heldBy(end)
  run.carriedOff.massG[member] = tally.exportedMass
  run.carriedOff.nitrogenG[member] = tally.exportedNitrogen
  accounts.massIn[member] = start.massG + tally.grown + tally.broughtMass
  accounts.massOut[member] = live + held.massG + pools.decayedG + buried.decayedG + tally.exportedMass
  accounts.nitrogenIn[member] =
    start.nitrogenG + tally.soilNitrogen + tally.fixed + tally.seedNitrogen + tally.broughtNitrogen
  accounts.nitrogenOut[member] =
    held.nitrogenG +
    plantNitrogen +
    pools.microbialNitrogenG +
    buried.microbialNitrogenG +
    tally.exportedNitrogen +
    tally.leached +
    tally.cropNitrogen
  accounts.waterIn[member] = start.waterMm + water.gainedMm
  accounts.waterOut[member] = held.waterMm + water.evaporatedMm + water.transpiredMm + water.drainedMm
}
