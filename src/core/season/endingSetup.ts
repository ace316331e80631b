import { dayNumber } from '../foundations/day'
import { segmentSizeM } from '../garden/area'
import type { EndDetails } from '../garden/ending'
import { edgeKgPerM } from '../termination/board'
import { underSheet } from '../termination/flattening'
import { DEAD_SHARE } from '../termination/lastAct'
import type { EndingSetup } from '../termination/life'
import type { StandCase } from './cases'

/** How a planned or recorded ending is carried out on its bed. */
export function setupFor(
  end: EndDetails,
  {
    bed,
    stand,
    own,
    flattens,
    board,
    sheetOffBy = Infinity,
    establishment = 'transplant',
  }: Pick<StandCase, 'bed' | 'stand' | 'own' | 'flattens' | 'board' | 'sheetOffBy' | 'establishment'>,
): EndingSetup & { plot: { lengthM: number; widthM: number } } {
  const plot = segmentSizeM(bed, stand.segment)
  const liftedDay = Math.min(
    end.liftedOn ? dayNumber(end.liftedOn) : Infinity,
    sheetOffBy > dayNumber(end.date) ? sheetOffBy : Infinity,
  )
  return {
    passes: end.passes,
    under: underSheet(stand, dayNumber(end.date), flattens),
    target: DEAD_SHARE[establishment],
    bedKind: bed.kind,
    own,
    animals: end.animals,
    lanes: end.lanes,
    stubbleM: end.stubbleCm === undefined ? undefined : end.stubbleCm / 100,
    liftedDay: liftedDay < Infinity ? liftedDay : undefined,
    edgeKgPerM: board && edgeKgPerM(board, plot.widthM),
    plot,
  }
}
