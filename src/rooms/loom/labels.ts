import { findSpecies } from '../../core/plants/catalogue'
import { findCrop } from '../../core/plants/crops'
import type { Stand } from '../../core/garden/schema'

/** Short words for a stand, one line each. */
export function standWords(stand: Stand): string[] {
  if (stand.content.kind === 'crop')
    return [findCrop(stand.content.cropId)?.shortName ?? stand.content.cropId]
  if (stand.content.kind === 'sheet') return [stand.content.sheet === 'black' ? 'sheet' : 'film']
  return stand.content.components.map(
    (component) => findSpecies(component.speciesId)?.shortName ?? component.speciesId,
  )
}

/** A label's place in px from the top of the cloth, or null when there is no room for it. */
export type Placed = { top: number; height: number; lines: string[] }

const LINE_PX = 14
const PADDING_PX = 3
/** Room kept free on both sides of today's weft line. */
const TODAY_CLEARANCE_PX = 8

/**
 * Puts a label in the middle of its band, clear of today's line: the text moves to the longer side of the line, is
 * cut to fewer lines when the band is short (unless it must not be), and is left out when it does not fit.
 */
export function placeLabel(
  lines: string[],
  bandTop: number,
  bandBottom: number,
  todayY: number,
  mayShorten = true,
): Placed | null {
  const least = mayShorten ? 1 : lines.length
  for (let count = Math.min(lines.length, 3); count >= least; count--) {
    const height = count * LINE_PX + PADDING_PX
    const shown =
      count < lines.length ? [...lines.slice(0, count - 1), `${lines[count - 1]} +`] : lines.slice(0, count)
    for (const [from, to] of stretches(bandTop, bandBottom, todayY)) {
      if (to - from >= height + 2) return { top: Math.round((from + to - height) / 2), height, lines: shown }
    }
  }
  return null
}

/** The parts of a band above and below today's line, longest first. */
function stretches(top: number, bottom: number, todayY: number): [number, number][] {
  const above: [number, number] = [top, Math.min(bottom, todayY - TODAY_CLEARANCE_PX)]
  const below: [number, number] = [Math.max(top, todayY + TODAY_CLEARANCE_PX), bottom]
  if (bottom < todayY - TODAY_CLEARANCE_PX || top > todayY + TODAY_CLEARANCE_PX) return [[top, bottom]]
  return [above, below].sort((a, b) => b[1] - b[0] - (a[1] - a[0]))
}
