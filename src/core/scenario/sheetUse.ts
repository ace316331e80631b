import { dayNumber } from '../foundations/day'
import { segmentSizeM } from '../garden/area'
import type { GardenData, Stand } from '../garden/schema'
import { latest } from '../garden/timeline'
import type { Tool } from '../garden/tool'
import { HOLED, piecesFor } from '../planting/holed'
import { findCrop } from '../plants/crops'
import { openFrom } from '../season/owedMulch'
import { findMethod } from '../termination/methods'
import { sheetsFor } from '../termination/sheetsFor'
import { OWNED_SHEET } from '../termination/sheets'

/** A sheet that does away with what grows, or film and fabric that a crop is planted through. */
export type OwnedSheet = (typeof OWNED_SHEET)[keyof typeof OWNED_SHEET] | 'film or fabric with holes'

/** Ground that lies under a sheet, or is to lie: between which days, and under which of those owned; null where none is free. */
export type SheetUse = {
  stand: Stand
  kind: OwnedSheet
  fromDay: number
  /** First day on which it is free again. */
  untilDay: number
  done: boolean
  sheets: readonly Tool[] | null
  /** Whether any that is owned would cover it, were it free. */
  fits: boolean
}

/**
 * Which owned sheet lies on which bed and when, as recorded and as planned: what lies already comes first, then what
 * begins first, each under the smallest that is free and covers it. What ended before `today` is left out.
 */
export function sheetUses(data: Pick<GardenData, 'garden' | 'beds' | 'stands'>, today: number): SheetUse[] {
  const wanted = data.stands
    .flatMap((stand) => [...wantedBy(data, stand), ...plantedThrough(data, stand)])
    .filter(({ untilDay }) => untilDay > today)
    .sort((a, b) => Number(b.done) - Number(a.done) || a.fromDay - b.fromDay)
  const uses: SheetUse[] = []
  for (const { lengthM, widthM, cropId, ...use } of wanted) {
    const taken = uses.flatMap(({ sheets, fromDay, untilDay }) =>
      fromDay < use.untilDay && use.fromDay < untilDay ? (sheets ?? []) : [],
    )
    const crop = cropId === undefined ? null : findCrop(cropId)
    const covering = (tools: readonly Tool[]) =>
      crop
        ? piecesFor(tools, crop, widthM, lengthM)
        : sheetsFor(
            tools.filter(({ kind }) => kind === use.kind),
            widthM,
            lengthM,
          )
    uses.push({
      ...use,
      sheets: covering(data.garden.tools.filter((tool) => !taken.includes(tool))),
      fits: covering(data.garden.tools) !== null,
    })
  }
  return uses.sort((a, b) => a.fromDay - b.fromDay)
}

type Wanted = Omit<SheetUse, 'sheets' | 'fits'> & { lengthM: number; widthM: number; cropId?: string }

/** A crop that is planted through film or fabric lies on it until it is cleared; where none is owned, it is bought by the roll. */
function plantedThrough(
  { garden, beds }: Pick<GardenData, 'garden' | 'beds'>,
  { bedId, segment, content, start, end, ...rest }: Stand,
): Wanted[] {
  const bed = beds.find(({ id }) => id === bedId)
  const [planted, cleared] = [latest(start), latest(end)]
  if (content.kind !== 'crop' || content.plantingMethod !== 'film' || !bed || !planted) return []
  if (!garden.tools.some(({ kind }) => HOLED.includes(kind))) return []
  return [
    {
      stand: { bedId, segment, content, start, end, ...rest },
      kind: 'film or fabric with holes',
      fromDay: dayNumber(planted.date),
      untilDay: cleared ? dayNumber(cleared.date) : Infinity,
      done: start.actual !== null,
      cropId: content.cropId,
      ...segmentSizeM(bed, segment),
    },
  ]
}

/** How many crops have been planted through a piece, by the records; which piece lay where is told by its size and holes. */
export const cropsCarried = (
  data: Pick<GardenData, 'garden' | 'beds' | 'stands'>,
  tool: Pick<Tool, 'id'>,
): number =>
  sheetUses(data, -Infinity).filter(
    ({ done, sheets, stand }) =>
      done && stand.content.kind === 'crop' && (sheets ?? []).some(({ id }) => id === tool.id),
  ).length

function wantedBy({ beds, stands }: Pick<GardenData, 'beds' | 'stands'>, stand: Stand): Wanted[] {
  const bed = beds.find(({ id }) => id === stand.bedId)
  const end = latest(stand.end)
  const laid = latest(stand.start)
  if (bed && end && laid && stand.content.kind === 'sheet')
    return [
      {
        stand,
        kind: OWNED_SHEET[stand.content.sheet],
        fromDay: dayNumber(laid.date),
        untilDay: dayNumber(end.date),
        done: stand.start.actual !== null,
        ...segmentSizeM(bed, stand.segment),
      },
    ]
  const sheet = end && findMethod(end.method)?.sheet
  if (!bed || !end || !sheet || sheet === 'cardboard') return []
  return [
    {
      stand,
      kind: OWNED_SHEET[sheet],
      fromDay: dayNumber(end.date),
      untilDay: openFrom({ beds, stands }, stand)!,
      done: stand.end.actual !== null,
      ...segmentSizeM(bed, stand.segment),
    },
  ]
}

/** Ground that has no sheet, with the uses of those that would fit it. */
export type SheetClash = { use: SheetUse; with: SheetUse[] }

/** Beds that have no sheet, with those on which one lies in the same days; with none where no sheet would cover them. */
export const sheetClashes = (uses: readonly SheetUse[]): SheetClash[] =>
  uses
    .filter(({ sheets }) => sheets === null)
    .map((use) => ({
      use,
      with: uses.filter(
        (other) =>
          use.fits &&
          other !== use &&
          other.kind === use.kind &&
          other.sheets !== null &&
          other.fromDay < use.untilDay &&
          use.fromDay < other.untilDay,
      ),
    }))
