/** What is thought of a linear rule before anything is seen: means and standard deviations of its terms. */
export type Prior = { mean: readonly number[]; sd: readonly number[] }
/** One thing seen: its terms, its value, and the standard deviation of its error. */
export type Seen = { terms: readonly number[]; value: number; sd: number }

/**
 * The middle of a linear rule after what was seen, taken up one by one (recursive Bayesian least squares; the order does not
 * matter). Terms of a narrow prior stay near what was thought; those of a wide one follow what is seen.
 */
export function learnRule({ mean, sd }: Prior, seen: readonly Seen[]): number[] {
  const rule = [...mean]
  const spread = sd.map((one, i) => sd.map((_, j) => (i === j ? one ** 2 : 0)))
  for (const { terms, value, sd: error } of seen) {
    const share = spread.map((row) => row.reduce((sum, cell, j) => sum + cell * terms[j], 0))
    const variance = error ** 2 + share.reduce((sum, part, i) => sum + part * terms[i], 0)
    const surprise = value - terms.reduce((sum, term, i) => sum + term * rule[i], 0)
    for (let i = 0; i < rule.length; i++) {
      rule[i] += (share[i] / variance) * surprise
      for (let j = 0; j < rule.length; j++) spread[i][j] -= (share[i] * share[j]) / variance
    }
  }
  return rule
}
