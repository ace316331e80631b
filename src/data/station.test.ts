import { afterEach, beforeEach, describe, expect, test } from '@jest/globals'
import { addDays, dayNumber } from '../core/foundations/day'
import { observedDays, withDays } from '../core/garden/weatherDays'
import { DEMO_GARDENS } from '../demo'
import { stationDays, stationForecast } from '../demo/station'
import { commit } from './commit'
import { undo, redo } from './undo'
import { yearWrites } from './writes'
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
    await commit(db, garden.id, 'By hand', yearWrites([], withDays([], garden.id, [own])))
    await hearStation(db, garden, today, ask)
    expect((await heardDays()).find(({ day }) => day === own.day)).toEqual(own)
  })
  describe('a day written by hand, taken back', () => {
    const write = async (day: number) => {
      const years = await loadWeather(db, garden.id)
      const own = { day, source: 'hand' as const, tMinC: -20, tMaxC: 1, rainMm: 44 }
      await commit(db, garden.id, 'By hand', yearWrites(years, withDays(years, garden.id, [own])))
      return own
    }
    test('leaves all that was heard before and after it', async () => {
      await db.gardens.put(garden)
      await hearStation(db, garden, today, ask)
      const heard = await heardDays()
      const own = await write(today - 3)
      await hearStation(db, garden, today + 7, ask)
      const then = await heardDays()
      expect(then.length).toBeGreaterThan(heard.length)
      expect(await undo(db, garden.id)).toEqual({ ok: true, value: 'By hand' })
      const now = await heardDays()
      expect(now).toHaveLength(then.length)
      expect(now.find(({ day }) => day === own.day)).toEqual(heard.find(({ day }) => day === own.day))
      await redo(db, garden.id)
      expect((await heardDays()).find(({ day }) => day === own.day)).toEqual(own)
    })
    test('before anything was heard: the year stays, and the day is asked for again', async () => {
      await db.gardens.put(garden)
      const own = await write(today - 2)
      await hearStation(db, garden, today, ask)
      const before = await heardDays()
      await undo(db, garden.id)
      expect(await heardDays()).toHaveLength(before.length - 1)
      asked.length = 0
      await hearStation(db, garden, today, ask)
      expect(asked[0]).toContain('from=2026-04-18')
      expect((await heardDays()).find(({ day }) => day === own.day)).toMatchObject({ source: 'station' })
    })
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
