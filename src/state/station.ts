import { useLiveQuery } from 'dexie-react-hooks'
import { useEffect, useMemo, useRef } from 'react'
import { isoDate } from '../core/foundations/day'
import { stableHash } from '../core/foundations/hash'
import type { WeatherYear } from '../core/garden/weatherYear'
import { observedDays } from '../core/garden/weatherDays'
import type { Garden } from '../core/garden/schema'
import { handForecast } from '../core/site/handForecast'
import { database, type StationState } from '../data/database'
import { loadWeather } from '../data/gardens'
import { hearStation } from '../data/station'
import { useAnswers } from '../compute/answers'
import { useAppSelector } from './store'

/** The open garden's observed weather and last forecast, handed to the worker under the key that is returned. */
export function useWeatherRecord(
  gardenId: string | null,
  garden: Garden | null,
): {
  weather: WeatherYear[] | undefined
  station: StationState | null | undefined
  recordKey: string | null
} {
  const { pool } = useAnswers()
  const kept = useLiveQuery(
    async () => ({
      weather: gardenId ? await loadWeather(database, gardenId) : [],
      station: (gardenId && (await database.station.get(gardenId))) || null,
    }),
    [gardenId],
  )
  const outlook = garden?.outlook
  const site = garden?.site
  // Live queries give new objects after every write; the text tells whether anything changed.
  const recordKey = useMemo(() => {
    if (!kept) return null
    const heard = kept.station?.forecast ?? []
    const told = outlook && site ? handForecast(site, outlook) : []
    // A day that the grower speaks of is known better than the station has it.
    const forecast = [...heard.filter(({ day }) => !told.some((own) => own.day === day)), ...told]
    if (kept.weather.length === 0 && forecast.length === 0) return ''
    const key = stableHash([kept.weather, forecast])
    pool.records.keep(key, { days: observedDays(kept.weather), forecast })
    return key
  }, [kept, pool, outlook, site])
  return { weather: kept?.weather, station: kept?.station, recordKey }
}

/** Hears the demo's station whenever the garden or its day moves on without having been heard. */
export function useStation(
  garden: Garden | null,
  today: number,
  station: StationState | null | undefined,
): void {
  const silent = useAppSelector((state) => state.session.stationSilent)
  const asked = useRef('')
  useEffect(() => {
    if (!garden?.demo || station === undefined) return
    const heard = station !== null && station.trouble === null && station.heardUntil >= isoDate(today)
    // What an undo left empty is asked for again, so how far it was heard belongs to the question.
    const question = `${garden.id} ${today} ${silent} ${station?.heardUntil}`
    if (asked.current === question || (heard && !silent)) return
    asked.current = question
    hearStation(database, garden, today, undefined, silent).catch((error: unknown) =>
      console.error('What the station said could not be stored', error),
    )
  }, [garden, today, station, silent])
}
