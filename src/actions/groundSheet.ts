import { isoDate } from '../core/foundations/day'
import { FRESH_STAND } from '../core/garden/fresh'
import { clearing, planting } from '../core/garden/newStands'
import type { Bed, GroundSheetKind, Segment, SheetAim, Stand } from '../core/garden/schema'
import { newId } from '../data/ids'
import { changed } from '../data/writes'
import { standName } from '../text/names'
import type { Step } from './step'

/** A sheet on ground without a cover: which, on what, where, between which days. */
export type Laying = { sheet: GroundSheetKind; aim: SheetAim; from: number; until: number; segment: Segment }

/** The stand that a laying makes; laid already where its day has come. */
export function sheetStand(
  bed: Bed,
  id: string,
  { sheet, aim, from, until, segment }: Laying,
  today: number,
): Stand {
  const laid = planting(isoDate(from))
  return {
    ...FRESH_STAND,
    id,
    gardenId: bed.gardenId,
    bedId: bed.id,
    segment,
    content: { kind: 'sheet', sheet, aim },
    start: from <= today ? { plan: null, actual: laid } : { plan: laid, actual: null },
    end: { plan: clearing(isoDate(until)), actual: null },
  }
}

/** Plans a sheet on a bed, or records it where its day has come. */
export function laySheet(bed: Bed, laying: Laying, today: number): Step {
  const put = sheetStand(bed, newId('stand'), laying, today)
  return {
    label: `${laying.from <= today ? 'Laid' : 'Planned'} ${standName(put).toLowerCase()} in ${bed.label}`,
    writes: [{ table: 'stands', put, seen: null }],
  }
}

/** A sheet was laid, or taken off, on a day. */
export function sheetDone(stand: Stand, what: 'laid' | 'taken off', day: number): Step {
  const date = isoDate(day)
  const label = `${what === 'laid' ? 'Laid' : 'Took off'} the ${standName(stand).toLowerCase()}`
  const { start, end } = stand
  return {
    label,
    writes: [
      changed(
        'stands',
        stand,
        what === 'laid'
          ? { start: { ...start, actual: start.plan && { ...start.plan, date } } }
          : { end: { ...end, actual: end.plan && { ...end.plan, date } } },
      ),
    ],
  }
}
