import type { StandRun } from './types'

/** A run up to the first day of another that was taken up from it, and from there on the other, however long each is. */
export function joined(before: StandRun, after: StandRun): StandRun {
  const { members } = before
  const at = after.startDay - before.startDay
  const days = at + after.days
  const series = (old: Float32Array, late: Float32Array) => {
    const both = new Float32Array(members * days)
    both.set(old.subarray(0, at * members))
    both.set(late, at * members)
    return both
  }
  return {
    ...after,
    startDay: before.startDay,
    days,
    species: before.species.map((species, c) => ({
      bbch: series(species.bbch, after.species[c].bbch),
      massG: series(species.massG, after.species[c].massG),
      alive: series(species.alive, after.species[c].alive),
      heightM: series(species.heightM, after.species[c].heightM),
      plantsPerM2: after.species[c].plantsPerM2,
    })),
    cover: series(before.cover, after.cover),
    heightM: series(before.heightM, after.heightM),
    massG: series(before.massG, after.massG),
    nitrogenG: series(before.nitrogenG, after.nitrogenG),
    fixedG: series(before.fixedG, after.fixedG),
    residueG: series(before.residueG, after.residueG),
    residueNitrogenG: series(before.residueNitrogenG, after.residueNitrogenG),
    soilWaterMm: series(before.soilWaterMm, after.soilWaterMm),
    seedLayer: series(before.seedLayer, after.seedLayer),
    releasedG: series(before.releasedG, after.releasedG),
    mineralG: series(before.mineralG, after.mineralG),
  }
}
