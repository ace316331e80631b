import type { Rules } from '../garden/rules'
import type { Bed, Stand } from '../garden/schema'
import { latest } from '../garden/timeline'
import { dayNumber } from '../foundations/day'
import { findCrop, type Crop } from '../plants/crops'
import { having } from '../foundations/grouped'
import { manureDaysFor } from './manure'

/** A crop planned after animals left a bed: when it is ready by its usual days, and the first day on which it may be picked. */
export type AfterAnimals = { stand: Stand; crop: Crop; readyDay: number; clearDay: number }

/** First days of harvest after animals left: of what touches soil or splash, and of what does not. */
export const clearDays = (lastDay: number, { manureDays }: Rules) => ({
  touching: lastDay + manureDays.touching,
  clear: lastDay + manureDays.clear,
})

/** Crops planned or standing in a bed whose harvest comes too soon after animals that leave it on a day. */
export function tooSoonAfter(
  bed: Pick<Bed, 'id'>,
  stands: readonly Stand[],
  lastDay: number,
  rules: Rules,
): AfterAnimals[] {
  return having(stands, 'bedId', bed.id).flatMap((stand) => {
    const start = latest(stand.start)
    const crop = stand.content.kind === 'crop' ? findCrop(stand.content.cropId) : null
    if (!start || !crop || stand.end.actual || dayNumber(start.date) < lastDay) return []
    const readyDay = dayNumber(start.date) + crop.daysToHarvest
    const clearDay = lastDay + manureDaysFor(crop, rules)
    return dayNumber(start.date) >= lastDay && readyDay < clearDay
      ? [{ stand, crop, readyDay, clearDay }]
      : []
  })
}
