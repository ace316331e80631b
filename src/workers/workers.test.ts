import { scenarioOf } from '../core/scenario/fromGarden'
import { afterAll, afterEach, describe, expect, jest, test } from '@jest/globals'
import { expose, type Endpoint } from 'comlink'
import { MessageChannel } from 'node:worker_threads'
import { dayNumber } from '../core/foundations/day'
import { testRecord } from '../core/testing/weather'
import { marlpitLane } from '../demo/marlpitLane'
import { weatherSpecOf } from '../state/season'
import { beforeOn, standCaseOf } from '../core/season/standCase'
import { engine } from './engine'
import { RecordMissing } from './recordMissing'

const opened: MessageChannel[] = []
/** Every channel, those of progress included, so that none keeps the test run waiting. */
class CountedChannel extends MessageChannel {
  constructor() {
    super()
    opened.push(this)
  }
}
Object.assign(globalThis, { MessageChannel: CountedChannel })

/** How the next workers behave. */
let behaviour: 'well' | 'silent' | 'cannot start' = 'well'

/** A worker made of a message channel, serving a slow stand-in for the engine that keeps few records. */
class FakeWorker {
  static started = 0
  static records: string[] = []
  static kept: string[] = []
  private readonly channel = new CountedChannel()
  private readonly port = this.channel.port1 as unknown as Endpoint
  constructor() {
    FakeWorker.started++
    FakeWorker.kept = []
    const jobs = {
      keepRecord: (key: string) => {
        FakeWorker.records.push(key)
        FakeWorker.kept = [key]
      },
      outlook: async (
        spec: { recordKey?: string } | null,
        startDay: number,
        _weeks: number,
        progress: (share: number) => Promise<void>,
      ) => {
        if (spec?.recordKey && !FakeWorker.kept.includes(spec.recordKey)) throw new RecordMissing()
        await progress(0.5)
        await new Promise((resolve) => setTimeout(resolve, 20))
        if (startDay < 0) throw new Error('no such day')
        if (startDay > 1000) return new Promise(() => {})
        return startDay
      },
      choose: () => new Promise(() => {}),
    }
    if (behaviour === 'well') expose(jobs, this.channel.port2 as unknown as Endpoint)
  }
  postMessage(message: unknown, transfer: Transferable[]) {
    this.port.postMessage(message, transfer)
  }
  addEventListener(type: string, listener: EventListener) {
    if (type === 'error' && behaviour === 'cannot start')
      setTimeout(() => listener({ message: 'The script is not there.' } as unknown as Event), 0)
    if (type !== 'message') return
    this.port.addEventListener(type, listener)
    this.port.start?.()
  }
  removeEventListener(type: string, listener: EventListener) {
    this.port.removeEventListener(type, listener)
  }
  terminate() {
    this.channel.port1.close()
  }
}
Object.assign(globalThis, { Worker: FakeWorker })

const { keepRecord, runJob, JobCancelled } = await import('./client')
const job = (day: number) => ({
  kind: 'outlook' as const,
  args: [null as never, day, 1] as [never, number, number],
})
afterAll(() =>
  opened.forEach(({ port1, port2 }) => {
    port1.close()
    port2.close()
  }),
)

describe('client', () => {
  test('jobs come back in order, with progress', async () => {
    const shares: number[] = []
    const first = runJob(job(1), (share) => shares.push(share))
    const second = runJob(job(2))
    expect(await Promise.all([first.result, second.result])).toEqual([1, 2])
    expect(shares).toEqual([0.5])
  })
  test('a waiting job is taken out of the queue', async () => {
    const first = runJob(job(1))
    const second = runJob(job(2))
    second.cancel()
    await expect(second.result).rejects.toBeInstanceOf(JobCancelled)
    expect(await first.result).toBe(1)
  })
  test('a running job is stopped, and the next one gets a fresh worker', async () => {
    const before = FakeWorker.started
    const running = runJob(job(1))
    const waiting = runJob(job(2))
    running.cancel()
    await expect(running.result).rejects.toBeInstanceOf(JobCancelled)
    expect(await waiting.result).toBe(2)
    expect(FakeWorker.started).toBe(before + 1)
  })
  test('a short job does not wait for a long one', async () => {
    let long = false
    const running = runJob({ kind: 'choose', args: [null as never, null as never] })
    const ended = running.result.catch(() => 0).then(() => (long = true))
    expect(await runJob(job(5)).result).toBe(5)
    expect(long).toBe(false)
    running.cancel()
    await ended
  })
  const named = (key: string, day: number) => ({
    ...job(day),
    args: [{ recordKey: key } as never, day, 1] as [never, number, number],
  })
  test('a worker that lacks the observed weather is sent it, once', async () => {
    keepRecord('spring', { days: [], forecast: [] })
    FakeWorker.records = []
    expect(await runJob(named('spring', 1)).result).toBe(1)
    expect(await runJob(named('spring', 2)).result).toBe(2)
    expect(FakeWorker.records).toEqual(['spring'])
    await new Promise((resolve) => setTimeout(resolve, 5))
    const stopped = runJob(named('spring', 3))
    stopped.cancel()
    await expect(stopped.result).rejects.toBeInstanceOf(JobCancelled)
    expect(await runJob(named('spring', 4)).result).toBe(4)
    expect(FakeWorker.records).toEqual(['spring', 'spring'])
  })
  test('weather that the worker has dropped is sent again, however many gardens were open since', async () => {
    keepRecord('spring', { days: [], forecast: [] })
    expect(await runJob(named('spring', 1)).result).toBe(1)
    for (const key of ['a', 'b', 'c', 'd', 'e']) {
      keepRecord(key, { days: [], forecast: [] })
      expect(await runJob(named(key, 1)).result).toBe(1)
    }
    keepRecord('spring', { days: [], forecast: [] })
    expect(await runJob(named('spring', 2)).result).toBe(2)
    await expect(runJob(named('never kept', 1)).result).rejects.toThrow(/did not reach/)
  })
  test('a failure is told and does not hold up the next job', async () => {
    const bad = runJob(job(-1))
    const good = runJob(job(3))
    await expect(bad.result).rejects.toThrow('no such day')
    expect(await good.result).toBe(3)
  })
})

describe('a worker that fails', () => {
  /** Ends the worker at hand, so that the next job starts one of the kind wanted. */
  async function fresh(kind: typeof behaviour) {
    const running = runJob(job(1))
    running.cancel()
    await expect(running.result).rejects.toBeInstanceOf(JobCancelled)
    behaviour = kind
  }
  afterEach(() => {
    behaviour = 'well'
    jest.useRealTimers()
  })
  test('that cannot start fails all that wait, with its reason; tried again it starts anew', async () => {
    await fresh('cannot start')
    const [one, two] = [runJob(job(1)), runJob(job(2))]
    await expect(one.result).rejects.toThrow('The script is not there.')
    await expect(two.result).rejects.toThrow('The script is not there.')
    behaviour = 'well'
    expect(await runJob(job(3)).result).toBe(3)
  })
  test('that never says a word is given up', async () => {
    await fresh('silent')
    jest.useFakeTimers()
    const [one, two] = [runJob(job(1)), runJob(job(2))]
    const ends = Promise.allSettled([one.result, two.result])
    await jest.advanceTimersByTimeAsync(100_000)
    jest.useRealTimers()
    expect((await ends).map((end) => end.status === 'rejected' && (end.reason as Error).message)).toEqual([
      'The calculation did not start.',
      'The calculation did not start.',
    ])
    behaviour = 'well'
    expect(await runJob(job(3)).result).toBe(3)
  })
  test('that falls silent over one job loses that job only', async () => {
    await fresh('well')
    expect(await runJob(job(1)).result).toBe(1)
    const shares: number[] = []
    jest.useFakeTimers({ doNotFake: ['setImmediate', 'nextTick', 'queueMicrotask'] })
    const silent = runJob(job(2000), (share) => shares.push(share))
    const next = runJob(job(2))
    const end = expect(silent.result).rejects.toThrow(/no sign of life/)
    for (let i = 0; i < 300 && shares.length === 0; i++) {
      await new Promise((resolve) => setImmediate(resolve))
      await jest.advanceTimersByTimeAsync(5)
    }
    expect(shares).toEqual([0.5])
    await jest.advanceTimersByTimeAsync(100_000)
    jest.useRealTimers()
    await end
    expect(await next.result).toBe(2)
  })
})

describe('engine on the demo garden', () => {
  const data = marlpitLane()
  const today = dayNumber('2026-04-20')
  const spec = { ...weatherSpecOf(data, today), members: 16 }
  const standCase = standCaseOf(data, data.stands[0])!

  test('forecast, comparison and gates answer for the first bed', () => {
    const forecast = engine.forecast(spec, standCase)!
    expect(forecast.stages.find((stage) => stage.bbch === 61)!.date.chance).toBeGreaterThan(0.9)
    const scenario = scenarioOf(data, data.stands[0], today)!
    const told: number[] = []
    const { options, best } = engine.compare(spec, scenario, { startDay: null }, (_share, soFar) =>
      told.push(soFar?.options.length ?? 0),
    )
    expect(told).toEqual(options.map((_, i) => i + 1))
    expect(options.filter(({ latestSafeDay }) => latestSafeDay !== null).length).toBeGreaterThan(3)
    expect(best!.chance).toBeGreaterThan(0.5)
    const { outcome, after } = engine.evaluate(spec, scenario)!
    expect(outcome.criteria.map(({ detail }) => detail.id)).toEqual([
      'ground',
      'established',
      'dead',
      'wait',
      'tie-up',
      'soil',
      'frost',
    ])
    expect(after!.mulchG.p50).toBeGreaterThan(100)
  })
  test('the outlook of the weeks is the same for the same weather', () => {
    expect(engine.outlook(spec, today, 4)).toEqual(engine.outlook(spec, today, 4))
    expect(engine.outlook(spec, today, 4)).toHaveLength(4)
  })
  test('observed days change the forecast; a record that never arrived is said', () => {
    const { days } = testRecord(spec.site, 3, spec.startDay, today)
    const colder = days.map((day) => ({ ...day, tMinC: day.tMinC! - 3, tMaxC: day.tMaxC! - 3 }))
    engine.keepRecord('mild', { days, forecast: [] })
    engine.keepRecord('cold', { days: colder, forecast: [] })
    const cold = engine.forecast({ ...spec, recordKey: 'cold' }, standCase)!
    const usual = engine.forecast({ ...spec, recordKey: 'mild' }, standCase)!
    const flower = (forecast: typeof cold) =>
      forecast.stages.find((stage) => stage.bbch === 61)!.date.quantiles!.p50
    expect(flower(cold)).toBeGreaterThan(flower(usual))
    expect(() => engine.outlook({ ...spec, recordKey: 'never' }, today, 1)).toThrow(/did not reach/)
  })
  test('a file of days is read in pieces, with progress, whatever marks its start', async () => {
    const rows = Array.from(
      { length: 40 },
      (_, i) =>
        `2024-0${1 + Math.floor(i / 28)}-${String((i % 28) + 1).padStart(2, '0')};${i % 7};${10 + (i % 7)};0,5`,
    )
    const shares: number[] = []
    const reading = await engine.readWeatherFile(
      new Blob([`\uFEFFday;low;high;rain\n# a note\n${rows.join('\n')}\n`]),
      {
        headerRows: 1,
        date: { column: 0, form: 'iso' },
        columns: { tMinC: 1, tMaxC: 2, rainMm: 3 },
        temperature: 'c',
        rain: 'mm',
      },
      (share) => shares.push(share),
    )
    expect(reading.days).toHaveLength(40)
    expect(reading.problems).toEqual([])
    expect(reading.days[3]).toMatchObject({ tMinC: 3, tMaxC: 13, rainMm: 0.5 })
    expect(shares.at(-1)).toBe(1)
  })
  test('sowing days, windows, casts and a plant’s year answer', () => {
    const sowings = engine.sowingDays(spec, 'loam', today, 5)
    expect(sowings.map((entry) => entry.day)).toEqual([0, 1, 2, 3, 4].map((ahead) => today + ahead))
    const planned = data.stands.find(({ content, start }) => content.kind === 'cover' && !start.actual)
    const scenario = planned && scenarioOf(data, planned, today)
    if (scenario)
      expect(engine.sowingOutlook(spec, scenario, [today + 40]).map(({ day }) => day)).toEqual([today + 40])
    expect(
      engine.castPattern(1.2, 200, { castWidthM: 1.5, unevenness: 0.45 }).map((entry) => entry.passes),
    ).toEqual([1, 2, 3])
    expect(engine.plantYear(spec, 'moss', [today])).toEqual([])
    expect(engine.plantYear(spec, 'oats', [today])[0].covered.chance).toBeGreaterThan(0.8)
  })
  test('the ground of a bed is told where its past is known', () => {
    const bed = data.beds.find(({ id }) =>
      data.stands.some((stand) => stand.bedId === id && stand.start.actual),
    )!
    const summary = engine.ground(spec, beforeOn(data, bed, { kind: 'whole' }, today, null), bed, today)!
    expect(summary.mineralG.p10).toBeGreaterThan(0)
    expect(summary.waterShare.p90).toBeLessThanOrEqual(1)
    expect(engine.ground(spec, [], bed, today)).toBeNull()
  })
  test('crops have no forecast', () => {
    const crop = data.stands.find((stand) => stand.content.kind === 'crop')!
    expect(engine.forecast(spec, standCaseOf(data, crop)!)).toBeNull()
    expect(engine.compare(spec, scenarioOf(data, crop, today)!, { startDay: null }).options).toEqual([])
  })
})
