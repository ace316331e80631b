import { deadAsSeen, lastSeen } from '../termination/counted'
import { livesOf } from '../termination/life'
import { livingOf } from '../termination/living'
import { findMethod } from '../termination/methods'
import { dayNumber } from '../foundations/day'
import type { EndDetails } from '../garden/ending'
import type { StandRun } from '../stand/types'
import { setupFor } from './endingSetup'
import type { StandCase } from './cases'
import { sheetOffOf } from './events'
import type { SeasonRun } from './run'

/** Day an ending begins to count: cold and heat do not wait for the day that was written down for them. */
export const beginsOn = (end: Pick<EndDetails, 'method' | 'date'>, sowDay: number): number =>
  findMethod(end.method)?.waits ? sowDay : dayNumber(end.date)

/**
 * Day each member's stand is dead by an ending, as counted where it was; NaN where it never is.
 * @param ended the stand with the ending in it, from that day on or from its sowing
 */
export function deadDays(
  standCase: StandCase,
  { run, ensemble }: SeasonRun,
  end: EndDetails,
  ended: StandRun,
): Float64Array {
  const setup = setupFor(end, standCase)
  const seen = lastSeen(standCase.stand, setup.plot)
  const lives = livesOf({
    method: findMethod(end.method),
    setup,
    day: beginsOn(end, run.startDay),
    before: run,
    ended: livingOf(ended),
    ensemble,
    offDay: sheetOffOf(standCase, end, standCase.nextStartDay),
    ...(standCase.nextStartDay !== null && { takenDay: standCase.nextStartDay }),
  })
  return Float64Array.from(lives, ({ deadDay }) => deadAsSeen(deadDay, seen, setup.target))
}
