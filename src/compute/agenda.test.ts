import { expect, jest, test } from '@jest/globals'
import { Agenda, SLICE_MS } from './agenda'
import type { FromWorker } from './protocol'
import { turns } from './testing/testWorker'

/** An agenda on one long job of steps that take a millisecond each, and what it says. */
function working(stepsInAll: number) {
  jest.useFakeTimers({ doNotFake: ['setImmediate', 'nextTick', 'queueMicrotask'] })
  const said: FromWorker[] = []
  let done = 0
  const perSlice: number[] = []
  const jobs = {
    *long() {
      for (; done < stepsInAll; done++) {
        jest.advanceTimersByTime(1)
        yield
      }
      return done
    },
    short: () => 'at once',
    waiting: () => new Promise((resolve) => setImmediate(() => resolve('waited for'))),
  }
  let before = 0
  const pause = () => {
    perSlice.push(done - before)
    before = done
    return new Promise<void>((resolve) => setImmediate(resolve))
  }
  const agenda = new Agenda(jobs, { keep: () => {} }, (message) => said.push(message), pause)
  const ask = (id: number, kind: keyof typeof jobs, rank: number) =>
    agenda.receive({ type: 'ask', id, kind: kind as never, args: [], rank })
  const answers = () => said.flatMap((message) => (message.type === 'done' ? [message.id] : []))
  return { agenda, ask, said, perSlice, answers, done: () => done }
}

test('long work goes on in slices, and short work that is more wanted comes between', async () => {
  const { ask, perSlice, answers, done } = working(500)
  ask(1, 'long', 3)
  await turns(3)
  expect(done()).toBeLessThan(500)
  ask(2, 'short', 0)
  await turns(60)
  expect(answers()).toEqual([2, 1])
  expect(Math.max(...perSlice)).toBeLessThanOrEqual(SLICE_MS)
})

test('work that is cancelled goes no further', async () => {
  const { agenda, ask, answers, done } = working(500)
  ask(1, 'long', 1)
  await turns(3)
  agenda.receive({ type: 'cancel', id: 1 })
  await turns(3)
  const stopped = done()
  await turns(10)
  expect(done()).toBe(stopped)
  expect(answers()).toEqual([])
})

test('it says that it lives at least once a second, and waits for what is not its work', async () => {
  const { ask, said, answers } = working(5000)
  ask(1, 'long', 1)
  ask(2, 'waiting', 0)
  await turns(400)
  expect(answers()).toEqual([2, 1])
  expect(said.filter(({ type }) => type === 'alive').length).toBeGreaterThanOrEqual(4)
})
