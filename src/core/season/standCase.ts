import { boardOf } from '../termination/board'
import { canFlatten } from '../termination/flattening'
import { toolsOn } from '../termination/entering'
import { bladesFor, workedGround } from '../termination/workRates'
import { ownResults } from '../termination/pooling'
import { dayNumber, isoDate } from '../foundations/day'
import { having, oncePerList } from '../foundations/grouped'
import { segmentAreaM2 } from '../garden/area'
import { takesAllOf } from '../garden/ground'
import type { Bed, Segment, GardenData, Stand } from '../garden/schema'
import { expectedStep, latest } from '../garden/timeline'
import { laidOn } from '../residue/mulchStore'
import { LOOK_BACK_DAYS, usesBefore } from './earlier'
import { followersOf, nextStand, sheetOffBefore } from './followers'
import { withMulchAsPlanned } from './owedMulch'
import type { Brought, EarlierUse, StandCase } from './cases'

/** All that a stand's forecast depends on, taken from the garden. */
export function standCaseOf(data: GardenData, stand: Stand): StandCase | null {
  const own = caseAlone(data, stand)
  const start = latest(stand.start)
  if (!own || !start) return own
  const before = beforeOn(data, own.bed, stand.segment, dayNumber(start.date), stand.id)
  return before.length > 0 ? { ...own, before } : own
}

/**
 * A stand as it stands on a day on which it is to be cut or ended, and has not been yet: what was not done shows from the
 * next day on.
 */
export function asItStands(standCase: StandCase, today: number): StandCase {
  const { stand } = standCase
  const tomorrow = isoDate(today + 1)
  const end = expectedStep(stand.end, tomorrow)
  const cuts = stand.cuts.map((entry) => ({ ...entry, cut: expectedStep(entry.cut, tomorrow) }))
  const same = end === stand.end && cuts.every(({ cut }, i) => cut === stand.cuts[i].cut)
  return same ? standCase : { ...standCase, stand: { ...stand, end, cuts } }
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
 * What begins on a part of a bed before a day, as its ground is followed through it to a sowing on `firstDay` or later,
 * with the mulch that was carried to that part; a stand of one's own is left out.
 */
export function beforeOn(
  data: GardenData,
  bed: Bed,
  segment: Segment,
  day: number,
  ownId: string | null,
  firstDay = day,
): EarlierUse[] {
  const brought = broughtTo(bed, segment, data)
  const uses = usesBefore(data.stands, bed, segment, day, ownId, firstDay).flatMap(
    ({ stand }): EarlierUse[] => {
      const use = earlierUse(data, stand) ?? sheetOn(stand, segment, bed)
      return use ? [withMulch(use, brought)] : []
    },
  )
  const firstLoad = Math.min(...brought.map((load) => load.day))
  const begins = Math.min(day, uses[0]?.startDay ?? Infinity)
  // Mulch on bare ground, before anything that is known of.
  if (firstLoad < begins && firstLoad >= firstDay - LOOK_BACK_DAYS)
    return [{ kind: 'bare', startDay: firstLoad, goneDay: null, sheet: null, brought }, ...uses]
  return uses
}

/** An earlier use of a part of a bed with the mulch of that part; when the next thing begins is told by what comes after it. */
function withMulch(use: EarlierUse, brought: Brought): EarlierUse {
  return use.kind === 'cover'
    ? { ...use, standCase: { ...use.standCase, brought, nextStartDay: null } }
    : { ...use, brought }
}

/** Sheets that are laid on all the ground of a cover after it was sown. */
function sheetsAfter({ stands }: Pick<GardenData, 'stands'>, cover: Stand, bed: Bed) {
  const start = latest(cover.start)
  if (!start) return []
  return having(stands, 'bedId', bed.id).flatMap((stand) => {
    const use = sheetOn(stand, cover.segment, bed)
    return use?.sheet && use.goneDay !== null && use.startDay > dayNumber(start.date)
      ? [{ day: use.startDay, kind: use.sheet, offDay: use.goneDay }]
      : []
  })
}

/** A sheet as what has a ground, all of which it takes; null for all else, and where its start is not planned. */
function sheetOn(
  { content, segment, start, end }: Stand,
  ground: Segment,
  bed: Bed,
): Extract<EarlierUse, { kind: 'bare' }> | null {
  const laid = latest(start)
  if (content.kind !== 'sheet' || !laid || !takesAllOf(segment, ground, bed)) return null
  const off = latest(end)
  return {
    kind: 'bare',
    startDay: dayNumber(laid.date),
    goneDay: off && dayNumber(off.date),
    sheet: content.sheet,
  }
}

/** What a stand's forecast depends on besides what stood on its ground before. */
function caseAlone(data: GardenData, stand: Stand): StandCase | null {
  const bed = having(data.beds, 'id', stand.bedId).at(0)
  if (!bed) return null
  const brought = broughtTo(bed, stand.segment, data)
  const sheets = sheetsAfter(data, stand, bed)
  const { tools } = toolsOn(data.garden.tools, bed, stand.segment)
  const blades = bladesFor(tools, workedGround(bed, stand.segment))
  const next = nextStand(data, stand)
  const first = followersOf(data, stand).at(0)
  const start = first && latest(first.start)
  const sheetOffBy = sheetOffBefore(data, stand, next)
  return {
    bed,
    stand,
    upper: upperOf(data, stand),
    checks: [...having(data.checks, 'standId', stand.id)],
    nextStartDay: start ? dayNumber(start.date) : null,
    ...(sheetOffBy !== undefined && { sheetOffBy }),
    ...(brought.length > 0 && { brought }),
    ...(sheets.length > 0 && { sheets }),
    own: ownOf(data.stands),
    flattens: canFlatten(tools),
    board: boardOf(tools),
    ...(blades && { blades }),
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
function broughtTo(bed: Bed, part: Segment, data: GardenData): Brought {
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
  return [...carried, ...laidOn(withMulchAsPlanned(data), bed, part)]
}

/** The garden's own counts after endings, worked out once for each set of stands. */
export const ownOf = oncePerList(ownResults)
