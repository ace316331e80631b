import { isFlat, ontoFrame, WHOLE_PICTURE, type Frame } from './frame'

/** Pixels as a browser gives them: red, green, blue, opacity, 0–255 each. */
export type Pixels = { widthPx: number; heightPx: number; rgba: Uint8ClampedArray }

/** What a picture shows of the ground inside its frame. */
export type GreenCover = {
  /** Share of the ground that is green, 0–1. */
  cover: number
  /** One standard deviation of it, 0–1. */
  error: number
  /** Greenness at which a pixel counts as green, −1 to 1; found from the picture unless given. */
  threshold: number
  /** Share of the ground too dark or too bright to tell. */
  unclear: number
  /** By point of the grid laid over the frame: 0 not green, 1 green, 2 unclear, 3 outside a ring. */
  grid: Uint8Array
  gridSize: number
}

/** Points along each side of the grid laid over the frame. */
export const GRID = 240
/** Below this sum of red, green and blue, colour is noise; above the other it is burnt out. */
const TOO_DARK = 45
const TOO_BRIGHT = 735

/**
 * Greenness of a colour, about −0.6 to 1: excess green less excess red on shares of brightness (Woebbecke et al.
 * 1995; Meyer and Neto 2008), 3g − 2.4r − b. Soil and straw lie below zero, leaves above.
 */
export function greenness(red: number, green: number, blue: number): number {
  const sum = red + green + blue
  return sum <= 0 ? 0 : (3 * green - 2.4 * red - blue) / sum
}

/** Greenness is sorted into this many steps between these limits. */
const STEPS = 120
const LOWEST = -0.6
const HIGHEST = 0.9
const stepOf = (value: number) =>
  Math.min(STEPS - 1, Math.max(0, Math.floor(((value - LOWEST) / (HIGHEST - LOWEST)) * STEPS)))
const valueOf = (step: number) => LOWEST + ((step + 0.5) * (HIGHEST - LOWEST)) / STEPS

/** Thresholds outside these are not believed: bare or closed ground has only one kind of pixel (judgement). */
const BELIEVED = { low: -0.06, high: 0.16 } as const
/** Where nothing speaks for another. */
const USUAL_THRESHOLD = 0.03
/** Two kinds of pixel must differ by this much of the whole variance to be told apart. */
const TOLD_APART = 0.6
/** And their mean greenness by this much. */
const LEAST_DISTANCE = 0.15

/** Threshold between two kinds of pixel that sets them furthest apart (Otsu 1979), kept within what is believed. */
export function automaticThreshold(histogram: ArrayLike<number>): number {
  let total = 0
  let sum = 0
  let squares = 0
  for (let i = 0; i < histogram.length; i++) {
    total += histogram[i]
    sum += histogram[i] * valueOf(i)
    squares += histogram[i] * valueOf(i) ** 2
  }
  if (total === 0) return USUAL_THRESHOLD
  const variance = squares / total - (sum / total) ** 2
  let below = 0
  let sumBelow = 0
  let best = 0
  let between = 0
  let threshold = USUAL_THRESHOLD
  for (let i = 0; i < histogram.length - 1; i++) {
    below += histogram[i]
    sumBelow += histogram[i] * valueOf(i)
    if (below === 0 || below === total) continue
    const distance = (sum - sumBelow) / (total - below) - sumBelow / below
    const apart = (below / total) * (1 - below / total) * distance ** 2
    if (apart > best) {
      best = apart
      between = distance
      threshold = valueOf(i) + (HIGHEST - LOWEST) / STEPS / 2
    }
  }
  if (variance <= 0 || best / variance < TOLD_APART || between < LEAST_DISTANCE) return USUAL_THRESHOLD
  return Math.min(BELIEVED.high, Math.max(BELIEVED.low, threshold))
}

/** Error that a picture has however clear it is: tilt, leaf edges, mosses (judgement, 0.02–0.05). */
const BASE_ERROR = 0.03
/** A threshold is uncertain by this much; what of the ground changes sides with it is the error from it. */
const THRESHOLD_ERROR = 0.05

/** Colours under a grid laid over the frame: greenness by point, and which points cannot be told or lie outside. */
function gridOver(pixels: Pixels, frame: Frame): { values: Float32Array; grid: Uint8Array } {
  const onto = ontoFrame(isFlat(frame) ? frame : WHOLE_PICTURE)
  const values = new Float32Array(GRID * GRID)
  const grid = new Uint8Array(GRID * GRID)
  for (let at = 0; at < grid.length; at++) {
    const u = ((at % GRID) + 0.5) / GRID
    const v = (Math.floor(at / GRID) + 0.5) / GRID
    if (frame.shape === 'ring' && (u - 0.5) ** 2 + (v - 0.5) ** 2 > 0.25) {
      grid[at] = 3
      continue
    }
    const { x, y } = onto(u, v)
    const column = Math.min(pixels.widthPx - 1, Math.max(0, Math.floor(x * pixels.widthPx)))
    const row = Math.min(pixels.heightPx - 1, Math.max(0, Math.floor(y * pixels.heightPx)))
    const from = 4 * (row * pixels.widthPx + column)
    const [red, green, blue] = [pixels.rgba[from], pixels.rgba[from + 1], pixels.rgba[from + 2]]
    const sum = red + green + blue
    if (sum < TOO_DARK || sum > TOO_BRIGHT) grid[at] = 2
    else values[at] = greenness(red, green, blue)
  }
  return { values, grid }
}

/** Reads the green cover of the ground inside a frame. `threshold` replaces the automatic one, null to find it. */
export function greenCover(pixels: Pixels, frame: Frame, threshold: number | null = null): GreenCover {
  const { values, grid } = gridOver(pixels, frame)
  const histogram = new Float64Array(STEPS)
  let known = 0
  let unclear = 0
  for (let at = 0; at < grid.length; at++) {
    if (grid[at] === 2) unclear++
    if (grid[at] !== 0) continue
    known++
    histogram[stepOf(values[at])]++
  }
  const used = threshold ?? automaticThreshold(histogram)
  const coverAt = (limit: number) => {
    let green = 0
    for (let at = 0; at < grid.length; at++) if (grid[at] === 0 && values[at] > limit) green++
    return known > 0 ? green / known : 0
  }
  const cover = coverAt(used)
  const fromThreshold = (coverAt(used - THRESHOLD_ERROR) - coverAt(used + THRESHOLD_ERROR)) / 2
  const unclearShare = unclear / Math.max(1, known + unclear)
  for (let at = 0; at < grid.length; at++) if (grid[at] === 0 && values[at] > used) grid[at] = 1
  return {
    cover,
    error: Math.min(0.5, Math.hypot(BASE_ERROR, fromThreshold, 0.4 * unclearShare)),
    threshold: used,
    unclear: unclearShare,
    grid,
    gridSize: GRID,
  }
}
