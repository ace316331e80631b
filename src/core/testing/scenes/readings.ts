import { WHOLE_PICTURE } from '../../picture/frame'
import { greenCover } from '../../picture/greenCover'
import { photograph } from './render'
import type { Foliage, SceneWish } from './scene'

const FOLIAGE: readonly Foliage[] = ['blades', 'leaflets', 'rosettes', 'pale regrowth']
const GROUNDS: readonly SceneWish['ground'][] = ['dark soil', 'soil', 'pale soil', 'straw']
const LIGHTS: readonly SceneWish['light'][] = ['overcast', 'low sun', 'noon sun']
const PLANTS: Record<Foliage, readonly number[]> = {
  blades: [0, 6, 18, 45, 100],
  leaflets: [0, 7, 22, 48, 105],
  rosettes: [0, 2, 6, 13, 30],
  'pale regrowth': [0, 6, 15, 33, 75],
}

/** Scenes of every foliage, ground and light, from bare to closed; objects lie in every fourth. */
export const SCENES: readonly SceneWish[] = FOLIAGE.flatMap((foliage, f) =>
  GROUNDS.flatMap((ground, g) =>
    LIGHTS.flatMap((light, l) =>
      PLANTS[foliage].map((plants, p): SceneWish => {
        const number = ((f * 4 + g) * 3 + l) * 5 + p
        return {
          foliage,
          plants,
          ground,
          light,
          glossy: number % 2 === 1,
          objects: number % 4 === 3 ? [number % 8 === 3 ? 'board' : 'hand'] : [],
          seed: 900 + number,
        }
      }),
    ),
  ),
)

/** A third of the scenes was not looked at while the reader was made; by number, spread over all kinds. */
export const isSealed = (number: number) => number % 3 === 1

export type Reading = { wish: SceneWish; truth: number; read: number; error: number; tooMuchShadow: boolean }

/** Reads a scene: the truth and what is read of it. */
export function readScene(wish: SceneWish): Reading {
  const photo = photograph(wish)
  const { cover, error, tooMuchShadow } = greenCover(photo, WHOLE_PICTURE)
  return { wish, truth: photo.cover, read: cover, error, tooMuchShadow }
}

/** Largest miss that is good enough, points of cover: in even light, and in sun. */
const GOOD_POINTS = { even: 7, sun: 10 } as const

/** Shares of readings that come near enough to the truth, and whose truth lies within two of the errors given. */
export function readingsHold(readings: readonly Reading[]): { near: number; inside: number } {
  const share = (of: (reading: Reading) => boolean) => readings.filter(of).length / readings.length
  return {
    near: share(
      ({ wish, truth, read }) =>
        100 * Math.abs(read - truth) <= (wish.light === 'overcast' ? GOOD_POINTS.even : GOOD_POINTS.sun),
    ),
    inside: share(({ truth, read, error }) => Math.abs(read - truth) <= 2 * error),
  }
}
