import {
  animalDays,
  broughtFeedKg,
  eatenG,
  HUSBANDRY,
  scratchGrainKg,
  stockingDoubts,
  stopsOf,
  type AnimalPlan,
  type Stop,
} from '../ending/animals'
import type { Target } from '../ending/weigh'
import { endEvents } from '../ending/kill'
import { DEAD_SHARE, endingOf } from '../ending/outcome'
import { shareOf, spreadOf, type Spread } from '../foundations/statistics'
import { partSizeM } from '../garden/area'
import type { WayId } from '../ending/ways'
import type { SeasonRun, StandCase } from '../season/run'
import { AFTERMATH_MEMBERS, middleOn } from './aftermath'

export type MovingQuestion = {
  standCase: StandCase
  method: WayId
  plan: AnimalPlan
  startDay: number
  target: Target
}

/** One pass of the animals over the plot. */
export type Round = {
  startDay: number
  endDay: number
  /** Growth standing when it begins, g m⁻², and what of it is eaten. */
  standing: Spread
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
  survivors: Spread | null
  /** Day the plot is dead and withered; null when most members never get there. */
  finish: Spread | null
  chance: number
  /** Days by which the harvest of what follows comes too soon after the animals; 0 where it keeps the interval. */
  manureWait: number
  doubts: string[]
}

/** Follows animals over a plot: stops, growth between the rounds by simulation, feed, and when it is done. */
export function moving(
  { standCase, method, plan, startDay, target }: MovingQuestion,
  season: SeasonRun,
): MovingAnswer {
  const plot = partSizeM(standCase.bed, standCase.stand.part)
  const plotM2 = plot.lengthM * plot.widthM
  const stops = stopsOf(plan, plot.lengthM, plot.widthM, startDay)
  const events = endEvents({ date: '', note: '', method, passes: 1, animals: plan }, startDay, {
    clearDay: null,
    plot,
    ensemble: season.ensemble,
  })
  const none = { low: 0, mid: 0, high: 0 }
  const rounds = events.map((event, round): Round => {
    const own = stops.filter((stop) => stop.round === round)
    const day = Math.floor(own[0].startDay)
    const before = season.again(events.slice(0, round), AFTERMATH_MEMBERS)
    const massG = middleOn(before, before.massG, day)
    return {
      startDay: day,
      endDay: Math.ceil(own[own.length - 1].endDay),
      standing:
        spreadOf(
          Float64Array.from(
            { length: before.members },
            (_, m) => before.massG[m * before.days + Math.min(before.days - 1, event.day - before.startDay)],
          ),
        ) ?? none,
      eatenKg: (eatenG(plan, plotM2, massG, round) * plotM2) / 1000,
    }
  })
  const eatenKg = rounds.reduce((sum, round) => sum + round.eatenKg, 0)
  const days = stops.reduce((sum, stop) => sum + stop.endDay - stop.startDay, 0)
  const { run, ensemble } = season
  const setup = { passes: 1, flattened: true, target: DEAD_SHARE[target.establishment], animals: plan, plot }
  const endings = Array.from({ length: run.members }, (_, m) =>
    endingOf(method, run, ensemble, m, startDay, setup),
  )
  const done = endings.filter((ending) => !Number.isNaN(ending.deadDay)).length
  const { harvest, plantingDay } = target
  const lastDay = Math.max(Math.ceil(stops.at(-1)!.endDay), harvest?.lastManureDay ?? -Infinity)
  const manureWait = harvest
    ? Math.max(0, lastDay + harvest.manureDays - plantingDay - harvest.daysToHarvest)
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
    survivors: spreadOf(endings.map((ending) => ending.survival)),
    finish: done * 2 >= endings.length ? spreadOf(endings.map((ending) => ending.deadDay)) : null,
    chance:
      manureWait > 0
        ? 0
        : shareOf(endings.length, (m) => endings[m].deadDay + target.waitDays <= target.plantingDay),
    manureWait,
    doubts: stockingDoubts(plan, plotM2, rounds[0]?.standing.mid ?? 0),
  }
}
