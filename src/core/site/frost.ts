import { NOTHING, shareOf, quantilesOf, type Quantiles } from '../foundations/statistics'
import type { WeatherEnsemble } from './weather'

/** Chance of at least one frost (tMin ≤ `limitC`) and 10/50/90 % of rain, for one week. */
export type WeekOutlook = { startDay: number; frostChance: number; rainMm: Quantiles }

/** Weekly outlooks over the whole ensemble, starting at `startDay` (must lie inside the ensemble). */
export function weeklyOutlook(
  ensemble: WeatherEnsemble,
  startDay: number,
  weeks: number,
  limitC = 0,
): WeekOutlook[] {
  return Array.from({ length: weeks }, (_, week) => {
    const from = startDay + week * 7 - ensemble.startDay
    const to = Math.min(from + 7, ensemble.days)
    const any = (index: number) => {
      for (let i = from; i < to; i++) if (ensemble.members[index].tMinC[i] <= limitC) return true
      return false
    }
    const rain = ensemble.members.map((member) => {
      let sum = 0
      for (let i = from; i < to; i++) sum += member.rainMm[i]
      return sum
    })
    return {
      startDay: startDay + week * 7,
      frostChance: shareOf(ensemble.members.length, any),
      rainMm: quantilesOf(rain) ?? NOTHING,
    }
  })
}
