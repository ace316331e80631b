import { dayNumber } from '../foundations/day'
import { segmentAreaM2 } from '../garden/area'
import { sharesGround } from '../garden/ground'
import type { Bed, Stand } from '../garden/schema'
import type { EndDetails } from '../garden/ending'
import { tellingCount } from '../termination/pooling'

/** A cover that was ended, and the crop that followed it in the same bed. */
export type Followed = {
  cover: Stand
  end: EndDetails
  /** Share that stood again by the telling count; null when none was made. */
  stoodAgain: number | null
  crop: Stand
  bed: Bed
  waitedDays: number
  yieldKgM2: number | null
}

/** Endings with the crop planted after them, the newest planting first. */
export function followedBy(beds: readonly Bed[], stands: readonly Stand[]): Followed[] {
  const started = (stand: Stand) => stand.start.actual && dayNumber(stand.start.actual.date)
  return stands
    .flatMap((cover): Followed[] => {
      const end = cover.end.actual
      const bed = beds.find((entry) => entry.id === cover.bedId)
      if (cover.content.kind !== 'cover' || !end || !bed) return []
      const ended = dayNumber(end.date)
      const crop = stands
        .filter(
          (stand) =>
            stand.bedId === bed.id &&
            stand.content.kind === 'crop' &&
            sharesGround(stand.segment, cover.segment, bed) &&
            (started(stand) ?? -1) >= ended,
        )
        .sort((a, b) => started(a)! - started(b)!)[0]
      if (!crop) return []
      const count = tellingCount(cover)
      const kg = crop.outcome?.yieldKg ?? null
      return [
        {
          cover,
          end,
          stoodAgain: count ? count.standing / count.before : null,
          crop,
          bed,
          waitedDays: started(crop)! - ended,
          yieldKgM2: kg === null ? null : kg / Math.max(0.01, segmentAreaM2(bed, crop.segment)),
        },
      ]
    })
    .sort((a, b) => started(b.crop)! - started(a.crop)!)
}
