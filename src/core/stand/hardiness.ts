import { exponential } from '../foundations/exponential'
import { atLeast, atMost, within } from '../foundations/limit'
import type { SpeciesParameters } from '../plants/parameters'
import { physics } from './physics'

/** Below this crown temperature plants harden (Fowler et al. 1999). */
const ACCLIMATION_C = 10
/** Width of the kill curve, °C: how unlike the plants of one stand are (judgement, 0.6–1.5). */
const KILL_WIDTH_C = 1

/** Depth of a settled pack by its water, cm per mm (density about 0.25). */
const SNOW_CM_PER_MM = 0.4
/** Closest that a growing point under deep snow comes to the soil. */
const MOST_SOIL_SHARE = 0.95
/** Growing points this near the soil, by their share of it, are half as well sheltered as those at its surface (judgement). */
const HALF_SHELTERED_SHARE = 0.2

/**
 * Temperature of the growing point, °C: between air and soil, closer to the soil the deeper snow lies over it. Upright plants
 * stand out of the snow and gain little (after the form of Aase and Siddoway 1979).
 */
export function crownTemperature(tMinC: number, soilC: number, snowMm: number, p: SpeciesParameters): number {
  const own = p.crownSoilShare
  const covered = 1 - exponential((-SNOW_CM_PER_MM / physics.shelteringCm) * snowMm)
  const reach = own / (own + HALF_SHELTERED_SHARE)
  const share = own + atLeast(0, MOST_SOIL_SHARE - own) * reach * covered
  return share * soilC + (1 - share) * tMinC
}

/** Next day's LT50, °C, from today's: hardening in the cold, softening in warm spells; stem growth costs hardiness. */
export function nextLt50(lt50C: number, crownC: number, ageCd: number, p: SpeciesParameters): number {
  const lost = within((ageCd - p.t31Cd) / atLeast(1, p.t61Cd - p.t31Cd), 0, 1)
  const hardest = p.lt50HardyC + (p.lt50TenderC - p.lt50HardyC) * lost
  if (crownC < ACCLIMATION_C) {
    const rate = atMost(0.12, physics.hardeningPerC * (ACCLIMATION_C - crownC))
    return lt50C + rate * (hardest - lt50C) * (lt50C > hardest ? 1 : 0.5)
  }
  return lt50C + atMost(0.25, physics.softeningPerC * (crownC - ACCLIMATION_C)) * (p.lt50TenderC - lt50C)
}

/** Share of plants that lives through a night at this crown temperature, 0–1; a half at LT50. */
export function nightSurvival(crownC: number, lt50C: number): number {
  return 1 / (1 + Math.exp((lt50C - crownC) / KILL_WIDTH_C))
}
