import type { Check } from '../garden/check'
import type { OwnResults } from '../garden/ending'
import type { Bed, GroundSheetKind, Stand } from '../garden/schema'
import type { Blade } from '../stand/fate'
import type { StandEvent, StandInput } from '../stand/types'
import type { Board } from '../termination/board'

/** Mulch that was carried to a ground, per m², by day. */
export type Brought = { day: number; massG: number; nitrogenG: number }[]

/**
 * What had the ground before, from a day on: a cover with all its own run depends on, a crop until it is gone, or nothing
 * that grows, with the sheet that lay there until a day where one did. The mulch that was carried there goes with it.
 */
export type EarlierUse =
  | { kind: 'cover'; startDay: number; standCase: StandCase }
  | ({ kind: 'crop'; brought?: Brought } & UpperCrop)
  | {
      kind: 'bare'
      startDay: number
      goneDay: number | null
      sheet: GroundSheetKind | null
      brought?: Brought
    }

/** A crop from its planting until it is gone; null where that is not planned. */
export type UpperCrop = { startDay: number; cropId: string; goneDay: number | null }

/** What stands above a sowing as it feels it: light, water and nitrogen taken, and what happens to it from above. */
export type StandAbove = Required<Pick<StandInput, 'canopyAbove' | 'crop'>> & { events: StandEvent[] }

/** Everything one stand's forecast depends on besides the weather. */
export type StandCase = {
  bed: Bed
  stand: Stand
  /** What it was sown under, if anything. */
  upper: EarlierUse | null
  checks: Check[]
  /** First day the whole bed is taken by what follows, if planned. */
  nextStartDay: number | null
  /** Day by which a sheet of its ending is off for a crop that is planted on a part of its ground before the one its plan goes on to. */
  sheetOffBy?: number
  /** Mulch that was carried here from other beds, per m². */
  brought?: Brought
  /** Sheets that are laid on its ground after its start, with the first day they are off: they act once it has ended. */
  sheets?: { day: number; kind: GroundSheetKind; offDay: number }[]
  /** The garden's own counts after endings, which move the tables. */
  own?: OwnResults
  /** Whether there is something to flatten growth with before a sheet is laid. */
  flattens: boolean
  /** The crimp board it would be stepped down with. */
  board?: Board
  /** The blades it would be cut with, where one cuts finer than another. */
  blades?: readonly Blade[]
  /** Whether what follows is sown or transplanted: how dead it must be. Transplanted where left out. */
  establishment?: 'transplant' | 'seed'
  /** What had its ground before it, the earliest first; where nothing is known the bed's answers begin it. */
  before?: readonly EarlierUse[]
}
