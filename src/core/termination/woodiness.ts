import { interpolate } from '../foundations/statistics'
import type { ToolKind } from '../garden/tool'
import type { EndingClass } from '../plants/parameters'
import type { Blade } from '../stand/fate'

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
  | 'hand shears'
  | 'scythe'
  | 'trimmer'
  | 'mower'
  | 'bar mower'
  | 'flail mower'
  | 'tractor mower'
  | 'hedge trimmer'
>

/** Hardest stems a tool still cuts cleanly, 0–1 (judgement). */
export const HARDEST_CUT: Record<CuttingTool, number> = {
  'tractor mower': 1,
  'bar mower': 0.7,
  'flail mower': 0.95,
  mower: 0.65,
  scythe: 0.55,
  'hedge trimmer': 0.5,
  trimmer: 0.45,
  'hand shears': 0.6,
}

const isCutting = (kind: ToolKind): kind is CuttingTool => kind in HARDEST_CUT

/** The owned tools that still cut stems of this hardness. */
export const cutters = (owned: readonly { kind: ToolKind }[], hardness: number): CuttingTool[] =>
  owned.flatMap(({ kind }) => (isCutting(kind) && HARDEST_CUT[kind] >= hardness ? [kind] : []))

/** Whether an owned tool still cuts stems of this hardness. */
export const canCut = (owned: readonly { kind: ToolKind }[], hardness: number): boolean =>
  owned.some(({ kind }) => isCutting(kind) && HARDEST_CUT[kind] >= hardness)

/** Tools that leave what they cut in short pieces, and those that lay it down whole (judgement). */
export const FALLS: Record<CuttingTool, 'short' | 'in pieces' | 'whole'> = {
  'tractor mower': 'short',
  'flail mower': 'short',
  mower: 'short',
  trimmer: 'in pieces',
  'hedge trimmer': 'in pieces',
  'hand shears': 'in pieces',
  'bar mower': 'whole',
  scythe: 'whole',
}

/**
 * How close what falls lies on the soil, against whole stems: short pieces have more contact and rot faster (Angers and
 * Recous 1997 for the size of pieces; Creamer and Dabney 2002 for flail-mown against rolled covers; judgement, 1.1–1.5).
 */
const CONTACT: Record<(typeof FALLS)[CuttingTool], number> = { short: 1.25, 'in pieces': 1, whole: 1 }

/** The owned tools that cut, in their order, as blades. */
export const bladesOf = (owned: readonly { kind: ToolKind }[]): Blade[] =>
  cutters(owned, 0).map((kind) => ({ hardest: HARDEST_CUT[kind], contact: CONTACT[FALLS[kind]] }))
