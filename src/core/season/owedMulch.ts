import { addDays, dayNumber, isoDate } from '../foundations/day'
import { having } from '../foundations/grouped'
import type { MulchLaid } from '../garden/mulch'
import type { GardenData, Stand } from '../garden/schema'
import { latest } from '../garden/timeline'
import { sheetOffDay } from '../termination/kill'
import { findMethod } from '../termination/methods'
import { followersOf } from './followers'

type Known = Pick<GardenData, 'beds' | 'stands'>

/**
 * Day from which the ground of an ended cover lies open: once it is down, or its sheet is off, at the latest for the first
 * that follows it; null while no end is known.
 */
export function openFrom(data: Known, stand: Stand): number | null {
  const end = latest(stand.end)
  if (!end) return null
  const first = followersOf(data, stand).at(0)
  const start = first && latest(first.start)
  return findMethod(end.method)?.sheet
    ? sheetOffDay(end, start ? dayNumber(start.date) : null)
    : dayNumber(end.date)
}

/** Mulch laid or owed, on the days it has by the plans: what is owed after an ending goes with the day that falls on. */
export const mulchAsPlanned = (
  data: Known & { garden: Pick<GardenData['garden'], 'mulchLaid'> },
): MulchLaid[] =>
  data.garden.mulchLaid.map((laid) => {
    const stand = laid.after && having(data.stands, 'id', laid.after.standId).at(0)
    const opens = stand && laid.owed ? openFrom(data, stand) : null
    return opens == null ? laid : { ...laid, date: addDays(isoDate(opens), laid.after!.days) }
  })

/** A garden with its owed mulch on the days it has by the plans. */
export const withMulchAsPlanned = <T extends GardenData>(data: T): T =>
  data.garden.mulchLaid.some(({ after }) => after)
    ? { ...data, garden: { ...data.garden, mulchLaid: mulchAsPlanned(data) } }
    : data
