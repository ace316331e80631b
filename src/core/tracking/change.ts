import type { DateSpread } from '../stand/summary'

/** How a look moved a date: which way, by how many days, and how the 10–90 % range changed. */
export type DateChange = {
  bbch: number
  before: DateSpread
  after: DateSpread
  shiftDays: number
  widthBefore: number
  widthAfter: number
}

type Stages = readonly { bbch: number; date: DateSpread }[]

/**
 * The next stage after the check's day that both forecasts date, and how it moved; null when none is left.
 * @param today the day of the look
 */
export function nextStageChange(before: Stages, after: Stages, today: number): DateChange | null {
  for (const stage of after) {
    const old = before.find((entry) => entry.bbch === stage.bbch)
    const now = stage.date.spread
    if (!old?.date.spread || !now || stage.bbch < 51 || now.mid <= today) continue
    return {
      bbch: stage.bbch,
      before: old.date,
      after: stage.date,
      shiftDays: Math.round(now.mid - old.date.spread.mid),
      widthBefore: Math.round(old.date.spread.high - old.date.spread.low),
      widthAfter: Math.round(now.high - now.low),
    }
  }
  return null
}
