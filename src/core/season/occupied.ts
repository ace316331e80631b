import { dayNumber, isoDate } from '../foundations/day'
import { commonSegment, rectanglesLeft, rectangleOf, segmentOn, sharesGround } from '../garden/ground'
import { clearing } from '../garden/newStands'
import type { Bed, Segment, Stand } from '../garden/schema'
import { latest, spanOf } from '../garden/timeline'
import { findMethod } from '../termination/methods'

/**
 * What becomes of what stands on ground that something new takes: it ends then, goes on with it, or gives way on that part
 * alone; a cover that no end is planned for is left to be ended before.
 */
export type Treatment = 'ends then' | 'goes on' | 'gives way' | 'ended before'

/** Something that stands where something new begins, with what usually becomes of it and what can. */
export type Occupant = {
  stand: Stand
  untilDay: number | null
  usual: Treatment
  open: readonly Treatment[]
  /** Whether what gives way to it is left for its own end to be chosen. */
  choosesEnd: boolean
}

/** What begins on a ground. */
export type Fresh = Pick<Stand, 'id' | 'bedId' | 'segment' | 'content' | 'underStandId'> & {
  /** Whether it stands already. */
  standing?: boolean
}

/** Shortest and narrowest piece that is worth keeping of what gives way, m. */
const SHORTEST_M = 0.1

/** The parts of a part of a bed that are left when another takes its own. */
function segmentsLeft(of: Segment, taken: Segment, bed: Bed): Segment[] {
  const own = rectangleOf(of, bed)
  const gone = rectangleOf(taken, bed)
  if (!own || !gone) return []
  return rectanglesLeft(own, gone)
    .filter((left) => left.toM - left.fromM > SHORTEST_M && left.toAcrossM - left.fromAcrossM > SHORTEST_M)
    .map((left) => segmentOn(left, bed))
}

/**
 * What stands on a ground on the day something new begins there. What is sown under it goes on; where only a part is
 * taken, the rest goes on; else it ends then. A cover that a crop is planned to follow, with no end planned, is left on that
 * ground for its own end to be chosen: cut on the planting day it would not be dead.
 */
export function occupantsOf(stands: readonly Stand[], bed: Bed, fresh: Fresh, day: number): Occupant[] {
  return stands.flatMap((stand): Occupant[] => {
    const span = stand.bedId === bed.id && stand.id !== fresh.id ? spanOf(stand) : null
    if (!span || span.ended || span.startDay >= day || !sharesGround(stand.segment, fresh.segment, bed))
      return []
    if (span.endDay !== null && span.endDay <= day) return []
    const rest = segmentsLeft(stand.segment, fresh.segment, bed).length > 0
    // Nothing begins beside or under what a sheet covers.
    const beside: Treatment[] = stand.content.kind === 'sheet' ? [] : ['goes on']
    const choosesEnd =
      !fresh.standing &&
      fresh.content.kind === 'crop' &&
      stand.content.kind === 'cover' &&
      stand.end.plan === null
    const open: Treatment[] = [
      ...(rest ? (['gives way'] as const) : []),
      ...(choosesEnd && !rest ? (['ended before'] as const) : []),
      'ends then',
      ...beside,
    ]
    const under = fresh.content.kind === 'cover' && stand.content.kind === 'crop'
    const usual =
      fresh.underStandId === stand.id || under
        ? 'goes on'
        : rest
          ? 'gives way'
          : choosesEnd
            ? 'ended before'
            : 'ends then'
    return [{ stand, untilDay: span.endDay, usual, open, choosesEnd }]
  })
}

/** What becomes of an occupant where the ground was said to be free: it ends, or gives way on the part that is taken. */
export const madeWay = ({ open }: Occupant): Treatment => open[0]

/** A stand that ends on a day: a crop is cleared, a cover ended as it was to be, or cut where no work was planned. */
function endedOn(stand: Stand, day: number): Stand {
  const date = isoDate(day)
  const planned = latest(stand.end)
  const work = planned !== null && !findMethod(planned.method)?.waits
  const plan =
    stand.content.kind !== 'cover'
      ? clearing(date)
      : { ...(work ? planned : { method: 'chop' as const, passes: 1, note: '' }), date }
  return { ...stand, end: { ...stand.end, plan } }
}

/**
 * The stands of a bed with something new on it and what stood there treated as said, or as usual; `newId` names what is
 * split off. Nothing else changes.
 */
export function standsTaking(
  stands: readonly Stand[],
  bed: Bed,
  fresh: Stand,
  newId: () => string,
  said: Readonly<Record<string, Treatment>> = {},
): Stand[] {
  const start = latest(fresh.start)
  if (!start) return [...stands, fresh]
  const day = dayNumber(start.date)
  const occupants = new Map(
    occupantsOf(stands, bed, { ...fresh, standing: fresh.start.actual !== null }, day).map((occupant) => [
      occupant.stand.id,
      occupant,
    ]),
  )
  let under = fresh.underStandId
  const treated = stands.flatMap((stand): Stand[] => {
    const occupant = occupants.get(stand.id)
    if (!occupant) return [stand]
    const wanted = said[stand.id] ?? occupant.usual
    const treatment = occupant.open.includes(wanted) ? wanted : occupant.usual
    if (treatment === 'goes on') {
      if (fresh.content.kind === 'cover' && stand.content.kind === 'crop') under = stand.id
      return [stand]
    }
    if (treatment === 'ended before') return [stand]
    if (treatment === 'ends then') return [endedOn(stand, day)]
    const [first, ...others] = segmentsLeft(stand.segment, fresh.segment, bed)
    // What gave way keeps its history as a stand of its own, ended that day or by an end that is still to be chosen.
    const apart = { ...stand, id: newId(), segment: commonSegment(fresh.segment, stand.segment, bed) }
    const gone = occupant.choosesEnd ? apart : endedOn(apart, day)
    return [
      { ...stand, segment: first },
      ...others.map((segment): Stand => ({ ...stand, id: newId(), segment })),
      gone,
    ]
  })
  return [...treated, { ...fresh, underStandId: under }]
}
