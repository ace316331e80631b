import type { Befallen, Fate, Fates } from '../stand/fate'
import { stopSurvival, takenShare } from './animals'
import { doseBetween } from './doses'
import { findMethod } from './methods'
import { actsSurvival } from './outcome'
import { doseNeeded, sheetSurvival } from './sheets'
import { chopSurvivalAt } from './survival'
import { woodiness } from './woodiness'

/** Fewer than this share of the plants that came up are as good as none: what was seen of them is taken of as many. */
const LEAST_ALIVE = 0.001

function outlives(fate: Fate, of: Befallen): number {
  switch (fate.by) {
    case 'share':
      return fate.share
    case 'seen':
      if (fate.only !== undefined && fate.only !== of.component) return 1
      return Math.min(1, fate.share / Math.max(LEAST_ALIVE, of.alive))
    case 'cut':
      return chopSurvivalAt(of.plant.endingClass, of.bbch, fate.heightM)
    case 'acts':
      return outlivesActs(fate, of)
    case 'animals':
      return stopSurvival(fate.plan, fate.plotM2, of.plant.endingClass, of.bbch, of.massG, fate.round)
    case 'counted':
      return fate.shares[of.component] ?? outlives(fate.else, of)
  }
}

/** What outlives the acts of a way, and the sheet that is left lying on it. */
function outlivesActs(
  fate: Extract<Fate, { by: 'acts' }>,
  { plant, bbch, member, ensemble }: Befallen,
): number {
  const method = findMethod(fate.method)
  if (!method) return 0
  const acts = actsSurvival(method, plant, bbch, fate.passes, fate)
  if (!method.sheet || !fate.sheet) return acts
  const { fromDay, offDay, lies } = fate.sheet
  const dose = doseBetween(ensemble, method.sheet === 'clear' ? 'clear' : 'black', member, fromDay, offDay)
  return acts * sheetSurvival(dose, doseNeeded(method.sheet, plant, bbch, lies))
}

/** How every fate of a stand is told: the tables of cuts, endings and animals. */
export const FATES: Fates = {
  outlives,
  taken: ({ plan, plotM2, round }, massG) => takenShare(plan, plotM2, massG, round),
  hardness: ({ endingClass }, bbch, heightM) => woodiness(endingClass, bbch, heightM),
}
