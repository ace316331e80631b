import { dayNumber } from '../foundations/day'
import type { SiteClimate } from '../garden/schema'
import { findSpecies, seedSize } from '../plants/catalogue'
import { EMERGENCE_SHARE } from '../plants/establishment'
import { generatedEnsemble } from '../site/ensemble'
import type { WeatherEnsemble } from '../site/weather'
import { runStand } from '../stand/kernel'
import type { StandInput, StandRun } from '../stand/types'
import { drawTraits } from '../stand/traits'

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
  const seedsPerM2 =
    (((plant.parameters.drillKgHa / 10) * 1.5 * 0.9 * rate) / plant.parameters.thousandSeedG) * 1000
  const run = runStand(
    {
      sown: [{ plant, seedsPerM2, emergenceShare: EMERGENCE_SHARE.raked[seedSize(plant)] }],
      sowDay,
      soil: 'loam',
      fertility: 'medium',
      shade: 0,
      canopyAbove: null,
      events: [],
      ...input,
    },
    ensemble,
    drawTraits(members, seed + 2),
  )
  return { run, ensemble, sowDay }
}
