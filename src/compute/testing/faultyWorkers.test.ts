import { expect, jest, test } from '@jest/globals'
import { tortureWorkers } from './faultyWorkers'
import { turns } from './testWorker'

/** Lets messages arrive, then a few ms pass on a clock of its own: what a busy machine delays is not taken for silence. */
async function withOwnClock<T>(work: Promise<T>): Promise<T> {
  let open = true
  const done = work.finally(() => (open = false))
  while (open) {
    await turns(10)
    jest.advanceTimersByTime(4)
  }
  return done
}

test('whatever workers do, questions are answered rightly or refused in words, and answered when tried again', async () => {
  jest.useFakeTimers({ doNotFake: ['setImmediate', 'nextTick', 'queueMicrotask'] })
  try {
    const { faults, answered, refused } = await withOwnClock(tortureWorkers(12, 4))
    expect(faults).toEqual([])
    expect(answered).toBeGreaterThan(0)
    expect(refused).toBeGreaterThan(0)
  } finally {
    jest.useRealTimers()
  }
})
