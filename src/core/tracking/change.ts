import type { DateQuantiles } from '../stand/summary'

/** How a look moved a date: which way, by how many days, and how the 10–90 % range changed. */
export type DateChange = {
  bbch: number
  before: DateQuantiles
  after: DateQuantiles
  shiftDays: number
  widthBefore: number
  widthAfter: number
}

type Stages = readonly { bbch: number; date: DateQuantiles }[]

/**
 * The next stage after the check's day that both forecasts date, and how it moved; null when none is left.
 * @param today the day of the look
 */
export function nextStageChange(before: Stages, after: Stages, today: number): DateChange | null {
  for (const stage of after) {
    const old = before.find((entry) => entry.bbch === stage.bbch)
    const now = stage.date.quantiles
    if (!old?.date.quantiles || !now || stage.bbch < 51 || now.p50 <= today) continue
    return {
      bbch: stage.bbch,
      before: old.date,
      after: stage.date,
      shiftDays: Math.round(now.p50 - old.date.quantiles.p50),
      widthBefore: Math.round(old.date.quantiles.p90 - old.date.quantiles.p10),
      widthAfter: Math.round(now.p90 - now.p10),
    }
  }
  return null
}
