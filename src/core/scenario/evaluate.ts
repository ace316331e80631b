import { dayNumber } from '../foundations/day'
import { bareLiving, livingOf, type Living } from '../termination/living'
import { findMethod } from '../termination/methods'
import { shareOf, quantilesOf, type Quantiles } from '../foundations/statistics'
import type { EndDetails } from '../garden/ending'
import { standRunInSteps } from '../bed/standRun'
import { atOnce, type Steps } from '../foundations/steps'
import { eventsOfEnd } from '../season/events'
import type { SeasonRun } from '../season/run'
import type { WeatherEnsemble } from '../site/weather'
import { dateQuantiles } from '../stand/summary'
import type { StandRun } from '../stand/types'
import {
  commonOf,
  dayCriteriaAfter,
  lastToCover,
  residueCriteria,
  sowingCriteria,
  terminationCriteria,
  waitingCriteria,
  type Common,
  type ResidueTold,
} from './criteria'
import { adviceOf, detailOf } from './details'
import { plannedEnd, targetDay } from './plan'
import { coveredBefore, coveredDays } from './sowing'
import { terminationOf, type Termination } from './termination'
import {
  CRITERIA,
  type CriterionDays,
  type CriterionId,
  type Failure,
  type Scenario,
  type ScenarioOutcome,
} from './types'

/** Days after planting over which an ended cover is followed: its nitrogen and mulch matter so long. */
export const FOLLOWED_DAYS = 140

/** The stand with its ending in it, from the ending on, until some days after the planting. */
export const endedBranch = atOnce(endedBranchInSteps)

/** The same with pauses. */
export function* endedBranchInSteps(
  scenario: Scenario,
  season: SeasonRun,
  end: EndDetails,
  afterDays: number,
): Steps<StandRun> {
  if (findMethod(end.method)?.waits) return season.run
  const { from, days, events } = branchOf(scenario, end, afterDays)
  return yield* season.branchInSteps(from, events, days)
}

/** What of its plants lives with its ending, without following the stand with it. */
export function bareEnded(scenario: Scenario, { run, ensemble }: SeasonRun, end: EndDetails): Living {
  if (findMethod(end.method)?.waits) return livingOf(run)
  const { from, events } = branchOf(scenario, end, 0)
  return bareLiving(run, ensemble, events, from)
}

/** An ending as events from its day on, and for how many days the stand is followed with it. */
function branchOf({ standCase, means, follows }: Scenario, end: EndDetails, afterDays: number) {
  const target = targetDay(follows)
  const clear = Number.isFinite(target) ? target : null
  const from = dayNumber(end.date)
  return {
    from,
    days: Math.max(1, (clear ?? from) + afterDays - from + 1),
    events: eventsOfEnd({ ...standCase, own: means.own }, end, clear),
  }
}

/** All criteria of a plan, in every member, in the order of the work. */
export function criteriaDays(
  scenario: Scenario,
  season: SeasonRun,
  termination: Termination | null,
  ended: StandRun | null,
  common: Common,
  residue: ResidueTold = 'over time',
): CriterionDays[] {
  const { follows } = scenario
  const all = [
    ...sowingCriteria(scenario, common, termination),
    ...(termination ? terminationCriteria(termination) : []),
    ...(termination && follows.kind === 'crop'
      ? [
          ...waitingCriteria(scenario, season, termination, follows),
          ...(ended ? residueCriteria(scenario, season, ended, follows, termination.end, residue) : []),
          ...dayCriteriaAfter(common, termination, follows),
        ]
      : []),
  ]
  return all.sort((a, b) => CRITERIA.indexOf(a.id) - CRITERIA.indexOf(b.id))
}

/** What fails first in a member on the day the plan is held to; null where all holds. */
export function firstFailure(
  criteria: readonly CriterionDays[],
  member: number,
  target: number,
): CriterionId | null {
  return criteria.find(({ days }) => !(days[member] <= target && days[member] < Infinity))?.id ?? null
}

/** Shares of members that fail first by each criterion, the most frequent first. */
export function failuresOf(criteria: readonly CriterionDays[], members: number, target: number): Failure[] {
  const counts = new Map<CriterionId, number>()
  for (let member = 0; member < members; member++) {
    const id = firstFailure(criteria, member, target)
    if (id) counts.set(id, (counts.get(id) ?? 0) + 1)
  }
  return [...counts]
    .map(([id, count]): Failure => {
      const by = criteria.find((criterion) => criterion.id === id)?.by ?? []
      return { id, share: count / members, ...(by.length > 0 && { by }) }
    })
    .sort((a, b) => b.share - a.share || CRITERIA.indexOf(a.id) - CRITERIA.indexOf(b.id))
}

/** Quantiles of days that at least half of the members reach, unless most have no day at which it opens. */
export function mostly(days: Float64Array): Quantiles | null {
  const reached = days.filter((day) => day < Infinity).length
  const always = days.filter((day) => day === -Infinity).length
  return reached * 2 >= days.length && always * 2 < days.length ? quantilesOf(days) : null
}

/** Up to and with which criterion a step of the plan goes. */
const upTo = (criteria: readonly CriterionDays[], last: CriterionId) =>
  criteria.filter(({ id }) => CRITERIA.indexOf(id) <= CRITERIA.indexOf(last))

/** The outcome of a plan whose members are known. */
export function outcomeOf(
  scenario: Scenario,
  season: SeasonRun,
  termination: Termination | null,
  criteria: readonly CriterionDays[],
): ScenarioOutcome {
  const { follows } = scenario
  const members = season.run.members
  const target = targetDay(follows)
  // What has been planted is no longer in question.
  const planted = follows.kind === 'crop' && follows.done
  const share = (of: readonly CriterionDays[]) =>
    planted ? 1 : shareOf(members, (member) => firstFailure(of, member, target) === null)
  const readyOf = criteria.filter(({ id }) => CRITERIA.indexOf(id) >= CRITERIA.indexOf('dead'))
  const readyDays = Float64Array.from({ length: members }, (_, m) =>
    Math.max(-Infinity, ...readyOf.map(({ days }) => days[m])),
  )
  return {
    members,
    chance: {
      whole: share(criteria),
      established: share(upTo(criteria, 'established')),
      dead: termination ? share(upTo(criteria, 'dead')) : null,
      ready: termination && follows.kind === 'crop' ? share(criteria) : null,
    },
    failures: planted ? [] : failuresOf(criteria, members, target),
    criteria: criteria.map((criterion) => ({
      detail: detailOf(criterion.id, scenario, termination),
      open: mostly(criterion.days),
      chance: shareOf(members, (m) => firstFailure([criterion], m, target) === null),
    })),
    advice: adviceOf(scenario, season),
    covered30: dateQuantiles(coveredBefore(coveredDays(season.run), lastToCover(termination))),
    dead: termination ? mostly(termination.dead) : null,
    ready: termination && follows.kind === 'crop' ? mostly(readyDays) : null,
  }
}

/** A plan with its members, for whoever asks more of them than chances and dates. */
export type Evaluated = {
  season: SeasonRun
  termination: Termination | null
  /** The stand with its ending in it, from the ending on; null without one. */
  ended: StandRun | null
  criteria: CriterionDays[]
  outcome: ScenarioOutcome
}

/**
 * What a plan comes to: the only way to a chance, a date or an amount of a plan. The chance is the share of members in
 * which every step succeeds on its day: the ground can be worked and the cover establishes, the ending can be done and
 * leaves no more alive than what follows bears, every criterion is open on the planting day. Nobody repairs within a
 * member; recorded facts are no longer in question. Null where the cover cannot be run.
 */
export const evaluate = atOnce(evaluateInSteps)

/** The same with pauses. */
export function* evaluateInSteps(scenario: Scenario, ensemble: WeatherEnsemble): Steps<Evaluated | null> {
  const end = plannedEnd(scenario)
  const season = yield* standRunInSteps(
    { ...scenario.standCase, own: scenario.means.own },
    ensemble,
    end && !findMethod(end.method)?.waits ? [dayNumber(end.date)] : [],
  )
  return season && (yield* evaluateWithInSteps(scenario, season, end))
}

/** The same for a stand that has been run, with an ending in the place of the planned one. */
export const evaluateWith = atOnce(evaluateWithInSteps)

/** The same with pauses. */
export function* evaluateWithInSteps(
  scenario: Scenario,
  season: SeasonRun,
  end: EndDetails | null,
  known?: Common,
): Steps<Evaluated> {
  const common = known ?? commonOf(scenario, season)
  yield
  const ended = end && (yield* endedBranchInSteps(scenario, season, end, FOLLOWED_DAYS))
  yield
  const termination = end && ended && terminationOf(scenario, season, end, livingOf(ended))
  yield
  const criteria = criteriaDays(scenario, season, termination, ended, common)
  yield
  return { season, termination, ended, criteria, outcome: outcomeOf(scenario, season, termination, criteria) }
}
