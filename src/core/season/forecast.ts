import { deadDays } from './deadDays'
import { endedRunInSteps, type SeasonRun, type StandCase } from './run'
import { leadComponent } from './lead'
import { dayNumber } from '../foundations/day'
import { NOTHING, shareOf, quantilesOf, type Quantiles } from '../foundations/statistics'
import { atOnce, type Steps } from '../foundations/steps'
import { latest } from '../garden/timeline'
import type { StandRun } from '../stand/types'
import { selfSowing, type SelfSowing } from '../stand/reseeding'
import { carbonKept, type OrganicInput } from '../residue/organicMatter'
import {
  bandsOfSeries,
  dateQuantiles,
  firstDays,
  quantilesOn,
  allStageDays,
  valuesOn,
  type Bands,
  type DateQuantiles,
} from '../stand/summary'

/** BBCH codes that are reported as dates. */
export const REPORTED_STAGES = [9, 31, 51, 61, 65, 71, 75, 85] as const

/** When stages are reached, by BBCH code, ascending. */
export type StageDates = { bbch: number; date: DateQuantiles }[]

export type StandForecast = {
  standId: string
  cover: Bands
  massG: Bands
  heightM: Bands
  residueG: Bands
  nitrogenG: Bands
  /** BBCH of the leading species. */
  bbch: Bands
  /** Wetness of the top 5 cm, share of what it holds. */
  seedLayer: Bands
  /** When each species comes up, in order of the mix. */
  up: DateQuantiles[]
  /** Share of the plants that came up still alive today and later, by species. */
  alive: Bands[]
  /** Plants per m² that come up, all species together. */
  plantsPerM2: Quantiles
  /** Dates of the leading species' stages, and those of every species in order of the mix. */
  stages: StageDates
  stagesByComponent: StageDates[]
  /** First day with 30 % of the ground covered. */
  covered30: DateQuantiles
  /** Day on which 90 % of the plants are dead, from winter or from the ending. */
  dead: DateQuantiles
  /** Day the stand is dead after its planned or done ending, stragglers pulled; null without an ending. */
  ended: Quantiles | null
  /** What its species sow by themselves until it ends; only those that set viable seed. */
  selfSowing: SelfSowing[]
  /** Carbon of it that stays in the soil after a year, g m⁻². */
  carbonG: Quantiles
  /** Chance that the winter or heat, not the grower, killed it before the planned end. */
  diesAlone: number
}

const STEP_DAYS = 3

/** Day a stand is dead after its planned or recorded ending, over the members; null without one. */
function endedQuantiles(standCase: StandCase, season: SeasonRun): Quantiles | null {
  const end = latest(standCase.stand.end)
  return end && end.method !== 'harvest' ? quantilesOf(deadDays(standCase, season, end)) : null
}

/** Series, dates and chances of a stand, from its run without its ending. */
export const forecastOf = atOnce(forecastInSteps)

/** The same with pauses. */
export function* forecastInSteps(standCase: StandCase, season: SeasonRun): Steps<StandForecast> {
  const { ensemble } = season
  const run = yield* endedRunInSteps(standCase, season)
  const lead = Math.min(leadComponent(standCase.stand), run.species.length - 1)
  const stagesByComponent: StageDates[] = []
  for (const component of run.species.keys()) {
    yield
    const days = allStageDays(run, component, REPORTED_STAGES)
    stagesByComponent.push(REPORTED_STAGES.map((bbch, i) => ({ bbch, date: dateQuantiles(days[i]) })))
  }
  yield
  const dead = firstDays(run, (at) =>
    run.species.every((species) => species.bbch[at] >= 9 && species.alive[at] <= 0.1),
  )
  yield
  const ended = endedQuantiles(standCase, season)
  const end = latest(standCase.stand.end)
  const endDay = end ? dayNumber(end.date) : Infinity
  const ends = Math.min(endDay, standCase.nextStartDay ?? Infinity, run.startDay + run.days - 1)
  const bands = function* (series: Float32Array): Steps<Bands> {
    yield
    return bandsOfSeries(run, series, STEP_DAYS)
  }
  const alive: Bands[] = []
  for (const species of run.species) alive.push(yield* bands(species.alive))
  yield
  const sown = selfSowing(run, ensemble, ends, end?.method !== 'harvest')
  return {
    standId: standCase.stand.id,
    cover: yield* bands(run.cover),
    massG: yield* bands(run.massG),
    heightM: yield* bands(run.heightM),
    residueG: yield* bands(run.residueG),
    nitrogenG: yield* bands(run.nitrogenG),
    bbch: yield* bands(run.species[lead].bbch),
    seedLayer: yield* bands(run.seedLayer),
    up: stagesByComponent.map((stages) => stages[0].date),
    alive,
    plantsPerM2:
      quantilesOf(
        Float64Array.from({ length: run.members }, (_, member) =>
          run.species.reduce((sum, species) => sum + species.plantsPerM2[member], 0),
        ),
      ) ?? NOTHING,
    stages: stagesByComponent[lead],
    stagesByComponent,
    covered30: dateQuantiles(firstDays(run, (at) => run.cover[at] >= 0.3)),
    dead: dateQuantiles(dead),
    ended,
    selfSowing: sown,
    carbonG: carbonKept([organicInput(run, ends)]),
    diesAlone: shareOf(run.members, (member) => dead[member] < endDay),
  }
}

/** Dry matter that a stand leaves in its bed when it ends: shoots with what has fallen already, and roots. */
function organicInput(run: StandRun, endDay: number): OrganicInput {
  const mid = (name: 'massG' | 'residueG', day: number) => quantilesOn(run, name, day)?.p50 ?? 0
  // What lay there before it was sown is not its own.
  const fallen = Math.max(0, mid('residueG', endDay - 1) - mid('residueG', run.startDay))
  const shootG = mid('massG', endDay - 1) + fallen
  const shoots = run.species.map((species) => quantilesOf(valuesOn(run, species.massG, endDay - 1))?.p50 ?? 0)
  const total = shoots.reduce((sum, mass) => sum + mass, 0)
  const rootShare = run.sown.reduce(
    (sum, { plant }, c) =>
      sum + (total > 0 ? shoots[c] / total : 1 / shoots.length) * plant.parameters.rootShare,
    0,
  )
  return { shootG, rootG: (shootG * rootShare) / (1 - rootShare), yearsAgo: 0 }
}

/** Value of bands on a day, straight between steps; null outside. */
export function bandOn(bands: Bands, day: number): Quantiles | null {
  const position = (day - bands.startDay) / bands.stepDays
  const index = Math.floor(position)
  if (index < 0 || index >= bands.p50.length) return null
  const next = Math.min(index + 1, bands.p50.length - 1)
  const share = position - index
  const mixOf = (series: number[]) => series[index] + (series[next] - series[index]) * share
  return { p10: mixOf(bands.p10), p50: mixOf(bands.p50), p90: mixOf(bands.p90) }
}

/**
 * Height and stage of a stand just before work on a day: the forecast's steps lie some days apart, and those after the
 * day already have the work in them.
 */
export function justBefore(forecast: StandForecast, day: number): { heightM: number; bbch: number } | null {
  const before = day - STEP_DAYS
  const height = bandOn(forecast.heightM, before)
  const bbch = bandOn(forecast.bbch, before)
  return height && bbch ? { heightM: height.p50, bbch: bbch.p50 } : null
}

/** The furthest reported stage a species of the mix has most likely reached by a day; 0 before any. */
export function stageReached(forecast: StandForecast, component: number, day: number): number {
  const reached =
    forecast.stagesByComponent[component]?.filter(
      ({ date }) => date.quantiles && date.quantiles.p50 <= day,
    ) ?? []
  return reached.at(-1)?.bbch ?? 0
}

/** Share of the plants alive on a day in the worst-hit species of the mix, by the middle of the forecast; 1 before it is up. */
export function aliveShareOn(forecast: StandForecast, day: number): number {
  const shares = forecast.up.flatMap(({ quantiles: due }, component) => {
    const band = due && day > due.p90 ? bandOn(forecast.alive[component], day) : null
    return band ? [band.p50] : []
  })
  return Math.min(1, ...shares)
}
