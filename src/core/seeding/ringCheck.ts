import { failure, success, type Outcome } from '../foundations/outcome'

/** Ground that a ring or sheet covers, m². */
export const ringAreaM2 = (diameterM: number) => Math.PI * (diameterM / 2) ** 2

export type RingCount = {
  speciesId: string
  /** Seeds that should lie in the ring, from the recipe. */
  expected: number
  /** Seeds counted, one entry a ring. */
  counts: readonly number[]
}

export type RingVerdict = {
  speciesId: string
  expected: number
  mean: number
  /** Rate over the intended one, with the range that the counts leave open (90 %). */
  ratio: { low: number; mid: number; high: number }
  /** What to multiply the rest of the batch by; null where the counts do not speak against the recipe. */
  correction: number | null
}

/** Normal quantile of a two-sided 90 % interval. */
const Z90 = 1.645
/** Corrections beyond these are not a correction of the hand but a mistake in the weighing. */
const STRONGEST = { low: 0.5, high: 2 }

/**
 * Holds ring counts against the recipe. Thrown seed scatters more than chance alone, so the range is the wider of the
 * Poisson one and that of the rings among themselves. `doneShare` of the bed is sown already at the counted rate.
 */
export function ringVerdict(
  { speciesId, expected, counts }: RingCount,
  doneShare: number,
): Outcome<RingVerdict> {
  if (!(expected > 0))
    return failure({
      path: 'expected',
      code: 'none',
      message: 'No seed is expected in the ring. Check its size and the recipe.',
    })
  if (counts.length === 0 || counts.some((count) => !(count >= 0) || !Number.isInteger(count)))
    return failure({
      path: 'counts',
      code: 'count',
      message: 'Enter whole numbers of seeds, one for each ring.',
    })
  const total = counts.reduce((sum, count) => sum + count, 0)
  const mean = total / counts.length
  const poisson = Math.sqrt(Math.max(1, total)) / counts.length
  const spread =
    counts.length > 1
      ? Math.sqrt(
          counts.reduce((sum, count) => sum + (count - mean) ** 2, 0) / (counts.length - 1) / counts.length,
        )
      : 0
  const error = Z90 * Math.max(poisson, spread)
  const ratio = {
    low: Math.max(0, mean - error) / expected,
    mid: mean / expected,
    high: (mean + error) / expected,
  }
  const speaks = ratio.low > 1 || ratio.high < 1
  return success({
    speciesId,
    expected,
    mean,
    ratio,
    correction: speaks ? correctionFor(ratio.mid, doneShare) : null,
  })
}

/** Factor on the rest so that the whole bed gets what was weighed: (1 − rate·done) ÷ (1 − done), within limits. */
export function correctionFor(rate: number, doneShare: number): number {
  const done = Math.min(0.95, Math.max(0, doneShare))
  const factor = (1 - rate * done) / (1 - done)
  return Math.min(STRONGEST.high, Math.max(STRONGEST.low, factor))
}
