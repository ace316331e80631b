import { findMethod } from '../termination/methods'
import { addDays, dayNumber } from '../foundations/day'
import { atOnce, type Steps } from '../foundations/steps'
import { shareOf } from '../foundations/statistics'
import { trayOf } from '../plants/trays'
import { evaluateWithInSteps, firstFailure, type Evaluated } from './evaluate'
import { plannedEnd } from './plan'
import type { Scenario } from './types'

/** Days by which an ending is taken to slip. */
export const SLIP_DAYS = 7

/** The trays of a crop that is to be transplanted. */
export type TrayDates = {
  /** Day they are sown, and the last on which their plants can still wait. */
  sowDay: number
  lastDay: number
  weeks: number
  /** Chance that the bed is ready by the last day, and the same if the ending slips by a week; null where it cannot slip. */
  inTime: number
  slipped: number | null
}

const readyBy = ({ criteria, season }: Evaluated, day: number) =>
  shareOf(season.run.members, (member) => firstFailure(criteria, member, day) === null)

/** When the trays of a plan's crop are sown, how long its plants wait, and what a slip of the ending costs; null where it has none. */
export const traysOf = atOnce(traysInSteps)

/** The same with pauses. */
export function* traysInSteps(scenario: Scenario, evaluated: Evaluated): Steps<TrayDates | null> {
  const { follows, standCase } = scenario
  if (follows.kind !== 'crop' || follows.done || follows.establishment !== 'transplant') return null
  const tray = trayOf(follows.crop.id)
  if (!tray) return null
  const lastDay = follows.day + tray.waitsDays
  const end = standCase.stand.end.actual ? null : plannedEnd(scenario)
  const late = end && !findMethod(end.method)?.waits ? { ...end, date: addDays(end.date, SLIP_DAYS) } : null
  const slipped =
    late && dayNumber(late.date) <= lastDay
      ? readyBy(yield* evaluateWithInSteps(scenario, evaluated.season, late), lastDay)
      : late && 0
  return {
    sowDay: follows.day - 7 * tray.weeks,
    lastDay,
    weeks: tray.weeks,
    inTime: readyBy(evaluated, lastDay),
    slipped,
  }
}
