import { dayNumber } from '../foundations/day'
import type { Stand, Deed } from './schema'

/** The done deed if there is one, else the planned one. */
export function latest<T>(deed: Deed<T>): T | null {
  return deed.fact ?? deed.plan
}

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
    started: stand.start.fact !== null,
    ended: stand.end.fact !== null,
  }
}

/** Spans of one bed, earliest start first. */
export function bedSpans(stands: readonly Stand[], bedId: string): (Span & { stand: Stand })[] {
  return stands
    .filter((stand) => stand.bedId === bedId)
    .flatMap((stand) => {
      const span = spanOf(stand)
      return span ? [{ ...span, stand }] : []
    })
    .sort((a, b) => a.startDay - b.startDay)
}
