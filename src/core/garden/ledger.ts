import type { Bed } from './schema'
import { bareWindows, recordsFrom, type BedWindow, type Recorded } from './windows'

/** Bare weeks of one bed: gone by, and ahead with nothing planned; fillable are those in gaps long enough to sow. */
export type BareWeeks = { bed: Bed; past: number; ahead: number; fillable: number; windows: BedWindow[] }

/** Shortest gap that some cover still fills, days. */
const FILLABLE_DAYS = 28

const weeksBetween = (window: BedWindow, fromDay: number, toDay: number) =>
  Math.max(0, Math.min(window.neededByDay, toDay) - Math.max(window.freeFromDay, fromDay)) / 7

/**
 * Bare weeks by bed between two days about `today`. What is planned already counts as covered; `ahead` is what the
 * plans leave bare.
 */
export function bareLedger(
  data: Recorded & { beds: readonly Bed[] },
  fromDay: number,
  today: number,
  toDay: number,
): BareWeeks[] {
  return data.beds.map((bed) => {
    const first = Math.max(fromDay, recordsFrom(data, bed.id, today))
    const windows = bareWindows(bed, data.stands, first, toDay)
    const sum = (from: number, to: number, counts: (window: BedWindow) => boolean = () => true) =>
      windows.filter(counts).reduce((weeks, window) => weeks + weeksBetween(window, from, to), 0)
    return {
      bed,
      past: sum(fromDay, today),
      ahead: sum(today, toDay),
      fillable: sum(
        today,
        toDay,
        (window) => window.neededByDay - Math.max(today, window.freeFromDay) >= FILLABLE_DAYS,
      ),
      windows: windows.filter((window) => window.neededByDay > today),
    }
  })
}
