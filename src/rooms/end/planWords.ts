import { burns } from '../../core/ending/obstacles'

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
  const { way } = plan
  if (way.animals) animalSteps(plan, words)
  if (way.acts.some((act) => act === 'chop' || act === 'crimp')) lookStep(plan, words)
  if (
    way.acts.includes('chop') ||
    way.acts.includes('bury') ||
    way.acts.includes('flip') ||
    way.sheet === 'clear'
  )
    cutSteps(plan, words)
  if (way.acts.includes('crimp')) crimpSteps(plan, words)
  if (burns(way)) flameSteps(way, words)
  if (way.acts.includes('flip'))
    words.steps.push('Cut under the crowns with the spade and lay them roots up; break the clumps.')
  if (way.acts.includes('bury') || way.acts.includes('flip')) coverSteps(plan, words)
  if (way.acts.includes('turn')) turnSteps(plan, words)
  if (way.acts.includes('pull')) pullSteps(words)
  if (way.lies === 'soil') soilSteps(plan, words)
  if (way.sheet === 'cardboard') cardboardSteps(plan, words)
  else if (way.sheet) sheetSteps(plan, words)
  if (way.id === 'strips') laneSteps(plan, words)
  words.steps.push(
    way.sheet
      ? 'After a week walk round it: pull or cut what grows out along the edges.'
      : 'The same day: walk the edges and corners, and cut or pull by hand what was missed.',
  )
  words.steps.push(
    way.sheet
      ? 'When it comes off, note the day, and count what stands again after 7, 14 and 21 days.'
      : 'Count what stands again after 7, 14 and 21 days.',
  )
  return words
}
