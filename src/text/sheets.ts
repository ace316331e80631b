import type { Tool } from '../core/garden/tool'
import { HOLED } from '../core/planting/holed'
import type { SheetClash, SheetUse } from '../core/scenario/sheetUse'
import { centimetres, metres, shortDate, type Units } from './format'

/** A sheet, film or fabric by its size, and its holes where it is planted through: `woven fabric 1.2 m × 20 m, holes 45 cm apart`. */
export function pieceText({ kind, widthM, lengthM, holesM }: Tool, units: Units): string {
  const size =
    widthM === null || lengthM === null
      ? 'of unknown size'
      : `${metres(widthM, units)} × ${metres(lengthM, units)}`
  const holes = holesM === undefined ? 'no holes yet' : `holes ${centimetres(holesM, units)} apart`
  return `${kind} ${size}${HOLED.includes(kind) ? `, ${holes}` : ''}`
}

/** By how much a piece is past its life: `4 years past its life`. */
export const pastLifeText = (years: number): string =>
  `${years === 1 ? 'a year' : `${years} years`} past its life`

/** That no sheet, film or fabric is free for a ground, where those that fit lie then, and what can be done. */
export function clashText(
  { use, with: others }: SheetClash,
  placeOf: (use: SheetUse) => string,
  named = true,
): string {
  const through = use.stand.content.kind === 'crop'
  const wants = `${named ? placeOf(use) : 'It'} wants a ${use.kind} from ${shortDate(use.fromDay)}`
  if (others.length > 0) {
    const free = shortDate(Math.min(...others.map(({ untilDay }) => untilDay)))
    return `${wants} while it lies on ${others.map(placeOf).join(', ')}. ${through ? 'Plant' : 'Lay it'} after ${free}, lift it there before, or write down another in the Shed.`
  }
  return through
    ? `${wants}, and none of yours covers it with holes as the crop wants them. Burn holes in one that has none, or take new film.`
    : `${wants}, and none of yours covers it. Write down its size, or end the bed another way.`
}
