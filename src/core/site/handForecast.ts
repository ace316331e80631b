import { dayNumber } from '../foundations/day'
import type { Garden } from '../garden/schema'
import type { SiteClimate } from '../garden/site'
import type { DayForecast } from './forecast'
import { weatherGenerator } from './generator'

/** What a word for a day's sky means: chance of a wet day, and its rain when it is, mm (judgement). */
const SKY = {
  dry: { rainChance: 0.05, rainIfWetMm: 2 },
  showers: { rainChance: 0.55, rainIfWetMm: 4 },
  wet: { rainChance: 0.95, rainIfWetMm: 12 },
} as const
/** Lowest of a night with frost, and least of one without, °C. */
const FROST_C = -1.5
const NO_FROST_C = 1.5

/**
 * The days ahead in the grower's words as a forecast: temperatures as is normal, but the night as was said. It is trusted as
 * any forecast is, less with every day.
 */
export function handForecast(site: SiteClimate, outlook: Garden['outlook']): DayForecast[] {
  if (outlook.length === 0) return []
  const generator = weatherGenerator(site)
  return outlook
    .map(({ id, sky, frost }) => {
      const day = dayNumber(id)
      const { tMaxC, tMinC } = generator.usual(day)
      return {
        day,
        tMaxC,
        tMinC: frost ? Math.min(tMinC, FROST_C) : Math.max(tMinC, NO_FROST_C),
        ...SKY[sky],
      }
    })
    .sort((a, b) => a.day - b.day)
}
