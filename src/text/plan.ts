import { findMethod, methodName } from '../core/termination/methods'
import { dayNumber, isoDate } from '../core/foundations/day'
import type { EndDetails } from '../core/garden/ending'
import { latest } from '../core/garden/timeline'
import { plannedEnd } from '../core/scenario/plan'
import type { PlanProblem } from '../core/scenario/problems'
import type { PlanChange, Repair } from '../core/scenario/repair'
import type { PlantingMethodId } from '../core/garden/schema'
import type { Scenario, ScenarioOutcome } from '../core/scenario/types'
import { failsText, failsWhen, seasonsLost, TOLD_FROM } from './criteria'
import { inHundred, chanceText, shortDate, type Units } from './format'
import { obstacleText, RULE_TEXT } from './obstacles'

/** What is wrong with a plan, and the fix. */
export function problemText(problem: PlanProblem, units: Units): string {
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
      return obstacleText(problem.obstacle, units)
    case 'rule':
      return `${RULE_TEXT[problem.rule]} Choose another way, or change your rules under End.`
    case 'cannot be planted so':
      return problem.establishment === 'transplant'
        ? `${problem.crop} is planted: ${THROUGH_WORDS[problem.method]} is for seed. Plant through the mulch.`
        : `${problem.crop} is sown as small seed: it cannot be planted through ${THROUGH_WORDS[problem.method]}. Rake rows free, or sow into a row of compost.`
  }
}

/** Combinations by the ids of what they join. */
const JOINED: Partial<Record<EndDetails['method'], string>> = {
  'crimp-tarp': 'crimp+tarp',
  'crimp-flame': 'crimp+flame',
  'chop-cardboard': 'chop+cardboard',
}
const methodIds = (method: EndDetails['method']) => JOINED[method] ?? method

/** The ISO days and ids of a plan: the actual day where it was recorded, else the planned one; empty where undecided. */
export function planData(scenario: Scenario) {
  const { stand } = scenario.standCase
  const { follows } = scenario
  const end = plannedEnd(scenario)
  return {
    sown: latest(stand.start)?.date ?? '',
    end: end?.date ?? '',
    method: end ? methodIds(end.method) : '',
    plant: follows.kind === 'nothing' ? '' : isoDate(follows.day),
    crop: follows.kind === 'crop' ? follows.crop.id : '',
  }
}

/** How and when a plan ends its cover. */
export function endWords(end: EndDetails, dead: ScenarioOutcome['dead'], done: boolean): string {
  const method = findMethod(end.method)
  const name = method ? methodName(method, end.passes).toLowerCase() : end.method
  if (method?.waits && !done) return dead ? `${name} about ${shortDate(dead.p50)}` : name
  return `${name} ${shortDate(dayNumber(end.date))}`
}

type LineOf = Pick<Scenario, 'standCase' | 'follows' | 'today'>

/** Whether a cover stands that nothing is to happen with yet, and has covered its ground: there is nothing left to hope for. */
export const onlyStands = (scenario: LineOf, { covered30: { chance, quantiles } }: ScenarioOutcome) =>
  scenario.standCase.stand.start.actual !== null &&
  scenario.follows.kind === 'nothing' &&
  !plannedEnd(scenario) &&
  chance > 0.5 &&
  quantiles !== null &&
  quantiles.p50 < scenario.today

/**
 * The chance of a plan in words, and what it is of: one without an end is held to no more than coming up, and where its
 * ground is wanted it is no plan yet.
 */
export function wholeText(scenario: LineOf, outcome: ScenarioOutcome): string {
  const { chance } = outcome
  if (plannedEnd(scenario)) return chanceText(chance.whole)
  if (onlyStands(scenario, outcome)) return 'it has come up'
  const up = `${chanceText(chance.whole)} to come up in time`
  if (scenario.follows.kind === 'nothing') return up
  return scenario.standCase.stand.start.actual ? 'its end is to be chosen' : `${up}; its end is to be chosen`
}

/** The same, with what it fails by most. */
export function chanceLine(scenario: LineOf, outcome: ScenarioOutcome): string {
  const fails = onlyStands(scenario, outcome) ? '' : failsText(outcome.failures, 1)
  return `${wholeText(scenario, outcome)}${fails ? `, ${fails}` : ''}`
}

/** The ground named green enough, the cover dead, the ground open: what a plan most likely comes to, in a sentence. */
export function likelyText({ follows }: Pick<Scenario, 'follows'>, outcome: ScenarioOutcome): string {
  const { covered30, dead, ready, chance } = outcome
  const covers =
    covered30.quantiles && covered30.chance > 0.5
      ? `covers a third of the ground by ${shortDate(covered30.quantiles.p50)}`
      : 'does not cover a third of the ground'
  const dies = chance.dead === null ? null : dead ? `dead by ${shortDate(dead.p50)}` : 'not dead by then'
  const opens =
    follows.kind !== 'crop' || chance.ready === null
      ? null
      : ready
        ? `ready for ${follows.crop.name.toLowerCase()} ${shortDate(ready.p50)}`
        : chance.ready > 0.5
          ? `ready for ${follows.crop.name.toLowerCase()} in time`
          : `not ready for ${follows.crop.name.toLowerCase()}`
  return `Most likely it ${[covers, dies, opens].filter(Boolean).join(', ')}.`
}

/** What goes wrong, in how many seasons of a hundred. */
export function wrongText({ failures, chance }: ScenarioOutcome): string {
  const told = seasonsLost(failures).filter(({ seasons }) => seasons >= TOLD_FROM)
  if (told.length === 0) return 'Hardly anything goes wrong.'
  const wrong = 100 - inHundred(chance.whole)
  return `It goes wrong in ${wrong} seasons of 100: ${told
    .map(({ seasons, ...failure }) => `${failsWhen(failure)} (${seasons})`)
    .join(', ')}.`
}

/** What a crop is planted through, as part of a sentence. */
const THROUGH_WORDS: Record<PlantingMethodId, string> = {
  slot: 'a slot',
  dibble: 'a dibbled hole',
  rake: 'rows raked free',
  'compost row': 'a row of compost',
  'compost blanket': 'a blanket of compost',
  pockets: 'pockets of compost',
  film: 'holes in a film',
  plank: 'a board on the rows',
  loosen: 'loosened ground',
}

const PLANTED_BY: Record<PlantingMethodId, string> = {
  slot: 'Plant through the mulch',
  dibble: 'Plant through dibbled holes',
  rake: 'Rake the rows free for planting',
  'compost row': 'Plant into a row of compost',
  'compost blanket': 'Plant into a blanket of compost',
  pockets: 'Plant into pockets of compost',
  film: 'Plant through a film with holes',
  plank: 'Lay boards on the sown rows',
  loosen: 'Loosen the rows',
}

/** A small change to a plan as a thing to do. */
export function changeName(change: PlanChange): string {
  switch (change.code) {
    case 'planting method':
      return PLANTED_BY[change.plantingMethod]
    case 'keep moist':
      return `Keep the seedbed moist for ${change.keptMoistDays} days`
    case 'sow another day':
      return `Sow on ${shortDate(change.sowDay)}`
    case 'plant later':
      return `Plant on ${shortDate(change.plantDay)}`
    case 'end another day':
      return `Begin the end on ${shortDate(dayNumber(change.end.date))}`
    case 'once more':
    case 'another ending':
      return `End it by ${endWords(change.end, null, false)}`
  }
}

/** What would help with the least trouble, and the chance with it. */
export const repairText = ({ change, chance }: Repair): string =>
  `${changeName(change)}: ${chanceText(chance)}.`
