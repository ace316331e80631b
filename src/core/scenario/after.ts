import { HOLDING_G, mulchDepthM } from '../residue/mulch'
import { lastActDay } from '../termination/start'
import { NOTHING, quantilesOf, type Quantiles } from '../foundations/statistics'
import { nitrogenWeeks, type NitrogenWeek } from '../planting/feeding'
import { quantilesOn, valuesOn } from '../stand/summary'
import type { StandRun } from '../stand/types'
import type { Evaluated } from './evaluate'
import { targetDay } from './plan'
import type { Scenario } from './types'
import { placeIn } from '../stand/series'

/** What an ended cover leaves for what is planted into it. Masses and nitrogen per m². */
export type Aftermath = {
  /** Mulch on the planting day, and the weeks from then on that it holds weeds of seed back. */
  mulchG: Quantiles
  holdsWeeks: Quantiles
  /** Share of that mulch which lies there still, week by week from the planting day on. */
  keptShare: number[]
  /** Net mineral nitrogen from residue in the first 4 and 10 weeks after planting; negative while it ties up. */
  nitrogen4: Quantiles
  nitrogen10: Quantiles
  /** Nitrogen still in the residue on that day. */
  residueNitrogenG: number
  /** Plants per m² still alive three weeks after the last act, or just before planting. */
  standing: number
  /** Need and supply week by week; empty where no crop is known. */
  weeks: NitrogenWeek[]
}

/** Weeks looked ahead for mulch. */
const LOOK_WEEKS = 18
/** Straw that is added lies at least this long, share after the weeks asked for (judgement). */
const LEAST_KEPT = 0.35
/** Days after an ending on which survivors are counted. */
export const COUNT_AFTER_DAYS = 21

/** Middle of a series of the members on a day; 0 outside the run. */
export const middleOn = (run: StandRun, series: Float32Array, day: number) =>
  quantilesOf(valuesOn(run, series, day))?.p50 ?? 0

/** Plants of all species alive on a day, per m², by the middle of the members. */
export const plantsOn = (run: StandRun, day: number) => {
  const index = day - run.startDay
  if (index < 0 || index >= run.days) return 0
  return (
    quantilesOf(
      Float64Array.from({ length: run.members }, (_, member) =>
        run.species.reduce(
          (sum, species) => sum + species.plantsPerM2[member] * species.alive[placeIn(run, member, index)],
          0,
        ),
      ),
    )?.p50 ?? 0
  )
}

/** Weeks from a day on in which the mulch still holds the weeds, over the members. */
export function weeksHeld(run: StandRun, fromDay: number): Quantiles {
  const weeks = Float64Array.from({ length: run.members }, (_, member) => {
    const heldIn = (week: number) => {
      const index = fromDay + 7 * week - run.startDay
      return index >= 0 && index < run.days && run.residueG[placeIn(run, member, index)] >= HOLDING_G
    }
    let week = 0
    while (week < LOOK_WEEKS && heldIn(week)) week++
    return week
  })
  return quantilesOf(weeks) ?? NOTHING
}

/** Share of the mulch of a day that still lies there in each of the weeks after it, by the middle of the members. */
export function keptShare(run: StandRun, fromDay: number): number[] {
  const first = middleOn(run, run.residueG, fromDay)
  return Array.from({ length: LOOK_WEEKS + 1 }, (_, week) => {
    const left = middleOn(run, run.residueG, fromDay + 7 * week)
    return first > 0 && left > 0 ? Math.min(1, left / first) : 0
  })
}

/** Mulch to add on the planting day for weeds to be held until a week, g m⁻²: it rots as what lies there does. */
export const toHoldUntil = ({ mulchG, keptShare }: Pick<Aftermath, 'mulchG' | 'keptShare'>, week: number) =>
  Math.max(0, HOLDING_G / Math.max(LEAST_KEPT, keptShare[week] ?? 0) - mulchG.p50)

/** Depth of wood chips, m, that makes up for what then is missing of a mulch that holds weeds: they hardly rot in a season. */
export const chipsToHoldUntil = (
  { mulchG, keptShare }: Pick<Aftermath, 'mulchG' | 'keptShare'>,
  week: number,
) => mulchDepthM(Math.max(0, HOLDING_G - mulchG.p50 * (keptShare[week] ?? 0)))

/** Net mineral nitrogen that residue frees between two days; what lies past the run counts to its end. */
export function releasedBetween(run: StandRun, fromDay: number, toDay: number): Quantiles {
  const place = (day: number) => Math.min(run.days - 1, Math.max(0, day - run.startDay))
  return (
    quantilesOf(
      Float64Array.from(
        { length: run.members },
        (_, m) =>
          run.releasedG[placeIn(run, m, place(toDay))] - run.releasedG[placeIn(run, m, place(fromDay))],
      ),
    ) ?? NOTHING
  )
}

/** What a plan leaves for the planting day; null where it has no ending or no day it is held to. */
export function aftermathOf(
  scenario: Scenario,
  { ended, termination, season }: Pick<Evaluated, 'ended' | 'termination' | 'season'>,
): Aftermath | null {
  const day = targetDay(scenario.follows)
  if (!ended || !termination || !Number.isFinite(day)) return null
  const { follows, standCase } = scenario
  return {
    mulchG: quantilesOn(ended, 'residueG', day) ?? NOTHING,
    holdsWeeks: weeksHeld(ended, day),
    keptShare: keptShare(ended, day),
    nitrogen4: releasedBetween(ended, day, day + 28),
    nitrogen10: releasedBetween(ended, day, day + 70),
    residueNitrogenG: middleOn(ended, ended.residueNitrogenG, day),
    standing: plantsOn(ended, Math.min(day - 1, lastDayOf(termination) + COUNT_AFTER_DAYS)),
    weeks:
      follows.kind === 'crop'
        ? nitrogenWeeks(ended, season.ensemble, follows.crop, standCase.bed.fertility, day)
        : [],
  }
}

/** The last day of an ending's work, or its first where it waits. */
const lastDayOf = ({ method, setup, day }: NonNullable<Evaluated['termination']>) =>
  method ? lastActDay(method, setup, day) : day
