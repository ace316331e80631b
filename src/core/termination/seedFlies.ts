import type { WeatherEnsemble } from '../site/weather'
import type { Method } from './methods'

/**
 * Seed flies (Delia platura and kin) lay their eggs where fresh green growth was buried; the maggots hollow out large
 * seeds and the stems of young transplants. They are past after about 250 °C d above 4 °C of air (extension: three to
 * four weeks of a mild spring), not before three weeks, and what was buried is no longer fresh after two months
 * (judgement, 40–80 days).
 */
export const SEED_FLIES = { baseC: 4, doseCd: 250, leastDays: 21, mostDays: 60 } as const

/** Share of the growth that must be buried to draw them. */
const BURIED = 0.4

/** Whether a way buries fresh growth. */
export const drawsSeedFlies = (method: Pick<Method, 'buried'>) => method.buried >= BURIED

/** First day on which seed flies no longer matter to what was buried on a day, in one member; NaN past the ensemble. */
export function seedFlyDay(ensemble: WeatherEnsemble, member: number, buriedDay: number): number {
  const { tMinC, tMaxC } = ensemble.members[member]
  const { baseC, doseCd, leastDays, mostDays } = SEED_FLIES
  let dose = 0
  for (let day = 0; day < mostDays; day++) {
    if (day >= leastDays && dose >= doseCd) return buriedDay + day
    const i = buriedDay + day - ensemble.startDay
    if (i >= ensemble.days) return NaN
    if (i >= 0) dose += Math.max(0, (tMinC[i] + tMaxC[i]) / 2 - baseC)
  }
  return buriedDay + mostDays
}
