import type { Bed } from '../garden/schema'
import type { Tool } from '../garden/tool'
import type { Ground } from './workPlan'

/** A crimp board as it is stepped on: its length, m, null where it is as long as the ground is wide; the weight on it, kg. */
export type Board = { lengthM: number | null; loadKg: number }

/** Weight of a grown person with boots, kg; what stands on the board where its owner says nothing else. */
export const BODY_KG = 75

/**
 * The board that is used: the longest owned; one as long as the bed is wide where none is on the list; none where a heavy
 * roller does its work.
 */
export function boardOf(tools: readonly Pick<Tool, 'kind' | 'widthM' | 'loadKg'>[]): Board | undefined {
  return tools.some(({ kind }) => kind === 'roller crimper') ? undefined : longestBoard(tools)
}

/** The longest board owned, or one as long as the bed is wide. */
export function longestBoard(tools: readonly Pick<Tool, 'kind' | 'widthM' | 'loadKg'>[]): Board {
  const [longest] = tools
    .filter(({ kind }) => kind === 'crimp board')
    .sort((a, b) => (b.widthM ?? 0) - (a.widthM ?? 0))
  return { lengthM: longest?.widthM ?? null, loadKg: longest?.loadKg ?? BODY_KG }
}

/** Weight that a metre of the board's edge brings on ground of a width, kg m⁻¹. */
export const edgeKgPerM = ({ lengthM, loadKg }: Board, widthM: number): number =>
  loadKg / Math.min(lengthM ?? widthM, widthM)

/** Weight on a metre of edge from which a board does as a heavy roller, and at which it does no more than feet, kg m⁻¹ (judgement, 80–150 and 10–40). */
const AS_ROLLED = 100
const AS_WALKED = 20
/** Share of what a heavy roller kills that walking over it kills (judgement, 0.4–0.8). */
const WALKED_KILLS = 0.6

/** Survival of growth that is walked on, from its survival under a heavy roller. */
export const walkedOn = (rolled: number): number => 1 - WALKED_KILLS * (1 - rolled)

/** Survival under a board, between that under a heavy roller and that of growth walked on. */
export function underBoard(rolled: number, kgPerM: number): number {
  const share = Math.min(1, Math.max(0, (kgPerM - AS_WALKED) / (AS_ROLLED - AS_WALKED)))
  const walked = walkedOn(rolled)
  return walked + (rolled - walked) * share
}

/** Distance between two steps of a crimp board, m: well under 30 cm. */
const BOARD_STEP_M = 0.25
/** Weight below which a metre of edge is called light, kg (judgement, 60–100). */
const LEAST_KG_PER_M = 70

export type BoardPlan = {
  boardM: number
  /** Board length that would fit this ground best. */
  bestM: number
  /** Times the board goes up the bed, side by side, and steps in all. */
  runs: number
  steps: number
  stepM: number
  kgPerM: number
  /** True when its load is little for its edge. */
  tooLight: boolean
  /** True when the board does not fit between the boards of a frame. */
  tooLong: boolean
}

/** How a board is stepped over the ground. */
export function boardPlan({ lengthM, widthM }: Ground, board: Board, bedKind: Bed['kind']): BoardPlan {
  const boardM = board.lengthM ?? widthM
  const runs = Math.max(1, Math.ceil(widthM / boardM - 0.05))
  const kgPerM = edgeKgPerM(board, widthM)
  return {
    boardM,
    bestM: Math.max(0.3, bedKind === 'in-ground' ? widthM : widthM - 0.04),
    runs,
    steps: Math.ceil(lengthM / BOARD_STEP_M) * runs,
    stepM: BOARD_STEP_M,
    kgPerM,
    tooLight: kgPerM < LEAST_KG_PER_M,
    tooLong: bedKind !== 'in-ground' && boardM > widthM,
  }
}
