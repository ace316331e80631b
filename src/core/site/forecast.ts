import { clamp } from '../foundations/statistics'
import type { RandomStream } from '../foundations/random'
import type { GeneratorState, WeatherGenerator } from './generator'

/** One day of a weather forecast: temperatures °C, chance of 1 mm or more 0–1, rain if it rains, mm. */
export type DayForecast = {
  day: number
  tMinC: number
  tMaxC: number
  rainChance: number
  rainIfWetMm: number
}

/** Rain that makes a day wet, mm. */
const LEAST_WET_MM = 1

/** Days a forecast reaches ahead. */
export const FORECAST_DAYS = 10

/**
 * How much a forecast `lead` days ahead (0 is today) knows of the day's departure from normal, 0–1: 0.99 today, a
 * half after a week, little after ten days (judgement, after the usual growth of forecast error).
 */
export function forecastSkill(lead: number): number {
  return lead < 0 ? 1 : Math.exp(-(((lead + 1) / 9) ** 2))
}

/**
 * Turns the generated day in `state` into one that agrees with a forecast: it takes over the forecast's departure
 * from normal as far as that is skilful, and keeps the generated spread for the rest, so that members agree today
 * and differ as usual after ten days. Rain is drawn anew with the forecast's chance.
 */
export function blendForecast(
  state: GeneratorState,
  forecast: DayForecast,
  lead: number,
  generator: WeatherGenerator,
  random: RandomStream,
): void {
  const usual = generator.usual(forecast.day)
  const skill = forecastSkill(lead)
  const rest = Math.sqrt(1 - skill * skill)
  const blend = (generated: number, predicted: number, normal: number) =>
    normal + skill * (predicted - normal) + rest * (generated - normal)
  const max = blend(state.tMaxC, forecast.tMaxC, usual.tMaxC)
  const min = blend(state.tMinC, forecast.tMinC, usual.tMinC)
  const gap = Math.max(0, min + 1 - max) / 2
  state.tMaxC = max + gap
  state.tMinC = min - gap
  state.wet = random.uniform() < clamp(forecast.rainChance, 0, 1)
  const meanMm = Math.max(LEAST_WET_MM + 0.2, skill * forecast.rainIfWetMm + (1 - skill) * usual.rainIfWetMm)
  // Known rain scatters less about its amount than unknown rain.
  const shape = 0.75 + 4 * skill
  state.rainMm = state.wet ? LEAST_WET_MM + random.gamma(shape, (meanMm - LEAST_WET_MM) / shape) : 0
}
