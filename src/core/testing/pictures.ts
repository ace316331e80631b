import { WHOLE_PICTURE } from '../picture/frame'
import { greenCover } from '../picture/greenCover'
import { madePicture, type MadePicture } from '../picture/made'
import type { PlantGroup } from '../plants/parameters'

const GROUPS: PlantGroup[] = ['grass', 'legume', 'broadleaf']
export const MADE_COVERS = [0, 0.03, 0.1, 0.25, 0.4, 0.55, 0.7, 0.85, 0.97]
export const PLAIN = { ground: 'soil', light: 'even', blurPx: 0 } as const

/**
 * Reads made-up pictures of known cover: the largest difference, in points of cover, and the share of pictures whose
 * true cover lies within two of the errors given.
 */
export function readMadePictures(
  how: Partial<MadePicture>,
  covers: readonly number[],
  widthPx: number,
): { points: number; inside: number } {
  const errors = GROUPS.flatMap((group, g) =>
    covers.map((cover, c) => {
      const size = { widthPx, heightPx: Math.round(widthPx * 0.75) }
      const picture = madePicture({ ...PLAIN, ...size, group, cover, seed: 100 * g + c, ...how })
      const read = greenCover(picture, WHOLE_PICTURE)
      return { off: Math.abs(read.cover - picture.cover), error: read.error }
    }),
  )
  return {
    points: 100 * Math.max(...errors.map(({ off }) => off)),
    inside: errors.filter(({ off, error }) => off <= 2 * error).length / errors.length,
  }
}
