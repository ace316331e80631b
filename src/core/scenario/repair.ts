import { standRunInSteps } from '../bed/standRun'
import { atOnce, type Steps } from '../foundations/steps'
import { findMethod } from '../termination/methods'
import { dayNumber, isoDate } from '../foundations/day'
import type { EndDetails } from '../garden/ending'
import type { PlantingMethodId, Stand } from '../garden/schema'
import { latest } from '../garden/timeline'
import type { SeasonRun } from '../season/run'
import type { WeatherEnsemble } from '../site/weather'
import { bestTermination } from './best'
import { evaluateWith } from './evaluate'
import { lastTargetDay, plannedEnd, targetDay } from './plan'
import { sownOn } from './sowingDays'
import { SAFE_CHANCE } from './starts'
import type { CriterionId, Scenario, ScenarioOutcome } from './types'

/** A small change to a plan: only what is named is changed. Days are day numbers. */
export type PlanChange =
  | { code: 'planting method'; plantingMethod: PlantingMethodId }
  | { code: 'keep moist'; keptMoistDays: number }
  | { code: 'sow another day'; sowDay: number }
  | { code: 'end another day'; end: EndDetails }
  | { code: 'once more'; end: EndDetails }
  | { code: 'plant later'; plantDay: number }
  | { code: 'another ending'; end: EndDetails }

/** A change with the chance that the plan has with it, 0–1. */
export type Repair = { change: PlanChange; chance: number }

/** Gain below which a change is not worth naming. */
const LEAST_GAIN = 0.1
/** Share of members that must fail by a criterion for a change against it to be tried. */
const TELLING_FAILURE = 0.05
const KEPT_MOIST_DAYS = 14
const END_SHIFTS = [-7, 7, -14]
const SOW_SHIFTS = [-7, 7, -14]
const PLANT_SHIFTS = [7, 14, 21]
/** What rows raked free or a row of compost open. */
const OPENED: readonly CriterionId[] = ['seedbed', 'residue-hold', 'tie-up']

const withStart = (stand: Stand, change: { keptMoistDays: number }): Stand => {
  const start = latest(stand.start)
  return start ? { ...stand, start: { ...stand.start, plan: { ...start, ...change } } } : stand
}

const withStand = (scenario: Scenario, stand: Stand): Scenario => ({
  ...scenario,
  standCase: { ...scenario.standCase, stand },
})

/** The plan with a change on it. */
export function withChange(scenario: Scenario, change: PlanChange): Scenario {
  const { follows, standCase } = scenario
  const { stand } = standCase
  switch (change.code) {
    case 'planting method':
      return follows.kind === 'crop'
        ? { ...scenario, follows: { ...follows, plantingMethod: change.plantingMethod } }
        : scenario
    case 'plant later':
      return follows.kind === 'nothing'
        ? scenario
        : { ...scenario, follows: { ...follows, day: change.plantDay } }
    case 'keep moist':
      return withStand(scenario, withStart(stand, change))
    case 'sow another day':
      return sownOn(scenario, change.sowDay)
    default:
      return withStand(scenario, { ...stand, end: { ...stand.end, plan: change.end } })
  }
}

/** Changes of one kind that can be tried, all of about the same trouble. */
type Kind = (scenario: Scenario, asked: Asked) => PlanChange[]
type Asked = { failures: ScenarioOutcome['failures']; horizonDay: number; season: SeasonRun }

const failsBy = (failures: ScenarioOutcome['failures'], ids: readonly CriterionId[]) =>
  failures.reduce((sum, { id, share }) => sum + (ids.includes(id) ? share : 0), 0) >= TELLING_FAILURE

/** The planned ending that is work on a day; null where none is planned, it is done, or it waits for cold or heat. */
function workOf(scenario: Scenario): EndDetails | null {
  const end = scenario.standCase.stand.end.actual ? null : plannedEnd(scenario)
  return end && !findMethod(end.method)?.waits ? end : null
}

const sowDayOf = ({ standCase: { stand } }: Scenario) => {
  const start = latest(stand.start)
  return start ? dayNumber(start.date) : Infinity
}

/** The kinds of change, the least trouble first. */
const KINDS: readonly Kind[] = [
  ({ follows }, { failures }) =>
    follows.kind === 'crop' && !follows.done && failsBy(failures, OPENED)
      ? (['rake', 'compost row'] as const)
          .filter((method) => method !== follows.plantingMethod)
          .map((plantingMethod) => ({ code: 'planting method', plantingMethod }))
      : [],
  (scenario) => {
    const end = workOf(scenario)
    if (!end) return []
    const day = dayNumber(end.date)
    const { follows, today } = scenario
    return END_SHIFTS.map((shift) => day + shift)
      .filter((on) => on >= today && on > sowDayOf(scenario) && on <= targetDay(follows))
      .map((on) => ({ code: 'end another day', end: { ...end, date: isoDate(on) } }))
  },
  ({ standCase: { stand } }, { failures }) =>
    !stand.start.actual && !latest(stand.start)?.keptMoistDays && failsBy(failures, ['established'])
      ? [{ code: 'keep moist', keptMoistDays: KEPT_MOIST_DAYS }]
      : [],
  (scenario, { failures }) => {
    const { stand } = scenario.standCase
    const end = workOf(scenario)
    const before = Math.min(targetDay(scenario.follows), end ? dayNumber(end.date) : Infinity)
    return stand.start.actual || !failsBy(failures, ['ground', 'established'])
      ? []
      : SOW_SHIFTS.map((shift) => sowDayOf(scenario) + shift)
          .filter((day) => day >= scenario.today && day < before)
          .map((sowDay) => ({ code: 'sow another day', sowDay }))
  },
  (scenario) => {
    const end = workOf(scenario)
    return end && findMethod(end.method)?.twice && end.passes === 1
      ? [{ code: 'once more', end: { ...end, passes: 2 } }]
      : []
  },
  ({ follows }, { horizonDay }) =>
    follows.kind === 'nothing' || (follows.kind === 'crop' && follows.done)
      ? []
      : PLANT_SHIFTS.map((shift) => follows.day + shift)
          .filter((day) => day <= lastTargetDay(horizonDay))
          .map((plantDay) => ({ code: 'plant later', plantDay })),
  (scenario, { season }) => {
    if (scenario.standCase.stand.end.actual || scenario.follows.kind === 'nothing') return []
    const best = bestTermination(scenario, season)
    return best && best.method !== plannedEnd(scenario)?.method
      ? [{ code: 'another ending', end: best.end }]
      : []
  },
]

/** Changes that make another stand of it, which has to be run anew. */
const isAnew = ({ code }: PlanChange) => code === 'keep moist' || code === 'sow another day'

/**
 * The change that repairs a plan with the least trouble: of the first kind that brings its chance to one to rely on the
 * best, else the best of all that help by ten points or more. Null where the plan can be relied on, or nothing small helps.
 */
export const cheapestRepair = atOnce(repairInSteps)

/** The same with pauses. */
export function* repairInSteps(
  scenario: Scenario,
  season: SeasonRun,
  ensemble: WeatherEnsemble,
): Steps<Repair | null> {
  const { chance, failures } = evaluateWith(scenario, season, plannedEnd(scenario)).outcome
  if (chance.whole >= SAFE_CHANCE) return null
  const asked: Asked = { failures, horizonDay: ensemble.startDay + ensemble.days, season }
  const chanceWith = function* (change: PlanChange): Steps<number> {
    const changed = withChange(scenario, change)
    const grown = isAnew(change)
      ? yield* standRunInSteps({ ...changed.standCase, own: changed.means.own }, ensemble)
      : season
    return grown ? evaluateWith(changed, grown, plannedEnd(changed)).outcome.chance.whole : 0
  }
  const tried: Repair[] = []
  for (const kind of KINDS) {
    for (const change of kind(scenario, asked)) {
      tried.push({ change, chance: yield* chanceWith(change) })
      yield
    }
    if (tried.some((repair) => repair.chance >= SAFE_CHANCE)) break
  }
  const best = tried.reduce<Repair | null>((a, b) => (a && a.chance >= b.chance ? a : b), null)
  return best && best.chance >= chance.whole + LEAST_GAIN ? best : null
}
