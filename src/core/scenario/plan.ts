import type { EndDetails } from '../garden/ending'
import { latest } from '../garden/timeline'
import type { Follows, Scenario } from './types'

/** The planned or recorded ending of a scenario's cover; a harvest is none. */
export function plannedEnd({ standCase }: Pick<Scenario, 'standCase'>): EndDetails | null {
  const end = latest(standCase.stand.end)
  return end && end.method !== 'harvest' ? end : null
}

/** The day a plan is held to: of planting, or by which the ground is wanted; Infinity where there is none. */
export const targetDay = (follows: Follows): number => (follows.kind === 'nothing' ? Infinity : follows.day)
