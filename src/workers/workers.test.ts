import { afterAll, describe, expect, test } from '@jest/globals'
import { expose, type Endpoint } from 'comlink'
import { MessageChannel } from 'node:worker_threads'
import { dayNumber } from '../core/foundations/day'
import { findCrop } from '../core/plants/crops'
import { marlpitLane } from '../demo/marlpitLane'
import { standCaseOf, weatherSpecOf } from '../state/season'
import { engine } from './engine'

const opened: MessageChannel[] = []

/** A worker made of a message channel, serving a slow stand-in for the engine. */
class FakeWorker {
  static started = 0
  private readonly channel = new MessageChannel()
  private readonly port = this.channel.port1 as unknown as Endpoint
  constructor() {
    FakeWorker.started++
    const jobs = {
      outlook: async (
        _spec: unknown,
        startDay: number,
        _weeks: number,
        progress: (share: number) => Promise<void>,
      ) => {
        await progress(0.5)
        await new Promise((resolve) => setTimeout(resolve, 20))
        if (startDay < 0) throw new Error('no such day')
        return startDay
      },
    }
    expose(jobs, this.channel.port2 as unknown as Endpoint)
    opened.push(this.channel)
  }
  postMessage(message: unknown, transfer: Transferable[]) {
    this.port.postMessage(message, transfer)
  }
  addEventListener(type: string, listener: EventListener) {
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

const { runJob, JobCancelled } = await import('./client')
const job = (day: number) => ({
  kind: 'outlook' as const,
  args: [null as never, day, 1] as [never, number, number],
})
afterAll(() => opened.forEach((channel) => channel.port1.close()))

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
  test('a failure is told and does not hold up the next job', async () => {
    const bad = runJob(job(-1))
    const good = runJob(job(3))
    await expect(bad.result).rejects.toThrow('no such day')
    expect(await good.result).toBe(3)
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
    const target = { plantingDay: dayNumber('2026-06-24'), establishment: 'transplant' as const, waitDays: 7 }
    const options = engine.compare(spec, { standCase, target, tools: data.garden.tools })
    expect(options.map((option) => option.method)).toEqual(['chop', 'chop', 'crimp', 'tarp', 'winter-kill'])
    expect(options.filter((option) => option.latestSafeDay !== null).length).toBeGreaterThan(1)
    const answer = engine.gates(spec, {
      standCase,
      end: standCase.stand.end.plan!,
      crop: findCrop('pumpkin')!,
      establishment: 'transplant',
      waitDays: 7,
      plantingDay: target.plantingDay,
      flattened: true,
    })!
    expect(answer.gates.map((gate) => gate.id)).toEqual(['dead', 'wait', 'tie-up', 'soil', 'frost'])
    expect(answer.mulchG!.mid).toBeGreaterThan(100)
  })
  test('the outlook of the weeks is the same for the same weather', () => {
    expect(engine.outlook(spec, today, 4)).toEqual(engine.outlook(spec, today, 4))
    expect(engine.outlook(spec, today, 4)).toHaveLength(4)
  })
  test('crops have no forecast', () => {
    const crop = data.stands.find((stand) => stand.content.kind === 'crop')!
    expect(engine.forecast(spec, standCaseOf(data, crop)!)).toBeNull()
    expect(
      engine.compare(spec, {
        standCase: standCaseOf(data, crop)!,
        target: { plantingDay: today + 30, establishment: 'seed', waitDays: 0 },
        tools: [],
      }),
    ).toEqual([])
  })
})
