/** The range over members: its 10th, 50th and 90th percentiles. */
export type Quantiles = { p10: number; p50: number; p90: number }

/** Where nothing is there to take quantiles of. */
export const NOTHING: Quantiles = { p10: 0, p50: 0, p90: 0 }

/** A figure from literature or trade with its likely lowest and highest value; no distribution is implied. */
export type Range = { low: number; mid: number; high: number }

/** Percentile p (0–1) of ascending values with weights that sum to `total`; linear between points. */
function weightedPercentile(pairs: [number, number][], total: number, p: number): number {
  const target = p * total
  let cumulative = 0
  for (let i = 0; i < pairs.length; i++) {
    const [value, weight] = pairs[i]
    const middle = cumulative + weight / 2
    if (middle >= target) {
      if (i === 0) return value
      const [previous, previousWeight] = pairs[i - 1]
      const previousMiddle = cumulative - previousWeight / 2
      const share = (target - previousMiddle) / (middle - previousMiddle || 1)
      return previous + (value - previous) * Math.max(0, share)
    }
    cumulative += weight
  }
  return pairs[pairs.length - 1][0]
}

/**
 * Puts the value of a rank, counted from 0, where it would stand if the values from `low` to `high` were sorted: smaller
 * ones before it, larger ones behind (Hoare 1961). A third of the work of sorting.
 */
export function placeRank(values: Float64Array, rank: number, low: number, high: number): void {
  while (low < high) {
    const pivot = values[(low + high) >> 1]
    let i = low
    let j = high
    while (i <= j) {
      while (values[i] < pivot) i++
      while (values[j] > pivot) j--
      if (i > j) break
      const swapped = values[i]
      values[i++] = values[j]
      values[j--] = swapped
    }
    if (rank <= j) high = j
    else if (rank >= i) low = i
    else return
  }
}

/**
 * Weighted 10, 50 and 90 % quantiles. `values` and `weights` have the same length; entries with weight 0 or a value
 * that is not finite are left out. Returns `null` when nothing is left.
 */
export function quantilesOf(values: ArrayLike<number>, weights?: ArrayLike<number>): Quantiles | null {
  const pairs: [number, number][] = []
  let total = 0
  for (let i = 0; i < values.length; i++) {
    const weight = weights ? weights[i] : 1
    if (weight > 0 && Number.isFinite(values[i])) {
      pairs.push([values[i], weight])
      total += weight
    }
  }
  if (pairs.length === 0) return null
  pairs.sort((a, b) => a[0] - b[0])
  return {
    p10: weightedPercentile(pairs, total, 0.1),
    p50: weightedPercentile(pairs, total, 0.5),
    p90: weightedPercentile(pairs, total, 0.9),
  }
}

/** Weighted share (0–1) of members for which `test` holds. */
export function shareOf(
  count: number,
  test: (index: number) => boolean,
  weights?: ArrayLike<number>,
): number {
  let hit = 0
  let total = 0
  for (let i = 0; i < count; i++) {
    const weight = weights ? weights[i] : 1
    total += weight
    if (test(i)) hit += weight
  }
  return total > 0 ? hit / total : 0
}

export const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value))

/** Straight line through table points given as ascending [x, y] pairs; flat beyond both ends. */
export function interpolate(points: readonly (readonly [number, number])[], x: number): number {
  let before = points[0]
  if (x <= before[0]) return before[1]
  for (let i = 1; i < points.length; i++) {
    const next = points[i]
    if (x <= next[0]) return before[1] + ((next[1] - before[1]) * (x - before[0])) / (next[0] - before[0])
    before = next
  }
  return before[1]
}

/** Chance that a date with these quantiles has come by a day: straight between its 10, 50 and 90 %. */
export function chanceBy({ p10: low, p50: mid, p90: high }: Quantiles, day: number): number {
  if (day < low) return 0.05
  if (day < mid) return 0.1 + (0.4 * (day - low)) / Math.max(1, mid - low)
  if (day < high) return 0.5 + (0.4 * (day - mid)) / Math.max(1, high - mid)
  return 0.95
}

/** The share of a standard normal spread below a value; within 1.5e-7 (Abramowitz and Stegun 1964, 7.1.26). */
export function normalCdf(x: number): number {
  const z = Math.abs(x) / Math.SQRT2
  const t = 1 / (1 + 0.3275911 * z)
  const series =
    t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))))
  const above = (series * Math.exp(-z * z)) / 2
  return x > 0 ? 1 - above : above
}
