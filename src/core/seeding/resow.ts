/** Below this share of the expected plants a stand is thin (judgement, 0.5–0.7). */
export const THIN_SHARE = 0.6

/** Grams to sow again on the thin part so that it comes to the expected plants: the rate's missing share over its ground. */
export function resowGrams(
  gramsPerM2: number,
  areaM2: number,
  thinShare: number,
  standShare: number,
): number {
  return gramsPerM2 * areaM2 * Math.min(1, Math.max(0, thinShare)) * Math.min(1, Math.max(0, 1 - standShare))
}
