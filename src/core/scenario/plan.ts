import type { EndDetails } from '../garden/ending'
import { FIRST_WEEKS_DAYS } from '../planting/openDays'
import { latest } from '../garden/timeline'
import type { Follows, Scenario } from './types'

/** The planned or recorded ending of a scenario's cover; a harvest is none. */
export function plannedEnd({ standCase }: Pick<Scenario, 'standCase'>): EndDetails | null {
  const end = latest(standCase.stand.end)
  return end && end.method !== 'harvest' ? end : null
}

/** Days of weather that a planting day wants after it, for the crop's first weeks to be followed. */
const AFTER_PLANTING_DAYS = FIRST_WEEKS_DAYS + 2

/** First day without weather that is wanted for a plan held to a day. */
export const weatherWanted = (day: number) => day + AFTER_PLANTING_DAYS

/** Last day to which a plan can be held; `horizonDay` is the first day without weather. */
export const lastTargetDay = (horizonDay: number) => horizonDay - AFTER_PLANTING_DAYS

/** The day a plan is held to: of planting, or by which the ground is wanted; Infinity where there is none. */
export const targetDay = (follows: Follows): number => (follows.kind === 'nothing' ? Infinity : follows.day)
