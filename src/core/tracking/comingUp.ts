import type { StandForecast } from '../season/standForecast'
import type { Quantiles } from '../foundations/statistics'

/** How a species of a young stand stands against its due date. */
export type ComingUp = {
  component: number
  due: Quantiles
  /** Not due yet, due these days, should be up, or so late that more waiting brings nothing. */
  state: 'not due' | 'due' | 'should be up' | 'late'
  /** Wait until this day before calling it missing. */
  waitUntil: number
}

/** Days after the late end of its range on which a species that is not up is taken as missing (judgement, 5–14). */
const PATIENCE_DAYS = 7

/** Every species of a stand against the day, in order of the mix; those that never come up are left out. */
export function comingUp(forecast: StandForecast, today: number): ComingUp[] {
  return forecast.up.flatMap(({ quantiles: due }, component) => {
    if (!due) return []
    const waitUntil = Math.ceil(due.p90) + PATIENCE_DAYS
    const state =
      today < Math.floor(due.p10)
        ? 'not due'
        : today <= due.p90
          ? 'due'
          : today <= waitUntil
            ? 'should be up'
            : 'late'
    return [{ component, due, state, waitUntil }]
  })
}
