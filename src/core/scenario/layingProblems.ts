import { dayNumber, isoDate } from '../foundations/day'
import { fixturesIn, sharesGround } from '../garden/ground'
import type { GardenData, Stand } from '../garden/schema'
import { bedSpans, latest, spanOf } from '../garden/timeline'
import { yearsPastLife, type Tool } from '../garden/tool'
import { sheetClashes, sheetUses, type SheetUse } from './sheetUse'

/** What is in the way of a sheet on a bed, or speaks against it. */
export type LayingProblem =
  /** Something stands there on the day it is laid, until a day where that is known. */
  | { kind: 'stands'; stand: Stand; untilDay: number | null }
  /** Something is to begin there before it comes off. */
  | { kind: 'begins'; stand: Stand; day: number }
  /** Plants that are kept stand there. */
  | { kind: 'kept'; labels: readonly string[] }
  /** None that is owned covers the ground, or all that would lie elsewhere until a day. */
  | { kind: 'none fits'; use: SheetUse }
  | { kind: 'elsewhere'; use: SheetUse; with: readonly SheetUse[]; freeDay: number }
  /** The one that would be laid is past its life by so many years. */
  | { kind: 'old'; tool: Tool; years: number }

/** What is wrong with a sheet's stand that is not kept yet. */
export function layingProblems(data: GardenData, laying: Stand, today: number): LayingProblem[] {
  const span = spanOf(laying)
  const bed = data.beds.find(({ id }) => id === laying.bedId)
  if (!span || span.endDay === null || !bed) return []
  const untilDay = span.endDay
  const others = data.stands.flatMap((stand): LayingProblem[] => {
    const other = spanOf(stand)
    if (
      stand.bedId !== bed.id ||
      stand.id === laying.id ||
      !other ||
      !sharesGround(stand.segment, laying.segment, bed)
    )
      return []
    if (other.startDay <= span.startDay)
      return other.endDay === null || other.endDay > span.startDay
        ? [{ kind: 'stands', stand, untilDay: other.endDay }]
        : []
    return other.startDay < untilDay ? [{ kind: 'begins', stand, day: other.startDay }] : []
  })
  const uses = sheetUses({ ...data, stands: [...data.stands, laying] }, today)
  const clash = sheetClashes(uses).find(({ use }) => use.stand.id === laying.id)
  const own = uses.find(({ stand }) => stand.id === laying.id)
  const kept = fixturesIn(bed, laying.segment).filter(({ kind }) => kind === 'kept plant')
  const year = Number((latest(laying.start)?.date ?? isoDate(today)).slice(0, 4))
  return [
    ...others,
    ...(kept.length > 0 ? [{ kind: 'kept' as const, labels: kept.map(({ label }) => label) }] : []),
    ...(clash ? [unlaid(clash)] : []),
    ...(own?.sheets ?? []).flatMap((tool): LayingProblem[] => {
      const years = yearsPastLife(tool, year)
      return years > 0 ? [{ kind: 'old', tool, years }] : []
    }),
  ]
}

const unlaid = ({ use, with: others }: ReturnType<typeof sheetClashes>[number]): LayingProblem =>
  others.length > 0
    ? { kind: 'elsewhere', use, with: others, freeDay: Math.min(...others.map(({ untilDay }) => untilDay)) }
    : { kind: 'none fits', use }

/** First day from one on that nothing stands on a bed, by what is planned; the day itself where nothing says when it is free. */
export function freeFrom(stands: readonly Stand[], bedId: string, fromDay: number): number {
  const spans = bedSpans(stands, bedId).filter(({ stand }) => stand.segment.kind !== 'path')
  let free = fromDay
  for (const { startDay, endDay } of spans)
    if (startDay <= free && endDay !== null && endDay > free) free = endDay
  return free
}

/** Day by which a sheet laid on a day has to come off: before what begins next on its ground; null where nothing does. */
export function offBy(
  data: Pick<GardenData, 'stands' | 'beds'>,
  bedId: string,
  fromDay: number,
): number | null {
  const starts = data.stands.flatMap((stand) => {
    const start = latest(stand.start)
    return stand.bedId === bedId && stand.segment.kind !== 'path' && start && dayNumber(start.date) > fromDay
      ? [dayNumber(start.date)]
      : []
  })
  return starts.length > 0 ? Math.min(...starts) : null
}
