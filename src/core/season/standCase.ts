import { boardOf } from '../termination/board'
import { canFlatten } from '../termination/flattening'
import { toolsOn } from '../termination/entering'
import { ownResults } from '../termination/pooling'
import { dayNumber } from '../foundations/day'
import { having, oncePerList } from '../foundations/grouped'
import { segmentAreaM2 } from '../garden/area'
import type { Bed, Segment, GardenData, Stand } from '../garden/schema'
import { latest, spanOf } from '../garden/timeline'
import { laidOn } from '../residue/mulchStore'
import { usesBefore } from './earlier'
import type { EarlierUse, StandCase } from './cases'

/** All that a stand's forecast depends on, taken from the garden. */
export function standCaseOf(data: GardenData, stand: Stand): StandCase | null {
  const own = caseAlone(data, stand)
  const start = latest(stand.start)
  if (!own || !start) return own
  const before = beforeOn(data, own.bed, stand.segment, dayNumber(start.date), stand.id)
  return before.length > 0 ? { ...own, before } : own
}

/** A stand as it would stand on, without its ending: what every way is tried on. */
export const withoutEnd = (standCase: StandCase): StandCase => ({
  ...standCase,
  stand: {
    ...standCase.stand,
    end: { plan: null, actual: null },
    followUps: [],
    finishings: [],
  },
  nextStartDay: null,
})

/**
 * What begins on a part of a bed before a day, as its ground is followed through it to a sowing on `firstDay` or later; a
 * stand of one's own is left out.
 */
export function beforeOn(
  data: GardenData,
  bed: Bed,
  segment: Segment,
  day: number,
  ownId: string | null,
  firstDay = day,
): EarlierUse[] {
  return usesBefore(data.stands, bed, segment, day, ownId, firstDay).flatMap(({ stand }): EarlierUse[] => {
    const use = earlierUse(data, stand)
    // When the next thing begins is told by what comes after it in the list.
    if (use?.kind === 'cover') return [{ ...use, standCase: { ...use.standCase, nextStartDay: null } }]
    return use ? [use] : []
  })
}

/** What a stand's forecast depends on besides what stood on its ground before. */
function caseAlone(data: GardenData, stand: Stand): StandCase | null {
  const bed = having(data.beds, 'id', stand.bedId).at(0)
  if (!bed) return null
  const brought = broughtTo(bed, stand.segment, data)
  const next = nextStand(data, stand)
  const start = next && latest(next.start)
  return {
    bed,
    stand,
    upper: upperOf(data, stand),
    checks: [...having(data.checks, 'standId', stand.id)],
    nextStartDay: start ? dayNumber(start.date) : null,
    ...(brought.length > 0 && { brought }),
    own: ownOf(data.stands),
    flattens: canFlatten(toolsOn(data.garden.tools, bed, stand.segment).tools),
    board: boardOf(toolsOn(data.garden.tools, bed, stand.segment).tools),
    ...(next?.content.kind === 'crop' && { establishment: next.content.establishment }),
  }
}

/** What a stand was sown under; what that was sown under in its turn no longer counts. */
function upperOf(data: GardenData, { underStandId }: Stand): EarlierUse | null {
  const upper = underStandId !== null && having(data.stands, 'id', underStandId).at(0)
  return upper ? earlierUse(data, { ...upper, underStandId: null }) : null
}

/** A stand as what has a ground from its start on; null where that is not planned. */
export function earlierUse(data: GardenData, stand: Stand): EarlierUse | null {
  const start = latest(stand.start)
  if (!start) return null
  const startDay = dayNumber(start.date)
  if (stand.content.kind === 'crop') {
    const end = latest(stand.end)
    return { kind: 'crop', cropId: stand.content.cropId, startDay, goneDay: end && dayNumber(end.date) }
  }
  if (stand.content.kind === 'sheet') return null
  const standCase = caseAlone(data, stand)
  return standCase && { kind: 'cover', standCase, startDay }
}

/** Cuts that were carried off the bed they grew on, in one list for each set of stands. */
const carriedIn = oncePerList((stands: readonly Stand[]) =>
  stands.flatMap(({ cuts }) => cuts.flatMap(({ cut }) => (cut.actual?.toBedId ? [cut.actual] : []))),
)

/** Mulch that was cut elsewhere and carried to a bed, spread over all of it, or laid on a part of it from store. */
function broughtTo(bed: Bed, part: Segment, data: GardenData): NonNullable<StandCase['brought']> {
  const areaM2 = segmentAreaM2(bed, { kind: 'whole' })
  const carried = having(carriedIn(data.stands), 'toBedId', bed.id).flatMap(({ date, took }) =>
    took && areaM2 > 0
      ? [
          {
            day: dayNumber(date),
            massG: (took.massKg * 1000) / areaM2,
            nitrogenG: took.nitrogenG / areaM2,
          },
        ]
      : [],
  )
  return [...carried, ...laidOn(data, bed, part)]
}

/** The garden's own counts after endings, worked out once for each set of stands. */
export const ownOf = oncePerList(ownResults)

/** The stand that follows in the same ground, if one is planned or there; nothing follows in a path. */
export function nextStand(data: Pick<GardenData, 'stands'>, stand: Stand): Stand | null {
  const own = spanOf(stand)
  if (!own || stand.segment.kind === 'path') return null
  const later = having(data.stands, 'bedId', stand.bedId)
    .filter(
      (other) =>
        other.id !== stand.id &&
        other.segment.kind === 'whole' &&
        other.content.kind !== 'sheet' &&
        other.underStandId !== stand.id,
    )
    .map((other) => ({ other, span: spanOf(other) }))
    .filter(({ span }) => span !== null && span.startDay > own.startDay)
    .sort((a, b) => a.span!.startDay - b.span!.startDay)
  return later[0]?.other ?? null
}
