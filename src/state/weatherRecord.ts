import type { Pool } from '../compute/pool'
import { stableHash } from '../core/foundations/hash'
import { observedDays } from '../core/garden/weatherDays'
import type { WeatherYear } from '../core/garden/weatherYear'
import type { WeatherRecord } from '../core/site/record'
import { database, type StationState } from '../data/database'
import { loadWeather } from '../data/gardens'

/** What is known where nothing is kept. */
export const NOTHING_KEPT: KeptWeather = { weather: [], station: null }

/** A garden's observed weather, and what its station was last heard to say. */
export type KeptWeather = { weather: WeatherYear[]; station: StationState | null }

/** Reads the weather kept of a garden. */
export const loadKeptWeather = async (gardenId: string): Promise<KeptWeather> => ({
  weather: await loadWeather(database, gardenId),
  station: (await database.station.get(gardenId)) ?? null,
})

/** Hands the weather kept of a garden, and what the grower told of the coming days, to the workers; the value is its key. */
export function keepRecord(
  pool: Pick<Pool, 'records'>,
  { weather, station }: KeptWeather,
  told: WeatherRecord['forecast'],
): string {
  const heard = station?.forecast ?? []
  // A day that the grower speaks of is known better than the station has it.
  const forecast = [...heard.filter(({ day }) => !told.some((own) => own.day === day)), ...told]
  if (weather.length === 0 && forecast.length === 0) return ''
  const key = stableHash([weather, forecast])
  pool.records.keep(key, { days: observedDays(weather), forecast })
  return key
}
