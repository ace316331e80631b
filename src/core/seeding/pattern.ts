import { randomStream } from '../foundations/random'
import { lanesOf } from './measures'

/** A person's unevenness: how handfuls differ, and how far casts stray. */
export type Throw = {
  castWidthM: number
  /** Coefficient of variation of handfuls, 0–1. */
  unevenness: number
}

export type PatternOutcome = {
  passes: number
  /** Share of hand-wide squares with less than a third of the seed that was meant for them. */
  bareShare: number
  /** Variation of seed density between hand-wide squares. */
  variation: number
}

/** Edge of a square that a bare hand covers, m. */
const HAND_M = 0.1
/** Share of the intended density below which a square counts as bare. */
const BARE_BELOW = 1 / 3
/** Ground simulated along the bed, m; longer beds repeat it. */
const LENGTH_M = 60
/** How much thicker than meant a pass begins, and thinner it ends (judgement, 0.2–0.5). */
const HEAVY_START = 0.35
/** Throws per metre walked. */
const THROWS_PER_M = 1.4

/**
 * Throws seed over a bed in lanes, crossing passes with the same total, and counts what stays bare. A cast lands in a
 * fan: densest in the middle, thin at its edges. Deterministic by seed.
 */
export function simulatePattern(
  widthM: number,
  seedsPerM2: number,
  how: Throw,
  passes: number,
  seed: number,
): PatternOutcome {
  const columns = Math.max(3, Math.round(widthM / HAND_M))
  const rows = Math.round(LENGTH_M / HAND_M)
  const density = new Float64Array(columns * rows)
  const random = randomStream(seed)
  for (let pass = 0; pass < passes; pass++)
    castPass(density, columns, rows, pass % 2 === 0, seedsPerM2 / passes, how, random)
  let bare = 0
  let sum = 0
  let squares = 0
  for (const value of density) {
    if (value < BARE_BELOW * seedsPerM2) bare++
    sum += value
    squares += value * value
  }
  const mean = sum / density.length
  return {
    passes,
    bareShare: bare / density.length,
    variation: mean > 0 ? Math.sqrt(Math.max(0, squares / density.length - mean * mean)) / mean : 0,
  }
}

function castPass(
  density: Float64Array,
  columns: number,
  rows: number,
  along: boolean,
  seedsPerM2: number,
  { castWidthM, unevenness }: Throw,
  random: ReturnType<typeof randomStream>,
) {
  const [sideCells, wayCells] = along ? [columns, rows] : [rows, columns]
  const side = sideCells * HAND_M
  const lanes = lanesOf(side, castWidthM)
  const laneWidth = side / lanes
  const stepCells = Math.max(1, Math.round(1 / THROWS_PER_M / HAND_M))
  for (let lane = 0; lane < lanes; lane++) {
    const middle = (lane + 0.5) * laneWidth + 0.08 * castWidthM * random.normal()
    for (let at = 0; at < wayCells; at += stepCells) {
      const shape = 1 / Math.max(0.01, unevenness * unevenness)
      // A full hand throws thicker than one that must last to the end.
      const drift = 1 + HEAVY_START * (1 - (2 * (lane + at / wayCells)) / lanes)
      const amount = seedsPerM2 * drift * random.gamma(shape, 1 / shape)
      const reach = Math.max(laneWidth, castWidthM) / 2
      const cells: [number, number][] = []
      let total = 0
      for (let s = 0; s < sideCells; s++) {
        const distance = Math.abs((s + 0.5) * HAND_M - middle) / reach
        if (distance > 1.15) continue
        const weight = Math.max(0.05, 1 - distance * distance * 0.75)
        cells.push([s, weight])
        total += weight
      }
      if (total <= 0) continue
      const perLane = (amount * laneWidth) / HAND_M / total
      for (let w = at; w < Math.min(wayCells, at + stepCells); w++)
        for (const [s, weight] of cells)
          density[along ? w * columns + s : s * columns + w] += perLane * weight
    }
  }
}
