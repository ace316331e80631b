import { z } from 'zod'
import { id, numberBetween } from './fields'

export const toolKind = z.enum([
  'hand shears',
  'scythe',
  'mower',
  'trimmer',
  'crimp board',
  'black tarp',
  'rake',
  'clear film',
  'spade or fork',
  'tiller',
  'burner',
  'wheelbarrow',
])
export type ToolKind = z.infer<typeof toolKind>

/**
 * A tool owned; width and length in m where they decide what it can do (board, tarp, mower); its own work rate where its
 * owner knows it; the weight on a crimp board.
 */
export const tool = z.object({
  id,
  kind: toolKind,
  m2PerHour: numberBetween('Work rate', 1, 20_000, 'm² per hour').optional(),
  loadKg: numberBetween('Weight on the board', 10, 400, 'kg').optional(),
  widthM: numberBetween('Tool width', 0.05, 100, 'm').nullable(),
  lengthM: numberBetween('Tool length', 0.05, 500, 'm').nullable(),
})
export type Tool = z.infer<typeof tool>
