import type { Befallen, Fate, Fates, Sheeted } from '../stand/fate'
import { actsSurvival, varied } from './acts'
import { stopSurvival, takenShare } from './animals'
import { findMethod } from './methods'
import { luck, SHEET_STEP } from './luck'
import { ownCount, withOwn } from './ownResults'
import { doseNeeded } from './sheets'
import { chopSurvivalAt } from './survival'
import { woodiness } from './woodiness'

/** Fewer than this share of the plants that came up are as good as none: what was seen of them is taken of as many. */
const LEAST_ALIVE = 0.001
/** Seed layer this dry slows what a sheet does; the dose needed rises by the factor until it is watered (judgement). */
const DRY_TOP = 0.25
const DRY_FACTOR = 1.2
/** Members differ about the dose by up to this much either way (judgement, 0.1–0.2). */
const DOSE_SPREAD = 0.15

function outlives(fate: Fate, of: Befallen): number {
  switch (fate.by) {
    case 'share':
      return fate.share
    case 'seen':
      if (fate.only !== undefined && fate.only !== of.component) return 1
      return Math.min(1, fate.share / Math.max(LEAST_ALIVE, of.alive))
    case 'cut':
      return varied(chopSurvivalAt(of.plant.endingClass, of.bbch, fate.heightM), of.member)
    case 'acts': {
      const method = findMethod(fate.method)
      if (!method) return 0
      if (method.acts.length === 0) return 1
      return varied(actsSurvival(method, of.plant, of.bbch, fate.passes, fate), of.member)
    }
    case 'animals':
      return varied(
        stopSurvival(fate.plan, fate.plotM2, of.plant.endingClass, of.bbch, of.massG, fate.round),
        of.member,
      )
    case 'counted':
      return fate.shares[of.component] ?? outlives(fate.else, of)
  }
}

/** Dose that leaves 5 % of a species alive under a sheet in one member. Own counts after the way stretch or shorten it. */
function smothers(
  { kind, lies = 'flat', by }: Sheeted,
  { plant, bbch, member }: Pick<Befallen, 'plant' | 'bbch' | 'member'>,
  seedLayer: number,
): number {
  const dry = kind !== 'clear' && seedLayer < DRY_TOP ? DRY_FACTOR : 1
  const own = by ? withOwn(0.05, ownCount(by.own ?? {}, by.method, plant.endingClass, bbch)) : 0.05
  const spread = 1 - DOSE_SPREAD + 2 * DOSE_SPREAD * luck(member, SHEET_STEP)
  return (spread * dry * doseNeeded(kind, plant, bbch, lies) * Math.log(0.05)) / Math.log(own)
}

/** How every fate of a stand is told: the tables of cuts, endings, sheets and animals. */
export const FATES: Fates = {
  outlives,
  taken: ({ plan, plotM2, round }, massG) => takenShare(plan, plotM2, massG, round),
  smothers,
  hardness: ({ endingClass }, bbch, heightM) => woodiness(endingClass, bbch, heightM),
}
