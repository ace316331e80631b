import { dayNumber, isoDate } from '../core/foundations/day'
import { mixSeed, randomStream } from '../core/foundations/random'
import { FORECAST_DAYS } from '../core/site/forecast'
import { simulateDays, simulateForecast } from '../core/site/simulate'
import type { ForecastAnswer, StationAnswer } from '../core/site/stationApi'
import { findDemo } from '.'

/** Share of days on which the station sends nothing, and on which its rain gauge is blocked. */
const LOST_DAYS = 0.012
const BLOCKED_GAUGE = 0.008
/** Once in so many days the battery is empty for some days in a row. */
const OUTAGE_EVERY_DAYS = 240
const OUTAGE_DAYS = 5

/** A station is simulated from its first day on, for so many days: forty years. */
const LIFE_DAYS = 14_610

function setup(name: string) {
  const garden = findDemo(name)?.().garden
  if (!garden?.demo) return null
  return { site: garden.site, seed: garden.demo.stationSeed, since: dayNumber(garden.demo.stationFrom) }
}

function isOut(seed: number, day: number): boolean {
  const stretch = Math.floor(day / OUTAGE_EVERY_DAYS)
  const from = Math.floor(
    randomStream(mixSeed(seed, stretch)).uniform() * (OUTAGE_EVERY_DAYS - OUTAGE_DAYS),
  )
  const into = day - stretch * OUTAGE_EVERY_DAYS
  return into >= from && into < from + OUTAGE_DAYS
}

/** What a demo garden's station recorded between two days (`to` not in); null for a garden without a station. */
export function stationDays(name: string, from: string, to: string): StationAnswer | null {
  const station = setup(name)
  if (!station) return null
  const { site, seed, since } = station
  const first = Math.max(dayNumber(from), since)
  const days = simulateDays(site, seed, since, Math.min(dayNumber(to), since + LIFE_DAYS)).flatMap((truth) => {
    const random = randomStream(mixSeed(seed + 1, truth.day))
    const lost = random.uniform() < LOST_DAYS || isOut(seed, truth.day)
    if (truth.day < first || lost) return []
    const blocked = random.uniform() < BLOCKED_GAUGE
    return [
      {
        date: isoDate(truth.day),
        tMinC: truth.tMinC,
        tMaxC: truth.tMaxC,
        rainMm: blocked ? null : truth.rainMm,
      },
    ]
  })
  return { garden: name, days }
}

/** The ten-day forecast as issued on a day's morning; null for a garden without a station. */
export function stationForecast(name: string, issued: string): ForecastAnswer | null {
  const station = setup(name)
  if (!station) return null
  const { site, seed, since } = station
  const today = dayNumber(issued)
  if (today > since + LIFE_DAYS) return { garden: name, issued, days: [] }
  const coming = simulateDays(site, seed, since, today + FORECAST_DAYS).slice(-FORECAST_DAYS)
  if (coming.length === 0 || coming[0].day !== today) return { garden: name, issued, days: [] }
  const days = simulateForecast(site, seed, coming).map(({ day, ...values }) => ({ date: isoDate(day), ...values }))
  return { garden: name, issued, days }
}
