import { dayNumber } from '../foundations/day'
import { segmentAreaM2 } from '../garden/area'
import { sharesGround } from '../garden/ground'
import type { Bed, Stand } from '../garden/schema'
import type { EndDetails } from '../garden/ending'
import { stoodAgain } from '../termination/pooling'

/** A cover that was ended, and a crop that followed it on its ground. */
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

/** Endings with the crops planted after them, the first on each part of the ground, the newest planting first. */
export function followedBy(beds: readonly Bed[], stands: readonly Stand[]): Followed[] {
  const started = (stand: Stand) => stand.start.actual && dayNumber(stand.start.actual.date)
  return stands
    .flatMap((cover): Followed[] => {
      const end = cover.end.actual
      const bed = beds.find((entry) => entry.id === cover.bedId)
      if (cover.content.kind !== 'cover' || !end || !bed) return []
      const ended = dayNumber(end.date)
      const count = stoodAgain(cover)
      const after = stands
        .filter(
          (stand) =>
            stand.bedId === bed.id &&
            stand.content.kind === 'crop' &&
            sharesGround(stand.segment, cover.segment, bed) &&
            (started(stand) ?? -1) >= ended,
        )
        .sort((a, b) => started(a)! - started(b)!)
      // The first on each part of its ground.
      return after
        .filter(
          (crop, i) => !after.slice(0, i).some(({ segment }) => sharesGround(segment, crop.segment, bed)),
        )
        .map((crop) => {
          const kg = crop.outcome?.yieldKg ?? null
          return {
            cover,
            end,
            stoodAgain: count ? count.standing / count.before : null,
            crop,
            bed,
            waitedDays: started(crop)! - ended,
            yieldKgM2: kg === null ? null : kg / Math.max(0.01, segmentAreaM2(bed, crop.segment)),
          }
        })
    })
    .sort((a, b) => started(b.crop)! - started(a.crop)!)
}
