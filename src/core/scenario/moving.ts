import {
  animalDays,
  broughtFeedKg,
  eatenG,
  HUSBANDRY,
  scratchGrainKg,
  stockingDoubts,
  type StockingDoubt,
} from '../termination/animals'
import type { AnimalPlan } from '../garden/ending'
import { stopsOf, type Stop } from '../termination/stops'
import type { MethodId } from '../termination/methods'
import { isoDate } from '../foundations/day'
import { NOTHING, quantilesOf, type Quantiles } from '../foundations/statistics'
import { segmentSizeM } from '../garden/area'
import type { EndDetails } from '../garden/ending'
import { manureDaysFor } from '../planting/manure'
import { middleOn } from './after'
import { lastManureDay } from './criteria'
import { evaluateWith } from './evaluate'
import type { Scenario } from './types'
import { standRun } from '../bed/standRun'
import { eventsOfEnd } from '../season/events'
import type { SeasonRun } from '../season/run'
import type { WeatherEnsemble } from '../site/weather'
import { placeIn } from '../stand/series'

export type MovingQuestion = { scenario: Scenario; method: MethodId; plan: AnimalPlan; startDay: number }

/** One pass of the animals over the plot. */
export type Round = {
  startDay: number
  endDay: number
  /** Growth standing when it begins, g m⁻², and what of it is eaten. */
  standing: Quantiles
  eatenKg: number
}

export type MovingAnswer = {
  stops: Stop[]
  rounds: Round[]
  /** Feed to bring, and the grain in it that is scattered on the last round. */
  feedKg: number
  grainKg: number
  eatenKg: number
  /** Animal-days per m² over all rounds, and the nitrogen they leave, g m⁻². */
  animalDaysM2: number
  droppingsG: number
  survivors: Quantiles | null
  /** Day the plot is dead and withered; null when most members never get there. */
  finish: Quantiles | null
  chance: number
  /** Days by which the harvest of what follows comes too soon after the animals; 0 where it keeps the interval. */
  manureWait: number
  doubts: StockingDoubt[]
}

/** Members whose growth is followed between the rounds: the middle of them is all that is asked. */
const FOLLOWED_MEMBERS = 40

/** Follows animals over a plot: stops, growth between the rounds by simulation, feed, and when it is done. */
export function moving(
  { scenario, method, plan, startDay }: MovingQuestion,
  ensemble: WeatherEnsemble,
): MovingAnswer | null {
  const { standCase, follows } = scenario
  const season = standRun({ ...standCase, own: scenario.means.own }, ensemble)
  if (!season) return null
  const plot = segmentSizeM(standCase.bed, standCase.stand.segment)
  const plotM2 = plot.lengthM * plot.widthM
  const stops = stopsOf(plan, plot.lengthM, plot.widthM, startDay)
  const end: EndDetails = { date: isoDate(startDay), note: '', method, passes: 1, animals: plan }
  const rounds = roundsOf(plan, stops, end, scenario, season)
  const eatenKg = rounds.reduce((sum, round) => sum + round.eatenKg, 0)
  const days = stops.reduce((sum, stop) => sum + stop.endDay - stop.startDay, 0)
  const evaluated = evaluateWith(scenario, season, end)
  const { termination, outcome } = evaluated
  const manure = follows.kind === 'crop' ? lastManureDay(scenario, termination, follows) : null
  const manureWait =
    follows.kind === 'crop' && manure
      ? Math.max(
          0,
          manure.day +
            manureDaysFor(follows.crop, scenario.means.rules) -
            follows.day -
            follows.crop.daysToHarvest,
        )
      : 0
  const animalDaysM2 = animalDays(plan, plotM2)
  return {
    stops,
    rounds,
    feedKg: broughtFeedKg(plan, days, eatenKg),
    grainKg: scratchGrainKg(plan, stops.length / plan.rounds),
    eatenKg,
    animalDaysM2,
    droppingsG: animalDaysM2 * HUSBANDRY[plan.kind].droppingsG,
    survivors: quantilesOf(termination!.endings.map((ending) => ending.survival)),
    finish: outcome.dead,
    chance: outcome.chance.whole,
    manureWait,
    doubts: stockingDoubts(plan, plotM2, rounds[0]?.standing.p50 ?? 0),
  }
}

/** What each round finds standing, by running the stand on behind the rounds before it. */
function roundsOf(
  plan: AnimalPlan,
  stops: readonly Stop[],
  end: EndDetails,
  { standCase }: Scenario,
  season: SeasonRun,
): Round[] {
  const plot = segmentSizeM(standCase.bed, standCase.stand.segment)
  const plotM2 = plot.lengthM * plot.widthM
  const events = eventsOfEnd(standCase, end, null).filter(({ kind }) => kind === 'graze')
  return events.map((event, round): Round => {
    const own = stops.filter((stop) => stop.round === round)
    const day = Math.floor(own[0].startDay)
    const before = season.again(events.slice(0, round), FOLLOWED_MEMBERS)
    const massG = middleOn(before, before.massG, day)
    return {
      startDay: day,
      endDay: Math.ceil(own[own.length - 1].endDay),
      standing:
        quantilesOf(
          Float64Array.from(
            { length: before.members },
            (_, m) =>
              before.massG[placeIn(before, m, Math.min(before.days - 1, event.day - before.startDay))],
          ),
        ) ?? NOTHING,
      eatenKg: (eatenG(plan, plotM2, massG, round) * plotM2) / 1000,
    }
  })
}
