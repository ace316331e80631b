import { GRAMS_PER_OUNCE } from '../foundations/units'

/** Steps that scales show, from a pocket scale's to a platform's: grams, and ounces as grams. */
const METRIC_G = [0.1, 0.5, 1, 5, 10, 50, 100, 500]
const OUNCES = [0.01, 0.05, 0.1, 0.5, 1, 4, 16]
const IMPERIAL_G = OUNCES.map((ounces) => Math.round(ounces * GRAMS_PER_OUNCE * 1000) / 1000)

/** Steps of the scales that weigh in grams, or in ounces; all in grams. */
export const scaleSteps = (imperial: boolean): readonly number[] => (imperial ? IMPERIAL_G : METRIC_G)

/** Most steps that a weighing should have: finer no scale shows. */
const MOST_STEPS = 1000
/** Below this a kitchen scale is too coarse, g. */
const POCKET_SCALE_G = 20

/** The step of the scale that a weight is usually weighed with, g. */
export function usualStep(grams: number, imperial: boolean): number {
  const steps = scaleSteps(imperial)
  const least = grams < POCKET_SCALE_G ? steps[0] : steps[2]
  return steps.find((step) => step >= least && grams / step <= MOST_STEPS) ?? steps[steps.length - 1]
}
