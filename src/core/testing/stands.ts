import { dayNumber } from '../foundations/day'
import type { SiteClimate } from '../garden/site'
import { findSpecies, seedSize } from '../plants/catalogue'
import { DEPTH_CM, EMERGENCE_SHARE } from '../plants/establishment'
import { generatedEnsemble } from '../site/ensemble'
import type { Species } from '../plants/parameters'
import type { WeatherEnsemble } from '../site/weather'
import { plainInput } from '../season/plainInput'
import { runStand } from '../stand/kernel'
import type { StandInput, StandRun } from '../stand/types'
import { drawMemberParameters } from '../stand/memberParameters'

/** A species broadcast at its full rate, or a part of it, and raked in. */
export const raked = (plant: Species, rate = 1): StandInput['sown'] => [
  {
    plant,
    seedsPerM2: (plant.parameters.drillKgHa * 135 * rate) / plant.parameters.thousandSeedG,
    emergenceShare: EMERGENCE_SHARE.raked[seedSize(plant)],
    depthCm: DEPTH_CM.raked[seedSize(plant)],
  },
]

/** A straight stand broadcast at its full rate and raked in, over a fresh ensemble; for tests and validation. */
export function growStand(
  site: SiteClimate,
  speciesId: string,
  sownOn: string,
  options: { members?: number; days?: number; rate?: number; seed?: number } & Partial<StandInput> = {},
): { run: StandRun; ensemble: WeatherEnsemble; sowDay: number } {
  const { members = 60, days = 330, rate = 1, seed = 1, ...input } = options
  const sowDay = dayNumber(sownOn)
  const plant = findSpecies(speciesId)
  if (!plant) throw new Error(`Unknown species ${speciesId}`)
  const ensemble = generatedEnsemble(site, sowDay - 40, days + 40, members, seed)
  const grown = { ...plainInput(raked(plant, rate), sowDay), ...input }
  const run = runStand(grown, ensemble, drawMemberParameters(grown.sown, members, seed + 2))
  return { run, ensemble, sowDay }
}
