import { afterEach, beforeEach, describe, expect, test } from '@jest/globals'
import { addDays, dayNumber } from '../core/foundations/day'
import { observedDays, withDays } from '../core/garden/weatherYear'
import { DEMO_GARDENS } from '../demo'
import { stationDays, stationForecast } from '../demo/station'
import { commit } from './commit'
import { KilimDatabase } from './database'
import { loadWeather } from './gardens'
import { hearStation, type Ask } from './station'

const { garden } = DEMO_GARDENS['marlpit-lane']()
const today = dayNumber('2026-04-20')
let db: KilimDatabase
beforeEach(() => {
  db = new KilimDatabase(`station-${Math.random()}`)
})
afterEach(() => db.delete())

const asked: string[] = []
/** The server's answers without the server. */
const ask: Ask = (path) => {
  asked.push(path)
  const url = new URL(path, 'http://x')
  const value = (name: string) => url.searchParams.get(name)!
  return Promise.resolve(
    url.pathname.endsWith('station')
      ? stationDays(value('garden'), value('from'), value('to'))
      : stationForecast(value('garden'), value('issued')),
  )
}
const heardDays = async () => observedDays(await loadWeather(db, garden.id))

describe('hearing the station', () => {
  test('days to date and ten days of forecast are kept; the next time only what is new is asked for', async () => {
    const state = await hearStation(db, garden, today, ask)
    expect(state).toMatchObject({ heardUntil: '2026-04-20', trouble: null })
    expect(state!.forecast).toHaveLength(10)
    const days = await heardDays()
    expect(days.at(-1)!.day).toBe(today - 1)
    expect(days.length).toBeGreaterThan(380)
    expect(days.length).toBeLessThan(today - dayNumber(garden.demo!.stationFrom))
    asked.length = 0
    await hearStation(db, garden, today + 7, ask)
    expect(asked[0]).toContain('from=2026-04-20')
    expect((await heardDays()).length).toBeGreaterThan(days.length)
  })
  test('what the grower wrote down stays', async () => {
    const own = { day: today - 2, source: 'hand' as const, tMinC: -20, tMaxC: 1, rainMm: 44 }
    await commit(
      db,
      garden.id,
      'By hand',
      withDays([], garden.id, [own]).map((put) => ({ table: 'weather', put })),
    )
    await hearStation(db, garden, today, ask)
    expect((await heardDays()).find(({ day }) => day === own.day)).toEqual(own)
  })
  test('silence keeps what was heard, says why, and is made good later', async () => {
    await hearStation(db, garden, today, ask)
    const before = await heardDays()
    const silent = await hearStation(db, garden, today + 7, () =>
      Promise.reject(new Error('The station is silent.')),
    )
    expect(silent).toMatchObject({ heardUntil: '2026-04-20', trouble: 'The station is silent.' })
    expect(silent!.forecast).toHaveLength(10)
    expect(await heardDays()).toEqual(before)
    expect(await hearStation(db, garden, today + 7, ask)).toMatchObject({
      heardUntil: '2026-04-27',
      trouble: null,
    })
  })
  test('nonsense from the server is not taken in', async () => {
    const hot: Ask = () =>
      Promise.resolve({ garden: garden.id, days: [{ date: '2026-04-01', tMinC: 1, tMaxC: 400, rainMm: 0 }] })
    expect((await hearStation(db, garden, today, hot))!.trouble).toMatch(/not weather/)
    expect(await heardDays()).toEqual([])
  })
  test('a real garden never hears it', async () => {
    asked.length = 0
    expect(await hearStation(db, { ...garden, demo: null }, today, ask)).toBeNull()
    expect(asked).toEqual([])
    expect(await heardDays()).toEqual([])
  })
})

describe('the simulated station', () => {
  test('the same question has the same answer, whatever was asked before', () => {
    const whole = stationDays('harrier-point', '2026-01-01', '2026-03-01')!.days
    const part = stationDays('harrier-point', '2026-02-01', '2026-02-10')!.days
    expect(part).toEqual(whole.filter(({ date }) => date >= '2026-02-01' && date < '2026-02-10'))
    expect(stationForecast('harrier-point', '2026-02-01')).toEqual(
      stationForecast('harrier-point', '2026-02-01'),
    )
  })
  test('it misses days now and then, some in a row', () => {
    const from = garden.demo!.stationFrom
    const days = stationDays('marlpit-lane', from, addDays(from, 730))!.days
    const missing = 730 - days.length
    expect(missing).toBeGreaterThan(8)
    expect(missing).toBeLessThan(60)
    expect(days.some(({ rainMm }) => rainMm === null)).toBe(true)
  })
  test('gardens without a station have no answer', () => {
    expect(stationDays('nowhere', '2026-01-01', '2026-03-01')).toBeNull()
    expect(stationForecast('nowhere', '2026-01-01')).toBeNull()
  })
})
