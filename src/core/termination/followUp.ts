import { monthOf } from '../foundations/day'
import type { SiteClimate } from '../garden/site'
import type { Species } from '../plants/parameters'
import { FINISHING } from './counted'
import { stragglerMinutes } from './stragglers'
import { SHEET_WARMING_C } from '../stand/sheeted'
import { doseNeeded } from './sheets'
import { DEAD_SHARE, HAND_FINISH_SHARE } from './lastAct'
import { findMethod, type MethodId } from './methods'

/** What to do about plants that stand again. */
export type NextStep = {
  act: 'leave' | 'pull' | 'cut' | 'cover' | 'wait'
  minutes: number
  reason: string
}

/** Hand work that is still reasonable for a bed, minutes. */
const MOST_MINUTES = 90

/** Longest that a cover is reckoned with, days. */
const LONGEST_COVER_DAYS = 240

/**
 * Days under a black sheet that what stands again wants from a day on, by the place's usual warmth; what was crimped or cut
 * lies between and shields it.
 */
export function coverDays(
  plants: readonly { plant: Species; bbch: number }[],
  { tMinC, tMaxC }: Pick<SiteClimate, 'tMinC' | 'tMaxC'>,
  fromDay: number,
): number {
  const dose = Math.max(0, ...plants.map(({ plant, bbch }) => doseNeeded('black', plant, bbch, 'shielded')))
  let gathered = 0
  for (let days = 0; days < LONGEST_COVER_DAYS; days++) {
    if (gathered >= dose) return days
    const month = monthOf(fromDay + days)
    gathered += Math.max(0, (tMinC[month] + tMaxC[month]) / 2 + SHEET_WARMING_C)
  }
  return LONGEST_COVER_DAYS
}

const weeksText = (days: number) => (days < 14 ? `${days} days` : `${Math.ceil(days / 7)} weeks`)

/**
 * What to do when `share` of the plants (`plantsPerM2` standing) is alive on `areaM2`, `days` before planting.
 * @param daysSince days since the end
 * @param covered days it would have to lie covered
 */
export function nextStep(
  share: number,
  plantsPerM2: number,
  areaM2: number,
  method: MethodId,
  daysSince: number,
  days: number,
  establishment: keyof typeof DEAD_SHARE,
  covered: number,
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
  // The same once more leaves about a third: what failed at this stage fails again, so something else is named.
  if (days >= covered || entry?.sheet)
    return {
      act: 'cover',
      minutes: 0,
      reason: entry?.sheet
        ? `${percent} stand again: leave or put a sheet on until they are gone, about ${weeksText(covered)} at this season.`
        : `${percent} stand again, and another pass would leave about a third of them: lay a sheet over it for about ${weeksText(covered)}. What lies between counts half as much again.`,
    }
  if (entry?.acts.at(-1) === 'crimp' && days >= FINISHING.cut.showsDays)
    return {
      act: 'cut',
      minutes: 0,
      reason: `${percent} stand again after rolling, and a sheet wants about ${weeksText(covered)}: cut them low instead, which leaves about a quarter.`,
    }
  return {
    act: 'cover',
    minutes: 0,
    reason: `${percent} stand again and planting is near: cover with cardboard or a sheet and plant through it, rake rows free, or plant about ${weeksText(Math.max(1, covered - days))} later.`,
  }
}
