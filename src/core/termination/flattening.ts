import { dayNumber } from '../foundations/day'
import type { Stand } from '../garden/schema'
import type { Tool } from '../garden/tool'
import { latest } from '../garden/timeline'

/** Tools that lay or cut growth low enough for a sheet to lie on it. */
const FLATTENING: readonly Tool['kind'][] = ['hand shears', 'scythe', 'mower', 'trimmer', 'crimp board']

/** Whether any of these tools can flatten growth before a sheet is laid. */
export const canFlatten = (tools: readonly Pick<Tool, 'kind'>[]): boolean =>
  tools.some(({ kind }) => FLATTENING.includes(kind))

/** A cut this low, over this share of the ground, leaves nothing that holds a sheet up, for as many days (judgement). */
const LOW_CUT = { heightCm: 30, groundShare: 0.8, days: 14 } as const

/**
 * Whether a sheet laid on a stand on a day lies on flattened growth: something owned flattens it first, or a low cut over
 * nearly all of it came in the two weeks before. The one rule, wherever a sheet is reckoned with.
 */
export const liesFlat = (stand: Pick<Stand, 'cuts'>, day: number, flattens: boolean): boolean =>
  flattens ||
  stand.cuts.some(({ cut }) => {
    const done = latest(cut)
    const before = done ? day - dayNumber(done.date) : NaN
    return (
      done !== null &&
      before >= 0 &&
      before <= LOW_CUT.days &&
      done.heightCm <= LOW_CUT.heightCm &&
      done.groundShare >= LOW_CUT.groundShare
    )
  })
