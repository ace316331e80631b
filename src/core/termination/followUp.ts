import { stragglerMinutes } from './outcome'
import { DEAD_SHARE, HAND_FINISH_SHARE } from './lastAct'
import { findMethod, type MethodId } from './methods'

/** What to do about plants that stand again. */
export type NextStep = {
  act: 'leave' | 'pull' | 'again' | 'cover' | 'wait'
  minutes: number
  reason: string
}

/** Hand work that is still reasonable for a bed, minutes. */
const MOST_MINUTES = 90

/**
 * What to do when `share` of the plants (`plantsPerM2` standing) is alive on `areaM2`, `days` before planting.
 * @param daysSince days since the end
 */
export function nextStep(
  share: number,
  plantsPerM2: number,
  areaM2: number,
  method: MethodId,
  daysSince: number,
  days: number,
  establishment: keyof typeof DEAD_SHARE,
): NextStep {
  const entry = findMethod(method)
  const minutes = stragglerMinutes(Math.min(1, share), share > 0 ? plantsPerM2 / share : 0, areaM2)
  const percent = `${Math.round(share * 100)} %`
  if (share <= DEAD_SHARE[establishment] / 5)
    return { act: 'leave', minutes: 0, reason: `${percent} stand: nothing to do.` }
  if (entry?.acts.at(-1) === 'crimp' && daysSince < 10 && share <= 0.5)
    return {
      act: 'wait',
      minutes: 0,
      reason: `${percent} still look alive, but crimped stems take one to three weeks to brown. Count again at 14 days.`,
    }
  if (share <= DEAD_SHARE[establishment] + HAND_FINISH_SHARE && minutes <= MOST_MINUTES)
    return { act: 'pull', minutes, reason: `${percent} stand again: few enough to pull or cut one by one.` }
  if (days < 14)
    return {
      act: 'cover',
      minutes: 0,
      reason: `${percent} stand again and planting is near: cover with cardboard or a sheet, or rake rows free and plant through.`,
    }
  return entry?.acts.at(-1) === 'crimp' || entry?.acts.at(-1) === 'chop'
    ? {
        act: 'again',
        minutes: 0,
        reason: `${percent} stand again: a second pass leaves about a third of them.`,
      }
    : {
        act: 'cover',
        minutes: 0,
        reason: `${percent} stand again: leave or put a sheet on until they are gone.`,
      }
}
