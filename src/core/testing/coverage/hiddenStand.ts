import { mixSeed, randomStream, type RandomStream } from '../../foundations/random'
import type { Bed } from '../../garden/schema'
import type { SiteClimate } from '../../garden/site'
import type { ParameterName, Species } from '../../plants/parameters'
import { PARAMETERS } from '../../plants/parameterRanges'
import { generatedEnsemble } from '../../site/ensemble'
import { runStand } from '../../stand/kernel'
import { drawMemberParameters } from '../../stand/memberParameters'
import type { StandRun } from '../../stand/types'
import { plainInput } from '../../season/plainInput'
import { raked } from '../stands'

/** How far a truth lies from what the model is told: `validation/errors.json`. */
export type Errors = {
  site: { temperatureSdC: number; rainLogSd: number; warmingC: number }
  ground: { releaseLogSd: number; soilClassesOff: number }
  parameters: {
    shares: { published: number; extension: number; judgement: number }
    thermalTimeShare: number
    multiplied: string[]
    hardinessSdC: number
    growTemperatureSdC: number
  }
  looks: { bbchSd: number; coverSd: number; heightShareSd: number }
}

/** Where a truth comes from: the model's own draws, one source of error alone, or all of them. */
export const SOURCES = ['the model itself', 'site and year', 'ground', 'parameters', 'all together'] as const
export type Source = (typeof SOURCES)[number]

const SOILS: readonly Bed['soil'][] = ['sand', 'sandy loam', 'loam', 'silt loam', 'clay loam', 'clay']
const THERMAL_TIMES: readonly ParameterName[] = [
  't31Cd', 't51Cd', 't61Cd', 't65Cd', 't69Cd', 't71Cd', 't75Cd', 't85Cd', 't89Cd',
] // prettier-ignore

/** A plant whose parameters lie elsewhere in their ranges. */
function otherPlant(plant: Species, { parameters: errors }: Errors, random: RandomStream): Species {
  const own = { ...plant.parameters }
  const within = (share: number) => 1 + share * (2 * random.uniform() - 1)
  const set = (name: ParameterName, value: number) =>
    (own[name] = Math.min(PARAMETERS[name].high, Math.max(PARAMETERS[name].low, value)))
  const thermal = within(errors.thermalTimeShare)
  for (const name of THERMAL_TIMES) own[name] *= thermal
  for (const name of errors.multiplied as ParameterName[])
    set(name, own[name] * within(errors.shares[plant.sources[name]?.class ?? 'judgement']))
  const colder = errors.hardinessSdC * random.normal()
  set('lt50HardyC', own.lt50HardyC + colder)
  const warmer = errors.growTemperatureSdC * random.normal()
  for (const name of ['growBaseC', 'growOptLowC', 'growOptHighC', 'growMaxC'] as const) own[name] += warmer
  return { ...plant, parameters: own }
}

function otherSite(site: SiteClimate, { site: errors }: Errors, random: RandomStream): SiteClimate {
  const warmer = errors.warmingC + errors.temperatureSdC * random.normal()
  const rainier = Math.exp(errors.rainLogSd * random.normal())
  return {
    ...site,
    tMaxC: site.tMaxC.map((value) => value + warmer),
    tMinC: site.tMinC.map((value) => value + warmer),
    rainMm: site.rainMm.map((value) => value * rainier),
  }
}

/** This season of one bed first, then past ones of other beds of the same garden. */
export type HiddenStand = { run: StandRun; weather: ReturnType<typeof generatedEnsemble> }

/** Grows a hidden stand by its source of error. Days of weather begin `lead` days before it is sown. */
export function hiddenStand(
  told: { site: SiteClimate; plant: Species; sowDay: number },
  source: Source,
  errors: Errors,
  seed: number,
  size: { seasons: number; lead: number; days: number },
): HiddenStand {
  const random = randomStream(mixSeed(seed, 1))
  const off = (one: Source) => source === one || source === 'all together'
  const site = off('site and year') ? otherSite(told.site, errors, random) : told.site
  const plant = off('parameters') ? otherPlant(told.plant, errors, random) : told.plant
  const sown = raked(told.plant).map((one) => ({ ...one, plant }))
  const weather = generatedEnsemble(site, told.sowDay - size.lead, size.days, size.seasons, mixSeed(seed, 2))
  const own = drawMemberParameters(sown, size.seasons, mixSeed(seed, 3), {
    spread: source === 'the model itself' ? 1 : 0,
  })
  const input = plainInput(sown, told.sowDay)
  if (!off('ground')) return { run: runStand(input, weather, own), weather }
  const steps = errors.ground.soilClassesOff * (random.uniform() < 0.5 ? -1 : 1)
  const soil = SOILS[SOILS.indexOf(input.soil) + steps]
  const release = own.release.map(() => Math.exp(errors.ground.releaseLogSd * random.normal()))
  return { run: runStand({ ...input, soil }, weather, { ...own, release }), weather }
}
