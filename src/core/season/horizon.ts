import { dayNumber } from '../foundations/day'
import { latest } from '../garden/timeline'
import { findMethod } from '../termination/methods'
import { lastActAfter } from '../termination/lastAct'
import type { WeatherEnsemble } from '../site/weather'
import type { StandCase } from './cases'

/**
 * Days that a stand is followed after its ground is taken: what a plan is followed for after the planting, with room for
 * plans that are moved.
 */
const FOLLOWED_AFTER_DAYS = 220
/** Horizons lie on a grid of days, so that a plan that is moved a little keeps the stand as it was grown. */
const GRID_DAYS = 28
const onGrid = (day: number) => Math.ceil(day / GRID_DAYS) * GRID_DAYS

/** Day up to which a stand is of interest: long after its ground is taken, if it is; null where nothing takes it. */
export function followedUntil({
  stand,
  nextStartDay,
}: Pick<StandCase, 'stand' | 'nextStartDay'>): number | null {
  if (nextStartDay === null) return null
  const end = latest(stand.end)
  const last = Math.max(nextStartDay, end ? dayNumber(end.date) : -Infinity)
  return onGrid(last + FOLLOWED_AFTER_DAYS)
}

/** Days that a stand is followed at least without its ending after the last act of it: what a week's delay of it asks for. */
const AFTER_ACT_DAYS = 14

/**
 * Day up to which a stand is followed as it would stand without its ending, where only that ending is asked about: past
 * its last act, from which the stand is followed with it. Null for endings by cold, animals or sheets, which are judged by what would
 * stand without them, and where there is none or all is harvested.
 */
export function followedAlone({ stand }: Pick<StandCase, 'stand'>): number | null {
  const end = latest(stand.end)
  if (!end) return null
  const method = findMethod(end.method)
  if (!method || method.waits || method.animals || method.sheet) return null
  return onGrid(dayNumber(end.date) + lastActAfter(method, end) + AFTER_ACT_DAYS)
}

/** Days on which a stand's states are wanted: where its ending begins and where its ground is taken. */
export function turningDays({ stand, nextStartDay }: Pick<StandCase, 'stand' | 'nextStartDay'>): number[] {
  const end = latest(stand.end)
  return [end && dayNumber(end.date), nextStartDay].filter((day) => day !== null)
}

/** The weather up to a day; all of it where there is no more. */
export function weatherUntil(ensemble: WeatherEnsemble, day: number | null): WeatherEnsemble {
  const days = day === null ? Infinity : day - ensemble.startDay
  return days >= ensemble.days ? ensemble : { ...ensemble, days }
}
