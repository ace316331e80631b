import type { Tool } from '../garden/tool'

/** How far two sheets overlap where one alone is too small, m. */
export const SHEET_OVERLAP_M = 0.4
/** Most sheets that are laid as one: more do not stay put in wind (judgement). */
const MOST_PIECES = 6

type Size = Pick<Tool, 'widthM' | 'lengthM'>

/** Sheets that together cover a ground, and whether they lie one after another along it or side by side across it. */
export type LaidSheets<T> = { pieces: T[]; lie: 'along' | 'across' }

const shortOf = ({ widthM, lengthM }: Size) => Math.min(widthM ?? Infinity, lengthM ?? Infinity)
const longOf = ({ widthM, lengthM }: Size) => Math.max(widthM ?? Infinity, lengthM ?? Infinity)
const areaOf = ({ widthM, lengthM }: Size) => (widthM ?? 99) * (lengthM ?? 999)

/** How far a sheet reaches where it has to span the other way; null where it does not. Unknown sizes are taken to be enough. */
function reachOf(sheet: Size, spanM: number): number | null {
  if (shortOf(sheet) >= spanM) return longOf(sheet)
  return longOf(sheet) >= spanM ? shortOf(sheet) : null
}

/** The fewest sheets that span one way and reach together as far as wanted the other, the smallest that do; null where all do not. */
function inARow<T extends Size>(sheets: readonly T[], spanM: number, reachM: number): T[] | null {
  const spanning = sheets
    .flatMap((sheet) => {
      const reach = reachOf(sheet, spanM)
      return reach === null ? [] : [{ sheet, reach }]
    })
    .sort((a, b) => b.reach - a.reach)
  let covered = 0
  const taken: typeof spanning = []
  for (const one of spanning.slice(0, MOST_PIECES)) {
    const missing = reachM - covered
    // The last of them is the smallest that is still enough.
    const last = spanning
      .filter((other) => !taken.includes(other) && other.reach >= missing)
      .sort((a, b) => areaOf(a.sheet) - areaOf(b.sheet))[0]
    if (last) return [...taken, last].map(({ sheet }) => sheet)
    taken.push(one)
    covered += one.reach - SHEET_OVERLAP_M
  }
  return null
}

/**
 * The fewest sheets that cover a size: the smallest one alone, else some one after another along its longer side, else side
 * by side, with an overlap; null when all that there are do not.
 */
export function sheetsLaid<T extends Size>(
  sheets: readonly T[],
  widthM: number,
  lengthM: number,
): LaidSheets<T> | null {
  const [short, long] = [Math.min(widthM, lengthM), Math.max(widthM, lengthM)]
  const along = inARow(sheets, short, long)
  const across = inARow(sheets, long, short)
  if (across && (!along || across.length < along.length)) return { pieces: across, lie: 'across' }
  return along && { pieces: along, lie: 'along' }
}

/** The sheets alone. */
export const sheetsFor = <T extends Size>(
  sheets: readonly T[],
  widthM: number,
  lengthM: number,
): T[] | null => sheetsLaid(sheets, widthM, lengthM)?.pieces ?? null
