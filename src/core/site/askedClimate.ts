import { CLIMATE_TYPES, siteFromType, turned, type ClimateType } from './climateTypes'
import type { SiteClimate } from '../garden/site'

/** What anybody can say of the climate where they live. */
export const WINTERS = ['no frost', 'light frosts', 'cold', 'severe'] as const
export const SUMMERS = ['cool', 'warm', 'hot', 'very hot'] as const
export const RAINS = ['all year', 'mostly in winter', 'mostly in summer', 'little at any time'] as const
export type AskedClimate = {
  winter: (typeof WINTERS)[number]
  summer: (typeof SUMMERS)[number]
  rain: (typeof RAINS)[number]
}

/** Mean nightly low of the coldest month that is meant, °C, from and to (judgement). */
const COLDEST: Record<AskedClimate['winter'], [number, number]> = {
  'no frost': [6, 26],
  'light frosts': [0, 6],
  cold: [-7, 0],
  severe: [-25, -7],
}
/** Mean afternoon high of the hottest month that is meant, °C, from and to (judgement). */
const HOTTEST: Record<AskedClimate['summer'], [number, number]> = {
  cool: [12, 21],
  warm: [21, 27],
  hot: [27, 33],
  'very hot': [33, 46],
}
/** Rain of a year above which a place is not called dry, mm (judgement). */
const DRY_MM = 420
/** How much more of its rain falls in one half of the year where that is said of it (judgement). */
const SEASONAL = 1.6

/** How the rain of northern months falls. */
function rainOf(rainMm: readonly number[]): AskedClimate['rain'] {
  const sum = (months: readonly number[]) => months.reduce((mm, month) => mm + rainMm[month], 0)
  const [summer, winter] = [sum([3, 4, 5, 6, 7, 8]), sum([0, 1, 2, 9, 10, 11])]
  if (summer + winter < DRY_MM) return 'little at any time'
  if (winter > SEASONAL * summer) return 'mostly in winter'
  return summer > SEASONAL * winter ? 'mostly in summer' : 'all year'
}

/** How far a value lies outside a range. */
const outside = (value: number, [low, high]: [number, number]) => Math.max(low - value, value - high, 0)
/** What another way of raining counts as, °C. */
const OTHER_RAIN_C = 6
/** Degrees of latitude that count as 1 °C between equals. */
const LATITUDE_PER_C = 12

/**
 * The climate type that is nearest to what was said of it, moved to the latitude at its own elevation: at any other height its
 * warmth would no longer be what was said.
 */
export function askedClimate(
  asked: AskedClimate,
  latitude: number,
): { type: ClimateType; site: SiteClimate } {
  const scored = CLIMATE_TYPES.map((type) => {
    const site = siteFromType(type, latitude, type.elevationM)
    const off =
      outside(Math.min(...site.tMinC), COLDEST[asked.winter]) +
      outside(Math.max(...site.tMaxC), HOTTEST[asked.summer]) +
      (rainOf(turned(site.rainMm, latitude)) === asked.rain ? 0 : OTHER_RAIN_C) +
      Math.abs(Math.abs(latitude) - type.latitude) / LATITUDE_PER_C
    return { type, site, off }
  })
  const { type, site } = scored.reduce((best, one) => (one.off < best.off ? one : best))
  return { type, site: fitted(site, asked) }
}

/** Normals moved so that the coldest and the hottest month are what was said: all months by as much where both are off one way. */
function fitted(site: SiteClimate, { winter, summer }: AskedClimate): SiteClimate {
  const [low, high] = [Math.min(...site.tMinC), Math.max(...site.tMaxC)]
  const into = (value: number, [least, most]: [number, number]) =>
    Math.min(most, Math.max(least, value)) - value
  const [cold, hot] = [into(low, COLDEST[winter]), into(high, HOTTEST[summer])]
  if (cold === 0 && hot === 0) return site
  const means = site.tMinC.map((min, month) => (min + site.tMaxC[month]) / 2)
  const [coldest, hottest] = [Math.min(...means), Math.max(...means)]
  // Between the coldest and the hottest month the shift goes over from one to the other.
  const shift = (month: number) => {
    const warmth = hottest > coldest ? (means[month] - coldest) / (hottest - coldest) : 0.5
    return cold + (hot - cold) * warmth
  }
  const moved = (values: readonly number[]) =>
    values.map((value, month) => Math.round((value + shift(month)) * 10) / 10)
  return { ...site, tMinC: moved(site.tMinC), tMaxC: moved(site.tMaxC) }
}
