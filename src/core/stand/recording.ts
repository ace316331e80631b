import { poolMass, poolNitrogen, type ResiduePools } from '../residue/pools'
import type { SoilWater } from '../site/soilWater'
import type { WeatherEnsemble } from '../site/weather'
import type { SpeciesState, Tally } from './plantState'
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
  return cover
}

/** Closes a member's accounts: all that came in, and where it is or went. */
export function closeAccounts(
  run: StandRun,
  member: number,
  states: readonly SpeciesState[],
  layers: readonly ResiduePools[],
  tally: Tally,
  startNitrogen: number,
  mineral: number,
  water: SoilWater,
  startWaterMm: number,
): void {
  const { accounts } = run
  states.forEach((state, c) => (run.species[c].plantsPerM2[member] = state.plants))
  let live = 0
  let plantNitrogen = 0
  for (const state of states) {
    live += state.mass
    plantNitrogen += state.nitrogen
  }
  const over = (of: (pools: ResiduePools) => number) => layers.reduce((sum, pools) => sum + of(pools), 0)
  run.carriedOff.massG[member] = tally.exportedMass
  run.carriedOff.nitrogenG[member] = tally.exportedNitrogen
  accounts.massIn[member] = tally.grown + tally.broughtMass
  accounts.massOut[member] = live + over((pools) => poolMass(pools) + pools.decayedG) + tally.exportedMass
  accounts.nitrogenIn[member] =
    startNitrogen + tally.soilNitrogen + tally.fixed + tally.seedNitrogen + tally.broughtNitrogen
  accounts.nitrogenOut[member] =
    mineral +
    plantNitrogen +
    over((pools) => poolNitrogen(pools) + pools.microbialNitrogenG) +
    tally.exportedNitrogen
  accounts.waterIn[member] = startWaterMm + water.gainedMm
  accounts.waterOut[member] =
    water.seedLayerMm + water.rootZoneMm + water.evaporatedMm + water.transpiredMm + water.drainedMm
}
