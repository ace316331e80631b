import { dayNumber, isoDate } from '../core/foundations/day'
import { apiUrl } from './api'
import { observedDays, withDays, type ObservedDay } from '../core/garden/weatherDays'
import type { Garden } from '../core/garden/schema'
import type { KilimDatabase, StationState } from './database'
import { loadWeather } from './gardens'
import { loadedOnce } from './loadedOnce'

/** Longest the station is waited for, ms; the garden goes on without it after that. */
const PATIENCE_MS = 5000

export type Ask = (path: string) => Promise<unknown>

/** Asks the server; throws with a sentence for the grower when it is away, silent or talks nonsense. */
export const askServer: Ask = async (path) => {
  let response: Response
  try {
    response = await fetch(apiUrl(path), { signal: AbortSignal.timeout(PATIENCE_MS) })
  } catch {
    throw new Error('The server that carries the simulated station is away.')
  }
  if (response.status === 503) throw new Error('The station is silent.')
  if (!response.ok) throw new Error(`The station refused to answer (${response.status}).`)
  return response.json()
}

/** What checks the answers is loaded where there is a station to hear. */
const checks = loadedOnce(() => import('./stationAnswers'))

const query = (values: Record<string, string>) => new URLSearchParams(values).toString()

/**
 * Brings a demo garden's observed days and forecast up to `today`. Days written by hand or imported stay. On trouble
 * nothing already heard is lost and the reason is kept. A garden that is not a demo is left alone.
 */
export async function hearStation(
  db: KilimDatabase,
  garden: Garden,
  today: number,
  ask: Ask = askServer,
  silent = false,
): Promise<StationState | null> {
  if (!garden.demo) return null
  const before = await db.station.get(garden.id)
  const from = before?.heardUntil ?? garden.demo.stationFrom
  const to = isoDate(today)
  if (before && before.trouble === null && before.heardUntil >= to && !silent) return before
  const fault: Record<string, string> = silent ? { fault: 'silent' } : {}
  try {
    const { forecastAnswer, stationAnswer, weatherYear } = await checks()
    const heard: ObservedDay[] = []
    if (from < to) {
      const raw = await ask(`station?${query({ garden: garden.id, from, to, ...fault })}`)
      heard.push(
        ...stationAnswer
          .parse(raw)
          .days.filter(({ date }) => date >= from && date < to)
          .map(({ date, ...values }) => ({ day: dayNumber(date), source: 'station' as const, ...values })),
      )
    }
    const raw = await ask(`forecast?${query({ garden: garden.id, issued: to, ...fault })}`)
    const forecast = forecastAnswer
      .parse(raw)
      .days.map(({ date, ...values }) => ({ day: dayNumber(date), ...values }))
    const state: StationState = {
      gardenId: garden.id,
      heardUntil: from > to ? from : to,
      forecast,
      trouble: null,
    }
    await db.transaction('rw', db.weather, db.station, async () => {
      const years = await loadWeather(db, garden.id)
      const known = new Set(observedDays(years).map(({ day }) => day))
      const news = heard.filter(({ day }) => !known.has(day))
      await db.weather.bulkPut(withDays(years, garden.id, news).map((year) => weatherYear.parse(year)))
      await db.station.put(state)
    })
    return state
  } catch (error) {
    const state: StationState = {
      gardenId: garden.id,
      heardUntil: from,
      forecast: before?.forecast ?? [],
      trouble: reasonOf(error),
    }
    await db.station.put(state)
    return state
  }
}

function reasonOf(error: unknown): string {
  if (error instanceof Error && error.name === 'ZodError')
    return 'The station sent something that is not weather; it was not taken in.'
  return error instanceof Error ? error.message : 'The station could not be heard.'
}
