import type { Quantiles } from '../foundations/statistics'
import type { SelfSowing } from '../stand/reseeding'
import { SEED_FIT } from '../stand/stage'
import type { Bands, DateQuantiles } from '../stand/summary'

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
  /** Day on which it was sown, by what was seen; null where it is known. */
  sownOn: Quantiles | null
  /** When each species comes up, in order of the mix. */
  up: DateQuantiles[]
  /** Share of the plants that came up still alive today and later, by species. */
  alive: Bands[]
  /** Plants per m² by species: that come up, or on the eve of its end those of them that live. */
  plantsPerM2: Quantiles[]
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

/** Days between the steps of a forecast's series. */
export const STEP_DAYS = 3

/** Value of bands on a day, straight between steps, and never across the work of a day; null outside. */
export function bandOn(bands: Bands, day: number): Quantiles | null {
  const { before, stepDays } = bands
  if (bands.exact?.day === day) return bands.exact.values
  const position = (day - bands.startDay) / stepDays
  const index = Math.floor(position)
  if (index < 0 || index >= bands.p50.length) return null
  const atStep = (i: number): Quantiles => ({ p10: bands.p10[i], p50: bands.p50[i], p90: bands.p90[i] })
  const stepDay = bands.startDay + index * stepDays
  const next = Math.min(index + 1, bands.p50.length - 1)
  if (!before || before.day < stepDay || before.day >= stepDay + stepDays)
    return between(atStep(index), atStep(next), position - index)
  if (day > before.day) return atStep(next)
  const days = before.day - stepDay
  return between(atStep(index), before.values, days === 0 ? 0 : (day - stepDay) / days)
}

const between = (a: Quantiles, b: Quantiles, share: number): Quantiles => ({
  p10: a.p10 + (b.p10 - a.p10) * share,
  p50: a.p50 + (b.p50 - a.p50) * share,
  p90: a.p90 + (b.p90 - a.p90) * share,
})

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

/** BBCH of a species of the mix on a day, by the middle dates of its reported stages, straight between them; 0 before any. */
export function bbchOn(forecast: StandForecast, component: number, day: number): number {
  const reached = (forecast.stagesByComponent[component] ?? []).flatMap(({ bbch, date }) =>
    date.quantiles ? [{ bbch, day: date.quantiles.p50 }] : [],
  )
  const at = reached.findLastIndex((stage) => stage.day <= day)
  if (at < 0) return 0
  const [last, next] = [reached[at], reached.at(at + 1)]
  if (!next || next.day <= last.day) return last.bbch
  return last.bbch + ((next.bbch - last.bbch) * (day - last.day)) / (next.day - last.day)
}

/**
 * Share of the plants alive on a day in the worst-hit species of the mix, by the middle of the forecast; 1 before it is up,
 * and once it has ripened: then it dies of itself.
 */
export function aliveShareOn(forecast: StandForecast, day: number): number {
  const shares = forecast.up.flatMap(({ quantiles: due }, component) => {
    const grows = due && day > due.p90 && stageReached(forecast, component, day) < SEED_FIT
    const band = grows ? bandOn(forecast.alive[component], day) : null
    return band ? [band.p50] : []
  })
  return Math.min(1, ...shares)
}
