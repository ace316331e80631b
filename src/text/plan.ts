import { findWay, wayName } from '../core/ending/ways'
import { dayNumber, isoDate } from '../core/foundations/day'
import type { EndDetails } from '../core/garden/ending'
import { latest } from '../core/garden/timeline'
import { plannedEnd } from '../core/scenario/plan'
import type { PlanProblem } from '../core/scenario/problems'
import type { Scenario, ScenarioOutcome } from '../core/scenario/types'
import { failsText } from './criteria'
import { chanceText, shortDate } from './format'

/** What is wrong with a plan, and the fix. */
export function problemText(problem: PlanProblem): string {
  switch (problem.code) {
    case 'planting before sowing':
      return `Planting on ${shortDate(problem.day)} comes before the cover is sown, ${shortDate(problem.sowDay)}. Choose a later planting or an earlier sowing.`
    case 'planting before ending':
      return `Planting on ${shortDate(problem.day)} comes before the cover is ended, ${shortDate(problem.endDay)}. Choose a later planting or an earlier end.`
    case 'ending before sowing':
      return `The end on ${shortDate(problem.endDay)} comes before the cover is sown, ${shortDate(problem.sowDay)}. Choose a later end.`
    case 'planting is past':
      return `Planting on ${shortDate(problem.day)} is past. Choose today or later.`
    case 'beyond the forecast':
      return `Forecasts reach to ${shortDate(problem.lastDay)}. Choose an earlier planting.`
    case 'cannot be ended so':
      return problem.why
    case 'rule':
      return `${problem.why} Choose another way, or change your rules in the End room.`
    case 'cannot be planted so':
      return `${problem.crop} is sown as small seed: it cannot be planted through a ${problem.method === 'slot' ? 'slot' : 'dibbled hole'}. Rake rows free, or sow into a row of compost.`
  }
}

/** The ISO days and ids of a plan: the actual day where it was recorded, else the planned one; empty where undecided. */
export function planData(scenario: Scenario) {
  const { stand } = scenario.standCase
  const { follows } = scenario
  const end = plannedEnd(scenario)
  return {
    sown: latest(stand.start)?.date ?? '',
    end: end?.date ?? '',
    method: end?.method ?? '',
    plant: follows.kind === 'nothing' ? '' : isoDate(follows.day),
    crop: follows.kind === 'crop' ? follows.crop.id : '',
  }
}

/** How and when a plan ends its cover. */
export function endWords(end: EndDetails, dead: ScenarioOutcome['dead'], done: boolean): string {
  const way = findWay(end.method)
  const name = way ? wayName(way, end.passes).toLowerCase() : end.method
  if (way?.waits && !done) return dead ? `${name} about ${shortDate(dead.mid)}` : name
  return `${name} ${shortDate(dayNumber(end.date))}`
}

/** The chance of a plan in words, with what it fails by. */
export function chanceLine({ chance, failures }: ScenarioOutcome): string {
  const fails = failsText(failures, 1)
  return `${chanceText(chance.whole)}${fails ? `, ${fails}` : ''}`
}
