/** Points along each side of the grid laid over a frame. */
export const GRID = 240

/** Sums over a square about each point, by running sums along rows and columns; beyond the edge there is nothing. */
function boxSum(values: Float32Array, radius: number): Float32Array {
  const across = new Float32Array(values.length)
  const both = new Float32Array(values.length)
  run(values, across, 1, GRID, radius)
  run(across, both, GRID, 1, radius)
  return both
}

function run(from: Float32Array, to: Float32Array, step: number, lineStep: number, radius: number): void {
  for (let line = 0; line < GRID; line++) {
    const start = line * lineStep
    let sum = 0
    for (let i = 0; i < radius; i++) sum += from[start + i * step]
    for (let i = 0; i < GRID; i++) {
      if (i + radius < GRID) sum += from[start + (i + radius) * step]
      if (i > radius) sum -= from[start + (i - radius - 1) * step]
      to[start + i * step] = sum
    }
  }
}

/** Mean about each point of those that bear none of the marks; 0 where all do. */
export function localMean(
  values: Float32Array,
  radius: number,
  grid: Uint8Array,
  ...leftOut: readonly number[]
): Float32Array {
  const counted = Float32Array.from(grid, (mark) => (leftOut.includes(mark) ? 0 : 1))
  const sums = boxSum(
    values.map((value, at) => value * counted[at]),
    radius,
  )
  const counts = boxSum(counted, radius)
  return sums.map((sum, at) => (counts[at] > 0.5 ? sum / counts[at] : 0))
}

/** Standard deviation about each point. */
export function localSpread(values: Float32Array, radius: number): Float32Array {
  const none = new Uint8Array(values.length)
  const mean = localMean(values, radius, none, 1)
  const squares = localMean(
    values.map((value) => value * value),
    radius,
    none,
    1,
  )
  return squares.map((square, at) => Math.sqrt(Math.max(0, square - mean[at] ** 2)))
}

/** Regions of marked points that touch one another and reach the edge of the grid. */
export function reachableFromEdge(marked: Uint8Array): number[][] {
  const seen = new Uint8Array(marked.length)
  const regions: number[][] = []
  const isEdge = (at: number) => {
    const [x, y] = [at % GRID, Math.floor(at / GRID)]
    return x === 0 || y === 0 || x === GRID - 1 || y === GRID - 1
  }
  for (let from = 0; from < marked.length; from++) {
    if (!marked[from] || seen[from] || !isEdge(from)) continue
    const region = [from]
    seen[from] = 1
    for (let i = 0; i < region.length; i++) {
      const at = region[i]
      const x = at % GRID
      for (const next of [x > 0 ? at - 1 : -1, x < GRID - 1 ? at + 1 : -1, at - GRID, at + GRID])
        if (next >= 0 && next < marked.length && marked[next] && !seen[next]) {
          seen[next] = 1
          region.push(next)
        }
    }
    regions.push(region)
  }
  return regions
}
