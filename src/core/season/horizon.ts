import { dayNumber } from '../foundations/day'
import { latest } from '../garden/timeline'
import { findMethod } from '../termination/methods'
import { lastActAfter } from '../termination/lastAct'
import { brownDay } from '../termination/life'
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

/** Days that a stand is followed at least without its ending after what it kills has browned: what a week's delay of it asks for. */
const AFTER_ACT_DAYS = 14

/**
 * Day up to which a stand is followed as it would stand without its ending, where only that ending is asked about: past
 * the day by which what it kills has browned in every member, for until then that lives as it would untouched. Null for endings by cold, animals or sheets, which are judged by what would
 * stand without them, and where there is none or all is harvested.
 */
export function followedAlone({ stand }: Pick<StandCase, 'stand'>, ensemble: WeatherEnsemble): number | null {
  const end = latest(stand.end)
  if (!end) return null
  const method = findMethod(end.method)
  if (!method || method.waits || method.animals || method.sheet) return null
  const day = dayNumber(end.date)
  const brown = ensemble.members.map((_, member) => brownDay(method, end, day, ensemble, member))
  const last = Math.max(day + lastActAfter(method, end), ...brown)
  return Number.isFinite(last) ? onGrid(last + AFTER_ACT_DAYS) : null
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
