import { addDays, dayNumber, isoDate } from '../foundations/day'
import { having } from '../foundations/grouped'
import type { CutDetails, Stand, Step } from './schema'

/** The done step if there is one, else the planned one. */
export function latest<T>(step: Step<T>): T | null {
  return step.actual ?? step.plan
}

/** Whether a stand comes of seed that the one before it let fall. */
export const isSelfSown = ({ start }: Pick<Stand, 'start'>): boolean => latest(start)?.selfSown === true

/** The next cut that is planned before a stand's end and not made yet; null where there is none. */
export const nextCut = ({ cuts }: Pick<Stand, 'cuts'>): CutDetails | null =>
  cuts
    .flatMap(({ cut }) => (cut.plan && !cut.actual ? [cut.plan] : []))
    .sort((a, b) => (a.date < b.date ? -1 : 1))
    .at(0) ?? null

/** A stand's span of days. `endDay` is null when nothing says when it ends. */
export type Span = {
  standId: string
  startDay: number
  endDay: number | null
  started: boolean
  ended: boolean
}

export function spanOf(stand: Stand): Span | null {
  const start = latest(stand.start)
  if (!start) return null
  const end = latest(stand.end)
  return {
    standId: stand.id,
    startDay: dayNumber(start.date),
    endDay: end ? dayNumber(end.date) : null,
    started: stand.start.actual !== null,
    ended: stand.end.actual !== null,
  }
}

/** Whether a stand has its ground on a day, by what was done or else planned. */
export function standsOn(stand: Stand, day: number): boolean {
  const span = spanOf(stand)
  return span !== null && span.startDay <= day && (span.endDay === null || span.endDay > day)
}

/** Spans of one bed, earliest start first. */
export function bedSpans(stands: readonly Stand[], bedId: string): (Span & { stand: Stand })[] {
  return having(stands, 'bedId', bedId)
    .flatMap((stand) => {
      const span = spanOf(stand)
      return span ? [{ ...span, stand }] : []
    })
    .sort((a, b) => a.startDay - b.startDay)
}

/** A step whose plan, if it is not done, lies no earlier than `earliest`. */
export function expectedStep<T extends { date: string }>(step: Step<T>, earliest: string): Step<T> {
  if (step.actual || !step.plan || step.plan.date >= earliest) return step
  return { ...step, plan: { ...step.plan, date: earliest } }
}

/**
 * Stands as they are to be expected on a day: what was planned for a day gone by and is not recorded as done has not
 * happened, and is expected today at the earliest. What is stored stays as it is; this is for computing.
 */
export function expectedStands(stands: readonly Stand[], today: number): Stand[] {
  const todayIso = isoDate(today)
  return stands.map((stand) => {
    const start = expectedStep(stand.start, todayIso)
    const begun = latest(start)
    const earliestEnd = begun && !start.actual ? addDays(begun.date, 1) : todayIso
    const end = expectedStep(stand.end, earliestEnd)
    const cuts = stand.cuts.map((entry) => ({ ...entry, cut: expectedStep(entry.cut, todayIso) }))
    const same =
      start === stand.start && end === stand.end && cuts.every((entry, i) => entry.cut === stand.cuts[i].cut)
    return same ? stand : { ...stand, start, end, cuts }
  })
}
