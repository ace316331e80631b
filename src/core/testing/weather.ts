import type { SiteClimate } from '../garden/site'
import type { WeatherRecord } from '../site/record'
import { simulateDays } from '../site/simulate'

/** A record of made-up days without gaps, for tests. */
export function testRecord(site: SiteClimate, seed: number, fromDay: number, toDay: number): WeatherRecord {
  return {
    days: simulateDays(site, seed, fromDay, toDay).map((day) => ({ ...day, source: 'station' as const })),
    forecast: [],
  }
}
