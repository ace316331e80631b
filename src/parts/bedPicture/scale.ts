import { METRES_PER_INCH } from '../../core/foundations/units'
import type { Units } from '../../text/format'

/** What a picture is drawn by: its size in px, its scale, and where the ground lies. */
export type Scale = {
  width: number
  height: number
  left: number
  right: number
  groundY: number
  pxPerM: number
  topM: number
  depthM: number
}

const LEFT = 40
const RIGHT = 72
const ABOVE = 12
const BELOW = 6
/** Share of the picture's height that lies above the ground. */
const ABOVE_GROUND = 0.7

/** The scale at which the tallest of a season fits; one for every day, so that days can be compared. */
export function scaleFor(width: number, tallestM: number): Scale {
  const height = Math.round(Math.max(250, Math.min(380, width * 0.72)))
  const topM = Math.max(0.3, Math.ceil(tallestM * 1.08 * 10) / 10)
  const groundY = Math.round(ABOVE + (height - ABOVE - BELOW) * ABOVE_GROUND)
  const pxPerM = (groundY - ABOVE) / topM
  return {
    width,
    height,
    left: LEFT,
    right: width - RIGHT,
    groundY,
    pxPerM,
    topM,
    depthM: (height - BELOW - groundY) / pxPerM,
  }
}

export const yOf = ({ groundY, pxPerM }: Scale, heightM: number): number => groundY - heightM * pxPerM

/** What a ruler counts, m: a centimetre or an inch. */
export const rulerUnitM = (units: Units): number => (units === 'imperial' ? METRES_PER_INCH : 0.01)

/** Steps of a ruler, in cm or inches. */
const STEPS = { metric: [5, 10, 20, 25, 50, 100], imperial: [2, 4, 6, 12, 24, 36] }
const MOST_MARKS = 5

/** Marks of a ruler up to so many m: where they lie, and what they read, in cm or inches. */
export function rulerMarks(upToM: number, units: Units): { atM: number; reads: number }[] {
  const inM = rulerUnitM(units)
  const step = STEPS[units].find((size) => upToM / (size * inM) <= MOST_MARKS) ?? STEPS[units].at(-1)!
  const count = Math.floor(upToM / (step * inM) + 1e-6)
  return Array.from({ length: count }, (_, i) => ({ atM: (i + 1) * step * inM, reads: (i + 1) * step }))
}
