import { dayNumber } from '../foundations/day'
import type { Stand } from '../garden/schema'
import type { Tool } from '../garden/tool'
import { latest } from '../garden/timeline'
import { CRIMPS, MOWS } from './workRates'
import type { SheetBed } from '../stand/fate'

/** Tools that lay or cut growth low enough for a sheet to lie on it. */
const FLATTENING: readonly Tool['kind'][] = [...MOWS, ...CRIMPS]

/** Whether any of these tools can flatten growth before a sheet is laid. */
export const canFlatten = (tools: readonly Pick<Tool, 'kind'>[]): boolean =>
  tools.some(({ kind }) => FLATTENING.includes(kind))

/** A cut this low, over this share of the ground, leaves nothing that holds a sheet up, for as many days (judgement). */
const LOW_CUT = { heightCm: 30, groundShare: 0.8, days: 14 } as const

/**
 * Cuttings that fell so many days before a sheet, over this share of the ground, lie between it and what has grown through
 * them (judgement); fresher ones lie as those that are made for the sheet.
 */
const SHIELDING = { fromDays: 15, untilDays: 42, groundShare: 0.5 } as const

/** How what stands lies under a sheet, before what a way itself does about it. */
export type UnderSheet = Extract<SheetBed, 'flat' | 'standing' | 'shielded'>

/**
 * What a sheet laid on a stand on a day lies on: cuttings of the weeks before that shield the plants; flattened growth,
 * where something owned flattens it first or a low cut over nearly all of it came in the two weeks before; else standing
 * growth. The one rule, wherever a sheet is reckoned with.
 */
export function underSheet(stand: Pick<Stand, 'cuts'>, day: number, flattens: boolean): UnderSheet {
  const cuts = stand.cuts.flatMap(({ cut }) => {
    const done = latest(cut)
    return done ? [{ ...done, before: day - dayNumber(done.date) }] : []
  })
  const shielded = cuts.some(
    ({ before, fate, groundShare }) =>
      fate === 'dropped' &&
      before >= SHIELDING.fromDays &&
      before <= SHIELDING.untilDays &&
      groundShare >= SHIELDING.groundShare,
  )
  if (shielded) return 'shielded'
  const low = cuts.some(
    ({ before, heightCm, groundShare }) =>
      before >= 0 &&
      before <= LOW_CUT.days &&
      heightCm <= LOW_CUT.heightCm &&
      groundShare >= LOW_CUT.groundShare,
  )
  return flattens || low ? 'flat' : 'standing'
}
