import { poolMass, poolNitrogen } from '../residue/pools'
import { waterCapacity } from '../site/soilWater'
import { heldBy } from '../soil/ground'
import { bbchOf, type Plants } from './plants'
import type { StandState } from './state'
import type { StandInput, StandRun } from './types'

/** A run with all its series empty. */
export function emptyRun(input: StandInput, startDay: number, days: number, members: number): StandRun {
  const series = () => new Float32Array(days * members)
  const perMember = () => new Float64Array(members)
  return {
    startDay,
    days,
    members,
    sown: input.sown,
    soil: input.soil,
    brought: input.events.filter((event) => event.kind === 'mulch'),
    species: input.sown.map(() => ({
      bbch: series(),
      massG: series(),
      alive: series(),
      heightM: series(),
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

/** A run of which only the course of its plants is written down. */
export function emptyCourse(input: StandInput, startDay: number, days: number, members: number): StandRun {
  const run = emptyRun(input, startDay, 0, members)
  const series = () => new Float32Array(days * members)
  return {
    ...run,
    days,
    species: run.species.map((species) => ({ ...species, bbch: series(), alive: series() })),
  }
}

/** Writes the stages and the plants alive of the members from `begin` up to `end` into the run's day `d`. */
export function recordCourse(
  run: StandRun,
  d: number,
  { plants }: StandState,
  begin: number,
  end: number,
): void {
  plants.forEach((species, c) => {
    const { bbch, alive } = run.species[c]
    const { parameters } = run.sown[c].plant
    for (let m = begin; m < end; m++) {
      bbch[d * run.members + m] = bbchOf(species, m, parameters)
      alive[d * run.members + m] = species.alive[m]
    }
  })
}

/** A cover this thin has no height to speak of: share of the plants that lives. */
const LAST_STANDING = 0.02

/** Writes the state of the members from `begin` up to `end` into the run's day `d`. */
export function record(run: StandRun, d: number, state: StandState, begin: number, end: number): void {
  const { surface, buried, water, tally, mineralG, sky } = state
  const { seedMm } = waterCapacity(run.soil)
  const { plants } = state
  const day = d * run.members
  for (let c = 0; c < plants.length; c++) recordSpecies(run, c, d, plants[c], begin, end)
  for (let m = begin; m < end; m++) {
    const at = day + m
    let massG = 0
    let nitrogenG = 0
    let heightM = 0
    for (let c = 0; c < plants.length; c++) {
      const species = plants[c]
      massG += species.massG[m]
      nitrogenG += species.nitrogenG[m]
      if (species.alive[m] > LAST_STANDING) heightM = Math.max(heightM, species.heightM[m])
    }
    run.massG[at] = massG
    run.nitrogenG[at] = nitrogenG
    run.heightM[at] = heightM
    run.cover[at] = sky.cover[m]
    run.fixedG[at] = tally.fixedG[m]
    run.residueG[at] = poolMass(surface, m)
    run.residueNitrogenG[at] = poolNitrogen(surface, m) + poolNitrogen(buried, m)
    run.soilWaterMm[at] = water.seedLayerMm[m] + water.rootZoneMm[m]
    run.seedLayer[at] = water.seedLayerMm[m] / seedMm
    run.releasedG[at] = surface.netReleasedG[m] + buried.netReleasedG[m]
    run.mineralG[at] = mineralG[m]
  }
}

function recordSpecies(run: StandRun, c: number, d: number, plants: Plants, begin: number, end: number) {
  const day = d * run.members
  const { parameters } = run.sown[c].plant
  const { bbch, massG, alive, heightM } = run.species[c]
  for (let m = begin; m < end; m++) {
    const at = day + m
    bbch[at] = bbchOf(plants, m, parameters)
    massG[at] = plants.massG[m]
    alive[at] = plants.alive[m]
    heightM[at] = plants.alive[m] > LAST_STANDING ? plants.heightM[m] : 0
  }
}

/** Closes a member's accounts: all that was there and came in, and where it is or went. */
export function closeAccounts(run: StandRun, end: StandState, m: number): void {
  const { accounts } = run
  const { plants, surface, buried, water, tally, start } = end
  let live = 0
  let plantNitrogen = 0
  plants.forEach((species, c) => {
    run.species[c].plantsPerM2[m] = species.perM2[m]
    live += species.massG[m]
    plantNitrogen += species.nitrogenG[m]
  })
  const held = heldBy(end, m)
  run.carriedOff.massG[m] = tally.exportedG[m]
  run.carriedOff.nitrogenG[m] = tally.exportedNitrogenG[m]
  accounts.massIn[m] = start.massG[m] + tally.grownG[m] + tally.broughtG[m]
  accounts.massOut[m] = live + held.massG + surface.decayedG[m] + buried.decayedG[m] + tally.exportedG[m]
  accounts.nitrogenIn[m] =
    start.nitrogenG[m] +
    tally.soilNitrogenG[m] +
    tally.fixedG[m] +
    tally.seedNitrogenG[m] +
    tally.broughtNitrogenG[m]
  accounts.nitrogenOut[m] =
    held.nitrogenG +
    plantNitrogen +
    surface.microbialNitrogenG[m] +
    buried.microbialNitrogenG[m] +
    tally.exportedNitrogenG[m] +
    tally.leachedG[m] +
    tally.cropNitrogenG[m]
  accounts.waterIn[m] = start.waterMm[m] + water.gainedMm[m]
  accounts.waterOut[m] = held.waterMm + water.evaporatedMm[m] + water.transpiredMm[m] + water.drainedMm[m]
}
