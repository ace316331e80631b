import { DEPTH_CM } from '../plants/establishment'
import { pickColumns } from '../foundations/columns'
import { atOnce, type Steps } from '../foundations/steps'
import { shareOf, quantilesOf, type Quantiles } from '../foundations/statistics'
import type { Bed } from '../garden/schema'
import { germinationMoisture, soilWater, waterCapacity, waterDay } from '../site/soilWater'
import type { MemberWeather, WeatherEnsemble } from '../site/weather'

/** One sowing day judged by the rain that follows it. */
export type SowingDay = {
  day: number
  /** Chance that the seed layer stays moist enough to germinate in for the days that matter. */
  moistChance: number
  /** Rain in those days, mm. */
  rainMm: Quantiles
  /** Water to give by hand over those days so that it stays moist, mm. */
  needMm: Quantiles
}

/** Days after sowing on which the seed layer must stay moist (10–14). */
export const MOIST_DAYS = 12
/** Share of those days that must be moist enough. */
const MOIST_SHARE = 0.8
/** Germination moisture that counts as moist. */
const MOIST_ENOUGH = 0.5
const LEAD_DAYS = 25
/** How deep the seed that a day is judged for lies, cm. */
const SEED_DEPTH_CM = DEPTH_CM.raked.small

/** Ground covered before sowing and after it, and none of it green, 0–1. */
const COVER_BEFORE = Float64Array.of(0.1)
const COVER_AFTER = Float64Array.of(0.05)
const NO_GREEN = Float64Array.of(0)

/** How a seed layer fares that is sown on the day at a place of a member's weather, with rain alone and with watering. */
function moistureAfter({ waterMm, et0Mm }: MemberWeather, soil: Bed['soil'], at: number) {
  const capacity = waterCapacity(soil)
  const water = soilWater(soil, 1, 0.6)
  const drained = new Float64Array(1)
  for (let i = at - LEAD_DAYS; i < at; i++)
    waterDay(water, capacity, waterMm, et0Mm, i, 0, COVER_BEFORE, COVER_BEFORE, drained, 0, 1)
  const kept = pickColumns(water, [0])
  let moist = 0
  let rain = 0
  let need = 0
  for (let i = at; i < at + MOIST_DAYS; i++) {
    for (const layer of [water, kept])
      waterDay(layer, capacity, waterMm, et0Mm, i, 0, NO_GREEN, COVER_AFTER, drained, 0, 1)
    if (
      germinationMoisture(
        water.seedLayerMm[0] / capacity.seedMm,
        water.rootZoneMm[0] / capacity.rootMm,
        SEED_DEPTH_CM,
      ) >= MOIST_ENOUGH
    )
      moist++
    rain += waterMm[i]
    const lack = 0.5 * capacity.seedMm - kept.seedLayerMm[0]
    if (lack > 0) {
      kept.seedLayerMm[0] += lack
      need += lack
    }
  }
  return { moist: moist / MOIST_DAYS >= MOIST_SHARE, rain, need }
}

/** Ranks sowing days by the chance that rain less evaporation keeps the top 5 cm moist. */
export const rankSowingDays = atOnce(sowingDaysInSteps)

/** The same with pauses. */
export function* sowingDaysInSteps(
  ensemble: WeatherEnsemble,
  soil: Bed['soil'],
  fromDay: number,
  days: number,
): Steps<SowingDay[]> {
  const ranked: SowingDay[] = []
  for (let day = fromDay; day < fromDay + days; day++) {
    const at = day - ensemble.startDay
    if (at < LEAD_DAYS || at + MOIST_DAYS > ensemble.days) continue
    const outcomes = ensemble.members.map((weather) => moistureAfter(weather, soil, at))
    ranked.push({
      day,
      moistChance: shareOf(outcomes.length, (m) => outcomes[m].moist),
      rainMm: quantilesOf(outcomes.map((outcome) => outcome.rain))!,
      needMm: quantilesOf(outcomes.map((outcome) => outcome.need))!,
    })
    yield
  }
  return ranked
}

/** Litres of so many mm over an area, and cans of a size. */
export const litresFor = (mm: number, areaM2: number) => mm * areaM2
export const cansFor = (litres: number, canLitres: number) => Math.ceil(litres / canLitres - 1e-9)

/** Pressure at an ordinary tap and what a rose or nozzle keeps of it, m of water (2–4 bar; about 1 bar). */
const TAP_HEAD_M = 30
const ROSE_HEAD_M = 10
/** Most that an ordinary tap gives, whatever the hose, litres a minute (15–25). */
const TAP_LITRES_A_MINUTE = 20
/** Smoothness of a plastic hose in the equation below. */
const SMOOTH = 140
/** Inner width of a common garden hose, half an inch, m. */
const HOSE_BORE_M = 0.0127

/**
 * Litres a minute through a garden hose at an ordinary tap, by its length, at most what the tap gives (Williams and Hazen 1905:
 * head lost = 10.67 L Q^1.852 / (C^1.852 d^4.87), Q in m³ s⁻¹). Real taps differ by a half either way: fill a can and
 * look at the clock.
 * @param lengthM 1 to 200
 */
export function hoseLitresPerMinute(lengthM: number, boreM = HOSE_BORE_M): number {
  const lost = (TAP_HEAD_M - ROSE_HEAD_M) / Math.max(1, lengthM)
  const flow = ((lost * SMOOTH ** 1.852 * boreM ** 4.87) / 10.67) ** (1 / 1.852)
  return Math.min(TAP_LITRES_A_MINUTE, flow * 60_000)
}

/** A sprinkler by catch cups, mm in each after some minutes: its rate and evenness (Christiansen 1942). */
export function sprinklerFrom(
  cupsMm: readonly number[],
  minutes: number,
): { mmPerHour: number; evenness: number } | null {
  if (cupsMm.length < 3 || !(minutes > 0) || cupsMm.some((mm) => !(mm >= 0))) return null
  const mean = cupsMm.reduce((sum, mm) => sum + mm, 0) / cupsMm.length
  if (mean <= 0) return null
  const off = cupsMm.reduce((sum, mm) => sum + Math.abs(mm - mean), 0) / cupsMm.length
  return { mmPerHour: (mean / minutes) * 60, evenness: Math.max(0, 1 - off / mean) }
}
