import { z } from 'zod'
import { id, numberBetween } from './fields'

export const toolKind = z.enum([
  'hand shears',
  'scythe',
  'mower',
  'bar mower',
  'flail mower',
  'tractor mower',
  'trimmer',
  'hedge trimmer',
  'crimp board',
  'roller crimper',
  'black tarp',
  'rake',
  'clear film',
  'spade or fork',
  'tiller',
  'burner',
  'wheelbarrow',
  'cranked spreader',
  'drop spreader',
  'wheel hoe',
  'harrow',
  'garden roller',
  'mulch film',
  'woven fabric',
])
export type ToolKind = z.infer<typeof toolKind>

/**
 * Years for which a sheet or film keeps out the light, or holds, laid out in the sun (judgement: tarp 4–8, clear film 1–3,
 * film with holes 1–3, woven fabric 6–12).
 */
const SHEET_LIFE_YEARS: Partial<Record<ToolKind, number>> = {
  'black tarp': 6,
  'clear film': 2,
  'mulch film': 2,
  'woven fabric': 9,
}

/** Years by which a sheet or film is past its life; 0 where it is not, or its age is not known. */
export const yearsPastLife = ({ kind, boughtIn }: Pick<Tool, 'kind' | 'boughtIn'>, year: number): number => {
  const life = SHEET_LIFE_YEARS[kind]
  return life === undefined || boughtIn === undefined ? 0 : Math.max(0, year - boughtIn - life)
}

/**
 * A tool owned; width and length in m where they decide what it can do (board, sheet, machine); its own work rate where its
 * owner knows it; the weight on a crimp board.
 */
export const tool = z.object({
  id,
  kind: toolKind,
  m2PerHour: numberBetween('Work rate', 1, 20_000, 'm² per hour').optional(),
  loadKg: numberBetween('Weight on the board', 10, 400, 'kg').optional(),
  widthM: numberBetween('Tool width', 0.05, 100, 'm').nullable(),
  lengthM: numberBetween('Tool length', 0.05, 500, 'm').nullable(),
  /** Year in which a sheet or film was bought new. */
  boughtIn: numberBetween('Year it was bought', 1980, 2200).int().optional(),
  /** How far apart its holes are, where it has been cut or burnt for planting through. */
  holesM: numberBetween('Hole spacing', 0.05, 3, 'm').optional(),
})
export type Tool = z.infer<typeof tool>
