import { atOnce, type Steps } from '../foundations/steps'
import { quantilesOf, type Quantiles } from '../foundations/statistics'
import type { StandCase } from '../season/cases'
import { endedRunInSteps, type SeasonRun } from '../season/run'
import { waterCapacity } from '../site/soilWater'
import type { WeatherEnsemble } from '../site/weather'
import { bandsOfSeries, type Bands } from '../stand/summary'
import type { StandRun } from '../stand/types'
import { rootDepthM } from './rooting'

/** One species of a stand from day to day, by the middle of the members; its height with the range of 8 in 10. */
export type SpeciesPortrait = {
  speciesId: string
  plantsPerM2: number
  heightM: Bands
  bbch: number[]
  /** Share of the plants that came up still alive, 0–1. */
  alive: number[]
  rootM: number[]
}

/** How a stand's ground looks on every day from its sowing, by the middle of the members. */
export type Portrait = {
  standId: string
  startDay: number
  species: SpeciesPortrait[]
  /** Ground covered by live green, 0–1. */
  cover: Bands
  massG: Bands
  /** Mulch on the ground, g m⁻². */
  residueG: Bands
  /** Wetness of the top 5 cm and of the ground below, share of what they hold. */
  wetTop: number[]
  wetBelow: number[]
  /** Bare ground at 5 cm, °C, with its range where the weather is not known yet. */
  soilC: Quantiles[]
  /** Snow lying, mm of water. */
  snowMm: number[]
}

const DAILY = 1

/** A stand with its ending in it, day by day, as it is drawn; see `Portrait`. */
export const portraitOf = atOnce(portraitInSteps)

/** The same with pauses. */
export function* portraitInSteps(standCase: StandCase, season: SeasonRun): Steps<Portrait> {
  const run = yield* endedRunInSteps(standCase, season)
  const { ensemble } = season
  const middle = function* (series: Float32Array): Steps<number[]> {
    yield
    return bandsOfSeries(run, series, DAILY).p50
  }
  const species: SpeciesPortrait[] = []
  for (const [c, { bbch, alive, heightM, plantsPerM2 }] of run.species.entries()) {
    const { plant } = run.sown[c]
    const stages = yield* middle(bbch)
    yield
    species.push({
      speciesId: plant.id,
      plantsPerM2: quantilesOf(plantsPerM2)?.p50 ?? 0,
      heightM: bandsOfSeries(run, heightM, DAILY),
      bbch: stages,
      alive: yield* middle(alive),
      rootM: rootsOf(run, c, stages, ensemble),
    })
  }
  yield
  const cover = bandsOfSeries(run, run.cover, DAILY)
  yield
  const massG = bandsOfSeries(run, run.massG, DAILY)
  yield
  const residueG = bandsOfSeries(run, run.residueG, DAILY)
  const wetTop = yield* middle(run.seedLayer)
  const water = yield* middle(run.soilWaterMm)
  yield
  return {
    standId: standCase.stand.id,
    startDay: run.startDay,
    species,
    cover,
    massG,
    residueG,
    wetTop,
    wetBelow: wetBelowOf(run, water, wetTop),
    ...sky(run, ensemble),
  }
}

/** The root zone's wetness from all the water in reach less the seed layer's. */
function wetBelowOf({ soil }: StandRun, water: readonly number[], wetTop: readonly number[]): number[] {
  const { seedMm, rootMm } = waterCapacity(soil)
  return water.map((mm, d) => Math.min(1, Math.max(0, (mm - wetTop[d] * seedMm) / rootMm)))
}

/** Days between those whose weather is looked at over all members; between them it is drawn straight. */
const WEATHER_STEP_DAYS = 3

function sky(run: StandRun, ensemble: WeatherEnsemble): Pick<Portrait, 'soilC' | 'snowMm'> {
  const soilC: Quantiles[] = []
  const snowMm: number[] = []
  for (let d = 0; d < run.days; d++) {
    if (d % WEATHER_STEP_DAYS > 0) {
      soilC.push(soilC[d - 1])
      snowMm.push(snowMm[d - 1])
      continue
    }
    const at = run.startDay + d - ensemble.startDay
    const on = (name: 'soilTempC' | 'snowMm') =>
      quantilesOf(ensemble.members.map((member) => member[name][at])) ?? { p10: 0, p50: 0, p90: 0 }
    soilC.push(on('soilTempC'))
    snowMm.push(on('snowMm').p50)
  }
  return { soilC, snowMm }
}

/** Emerged. */
const UP_BBCH = 9

/** Rooting depth from day to day, by the soil's warmth in the middle member's kind of year; kept once plants are gone. */
function rootsOf(
  run: StandRun,
  component: number,
  bbch: readonly number[],
  ensemble: WeatherEnsemble,
): number[] {
  const { plant } = run.sown[component]
  const warmth = meanSoil(ensemble)
  let degreeDays = 0
  return bbch.map((stage, d) => {
    if (stage < UP_BBCH) return 0
    degreeDays += Math.max(0, warmth[run.startDay + d - ensemble.startDay] ?? 0)
    return rootDepthM(plant, degreeDays)
  })
}

const means = new WeakMap<WeatherEnsemble, Float64Array>()

/** Mean soil temperature of the members by day. */
function meanSoil(ensemble: WeatherEnsemble): Float64Array {
  const known = means.get(ensemble)
  if (known) return known
  const sums = new Float64Array(ensemble.days)
  for (const { soilTempC } of ensemble.members)
    for (let d = 0; d < sums.length; d++) sums[d] += soilTempC[d] / ensemble.members.length
  means.set(ensemble, sums)
  return sums
}
