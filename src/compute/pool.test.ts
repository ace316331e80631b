import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals'
import { Pool, QuestionCancelled } from './pool'
import type { JobArgs } from './protocol'
import { RecordMissing } from './recordMissing'
import { TestWorker, turns } from './testing/testWorker'

/** What was begun and ended, in order; and the steps that long work waits for. */
let log: string[] = []
let gate: (() => boolean) | null = null

/** Stand-ins for the core: `outlook` answers at once with its day, `choose` in steps until its gate opens. */
const jobs = {
  outlook(spec: { recordKey: string } | null, day: number, _weeks: number, told: (share: number) => void) {
    if (spec && !TestWorker.records.held.has(spec.recordKey)) throw new RecordMissing(spec.recordKey)
    if (day < 0) throw new Error('no such day')
    log.push(`outlook ${day}`)
    told(0.5)
    return day
  },
  *choose(name: string) {
    log.push(`choose ${name}`)
    while (gate && !gate()) yield
    log.push(`chosen ${name}`)
    return name
  },
}

const start = () => new TestWorker(jobs as never, TestWorker.records) as unknown as Worker
let pool: Pool
const day = (number: number) => [null, number, 1] as unknown as JobArgs<'outlook'>
const of = (name: string) => [name] as unknown as JobArgs<'choose'>
/** Shuts the gate; the answer opens it. */
function shut(): () => void {
  let open = false
  gate = () => open
  return () => void (open = true)
}

beforeEach(() => {
  TestWorker.reset()
  log = []
  gate = null
})
afterEach(() => {
  gate = null
  pool.close()
  jest.useRealTimers()
})

describe.each([1, 2, 4])('a pool of %i', (size) => {
  beforeEach(() => void (pool = new Pool(size, start)))

  test('answers what it is asked, with progress, and starts no more workers than it may', async () => {
    const shares: number[] = []
    const asked = [1, 2, 3, 4, 5, 6].map((number) =>
      pool.ask('outlook', day(number), { onProgress: (share) => shares.push(share) }),
    )
    expect(await Promise.all(asked)).toEqual([1, 2, 3, 4, 5, 6])
    expect(shares).toHaveLength(6)
    expect(TestWorker.started).toHaveLength(size)
  })
  test('short questions do not wait for long ones, which go on where they were', async () => {
    const open = shut()
    const long = Array.from({ length: size }, (_, i) => pool.ask('choose', of(`${i}`)))
    await turns(4)
    expect(await pool.ask('outlook', day(7))).toBe(7)
    expect(log.filter((line) => line.startsWith('chosen'))).toEqual([])
    open()
    expect(await Promise.all(long)).toEqual(Array.from({ length: size }, (_, i) => `${i}`))
    expect(log.filter((line) => line.startsWith('choose '))).toHaveLength(size)
  })
  test('what nobody waits for any more is cancelled, whether it waits or is in hand, and no worker is lost', async () => {
    gate = () => false
    const stops = Array.from({ length: size + 2 }, () => new AbortController())
    const cancelled = stops.map(({ signal }, i) => pool.ask('choose', of(`${i}`), { signal }))
    const ends = Promise.allSettled(cancelled)
    await turns(4)
    stops.forEach((stop) => stop.abort())
    expect((await ends).every((end) => end.status === 'rejected')).toBe(true)
    await expect(cancelled[0]).rejects.toBeInstanceOf(QuestionCancelled)
    await turns(4)
    gate = null
    expect(await pool.ask('choose', of('last'))).toBe('last')
    expect(log.filter((line) => line.startsWith('chosen'))).toEqual(['chosen last'])
    expect(TestWorker.started).toHaveLength(size)
  })
})

describe('with one worker', () => {
  beforeEach(() => void (pool = new Pool(1, start)))

  test('what is on the screen goes before what is asked next, and that before the rest', async () => {
    const open = shut()
    const first = pool.ask('choose', of('first'))
    await turns(3)
    const [rest, next, screen] = (['rest', 'next', 'screen'] as const).map((priority, i) =>
      pool.question('choose', of(priority), { priority, onProgress: () => i }),
    )
    open()
    await Promise.all([first, rest.answer, next.answer, screen.answer])
    expect(log.filter((line) => line.startsWith('choose '))).toEqual([
      'choose first',
      'choose screen',
      'choose next',
      'choose rest',
    ])
  })
  test('a question is raised when somebody looks at it', async () => {
    const open = shut()
    const first = pool.ask('choose', of('first'))
    await turns(3)
    const [a, b] = ['a', 'b'].map((name) => pool.question('choose', of(name), { priority: 'rest' }))
    b.raise('screen')
    open()
    await Promise.all([first, a.answer, b.answer])
    expect(log.filter((line) => line.startsWith('choose '))).toEqual(['choose first', 'choose b', 'choose a'])
  })
  test('a failure is told and does not hold up the next question', async () => {
    const bad = pool.ask('outlook', day(-1))
    const good = pool.ask('outlook', day(3))
    await expect(bad).rejects.toThrow('no such day')
    expect(await good).toBe(3)
  })

  const named = (key: string, number: number) =>
    [{ recordKey: key }, number, 1] as unknown as JobArgs<'outlook'>
  test('a worker that lacks the observed weather asks for it and is sent it, once', async () => {
    pool.records.keep('spring', { days: [], forecast: [] })
    expect(await pool.ask('outlook', named('spring', 1))).toBe(1)
    expect(await pool.ask('outlook', named('spring', 2))).toBe(2)
    expect(TestWorker.records.sent).toEqual(['spring'])
  })
  test('weather that the worker has let go is sent again, however many gardens were open since', async () => {
    pool.records.keep('spring', { days: [], forecast: [] })
    await pool.ask('outlook', named('spring', 1))
    for (const key of ['a', 'b', 'c', 'd', 'e']) {
      pool.records.keep(key, { days: [], forecast: [] })
      await pool.ask('outlook', named(key, 1))
    }
    TestWorker.records.held.delete('spring')
    pool.records.keep('spring', { days: [], forecast: [] })
    expect(await pool.ask('outlook', named('spring', 2))).toBe(2)
    await expect(pool.ask('outlook', named('never kept', 1))).rejects.toThrow(/did not reach/)
  })
})

describe('workers that fail', () => {
  test('a browser without workers says so, and is asked again when tried again', async () => {
    let able = false
    pool = new Pool(2, () => {
      if (!able) throw new ReferenceError('Worker is not defined')
      return start()
    })
    const [one, two] = [pool.ask('outlook', day(1)), pool.ask('outlook', day(2))]
    await expect(one).rejects.toThrow(/does not let pages compute/)
    await expect(two).rejects.toThrow(/does not let pages compute/)
    able = true
    expect(await pool.ask('outlook', day(3))).toBe(3)
  })
  test('where two cannot start all that wait fails, with the reason; tried again it starts anew', async () => {
    TestWorker.speak = false
    pool = new Pool(1, start)
    const ends = Promise.allSettled([pool.ask('outlook', day(1)), pool.ask('outlook', day(2))])
    for (const worker of [0, 1]) TestWorker.started[worker].fail('The script is not there.')
    expect(TestWorker.started).toHaveLength(2)
    expect((await ends).map((end) => end.status === 'rejected' && String(end.reason))).toEqual([
      'Error: The script is not there.',
      'Error: The script is not there.',
    ])
    TestWorker.speak = true
    expect(await pool.ask('outlook', day(3))).toBe(3)
  })
  test('one that does not start is replaced, and nothing that waited is lost', async () => {
    jest.useFakeTimers({ doNotFake: ['setImmediate', 'nextTick', 'queueMicrotask'] })
    TestWorker.speak = false
    pool = new Pool(1, start)
    const answers = Promise.all([pool.ask('outlook', day(1)), pool.ask('outlook', day(2))])
    await turns(4)
    jest.advanceTimersByTime(15_000)
    expect(TestWorker.started).toHaveLength(1)
    TestWorker.speak = true
    jest.advanceTimersByTime(10_000)
    expect(await answers).toEqual([1, 2])
    expect(TestWorker.started.map(({ ended }) => ended)).toEqual([true, false])
  })
  test('one that breaks down over its work is replaced, and asked once more', async () => {
    pool = new Pool(1, start)
    gate = () => false
    const answer = pool.ask('choose', of('a'))
    await turns(4)
    TestWorker.started[0].fail('out of memory')
    await turns(4)
    gate = null
    expect(await answer).toBe('a')
    expect(TestWorker.started.map(({ ended }) => ended)).toEqual([true, false])
  })
  test('a question over which two workers break down fails, and the next is answered', async () => {
    pool = new Pool(1, start)
    gate = () => false
    const end = expect(pool.ask('choose', of('a'))).rejects.toThrow('out of memory')
    for (const worker of [0, 1]) {
      await turns(4)
      TestWorker.started[worker].fail('out of memory')
    }
    await end
    expect(await pool.ask('outlook', day(1))).toBe(1)
  })
  test('one that falls silent is replaced and its question asked again; two that never spoke are given up', async () => {
    jest.useFakeTimers({ doNotFake: ['setImmediate', 'nextTick', 'queueMicrotask'] })
    pool = new Pool(1, start)
    // The clock stands still but for this: each look takes a slice.
    gate = () => {
      jest.advanceTimersByTime(25)
      return false
    }
    const answer = pool.ask('choose', of('a'))
    await turns(4)
    TestWorker.speak = false
    jest.advanceTimersByTime(70_000)
    TestWorker.speak = true
    await turns(4)
    gate = null
    expect(await answer).toBe('a')
    expect(TestWorker.started).toHaveLength(2)
    pool.close()
    TestWorker.speak = false
    const end = expect(pool.ask('choose', of('b'))).rejects.toThrow('The calculation did not start.')
    jest.advanceTimersByTime(70_000)
    await end
  })
})
