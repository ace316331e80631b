import { mixSeed, randomStream } from '../foundations/random'
import { clamp } from '../foundations/statistics'
import type { SiteClimate } from '../garden/site'
import { FORECAST_DAYS, forecastSkill, type DayForecast } from './forecast'
import { weatherGenerator } from './generator'
import type { WholeDay } from './record'

const tenth = (value: number) => Math.round(value * 10) / 10

/** One made-up run of days from `startDay` to before `endDay`, deterministic by seed: what a place might have had. */
export function simulateDays(site: SiteClimate, seed: number, startDay: number, endDay: number): WholeDay[] {
  const random = randomStream(mixSeed(seed, 0x57a7))
  const generator = weatherGenerator(site)
  const state = generator.start(random)
  return Array.from({ length: Math.max(0, endDay - startDay) }, (_, i) => {
    generator.next(state, startDay + i, random)
    return {
      day: startDay + i,
      tMinC: tenth(state.tMinC),
      tMaxC: tenth(state.tMaxC),
      rainMm: tenth(state.rainMm),
    }
  })
}

/**
 * The forecast that would have been issued for the days to come, given what they will really bring: as right as
 * `forecastSkill` says, deterministic by seed and first day. Chances come in steps of 5 %.
 */
export function simulateForecast(
  site: SiteClimate,
  seed: number,
  coming: readonly WholeDay[],
): DayForecast[] {
  const generator = weatherGenerator(site)
  return coming.slice(0, FORECAST_DAYS).map((truth, lead) => {
    const random = randomStream(mixSeed(seed, coming[0].day * 16 + lead))
    const usual = generator.usual(truth.day)
    const skill = forecastSkill(lead)
    const blurred = (value: number, normal: number) =>
      tenth(normal + skill * (value - normal) + Math.sqrt(1 - skill * skill) * usual.sdC * random.normal())
    const tMaxC = blurred(truth.tMaxC, usual.tMaxC)
    const tMinC = Math.min(blurred(truth.tMinC, usual.tMinC), tMaxC - 1)
    const wet = truth.rainMm >= 1
    const chance =
      (1 - skill) * usual.wetChance + skill * (wet ? 0.9 : 0.07) + 0.1 * (1 - skill) * random.normal()
    const amount = wet ? skill * truth.rainMm + (1 - skill) * usual.rainIfWetMm : usual.rainIfWetMm
    return {
      day: truth.day,
      tMinC: tenth(tMinC),
      tMaxC,
      rainChance: Math.round(clamp(chance, 0.05, 0.95) * 20) / 20,
      rainIfWetMm: Math.max(1, tenth(amount * Math.exp(0.3 * (1 - skill) * random.normal()))),
    }
  })
}
