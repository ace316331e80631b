import { isFlat, ontoFrame, WHOLE_PICTURE, type Frame } from './frame'
import { GRID, localMean, localSpread, reachableFromEdge } from './grid'
import { oklab } from './oklab'

/** Pixels as a browser gives them: red, green, blue, opacity, 0–255 each. */
export type Pixels = { widthPx: number; heightPx: number; rgba: Uint8ClampedArray }

/** What a picture shows of the ground inside its frame. */
export type GreenCover = {
  /** Share of the ground that is green, 0–1. */
  cover: number
  /** One standard deviation of it, 0–1. */
  error: number
  /** Greenness at which a point counts as green, about −0.1 to 0.4; found from the picture unless given. */
  threshold: number
  /** Share of the ground too dark or too bright to tell by its own colour. */
  unclear: number
  /** Whether so much of it lies in hard shadow that the picture is better taken again in shade. */
  tooMuchShadow: boolean
  /** By point of the grid laid over the frame: 0 not green, 1 green, 2 unclear, 3 outside a ring, 4 neither plant nor ground. */
  grid: Uint8Array
  gridSize: number
}

export { GRID }

const [BARE, GREEN, UNCLEAR, OUTSIDE, OBJECT] = [0, 1, 2, 3, 4]

/** Below this lightness colour is noise; above the other it is burnt out. */
const TOO_DARK_L = 0.2
const TOO_BRIGHT_L = 0.985
/** A point with hardly a colour and this much lighter than what surrounds it is the sun on something wet or waxy. */
const GLARE_ABOVE_L = 0.1
const GLARE_CHROMA = 0.06
/** Mean greenness of surroundings that are mostly leaf. */
const AMONG_LEAVES = 0.09

/**
 * Greenness of a colour: how far it lies from red to green in OKLab, by its lightness, so that light and shade on one leaf
 * come out alike. Soil and wood lie below zero, straw about it, leaves above.
 */
export const greenness = (lightness: number, a: number): number => -a / Math.max(TOO_DARK_L, lightness)

/** Greenness is sorted into this many steps between these limits. */
const STEPS = 120
const LOWEST = -0.15
const HIGHEST = 0.35
const stepOf = (value: number) =>
  Math.min(STEPS - 1, Math.max(0, Math.floor(((value - LOWEST) / (HIGHEST - LOWEST)) * STEPS)))
const valueOf = (step: number) => LOWEST + ((step + 0.5) * (HIGHEST - LOWEST)) / STEPS

/** Thresholds outside these are not believed: bare or closed ground has only one kind of point (judgement). */
const BELIEVED = { low: 0.03, high: 0.09 } as const
/** Mean greenness of the duller kind from which it too is leaf (judgement). */
const CLOSED = 0.03
const CLOSED_THRESHOLD = 0.035
/** Where nothing speaks for another. */
const USUAL_THRESHOLD = 0.05
/** Two kinds of points must differ by this much of the whole variance to be told apart. */
const TOLD_APART = 0.6
/** And their mean greenness by this much. */
const LEAST_DISTANCE = 0.06

/** Threshold between two kinds of points that sets them furthest apart (Otsu 1979), kept within what is believed. */
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
  let lowerMean = 0
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
      lowerMean = sumBelow / below
      threshold = valueOf(i) + (HIGHEST - LOWEST) / STEPS / 2
    }
  }
  if (variance <= 0 || best / variance < TOLD_APART || between < LEAST_DISTANCE) return USUAL_THRESHOLD
  // Both kinds green: lit and shaded, or dull and shining leaves.
  if (lowerMean > CLOSED) return CLOSED_THRESHOLD
  return Math.min(BELIEVED.high, Math.max(BELIEVED.low, threshold))
}

/** Error that a picture has however clear it is: tilt, leaf edges, mosses (judgement, 0.02–0.05). */
const BASE_ERROR = 0.03
/** A threshold is uncertain by this much; what of the ground changes sides with it is the error from it. */
const THRESHOLD_ERROR = 0.02
/** Points at the edge of leaves hold some of both; so much of them may be wrong (judgement, 0.05–0.2). */
const EDGE_ERROR = 0.12
/** Points told by their surroundings are wrong for this share of them (judgement, 0.1–0.3). */
const BY_SURROUNDINGS_ERROR = 0.2
/** Share of the ground in the dark from which a picture is better taken again. */
const TOO_MUCH_SHADOW = 0.3

/** Points over which colour is averaged in the dark, and surroundings looked at. */
const DARK_MEAN = 2
const SURROUNDINGS = 9

/** Boards and hands: bright, smooth, not green, and reaching in from the edge. */
const OBJECT_LEAST_L = 0.5
const OBJECT_SPREAD_L = 0.025
const OBJECT_LEAST_SHARE = 0.015
/** What fills more of the frame is smooth or burnt-out ground, and no thing on it. */
const OBJECT_MOST_SHARE = 0.35

type Colours = { lightness: Float32Array; a: Float32Array; b: Float32Array; grid: Uint8Array }

/** Colours under a grid laid over the frame. */
function coloursUnder(pixels: Pixels, frame: Frame): Colours {
  const onto = ontoFrame(isFlat(frame) ? frame : WHOLE_PICTURE)
  const points = GRID * GRID
  const colours: Colours = {
    lightness: new Float32Array(points),
    a: new Float32Array(points),
    b: new Float32Array(points),
    grid: new Uint8Array(points),
  }
  const { widthPx, heightPx, rgba } = pixels
  for (let at = 0; at < points; at++) {
    const u = ((at % GRID) + 0.5) / GRID
    const v = (Math.floor(at / GRID) + 0.5) / GRID
    if (frame.shape === 'ring' && (u - 0.5) ** 2 + (v - 0.5) ** 2 > 0.25) {
      colours.grid[at] = OUTSIDE
      continue
    }
    const { x, y } = onto(u, v)
    const column = Math.min(widthPx - 1, Math.max(0, Math.floor(x * widthPx)))
    const row = Math.min(heightPx - 1, Math.max(0, Math.floor(y * heightPx)))
    const from = 4 * (row * widthPx + column)
    const [lightness, a, b] = oklab(rgba[from], rgba[from + 1], rgba[from + 2])
    colours.lightness[at] = lightness
    colours.a[at] = a
    colours.b[at] = b
    if (lightness < TOO_DARK_L || lightness > TOO_BRIGHT_L) colours.grid[at] = UNCLEAR
  }
  return colours
}

/** Marks glare, which has the colour of the sun and not of what shines. */
function markGlare({ lightness, a, b, grid }: Colours): void {
  const around = localMean(lightness, SURROUNDINGS, grid, OUTSIDE, OBJECT)
  const green = localMean(
    lightness.map((value, at) => greenness(value, a[at])),
    SURROUNDINGS,
    grid,
    OUTSIDE,
    OBJECT,
  )
  for (let at = 0; at < grid.length; at++)
    if (
      grid[at] === BARE &&
      green[at] > AMONG_LEAVES &&
      lightness[at] > around[at] + GLARE_ABOVE_L &&
      Math.hypot(a[at], b[at]) < GLARE_CHROMA
    )
      grid[at] = UNCLEAR
}

/** Marks what is neither plant nor ground. */
function leaveOutObjects({ lightness, a, grid }: Colours): void {
  const spread = localSpread(lightness, DARK_MEAN)
  const like = Uint8Array.from(lightness, (value, at) => {
    const smooth = value > OBJECT_LEAST_L && spread[at] < OBJECT_SPREAD_L
    return grid[at] !== OUTSIDE && smooth && greenness(value, a[at]) < BELIEVED.low ? 1 : 0
  })
  for (const region of reachableFromEdge(like))
    if (region.length > OBJECT_LEAST_SHARE * grid.length && region.length < OBJECT_MOST_SHARE * grid.length)
      for (const at of region) grid[at] = OBJECT
}

/** Greenness by point, that of dark points from their mean with what lies next to them. */
function greennessOf({ lightness, a, grid }: Colours): Float32Array {
  const meanL = localMean(lightness, DARK_MEAN, grid, OUTSIDE)
  const meanA = localMean(a, DARK_MEAN, grid, OUTSIDE)
  return Float32Array.from(lightness, (value, at) =>
    grid[at] === UNCLEAR && value < TOO_DARK_L ? greenness(meanL[at], meanA[at]) : greenness(value, a[at]),
  )
}

/** Reads the green cover of the ground inside a frame. `threshold` replaces the automatic one, null to find it. */
export function greenCover(pixels: Pixels, frame: Frame, threshold: number | null = null): GreenCover {
  const colours = coloursUnder(pixels, frame)
  leaveOutObjects(colours)
  markGlare(colours)
  const { grid, lightness } = colours
  const values = greennessOf(colours)
  const histogram = new Float64Array(STEPS)
  let [clear, unclear, dark] = [0, 0, 0]
  for (let at = 0; at < grid.length; at++) {
    if (grid[at] === UNCLEAR) {
      unclear++
      if (lightness[at] < TOO_DARK_L) dark++
    }
    if (grid[at] !== BARE) continue
    clear++
    histogram[stepOf(values[at])]++
  }
  const used = threshold ?? automaticThreshold(histogram)
  const told = (limit: number) => coverOf(colours, values, limit)
  const cover = told(used)
  const fromThreshold = (told(used - THRESHOLD_ERROR) - told(used + THRESHOLD_ERROR)) / 2
  const unclearShare = unclear / Math.max(1, clear + unclear)
  const shown = Uint8Array.from(grid, (mark, at) =>
    mark === BARE && values[at] > limitAt(used, lightness[at]) ? GREEN : mark,
  )
  return {
    cover,
    error: Math.min(
      0.5,
      Math.hypot(
        BASE_ERROR,
        fromThreshold,
        EDGE_ERROR * edgeShare(shown),
        (clear > 0 ? BY_SURROUNDINGS_ERROR : 1) * unclearShare,
      ),
    ),
    threshold: used,
    unclear: unclearShare,
    tooMuchShadow: dark / Math.max(1, clear + unclear) > TOO_MUCH_SHADOW,
    grid: shown,
    gridSize: GRID,
  }
}

/** What shines through leaves makes the ground beneath them greenish: dark points must be greener by so much (judgement). */
const STRICTER_IN_DARK = 0.07
const DARKISH_L = 0.42
const limitAt = (limit: number, lightness: number) =>
  limit + STRICTER_IN_DARK * Math.max(0, 1 - lightness / DARKISH_L)

/** Share of the points that are green and have one beside them that is not. */
function edgeShare(shown: Uint8Array): number {
  let edges = 0
  for (let at = 0; at + GRID < shown.length; at++)
    if (
      (shown[at] === GREEN) !== (shown[at + 1] === GREEN) ||
      (shown[at] === GREEN) !== (shown[at + GRID] === GREEN)
    )
      edges++
  return edges / shown.length
}

/** Weight of a dark point's own colour against its surroundings; that of glare has none. */
const OWN_WEIGHT = 0.5

/**
 * Share of the ground that is green at a threshold. Points that cannot be told by their colour alone are told by it together
 * with what surrounds them: shadow among leaves mostly lies on leaves, shadow on open ground on the ground.
 */
function coverOf({ grid, lightness }: Colours, values: Float32Array, limit: number): number {
  const green = Float32Array.from(values, (value, at) => (value > limitAt(limit, lightness[at]) ? 1 : 0))
  const around = localMean(green, SURROUNDINGS, grid, UNCLEAR, OUTSIDE, OBJECT)
  let [sum, count] = [0, 0]
  for (let at = 0; at < grid.length; at++) {
    if (grid[at] === OUTSIDE || grid[at] === OBJECT) continue
    count++
    const own = grid[at] !== UNCLEAR ? 1 : lightness[at] < TOO_DARK_L ? OWN_WEIGHT : 0
    sum += own * green[at] + (1 - own) * around[at]
  }
  return count > 0 ? sum / count : 0
}
