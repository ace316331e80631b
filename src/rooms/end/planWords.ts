import { burns } from '../../core/termination/obstacles'

import { coverSteps, crimpSteps, cutSteps, flameSteps, lookStep, pullSteps, turnSteps } from './planActs'
import { animalSteps, cardboardSteps, laneSteps, sheetSteps, soilSteps } from './planSheets'
import type { PlanCase, PlanWords } from './planTypes'

/** The plan of a way for this ground: what to do in order, what it takes, and what to draw. */
export function planOf(plan: PlanCase): PlanWords {
  const words: PlanWords = {
    steps: [],
    materials: [],
    problem: null,
    cuts: [],
    board: null,
    sheet: null,
    clear: false,
    cardboard: null,
    cover: null,
    lanes: [],
    stops: [],
  }
  const { method } = plan
  if (method.animals) animalSteps(plan, words)
  if (method.acts.some((act) => act === 'chop' || act === 'crimp')) lookStep(plan, words)
  if (
    method.acts.includes('chop') ||
    method.acts.includes('bury') ||
    method.acts.includes('flip') ||
    method.sheet === 'clear'
  )
    cutSteps(plan, words)
  if (method.acts.includes('crimp')) crimpSteps(plan, words)
  if (burns(method)) flameSteps(method, words)
  if (method.acts.includes('flip'))
    words.steps.push('Cut under the crowns with the spade and lay them roots up; break the clumps.')
  if (method.acts.includes('bury') || method.acts.includes('flip')) coverSteps(plan, words)
  if (method.acts.includes('turn')) turnSteps(plan, words)
  if (method.acts.includes('pull')) pullSteps(words)
  if (method.lies === 'soil') soilSteps(plan, words)
  if (method.sheet === 'cardboard') cardboardSteps(plan, words)
  else if (method.sheet) sheetSteps(plan, words)
  if (method.id === 'strips') laneSteps(plan, words)
  words.steps.push(
    method.sheet
      ? 'After a week walk round it: pull or cut what grows out along the edges.'
      : 'The same day: walk the edges and corners, and cut or pull by hand what was missed.',
  )
  words.steps.push(
    method.sheet
      ? 'When it comes off, note the day, and count what stands again after 7, 14 and 21 days.'
      : 'Count what stands again after 7, 14 and 21 days.',
  )
  return words
}
