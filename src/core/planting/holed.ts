import type { Tool, ToolKind } from '../garden/tool'
import type { Crop } from '../plants/crops'
import { sheetsFor } from '../termination/sheetsFor'

/** Film and fabric that crops are planted through; what is bought by the roll for one season is not owned by the piece. */
export const HOLED: readonly ToolKind[] = ['mulch film', 'woven fabric']

/** Holes as far apart as a crop wants them, but for this share, are used as they are (judgement, 0.1–0.2). */
const NEAR_ENOUGH = 0.15

type Piece = Pick<Tool, 'kind' | 'widthM' | 'lengthM' | 'holesM'>

const isHoled = ({ kind }: Pick<Tool, 'kind'>) => HOLED.includes(kind)

/** Whether a piece has its holes where a crop wants them. */
export const holesFit = ({ holesM }: Pick<Tool, 'holesM'>, { plantCm }: Pick<Crop, 'plantCm'>): boolean =>
  holesM !== undefined && Math.abs(holesM * 100 - plantCm) <= NEAR_ENOUGH * plantCm

/** The pieces that a crop on a ground is planted through: those whose holes fit first, then those that have none yet; null where none cover it. */
export function piecesFor<T extends Piece>(
  tools: readonly T[],
  crop: Pick<Crop, 'plantCm'>,
  widthM: number,
  lengthM: number,
): T[] | null {
  const pieces = tools.filter(isHoled)
  return (
    sheetsFor(
      pieces.filter((piece) => holesFit(piece, crop)),
      widthM,
      lengthM,
    ) ??
    sheetsFor(
      pieces.filter(({ holesM }) => holesM === undefined),
      widthM,
      lengthM,
    )
  )
}
