import { deadAsSeen, lastSeen } from '../termination/counted'
import { edgeKgPerM } from '../termination/board'
import { liesFlat } from '../termination/flattening'
import { endingOf, type EndingSetup } from '../termination/outcome'
import { DEAD_SHARE } from '../termination/lastAct'
import { findMethod } from '../termination/methods'
import { dayNumber } from '../foundations/day'
import { segmentSizeM } from '../garden/area'
import type { EndDetails } from '../garden/ending'
import type { SeasonRun, StandCase } from './run'

/** How a planned or recorded ending is carried out on its bed. */
export function setupFor(
  end: EndDetails,
  {
    bed,
    stand,
    own,
    flattens,
    board,
    establishment = 'transplant',
  }: Pick<StandCase, 'bed' | 'stand' | 'own' | 'flattens' | 'board' | 'establishment'>,
): EndingSetup & { plot: { lengthM: number; widthM: number } } {
  const plot = segmentSizeM(bed, stand.segment)
  return {
    passes: end.passes,
    flattened: liesFlat(stand, dayNumber(end.date), flattens),
    target: DEAD_SHARE[establishment],
    bedKind: bed.kind,
    own,
    animals: end.animals,
    lanes: end.lanes,
    stubbleM: end.stubbleCm === undefined ? undefined : end.stubbleCm / 100,
    liftedDay: end.liftedOn ? dayNumber(end.liftedOn) : undefined,
    edgeKgPerM: board && edgeKgPerM(board, plot.widthM),
    plot,
  }
}

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
