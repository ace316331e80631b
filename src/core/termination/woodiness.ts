import { interpolate } from '../foundations/statistics'
import type { ToolKind } from '../garden/tool'
import type { EndingClass } from '../plants/parameters'

/** How hard the stems of a class get at full height and age, 0 soft – 1 wood (judgement, ± 0.15). */
const HARDEST: Record<EndingClass, number> = {
  'winter cereal': 0.5,
  'spring cereal': 0.45,
  ryegrass: 0.4,
  sorghum: 0.9,
  millet: 0.6,
  vetch: 0.35,
  'crimson clover': 0.35,
  'annual clover': 0.3,
  'perennial clover': 0.3,
  pea: 0.3,
  faba: 0.6,
  'warm legume': 0.75,
  brassica: 0.7,
  radish: 0.55,
  buckwheat: 0.5,
  phacelia: 0.45,
  'stalk broadleaf': 0.95,
  'leaf rosette': 0.3,
}

/** Hardness of the stems at a stage and height, 0–1: it comes with heading and ripening, and with tall stems. */
export function woodiness(kind: EndingClass, bbch: number, heightM: number): number {
  const stage = interpolate(
    [
      [31, 0.2],
      [51, 0.5],
      [65, 0.8],
      [85, 1],
    ],
    bbch,
  )
  return HARDEST[kind] * stage * (0.5 + 0.5 * Math.min(1, heightM / 1.2))
}

export type CuttingTool = Extract<
  ToolKind,
  'hand shears' | 'scythe' | 'trimmer' | 'mower' | 'flail mower' | 'hedge trimmer'
>

/** Hardest stems a tool still cuts cleanly (judgement), the quickest tool first. */
export const HARDEST_CUT: Record<CuttingTool, number> = {
  'flail mower': 0.95,
  mower: 0.65,
  scythe: 0.55,
  'hedge trimmer': 0.5,
  trimmer: 0.45,
  'hand shears': 0.6,
}

const ORDER = Object.keys(HARDEST_CUT) as CuttingTool[]

/** The quickest owned tool that still cuts stems of this hardness; null when none does. */
export function cuttingTool(owned: readonly { kind: ToolKind }[], hardness: number): CuttingTool | null {
  return (
    ORDER.find((kind) => owned.some((tool) => tool.kind === kind) && HARDEST_CUT[kind] >= hardness) ?? null
  )
}
