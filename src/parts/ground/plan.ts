import type { Rectangle } from '../../core/garden/bed'
import type { BedSize } from '../../core/garden/ground'
import type { Units } from '../../text/format'

/** A bed laid out on px: its length fills the width; a narrow one is drawn wider than it is, so that it can be drawn on. */
export type Plan = {
  width: number
  height: number
  all: Rectangle
  /** Place on the page of a place on the bed, and back, m. */
  x: (alongM: number) => number
  y: (acrossM: number) => number
  along: (x: number) => number
  across: (y: number) => number
}

const EDGE = 2
const LOWEST = 72
const HIGHEST = 220
/** Room for the figures under it. */
const FIGURES = 20

export function planOf({ lengthM, widthM }: BedSize, width: number): Plan {
  const long = Math.max(1, width - 2 * EDGE)
  const high = Math.min(HIGHEST, Math.max(LOWEST, (widthM / lengthM) * long))
  return {
    width,
    height: high + 2 * EDGE + FIGURES,
    all: { fromM: 0, toM: lengthM, fromAcrossM: 0, toAcrossM: widthM },
    x: (alongM) => EDGE + (alongM / lengthM) * long,
    y: (acrossM) => EDGE + (acrossM / widthM) * high,
    along: (x) => ((x - EDGE) / long) * lengthM,
    across: (y) => ((y - EDGE) / high) * widthM,
  }
}

const FOOT_M = 0.3048
/** Steps of what is drawn: a decimetre, or half a foot. */
const stepM = (units: Units) => (units === 'imperial' ? FOOT_M / 2 : 0.1)
/** Nearer to an end than this share of the bed is that end. */
const AT_THE_END = 0.03

/** A place as drawn: one end of the bed where it is near that, else on a whole step. */
export function edgeNear(atM: number, lengthM: number, units: Units): number {
  if (atM < lengthM * AT_THE_END) return 0
  if (atM > lengthM * (1 - AT_THE_END)) return lengthM
  const step = stepM(units)
  return Math.min(lengthM, Math.round(Math.round(atM / step) * step * 1e4) / 1e4)
}

/** Room for a figure, px. */
const FIGURE_PX = 60

/** Places along a bed whose figures are written under it, m. */
export function stepsAlong({ width, all, x }: Plan, units: Units): number[] {
  const unit = units === 'imperial' ? FOOT_M : 1
  const length = all.toM / unit
  const step = [0.5, 1, 2, 5, 10, 20, 50, 100, 200].find((step) => (step / length) * width >= FIGURE_PX)
  if (step === undefined) return [0]
  return Array.from({ length: Math.floor(length / step) + 1 }, (_, i) => i * step * unit).filter(
    (atM) => x(atM) < width - FIGURE_PX / 2,
  )
}
