import { atMost, within } from '../foundations/limit'
import type { SpeciesParameters } from '../plants/parameters'
import { physics } from './physics'

/** Effective °C d of one temperature: rising above the base, level at the best, falling to zero at the maximum. */
export function effectiveTemperature(
  tC: number,
  base: number,
  optLow: number,
  optHigh: number,
  max: number,
): number {
  if (tC <= base || tC >= max) return 0
  if (tC < optLow) return tC - base
  if (tC <= optHigh) return optLow - base
  return ((optLow - base) * (max - tC)) / (max - optHigh)
}

/** Effective °C d of a day over its course: the mean of the responses at mean ± 0.35·range. */
export function dailyThermalTime(tMinC: number, tMaxC: number, p: SpeciesParameters): number {
  const mean = (tMinC + tMaxC) / 2
  const swing = 0.35 * (tMaxC - tMinC)
  const { developBaseC: base, developOptLowC: low, developOptHighC: high, developMaxC: max } = p
  return (
    (effectiveTemperature(mean - swing, base, low, high, max) +
      effectiveTemperature(mean + swing, base, low, high, max)) /
    2
  )
}

/** A night this much warmer than one that stops the next day's light use does no harm (judgement). */
const COLD_NIGHT_SPAN_C = 10

/** Share of the day's light use left after a cold night, 0–1 (as in SUCROS, Spitters et al. 1989, table of the night's minimum). */
export const coldNightFactor = (tMinC: number, growBaseC: number): number =>
  within((tMinC - growBaseC - physics.coldNightC) / COLD_NIGHT_SPAN_C, 0, 1)

/** Daylength at which perennials rest and from which on they grow as their warmth allows, h (fall dormancy; judgement). */
const DORMANT_H = 10
const ACTIVE_H = 13

/** Share of their growth that short days leave to plants that live on for years, 0–1. */
export const dormancyFactor = (daylightH: number): number =>
  physics.dormantGrowth +
  (1 - physics.dormantGrowth) * within((daylightH - DORMANT_H) / (ACTIVE_H - DORMANT_H), 0, 1)

/** Share of the growth rate a day's temperature allows, 0–1, averaged over its course, after its night. */
export function growthResponse(tMinC: number, tMaxC: number, p: SpeciesParameters): number {
  const day = tMaxC - 0.25 * (tMaxC - tMinC)
  return (
    (coldNightFactor(tMinC, p.growBaseC) *
      effectiveTemperature(day, p.growBaseC, p.growOptLowC, p.growOptHighC, p.growMaxC)) /
    (p.growOptLowC - p.growBaseC)
  )
}

/** Vernalising worth of a day, 0–1: full from 1 to 8 °C, none below −4 or above 16 °C (judgement, after cereals). */
export function vernalisingDay(meanC: number): number {
  if (meanC <= -4 || meanC >= 16) return 0
  if (meanC < 1) return (meanC + 4) / 5
  return meanC <= 8 ? 1 : (16 - meanC) / 8
}

/** Development-rate factor of vernalisation, floor–1; acts until BBCH 31. A little cold does little: the square of the share of it. */
export function vernalFactor(vernalDays: number, p: SpeciesParameters): number {
  if (p.vernalDays === 0) return 1
  const share = atMost(1, vernalDays / p.vernalDays)
  return p.vernalFloor + (1 - p.vernalFloor) * share * share
}

/** Development-rate factor of daylength, floor–1; long-day plants have photoLowH < photoFullH, short-day the reverse. */
export function photoFactor(daylightH: number, p: SpeciesParameters): number {
  if (p.photoFloor >= 1) return 1
  const share = (daylightH - p.photoLowH) / (p.photoFullH - p.photoLowH)
  return p.photoFloor + (1 - p.photoFloor) * within(share, 0, 1)
}

/**
 * Share of its thermal time that a day counts for, 0–1, from emergence on: vernalisation slows it to BBCH 31, daylength
 * fully to 51 and by half to 61.
 * @param photo the day's factor of daylength, from `photoFactor`
 */
export function developmentPace(
  ageCd: number,
  vernalDays: number,
  photo: number,
  p: SpeciesParameters,
): number {
  if (ageCd < p.t31Cd) return vernalFactor(vernalDays, p) * photo
  if (ageCd < p.t51Cd) return photo
  return ageCd < p.t61Cd ? 0.5 + 0.5 * photo : 1
}
