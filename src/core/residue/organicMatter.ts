import type { Quantiles } from '../foundations/statistics'

/** Carbon in dry matter. */
const CARBON = 0.42
/** Shares of shoot and root carbon still in the soil after a year, and what goes of that each later year (extension). */
const KEPT = {
  low: { shoot: 0.1, root: 0.25, lost: 0.04 },
  mid: { shoot: 0.15, root: 0.35, lost: 0.025 },
  high: { shoot: 0.2, root: 0.45, lost: 0.015 },
} as const

/** A cover's dry matter that stayed on the bed, g m⁻², and how many years ago it ended. */
export type OrganicInput = { shootG: number; rootG: number; yearsAgo: number }

/**
 * Carbon from these covers that is still in the soil, g m⁻²: a slow, wide band, no promise. What ended less than a
 * year ago counts as it will be after that year.
 */
export function carbonKept(inputs: readonly OrganicInput[]): Quantiles {
  const of = (which: 'low' | 'mid' | 'high') => {
    const { shoot, root, lost } = KEPT[which]
    return inputs.reduce(
      (sum, { shootG, rootG, yearsAgo }) =>
        sum + CARBON * (shootG * shoot + rootG * root) * (1 - lost) ** Math.max(0, yearsAgo - 1),
      0,
    )
  }
  return { p10: of('low'), p50: of('mid'), p90: of('high') }
}
