import type { Quantiles } from '../../core/foundations/statistics'
import type { PlantGroup } from '../../core/plants/parameters'
import type { Across } from './standsOnCloth'

/** A stretch of one bed's year as it is woven. Days are day numbers. */
export type Band = {
  standId: string
  kind: 'cover' | 'crop' | 'sheet' | 'animals'
  startDay: number
  /** When it gives way to what follows; the spread frays its edge. */
  end: Quantiles
  groups: PlantGroup[]
  /** Share of the cloth it lies on, from its left edge to its right. */
  across: Across
  /** Green cover and ground hidden by residue, 0–1, on a day; a crop or sheet has none. */
  cover: (day: number) => number
  residue: (day: number) => number
}

/** What the weft is in one cell of the cloth. */
export const WEFT = { bare: 0, crop: 1, residue: 2, sheet: 3, motif: 4, animals: 5 } as const

/** Order in which picks join as a stand closes: sparse stands keep every eighth pick, dense ones all. */
const PICK_ORDER = [0, 4, 2, 6, 1, 5, 3, 7]

/** Even, unrepeating fractions for the frayed threads. */
const threadLuck = (thread: number, salt: number) => (thread * 0.618034 + salt * 0.377) % 1

/** The day one warp thread lets go of a band: a draw from the end's distribution. */
export function threadEnd(end: Quantiles, thread: number, salt: number): number {
  const u = threadLuck(thread, salt)
  return u < 0.5
    ? end.p10 + ((end.p50 - end.p10) * u) / 0.5
    : end.p50 + ((end.p90 - end.p50) * (u - 0.5)) / 0.5
}

/** Whether a pick is woven at a density of 0–1. */
export const isWoven = (density: number, pick: number) => density > (PICK_ORDER[pick & 7] + 0.5) / 8.6

/** Picks of each motif before a mix changes to the next. */
export const MIX_STRIPE_PICKS = 12
