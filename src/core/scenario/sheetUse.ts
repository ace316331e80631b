import { dayNumber } from '../foundations/day'
import { segmentSizeM } from '../garden/area'
import type { GardenData, Stand } from '../garden/schema'
import { latest } from '../garden/timeline'
import type { Tool } from '../garden/tool'
import { nextStand } from '../season/standCase'
import { sheetOffDay } from '../termination/kill'
import { findMethod } from '../termination/methods'
import { sheetsFor } from '../termination/sheetsFor'
import { OWNED_SHEET } from '../termination/sheets'

export type OwnedSheet = (typeof OWNED_SHEET)[keyof typeof OWNED_SHEET]

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
    .flatMap((stand) => wantedBy(data, stand))
    .filter(({ untilDay }) => untilDay > today)
    .sort((a, b) => Number(b.done) - Number(a.done) || a.fromDay - b.fromDay)
  const uses: SheetUse[] = []
  for (const { lengthM, widthM, ...use } of wanted) {
    const taken = uses.flatMap(({ sheets, fromDay, untilDay }) =>
      fromDay < use.untilDay && use.fromDay < untilDay ? (sheets ?? []) : [],
    )
    const owned = data.garden.tools.filter(({ kind }) => kind === use.kind)
    const free = owned.filter((tool) => !taken.includes(tool))
    uses.push({
      ...use,
      sheets: sheetsFor(free, widthM, lengthM),
      fits: sheetsFor(owned, widthM, lengthM) !== null,
    })
  }
  return uses.sort((a, b) => a.fromDay - b.fromDay)
}

type Wanted = Omit<SheetUse, 'sheets' | 'fits'> & { lengthM: number; widthM: number }

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
  const next = nextStand({ stands }, stand)
  const begun = next && latest(next.start)
  return [
    {
      stand,
      kind: OWNED_SHEET[sheet],
      fromDay: dayNumber(end.date),
      untilDay: sheetOffDay(end, begun ? dayNumber(begun.date) : null),
      done: stand.end.actual !== null,
      ...segmentSizeM(bed, stand.segment),
    },
  ]
}

/** Beds that have no sheet, with those on which one lies in the same days; with none where no sheet would cover them. */
export const sheetClashes = (uses: readonly SheetUse[]): { use: SheetUse; with: SheetUse[] }[] =>
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
