import { findSpecies } from '../plants/catalogue'
import { emptyRun } from '../stand/recording'
import type { StandRun } from '../stand/types'
import { plainInput } from '../season/plainInput'
import { raked } from './stands'
import { steadyWeather } from './steady'

/**
 * A stand that stays as it is in steady weather: every day the same stage, mass, height and moisture, all plants
 * alive. Outcomes on it can be reckoned by hand.
 */
export function stillStand(
  plants: readonly { speciesId: string; bbch: number; massG: number }[],
  {
    meanC = 16,
    days = 200,
    members = 1,
    heightM = 1,
    moist = 0.8,
    startDay = 0,
  }: {
    meanC?: number
    days?: number
    members?: number
    heightM?: number
    moist?: number
    startDay?: number
  } = {},
): { run: StandRun; ensemble: ReturnType<typeof steadyWeather> } {
  const ensemble = steadyWeather(meanC, days, members, startDay)
  const sown = plants.flatMap(({ speciesId }) => raked(findSpecies(speciesId)!))
  const run = emptyRun(
    plainInput(sown, startDay),
    startDay,
    ensemble.startDay + ensemble.days - startDay,
    members,
  )
  plants.forEach(({ bbch, massG }, c) => {
    run.species[c].bbch.fill(bbch)
    run.species[c].massG.fill(massG)
    run.species[c].alive.fill(1)
    run.species[c].plantsPerM2.fill(200)
  })
  run.massG.fill(plants.reduce((sum, plant) => sum + plant.massG, 0))
  run.heightM.fill(heightM)
  run.seedLayer.fill(moist)
  return { run, ensemble }
}
