import { dayNumber } from '../foundations/day'
import { segmentSizeM } from '../garden/area'
import type { EndDetails, Finishing, FollowUp } from '../garden/ending'
import type { Stand } from '../garden/schema'
import { latest } from '../garden/timeline'
import type { StandEvent } from '../stand/types'
import { edgeKgPerM } from '../termination/board'
import { FINISHING, firstCounted, tellingCounts, workSince } from '../termination/counted'
import { underSheet } from '../termination/flattening'
import { endEvents, sheetOffDay, takenOver } from '../termination/kill'
import { findMethod } from '../termination/methods'
import type { Observation } from '../tracking/observations'
import type { StandCase } from './cases'

/** A look never tells that all is lost: a share this small stays. */
const LEAST_SEEN = 0.01

/** Plants that were seen lost are lost in every member, unless its own weather took as many already. */
const lossesOf = (looks: readonly Observation[]): StandEvent[] =>
  looks.flatMap(({ day, alive }) =>
    alive.map(({ share, component }): StandEvent => ({
      day,
      kind: 'end',
      topLeft: 1,
      fate: { by: 'seen', share: Math.max(LEAST_SEEN, share), only: component ?? undefined },
    })),
  )

/** What is done to a stand before its ending: cuts, mulch brought, plants seen lost. */
export function eventsBefore(standCase: StandCase, looks: readonly Observation[]): StandEvent[] {
  const { stand } = standCase
  const cuts: StandEvent[] = stand.cuts.flatMap(({ cut }) => {
    const done = latest(cut)
    return done
      ? [
          {
            day: dayNumber(done.date),
            kind: 'cut' as const,
            heightM: done.heightCm / 100,
            groundShare: done.groundShare,
            left: done.fate === 'dropped',
            only: onlyOf(stand, done.speciesId),
            fate: {
              by: 'cut' as const,
              heightM: done.heightCm / 100,
              ...(standCase.blades && { blades: standCase.blades }),
            },
          },
        ]
      : []
  })
  const mulch = (standCase.brought ?? []).map((load): StandEvent => ({ ...load, kind: 'mulch' }))
  return [...cuts, ...mulch, ...lossesOf(looks)]
}

/** First day the sheet of an ending is off: lifted, in the way of what takes the ground or a part of it, or after the usual time. */
export function sheetOffOf(
  { sheetOffBy = Infinity }: Pick<StandCase, 'sheetOffBy'>,
  end: EndDetails,
  clearDay: number | null,
): number {
  const offBy = Math.min(clearDay ?? Infinity, sheetOffBy > dayNumber(end.date) ? sheetOffBy : Infinity)
  return sheetOffDay(end, offBy < Infinity ? offBy : null)
}

/** An ending as events, with what was counted, laid and done after it, until the next stand takes the ground. */
export function eventsOfEnd(
  standCase: Pick<
    StandCase,
    'bed' | 'stand' | 'own' | 'flattens' | 'board' | 'blades' | 'sheets' | 'sheetOffBy'
  >,
  end: EndDetails,
  clearDay: number | null,
): StandEvent[] {
  const { stand, bed } = standCase
  const plot = segmentSizeM(bed, stand.segment)
  const counts = tellingCounts(stand, plot)
  const acted = findMethod(end.method)?.waits === null
  const day = dayNumber(end.date)
  return [
    ...endEvents(end, day, {
      offDay: sheetOffOf(standCase, end, clearDay),
      plot,
      own: standCase.own,
      bedKind: bed.kind,
      under: underSheet(stand, day, standCase.flattens),
      edgeKgPerM: standCase.board && edgeKgPerM(standCase.board, plot.widthM),
      blades: standCase.blades,
    }).map((event) => asCounted(event, stand, counts)),
    ...standingAgain(stand, counts),
    ...(acted ? workSince(stand, counts).map(workedOn) : []),
    ...(acted ? (standCase.sheets ?? []).filter((sheet) => sheet.day >= day).map(laidAfter) : []),
  ]
}

const laidAfter = ({ day, kind, offDay }: NonNullable<StandCase['sheets']>[number]): StandEvent => ({
  day,
  kind: 'sheet',
  sheet: { kind, offDay },
})

/** An ending that was counted afterwards left what was counted first, not what its table says. */
function asCounted(event: StandEvent, { content }: Stand, counts: readonly FollowUp[]): StandEvent {
  if (event.kind !== 'end' || content.kind !== 'cover') return event
  const shares = content.components.map(({ speciesId }) => firstCounted(counts, speciesId))
  return { ...event, fate: { by: 'counted', shares, else: event.fate } }
}

/** Plants counted later are what is alive from then on: the rest was pulled, or died late. */
const standingAgain = (stand: Stand, counts: readonly FollowUp[]): StandEvent[] =>
  counts.flatMap(({ date, standing, before, speciesId }): StandEvent[] => {
    const only = onlyOf(stand, speciesId)
    if (speciesId !== undefined && only === undefined) return []
    return [
      { day: dayNumber(date), kind: 'end', topLeft: 1, fate: { by: 'seen', share: standing / before, only } },
    ]
  })

/** Work on what stood again takes its share of it. */
const workedOn = ({ date, act }: Finishing): StandEvent => ({
  day: dayNumber(date),
  kind: 'end',
  topLeft: 1,
  fate: { by: 'share', share: FINISHING[act].leaves },
})

/** Place in the mix of the one species that a cut is for; undefined when it is for all. */
function onlyOf(stand: Stand, speciesId: string | undefined): number | undefined {
  if (stand.content.kind !== 'cover' || speciesId === undefined) return undefined
  const index = stand.content.components.findIndex((component) => component.speciesId === speciesId)
  return index < 0 ? undefined : index
}

/** A stand's planned or recorded ending as events, and what takes the ground after it. */
export function eventsFromEnd(standCase: StandCase): StandEvent[] {
  const { stand, nextStartDay } = standCase
  const end = latest(stand.end)
  const acted = end !== null && findMethod(end.method)?.waits === null
  return [
    ...(end ? eventsOfEnd(standCase, end, nextStartDay) : []),
    ...(nextStartDay !== null ? takenOver(nextStartDay, acted) : []),
  ]
}
