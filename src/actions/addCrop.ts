import { writesBetween } from './planStretch'
import type { Step } from './step'
import { clearing, cropContent, cropStand, planting } from '../core/garden/newStands'
import { addDays, isoDate } from '../core/foundations/day'
import type { Bed, GardenData, Segment, Stand } from '../core/garden/schema'
import { findCrop } from '../core/plants/crops'
import { standsTaking, type Treatment } from '../core/season/occupied'
import { newId } from '../data/ids'
import { added, changed } from '../data/writes'
import { standName } from '../text/names'

/** A crop that stands, or is planned, in a bed from a day until it is cleared. */
export type NewCrop = {
  cropId: string
  establishment: 'transplant' | 'seed'
  from: number
  until: number
  standing: boolean
  segment?: Segment
}

/** Adds a crop, and treats what stands on its ground as said or as usual. */
export function addCrop(
  data: Pick<GardenData, 'garden' | 'stands'>,
  bed: Bed,
  { cropId, establishment, from, until, standing, segment }: NewCrop,
  said: Readonly<Record<string, Treatment>> = {},
): Step {
  const crop = findCrop(cropId)!
  const start = planting(isoDate(from))
  const stand = cropStand(
    { id: newId('stand'), gardenId: data.garden.id, bedId: bed.id, segment },
    cropContent(crop.id, establishment),
    { plan: start, actual: standing ? start : null },
    crop.daysInBed,
  )
  const fresh = { ...stand, end: { plan: clearing(isoDate(until)), actual: null } }
  return {
    label: `Added ${crop.name.toLowerCase()}`,
    writes: writesBetween(
      data.stands,
      standsTaking(data.stands, bed, fresh, () => newId('stand'), said),
    ),
  }
}

/** Plans something quick to eat on a part of a bed, sown on a day and harvested after so many. */
export function planQuickCrop(
  bed: Bed,
  segment: Segment,
  { cropId, sowDay, days }: { cropId: string; sowDay: number; days: number },
): Step {
  const stand = cropStand(
    { id: newId('stand'), gardenId: bed.gardenId, bedId: bed.id, segment },
    cropContent(cropId, 'seed'),
    { plan: planting(isoDate(sowDay)), actual: null },
    days,
  )
  return {
    label: `Planned ${findCrop(cropId)?.name.toLowerCase() ?? cropId} in ${bed.label}`,
    writes: [added('stands', stand)],
  }
}

/** Moves a planned crop by some days, its clearing with it, and into another bed. */
export function moveCrop(stand: Stand, to: Bed, days: number): Step {
  const start = stand.start.plan!
  const { plan: end } = stand.end
  const date = addDays(start.date, days)
  return {
    label: `Moved ${standName(stand).toLowerCase()} to ${to.label}, from ${date}`,
    writes: [
      changed('stands', stand, {
        bedId: to.id,
        start: { ...stand.start, plan: { ...start, date } },
        end: { ...stand.end, plan: end && { ...end, date: addDays(end.date, days) } },
      }),
    ],
  }
}
