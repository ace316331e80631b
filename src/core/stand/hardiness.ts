import { atLeast, atMost, within } from '../foundations/limit'
import type { SpeciesParameters } from '../plants/parameters'

/** Below this crown temperature plants harden (Fowler et al. 1999). */
const ACCLIMATION_C = 10
/** Share of the gap to full hardiness closed per day per °C below 10 °C (judgement, 0.005–0.015). */
const HARDENING_PER_C = 0.009
/** Share of the gap to no hardiness closed per day per °C above 10 °C (judgement, 0.01–0.03). */
const SOFTENING_PER_C = 0.018
/** Width of the kill curve, °C (judgement, 0.6–1.5). */
const KILL_WIDTH_C = 0.7

/** Snow, mm of water, that shelters as well as snow can, and the share of the gap to soil temperature it closes (judgement). */
const DEEP_SNOW_MM = 35
const DEEP_SNOW_SHELTER = 0.75

/** Temperature of the growing point, °C: between air and soil, closer to the soil under snow. */
export function crownTemperature(tMinC: number, soilC: number, snowMm: number, p: SpeciesParameters): number {
  const snowCover = atMost(1, snowMm / DEEP_SNOW_MM)
  const share = p.crownSoilShare + (0.95 - p.crownSoilShare) * snowCover * DEEP_SNOW_SHELTER
  return share * soilC + (1 - share) * tMinC
}

/** Next day's LT50, °C, from today's: hardening in the cold, softening in warm spells; stem growth costs hardiness. */
export function nextLt50(lt50C: number, crownC: number, ageCd: number, p: SpeciesParameters): number {
  const lost = within((ageCd - p.t31Cd) / atLeast(1, p.t61Cd - p.t31Cd), 0, 1)
  const hardest = p.lt50HardyC + (p.lt50TenderC - p.lt50HardyC) * lost
  if (crownC < ACCLIMATION_C) {
    const rate = atMost(0.12, HARDENING_PER_C * (ACCLIMATION_C - crownC))
    return lt50C + rate * (hardest - lt50C) * (lt50C > hardest ? 1 : 0.5)
  }
  return lt50C + atMost(0.25, SOFTENING_PER_C * (crownC - ACCLIMATION_C)) * (p.lt50TenderC - lt50C)
}

/** Share of plants that lives through a night at this crown temperature, 0–1; a half at LT50. */
export function nightSurvival(crownC: number, lt50C: number): number {
  return 1 / (1 + Math.exp((lt50C - crownC) / KILL_WIDTH_C))
}
