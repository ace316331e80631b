import { LOOM_WEEKS } from '../../state/season'
import type { Loom, LoomBed, SheetDays } from './useLoom'

/** Where each bed's column stands, in px. */
export type Column = { entry: LoomBed; left: number; width: number }
/** How the sheet's weeks lie on the page, px. */
export type Scale = { rowPx: number; height: number }
export type LoomLayout = Scale & {
  columns: Column[]
  sections: { name: string; left: number; width: number }[]
  edge: number
  width: number
}

/** A bed’s column on the sheet, as what lies on it needs to know it. */
export type RegionProps = { entry: LoomBed; sheet: SheetDays; scale: Scale; width: number; todayY: number }

const EDGE_PX = 104
const BED_GAP_PX = 6
const SECTION_GAP_PX = 14
/** Narrower columns cannot carry a name. */
const MIN_COLUMN_PX = 58
const MAX_COLUMN_PX = 186
/** Threads are three px wide; whole threads keep the selvedge clean. */
const THREAD_PX = 3

export function layoutLoom(loom: Loom, available: number, windowHeight: number): LoomLayout {
  const beds = loom.beds.length
  const gaps = beds * BED_GAP_PX + loom.sections.length * SECTION_GAP_PX
  const share = (available - EDGE_PX - gaps) / Math.max(1, beds)
  const width = Math.floor(Math.min(MAX_COLUMN_PX, Math.max(MIN_COLUMN_PX, share)) / THREAD_PX) * THREAD_PX
  const rowPx = Math.min(13, Math.max(9, (windowHeight - 186) / LOOM_WEEKS))
  let left = EDGE_PX
  const columns: Column[] = []
  const sections = loom.sections.map((section) => {
    left += SECTION_GAP_PX
    const start = left
    for (const entry of section.beds) {
      columns.push({ entry, left, width })
      left += width + BED_GAP_PX
    }
    return { name: section.name, left: start, width: left - start - BED_GAP_PX }
  })
  return { columns, sections, edge: EDGE_PX, width: left, rowPx, height: rowPx * LOOM_WEEKS }
}

export const yOfDay = (layout: Pick<Scale, 'rowPx'>, loom: Pick<Loom, 'firstDay'>, day: number) =>
  ((day - loom.firstDay) / 7) * layout.rowPx

/** Keeps a stretch inside the sheet; null when it lies outside. */
export function clipToSheet(
  layout: Scale,
  loom: Pick<Loom, 'firstDay'>,
  fromDay: number,
  untilDay: number,
): { top: number; bottom: number } | null {
  const top = Math.max(0, yOfDay(layout, loom, fromDay))
  const bottom = Math.min(layout.height, yOfDay(layout, loom, untilDay))
  return bottom - top > 2 ? { top, bottom } : null
}
