import { dayNumber } from '../foundations/day'
import type { Stand } from '../garden/schema'
import { latest } from '../garden/timeline'
import { findCrop } from './crops'

/** The crop above as the growth of what is sown under it feels it. */
export function shadeOf(stand: Stand): { share: number; untilDay: number; frostC: number } | null {
  const crop = stand.content.kind === 'crop' ? findCrop(stand.content.cropId) : null
  const end = latest(stand.end)
  if (!crop || !end) return null
  // Grown plants bear a little more frost than young ones.
  return {
    share: crop.shade,
    untilDay: dayNumber(end.date) - crop.lightReturns.daysBeforeClearing,
    frostC: crop.frostLimitC - 2,
  }
}
