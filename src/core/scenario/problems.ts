import { obstacleOf, type Obstacle } from '../termination/obstacles'
import { ruledOut, type RuledOut } from '../termination/start'
import { findMethod } from '../termination/methods'
import { dayNumber } from '../foundations/day'
import { latest } from '../garden/timeline'
import type { PlantingMethodId } from '../garden/schema'
import { canPlantSo } from '../planting/ways'
import { findSpecies } from '../plants/catalogue'
import { lastTargetDay, plannedEnd } from './plan'
import type { Scenario } from './types'

/** Why a plan cannot be as it stands, as a code with its days; every one has a fix. */
export type PlanProblem =
  | { code: 'planting before sowing'; sowDay: number; day: number }
  | { code: 'planting before ending'; endDay: number; day: number }
  | { code: 'ending before sowing'; sowDay: number; endDay: number }
  | { code: 'planting is past'; day: number }
  | { code: 'beyond the forecast'; day: number; lastDay: number }
  | { code: 'cannot be ended so'; obstacle: Obstacle }
  | { code: 'rule'; rule: RuledOut }
  | {
      code: 'cannot be planted so'
      method: PlantingMethodId
      crop: string
      establishment: 'transplant' | 'seed'
    }

/** What is impossible in a plan; empty where it can be tried. `horizonDay` is the first day without weather. */
export function planProblems(scenario: Scenario, horizonDay: number): PlanProblem[] {
  const { standCase, follows, means } = scenario
  const { stand } = standCase
  const start = latest(stand.start)
  const end = plannedEnd(scenario)
  if (!start) return []
  const sowDay = dayNumber(start.date)
  const endDay = end && !findMethod(end.method)?.waits ? dayNumber(end.date) : null
  const problems: PlanProblem[] = []
  if (endDay !== null && endDay <= sowDay) problems.push({ code: 'ending before sowing', sowDay, endDay })
  if (follows.kind !== 'nothing') {
    const { day } = follows
    const done = follows.kind === 'crop' && follows.done
    if (!done && day < scenario.today) problems.push({ code: 'planting is past', day })
    if (day <= sowDay) problems.push({ code: 'planting before sowing', sowDay, day })
    else if (endDay !== null && day < endDay) problems.push({ code: 'planting before ending', endDay, day })
    const lastDay = lastTargetDay(horizonDay)
    if (day > lastDay) problems.push({ code: 'beyond the forecast', day, lastDay })
  }
  const method = end && findMethod(end.method)
  if (method && !stand.end.actual) {
    const plants = stand.content.kind === 'cover' ? stand.content.components : []
    const obstacle = obstacleOf(method, {
      bed: standCase.bed,
      segment: stand.segment,
      tools: means.tools,
      keptOut: means.keptOut,
      livestock: means.livestock,
      rules: means.rules,
      plants: plants.flatMap(({ speciesId }) => findSpecies(speciesId) ?? []),
    })
    if (obstacle) problems.push({ code: 'cannot be ended so', obstacle })
    const rule = ruledOut(method, means.rules)
    if (rule) problems.push({ code: 'rule', rule })
  }
  if (
    follows.kind === 'crop' &&
    follows.plantingMethod !== null &&
    !canPlantSo(follows.plantingMethod, follows.establishment, follows.crop)
  )
    problems.push({
      code: 'cannot be planted so',
      method: follows.plantingMethod,
      crop: follows.crop.name,
      establishment: follows.establishment,
    })
  return problems
}
