import { deadAsSeen, lastSeen } from '../termination/counted'
import { endingOf } from '../termination/outcome'
import { findMethod } from '../termination/methods'
import { dayNumber } from '../foundations/day'
import type { EndDetails } from '../garden/ending'
import { setupFor } from './endingSetup'
import type { StandCase } from './cases'
import type { SeasonRun } from './run'

/** Day an ending begins to count: cold and heat do not wait for the day that was written down for them. */
export const beginsOn = (end: Pick<EndDetails, 'method' | 'date'>, sowDay: number): number =>
  findMethod(end.method)?.waits ? sowDay : dayNumber(end.date)

/** Day each member's stand is dead by an ending, as counted where it was; NaN where it never is. */
export function deadDays(standCase: StandCase, { run, ensemble }: SeasonRun, end: EndDetails): Float64Array {
  const setup = setupFor(end, standCase)
  const seen = lastSeen(standCase.stand, setup.plot)
  const day = beginsOn(end, run.startDay)
  return Float64Array.from({ length: run.members }, (_, member) =>
    deadAsSeen(endingOf(end.method, run, ensemble, member, day, setup).deadDay, seen, setup.target),
  )
}
