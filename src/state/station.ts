import { useLiveQuery } from 'dexie-react-hooks'
import { useEffect, useMemo, useRef } from 'react'
import { isoDate } from '../core/foundations/day'
import type { WeatherYear } from '../core/garden/weatherYear'
import type { Garden } from '../core/garden/schema'
import { handForecast } from '../core/site/handForecast'
import { database, type StationState } from '../data/database'
import { hearStation } from '../data/station'
import { useAnswers } from '../compute/answers'
import { preloadedOf } from './preloaded'
import { keepRecord, loadKeptWeather, NOTHING_KEPT } from './weatherRecord'
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
    () => (gardenId ? loadKeptWeather(gardenId) : Promise.resolve(NOTHING_KEPT)),
    [gardenId],
    preloadedOf(gardenId)?.kept,
  )
  const outlook = garden?.outlook
  const site = garden?.site
  // Live queries give new objects after every write; the text tells whether anything changed.
  const recordKey = useMemo(
    () => kept && keepRecord(pool, kept, outlook && site ? handForecast(site, outlook) : []),
    [kept, pool, outlook, site],
  )
  return { weather: kept?.weather, station: kept?.station, recordKey: recordKey ?? null }
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
