import type { Bed, Stand } from '../garden/schema'
import { having } from '../foundations/grouped'
import { bedSpans } from '../garden/timeline'
import { findCrop, type Crop } from '../plants/crops'

/**
 * The time in which a cover can be sown under a standing crop: from its last weeding until a few weeks before the
 * light returns, so that it is up when it does.
 */
export type LightWindow = {
  bedId: string
  /** The crop above. */
  standId: string
  crop: Crop
  /** Day from which what comes up under the crop costs it little. */
  lastWeedingDay: number
  sowFromDay: number
  sowUntilDay: number
  /** When the crop lets the light through again, and by what. */
  lightDay: number
  by: Crop['lightReturns']['by']
  /** Day the crop is cleared, and the first day the ground is taken again; half a year later where nothing is planned by then. */
  clearedDay: number
  neededByDay: number
  /** Bare weeks after the crop that a cover under it would fill. */
  recoveredWeeks: number
}

/** A cover sown under a crop wants at least these days before the light returns, and gains nothing from more. */
const UNDER_LEAST_DAYS = 21
/** Weeks of growth in the open that make sowing under worth it. */
const WORTH_WEEKS = 2

/** Weeks after the crop that are counted where nothing is planned after it: the same in every room, however far it looks. */
const OPEN_WEEKS = 26

/** Light windows of a bed's crops that are still to be used on a day; of crops that stand beyond the horizon none are told. */
export function lightWindows(
  bed: Bed,
  stands: readonly Stand[],
  today: number,
  horizonDay: number,
): LightWindow[] {
  const spans = bedSpans(stands, bed.id).filter((span) => span.stand.segment.kind === 'whole')
  return spans.flatMap((span, index) => {
    const { stand, startDay, endDay } = span
    const crop = stand.content.kind === 'crop' ? findCrop(stand.content.cropId) : null
    if (!crop || crop.lastWeedingDays === null || endDay === null || stand.end.actual) return []
    if (having(stands, 'underStandId', stand.id).length > 0) return []
    const lastWeedingDay = startDay + crop.lastWeedingDays
    const sowFromDay = Math.max(today, lastWeedingDay)
    const lightDay = endDay - crop.lightReturns.daysBeforeClearing
    const sowUntilDay = Math.max(lastWeedingDay, lightDay - UNDER_LEAST_DAYS)
    const neededByDay = Math.min(spans[index + 1]?.startDay ?? Infinity, endDay + 7 * OPEN_WEEKS)
    const recoveredWeeks = Math.floor((neededByDay - endDay) / 7)
    if (endDay > horizonDay || sowFromDay > sowUntilDay || endDay <= today || recoveredWeeks < WORTH_WEEKS)
      return []
    return [
      {
        bedId: bed.id,
        standId: stand.id,
        crop,
        lastWeedingDay,
        sowFromDay,
        sowUntilDay,
        lightDay,
        by: crop.lightReturns.by,
        clearedDay: endDay,
        neededByDay,
        recoveredWeeks,
      },
    ]
  })
}
