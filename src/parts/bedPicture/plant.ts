import type { RandomStream } from '../../core/foundations/random'
import type { Pen, Point } from './pen'

/** One plant as it is drawn: where it comes out of the ground, how high, at what stage, how leafy (0.4–1.3). */
export type Drawn = {
  foot: Point
  height: number
  bbch: number
  leafy: number
  random: RandomStream
  pen: Pen
}

/** A number between two. */
export const between = (random: RandomStream, low: number, high: number): number =>
  low + (high - low) * random.uniform()
