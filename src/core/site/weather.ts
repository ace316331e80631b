import { dayOfYear } from '../foundations/day'
import { within } from '../foundations/limit'
import type { SiteClimate } from '../garden/site'
import { daylightHours, extraterrestrialRadiation, hargreavesEt0, radiationFromRange } from './sun'

/**
 * Daily weather of one member over `days` days from day number `startDay`.
 * Soil temperature is that of bare ground at 5 cm; snow is its water equivalent.
 */
export type MemberWeather = {
  tMinC: Float64Array
  tMaxC: Float64Array
  rainMm: Float64Array
  radiationMjM2: Float64Array
  et0Mm: Float64Array
  soilTempC: Float64Array
  snowMm: Float64Array
  /** Rain and melt that reach the soil. */
  waterMm: Float64Array
}

export type WeatherEnsemble = {
  startDay: number
  days: number
  /** What the members were drawn by; whatever else differs between them is drawn by it too. */
  seed: number
  /** 1 for each day that is known and the same in all members, 0 where members differ. */
  known: Uint8Array
  daylightHours: Float64Array
  members: MemberWeather[]
}

/** The first day from `fromDay` on that is not known; the end of the ensemble where all are. */
export function firstUnknownDay(ensemble: WeatherEnsemble, fromDay: number): number {
  const first = ensemble.known.indexOf(0, Math.max(0, fromDay - ensemble.startDay))
  return ensemble.startDay + (first < 0 ? ensemble.days : first)
}

const prefixes = new WeakMap<WeatherEnsemble, Map<number, WeatherEnsemble>>()

/** Makes an ensemble that another was gone on from the one that the other's first members are. */
export function beginsWith(ensemble: WeatherEnsemble, begun: WeatherEnsemble): void {
  if (begun.members.length >= ensemble.members.length) return
  prefixes.set(ensemble, new Map([...(prefixes.get(begun) ?? []), [begun.members.length, begun]]))
}

/** An ensemble of the first so many members; the same one whenever it is asked for. */
export function firstMembers(ensemble: WeatherEnsemble, count: number): WeatherEnsemble {
  if (count >= ensemble.members.length) return ensemble
  let of = prefixes.get(ensemble)
  if (!of) prefixes.set(ensemble, (of = new Map()))
  let some = of.get(count)
  if (!some) of.set(count, (some = { ...ensemble, members: ensemble.members.slice(0, count) }))
  return some
}

export function emptyMember(days: number): MemberWeather {
  const series = () => new Float64Array(days)
  return {
    tMinC: series(),
    tMaxC: series(),
    rainMm: series(),
    radiationMjM2: series(),
    et0Mm: series(),
    soilTempC: series(),
    snowMm: series(),
    waterMm: series(),
  }
}

export function daylightSeries(site: SiteClimate, startDay: number, days: number): Float64Array {
  return Float64Array.from({ length: days }, (_, i) => daylightHours(site.latitude, dayOfYear(startDay + i)))
}

/** Share of the gap between soil and air closed per day at 5 cm depth (judgement, 0.15–0.4). */
const SOIL_LAG_PER_DAY = 0.25
/** Sun-warmed bare soil runs above air by this much per MJ m⁻² d⁻¹ (judgement, 0.05–0.15). */
const SOIL_SUN_C_PER_MJ = 0.09
/** Degree-day melt factor, mm °C⁻¹ d⁻¹ (extension, 2–5). */
const MELT_MM_PER_C = 3
/** Melt by rain on snow, share of the rain per °C (heat of water over heat of fusion: 4.19/334). */
const RAIN_MELT_PER_C = 0.0125
/** Precipitation falls as snow below the first mean, as rain above the second, as both between, °C (Auer 1974). */
const ALL_SNOW_C = -1
const ALL_RAIN_C = 3

/** Share of a day's precipitation that falls as snow, 0–1, by its mean temperature. */
export const snowShare = (meanC: number) => within((ALL_RAIN_C - meanC) / (ALL_RAIN_C - ALL_SNOW_C), 0, 1)

/**
 * Extraterrestrial radiation of each day, MJ m⁻² d⁻¹: the same for all members. `distanceFactor` replaces the earth–sun
 * distance; 1 makes both hemispheres alike.
 */
export const sunSeries = (
  site: SiteClimate,
  startDay: number,
  days: number,
  distanceFactor?: number,
): Float64Array =>
  Float64Array.from({ length: days }, (_, i) =>
    extraterrestrialRadiation(site.latitude, dayOfYear(startDay + i), distanceFactor),
  )

/** Fills radiation, ET₀, bare-soil temperature at 5 cm and snow from the member's temperatures and rain, under the `sun` of its days. */
export function deriveWeather(member: MemberWeather, site: SiteClimate, sun: Float64Array): void {
  const days = member.tMinC.length
  let soil = days > 0 ? Math.max(-2, (member.tMinC[0] + member.tMaxC[0]) / 2) : 0
  let snow = 0
  for (let i = 0; i < days; i++) {
    const tMin = member.tMinC[i]
    const tMax = member.tMaxC[i]
    const mean = (tMin + tMax) / 2
    const ra = sun[i]
    const radiation = radiationFromRange(ra, tMin, tMax, site.elevationM, site.coastal)
    const rain = member.rainMm[i]
    const asSnow = rain * snowShare(mean)
    const warm = Math.max(0, mean)
    const melt = Math.min(snow + asSnow, (MELT_MM_PER_C + RAIN_MELT_PER_C * (rain - asSnow)) * warm)
    snow += asSnow - melt
    const snowDamping = 1 / (1 + snow / 8)
    const target = mean + SOIL_SUN_C_PER_MJ * radiation * (snow > 2 ? 0 : 1)
    soil += SOIL_LAG_PER_DAY * snowDamping * ((target < 0 ? target * 0.5 : target) - soil)
    member.radiationMjM2[i] = radiation
    member.et0Mm[i] = hargreavesEt0(ra, tMin, tMax)
    member.soilTempC[i] = soil
    member.snowMm[i] = snow
    member.waterMm[i] = rain - asSnow + melt
  }
}
