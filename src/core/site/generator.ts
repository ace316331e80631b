import { dayNumber, dayOfYear, monthOf } from '../foundations/day'
import type { RandomStream } from '../foundations/random'
import { clamp } from '../foundations/statistics'
import type { SiteClimate } from '../garden/site'
import { dailyFromMonthly } from './normals'

/**
 * Stochastic daily weather (Richardson 1981): a two-state Markov chain for wet days, gamma amounts, and
 * residuals of tMax and tMin that are correlated with each other and with yesterday's, shifted on wet days.
 */
export type WeatherGenerator = {
  /** Starts a member; call before the first `next` of a stream. */
  start(random: RandomStream): GeneratorState
  /** Writes the next day's weather for day number `day` into the state. */
  next(state: GeneratorState, day: number, random: RandomStream): void
  /** What is normal for a day. */
  usual(day: number): DayClimate
}

/** What is normal for a day: temperatures and their standard deviation, °C, chance of a wet day, rain of a wet day and of any day, mm. */
type DayClimate = {
  tMaxC: number
  tMinC: number
  sdC: number
  wetChance: number
  wetAfterWet: number
  wetAfterDry: number
  rainIfWetMm: number
  rainMm: number
  /** 0 in summer, 1 where the usual mean is at freezing. */
  wintry: number
}

/** A function of the day that is worked out once for each day; days that follow one another cost least. */
function eachDayOnce<T>(of: (day: number) => T): (day: number) => T {
  let from = NaN
  let known: (T | undefined)[] = []
  return (day) => {
    if (!(day >= from && day - from <= known.length)) {
      from = day
      known = []
    }
    return (known[day - from] ??= of(day))
  }
}

export type GeneratorState = {
  wet: boolean
  zMax: number
  zMin: number
  tMinC: number
  tMaxC: number
  rainMm: number
}

/** Lag-0 and lag-1 correlations of tMax and tMin residuals (Richardson 1982, table 1 averages). */
const CORRELATION = 0.633
const LAG = { maxMax: 0.621, maxMin: 0.445, minMax: 0.563, minMin: 0.674 }

/** Shape of the gamma law of wet-day rain (Geng et al. 1986 find 0.6–1.0). */
const RAIN_SHAPE = 0.75
/** Wet nights are milder by this much, °C, and in winter by this much more: clouds, not cold, bring its rain and snow (judgement). */
const WET_NIGHT_C = 0.8
const WET_WINTER_NIGHT_C = 1.2
const wetNightC = (wintry: number) => WET_NIGHT_C + WET_WINTER_NIGHT_C * wintry
/** Nights lie less far from the normals than days, by this share. */
const NIGHT_SHARE = 0.9
/** Usual mean below which a wet day is no colder than a dry one, fully so at 0 °C. */
const WINTRY_BELOW_C = 10
/** Share of persistence: p(wet|dry) = 0.75·f, p(wet|wet) = 0.25 + 0.75·f (Geng et al. 1986, eq 3). */
const WET_PERSISTENCE = 0.25

/** A = M1·M0⁻¹ and B with B·Bᵀ = M0 − A·M1ᵀ (Richardson 1981, eqs 9–11). */
function autoregression() {
  const r = CORRELATION
  const determinant = 1 - r * r
  const a11 = (LAG.maxMax - LAG.maxMin * r) / determinant
  const a12 = (LAG.maxMin - LAG.maxMax * r) / determinant
  const a21 = (LAG.minMax - LAG.minMin * r) / determinant
  const a22 = (LAG.minMin - LAG.minMax * r) / determinant
  const q11 = 1 - (a11 * LAG.maxMax + a12 * LAG.maxMin)
  const q12 = r - (a11 * LAG.minMax + a12 * LAG.minMin)
  const q22 = 1 - (a21 * LAG.minMax + a22 * LAG.minMin)
  const b11 = Math.sqrt(q11)
  const b21 = q12 / b11
  const b22 = Math.sqrt(Math.max(0, q22 - b21 * b21))
  return { a11, a12, a21, a22, b11, b21, b22 }
}

/** Where nobody said how far days lie from the normals: further inland and in the cold season (judgement), °C. */
function spreadByRange(site: SiteClimate, rangeC: number) {
  const swing = clamp(rangeC / 25, 0.25, 1.2)
  return site.coastal
    ? { winterC: 3.2, summerC: 2.4 }
    : { winterC: 2.6 + 2.6 * swing, summerC: 2.2 + 1.0 * swing }
}

/** Standard deviation of daily temperature about the normal, °C. */
function residualSd(site: SiteClimate, month: number): number {
  const means = site.tMaxC.map((max, i) => (max + site.tMinC[i]) / 2)
  const coldest = Math.min(...means)
  const warmest = Math.max(...means)
  const warmth = warmest > coldest ? (means[month] - coldest) / (warmest - coldest) : 1
  const { winterC, summerC } = site.spreadC ?? spreadByRange(site, warmest - coldest)
  return (winterC + (summerC - winterC) * warmth) * site.daySpread
}

export function weatherGenerator(site: SiteClimate): WeatherGenerator {
  const tMax = dailyFromMonthly(site.tMaxC)
  const tMin = dailyFromMonthly(site.tMinC)
  const monthDays = [31, 28.25, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]
  const wetShares = site.wetDays.map((days, month) => clamp(days / monthDays[month], 0, 0.97))
  const rainPerDay = dailyFromMonthly(site.rainMm.map((mm, month) => mm / monthDays[month]))
  const wetShare = dailyFromMonthly(wetShares)
  const sd = Float64Array.from({ length: 12 }, (_, month) => residualSd(site, month))
  const { a11, a12, a21, a22, b11, b21, b22 } = autoregression()
  const wetShiftMax = site.coastal ? -1 : -1.8
  const climateOn = eachDayOnce((day): DayClimate => {
    const index = dayOfYear(day) - 1
    const wetChance = clamp(wetShare[index], 0, 0.98)
    const persistence = WET_PERSISTENCE * (1 - wetChance) ** 0.5
    const rainMm = Math.max(0, rainPerDay[index])
    return {
      wetChance,
      wetAfterWet: persistence + (1 - persistence) * wetChance,
      wetAfterDry: (1 - persistence) * wetChance,
      rainMm,
      rainIfWetMm: wetChance > 0 ? rainMm / wetChance : 0,
      tMaxC: tMax[index],
      tMinC: tMin[index],
      sdC: sd[monthOf(day)],
      wintry: clamp(1 - (tMax[index] + tMin[index]) / 2 / WINTRY_BELOW_C, 0, 1),
    }
  })

  return {
    start(random) {
      const zMax = random.normal()
      const zMin = CORRELATION * zMax + Math.sqrt(1 - CORRELATION ** 2) * random.normal()
      return { wet: random.uniform() < 0.35, zMax, zMin, tMinC: 0, tMaxC: 0, rainMm: 0 }
    },
    usual: climateOn,
    next(state, day, random) {
      const climate = climateOn(day)
      state.wet = random.uniform() < (state.wet ? climate.wetAfterWet : climate.wetAfterDry)
      const meanRain = climate.rainIfWetMm
      state.rainMm = state.wet && meanRain > 0 ? random.gamma(RAIN_SHAPE, meanRain / RAIN_SHAPE) : 0

      const { zMax, zMin } = state
      const e1 = random.normal()
      const e2 = random.normal()
      state.zMax = a11 * zMax + a12 * zMin + b11 * e1
      state.zMin = a21 * zMax + a22 * zMin + b21 * e1 + b22 * e2
      const wetTerm = (state.wet ? 1 : 0) - climate.wetChance
      const max = climate.tMaxC + wetShiftMax * (1 - climate.wintry) * wetTerm + climate.sdC * state.zMax
      const min = climate.tMinC + wetNightC(climate.wintry) * wetTerm + climate.sdC * NIGHT_SHARE * state.zMin
      const gap = Math.max(0, min + 1 - max) / 2
      state.tMaxC = max + gap
      state.tMinC = min - gap
    },
  }
}

/** How far single nights lie from the normals, by day of the year, °C: standard deviations of their lows. */
export function spreadOfLows(site: SiteClimate): Float64Array {
  const { usual } = weatherGenerator(site)
  const start = dayNumber('2023-01-01')
  return Float64Array.from({ length: 365 }, (_, i) => {
    const { sdC, wetChance, wintry } = usual(start + i)
    return Math.hypot(NIGHT_SHARE * sdC, wetNightC(wintry) * Math.sqrt(wetChance * (1 - wetChance)))
  })
}
