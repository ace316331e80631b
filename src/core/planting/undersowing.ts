import type { Species } from '../plants/parameters'

/** Yield that the crop above loses to a cover under it, shares of the harvest, 0–1. */
export type YieldLost = { low: number; high: number }

/**
 * At the end of the weed-free time weeds that come up after it cost no more than this (published: the 5 % by which
 * critical periods are drawn, Knezevic et al. 2002, Weed Science 50:773).
 */
const LOST_AT_LAST_WEEDING = 0.05
/** What is added for each day that a cover is sown before it: judgement, 0.2–1.5 % a day. */
const LOST_PER_DAY_EARLIER = { low: 0.002, high: 0.012 }
/** Days after it in which what a cover still takes falls to a third (judgement, 10–21). */
const FADES_IN_DAYS = 14
/** More than this is not told of any cover (judgement, 0.5–0.8). */
const MOST_LOST = 0.6
/** Taller than this, m, a cover competes for light as a tall weed does, lower than that hardly (judgement). */
const TALL_M = 1.1
const LOW_M = 0.4
const STRENGTH = { low: 0.5, middle: 1, tall: 1.4 }

const strengthOf = ({ parameters: { heightM } }: Species): number =>
  heightM >= TALL_M ? STRENGTH.tall : heightM <= LOW_M ? STRENGTH.low : STRENGTH.middle

/**
 * What sowing under a crop may cost it: up to a twentieth when sown at its last weeding, less later, and more for every day
 * earlier, most under what grows tall. Interseeding before the fifth leaf of corn has cost yield, later seldom (Curran et
 * al. 2018, Agronomy Journal 110:435); so it was with early cover strips between pumpkins (Vanek et al. 2005, HortScience
 * 40:1716).
 * @param daysAfter days from the last weeding to the sowing, negative before it
 * @example
 * yieldLost([whiteClover], 0) // { low: 0, high: 0.025 }
 */
export function yieldLost(plants: readonly Species[], daysAfter: number): YieldLost {
  const strength = Math.max(...plants.map(strengthOf))
  const atLast = LOST_AT_LAST_WEEDING * strength
  if (daysAfter >= 0)
    return { low: 0, high: Math.min(MOST_LOST, atLast * Math.exp(-daysAfter / FADES_IN_DAYS)) }
  const early = -daysAfter * strength
  return {
    low: Math.min(MOST_LOST, LOST_PER_DAY_EARLIER.low * early),
    high: Math.min(MOST_LOST, atLast + LOST_PER_DAY_EARLIER.high * early),
  }
}
