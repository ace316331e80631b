import { dayNumber } from '../foundations/day'
import type { Bed, Stand } from '../garden/schema'
import { latest } from '../garden/timeline'
import { findCrop } from '../plants/crops'

/** Days for which what was ill on a bed is looked back at before a sowing. */
const LOOK_BACK_DAYS = 300

/** Remains of a crop that was ill here and should leave before anything is sown over them. */
export type Debris = { crop: string; what: string; notedDay: number }

/** What should leave a bed before a sowing: remains of crops whose trouble was noted while they stood or after. */
export function debrisBefore(bed: Bed, stands: readonly Stand[], sowDay: number): Debris[] {
  const crops = stands.flatMap(({ bedId, content, start }) => {
    const begun = latest(start)
    const crop = bedId === bed.id && content.kind === 'crop' ? findCrop(content.cropId) : null
    return crop && begun ? [{ crop, plantedDay: dayNumber(begun.date) }] : []
  })
  return bed.troubles.flatMap(({ date, family, what }): Debris[] => {
    const notedDay = dayNumber(date)
    const ill = crops
      .filter(
        ({ crop, plantedDay }) =>
          plantedDay <= notedDay && crop.family.toLowerCase() === family.trim().toLowerCase(),
      )
      .sort((a, b) => b.plantedDay - a.plantedDay)[0]
    return ill && notedDay < sowDay && sowDay - notedDay <= LOOK_BACK_DAYS
      ? [{ crop: ill.crop.name, what, notedDay }]
      : []
  })
}
