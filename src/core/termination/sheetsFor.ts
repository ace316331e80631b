import type { Tool } from '../garden/tool'

/** How far two sheets overlap where one alone is too short, m. */
export const SHEET_OVERLAP_M = 0.4

type Size = Pick<Tool, 'widthM' | 'lengthM'>

/** The smallest sheet that covers a size, or two that do together, laid end to end with an overlap; null when none do. */
export function sheetsFor<T extends Size>(sheets: readonly T[], widthM: number, lengthM: number): T[] | null {
  const bySize = [...sheets].sort((a, b) => areaOf(a) - areaOf(b))
  const one = bySize.find((sheet) => covers(sheet, widthM, lengthM))
  if (one) return [one]
  const [across, along] = [Math.min(widthM, lengthM), Math.max(widthM, lengthM)]
  const reach = (sheet: Size) => Math.max(sheet.widthM ?? Infinity, sheet.lengthM ?? Infinity)
  const wide = bySize.filter(
    (sheet) => Math.min(sheet.widthM ?? Infinity, sheet.lengthM ?? Infinity) >= across,
  )
  for (const [i, a] of wide.entries())
    for (const b of wide.slice(i + 1)) if (reach(a) + reach(b) - SHEET_OVERLAP_M >= along) return [a, b]
  return null
}

const areaOf = (sheet: Size) => (sheet.widthM ?? 99) * (sheet.lengthM ?? 999)

/** Whether a sheet covers a size, turned either way; unknown sizes are taken to be enough. */
function covers(sheet: Size, widthM: number, lengthM: number): boolean {
  const width = sheet.widthM ?? Infinity
  const length = sheet.lengthM ?? Infinity
  return (width >= widthM && length >= lengthM) || (width >= lengthM && length >= widthM)
}
