import { afterEach, expect, test } from '@jest/globals'
import { act, renderHook, waitFor } from '@testing-library/react'
import type { ReactNode } from 'react'
import { Provider } from 'react-redux'
import { createStore } from './store'
import { useEngine, useEngineAll, useLatest, usePendingJobs } from './useEngine'

/** A worker that answers when the test says so. */
class Held {
  static started: Held[] = []
  static asked: string[] = []
  static answer: (() => void)[] = []
  static fail: ((text: string) => void)[] = []
  ended = false
  #hear: ((event: { data: unknown }) => void)[] = []
  constructor() {
    Held.started.push(this)
  }
  addEventListener(kind: string, hear: (event: { data: unknown }) => void) {
    if (kind === 'message') this.#hear.push(hear)
  }
  removeEventListener(_kind: string, hear: (event: { data: unknown }) => void) {
    this.#hear = this.#hear.filter((other) => other !== hear)
  }
  postMessage({
    id,
    path,
    argumentList,
  }: {
    id: string
    path: string[]
    argumentList?: { value: unknown }[]
  }) {
    const say = (answer: object) => {
      if (!this.ended) this.#hear.forEach((hear) => hear({ data: { id, ...answer } }))
    }
    // A proxy that is let go of says so, and asks nothing.
    if (!argumentList) return
    const first = JSON.stringify(argumentList[0].value)
    Held.asked.push(`${path.join('.')} ${first}`)
    Held.answer.push(() => say({ type: 'RAW', value: `answer to ${first}` }))
    Held.fail.push((message) =>
      say({
        type: 'HANDLER',
        name: 'throw',
        value: { isError: true, value: { message, name: 'Error', stack: '' } },
      }),
    )
  }
  terminate() {
    this.ended = true
  }
}

class NoChannel {
  port1 = { addEventListener() {}, start() {}, postMessage() {} }
  port2 = {}
}

const turn = () => act(() => new Promise((resolve) => setTimeout(resolve, 0)))
/** Lets the job at the worker's hands be answered. */
async function answer() {
  await waitFor(() => expect(Held.answer.length).toBeGreaterThan(0))
  await act(async () => Held.answer.shift()!())
  Held.fail.shift()
  await turn()
}

function page() {
  Object.assign(globalThis, { Worker: Held, MessageChannel: NoChannel })
  const store = createStore()
  return ({ children }: { children: ReactNode }) => <Provider store={store}>{children}</Provider>
}

// The hooks ask for jobs by name only; what the arguments are does not matter to them.
const jobs = (...names: string[]) => names.map((name) => ({ name, args: [name] as never }))

afterEach(async () => {
  while (Held.answer.length > 0) await answer()
  Held.started = []
  Held.asked = []
})

test('many jobs are asked one after another and fill in as they are answered', async () => {
  const { result } = renderHook(
    () => ({ all: useEngineAll('forecast', jobs('a', 'b')), pending: usePendingJobs() }),
    { wrapper: page() },
  )
  expect(result.current.pending).toBe(2)
  await answer()
  expect(result.current.all.values).toEqual(['answer to "a"', undefined])
  expect(result.current.pending).toBe(1)
  await answer()
  expect(result.current.all.values).toEqual(['answer to "a"', 'answer to "b"'])
  expect(result.current.pending).toBe(0)
})

test('a question that is no longer asked leaves the queue, and the one in hand comes to its end', async () => {
  const { result, rerender } = renderHook(({ name }) => useEngine('forecast', [name] as never), {
    wrapper: page(),
    initialProps: { name: 'q1' },
  })
  await turn()
  rerender({ name: 'q2' })
  rerender({ name: 'q3' })
  await turn()
  await answer()
  await answer()
  expect(Held.asked).toEqual(['forecast "q1"', 'forecast "q3"'])
  expect(result.current.value).toBe('answer to "q3"')
})

test('a list made anew with the same jobs loses none of them and asks none twice', async () => {
  const { result, rerender } = renderHook(({ list }) => useEngineAll('forecast', list), {
    wrapper: page(),
    initialProps: { list: jobs('c', 'd') },
  })
  rerender({ list: jobs('c', 'd') })
  rerender({ list: jobs('c', 'd', 'e') })
  await answer()
  await answer()
  await answer()
  expect(result.current.values).toEqual(['answer to "c"', 'answer to "d"', 'answer to "e"'])
  expect(Held.asked).toEqual(['forecast "c"', 'forecast "d"', 'forecast "e"'])
})

test('jobs nobody wants leave the queue; wanted again they are computed', async () => {
  const { result, rerender } = renderHook(({ list }) => useEngineAll('forecast', list), {
    wrapper: page(),
    initialProps: { list: jobs('f', 'g') },
  })
  rerender({ list: jobs('h') })
  await turn()
  Held.answer.shift()
  Held.fail.shift()
  // The worker that was on the first of them was stopped, and one new one began.
  expect(Held.started).toHaveLength(1)
  expect(Held.asked).toEqual(['forecast "f"', 'forecast "h"'])
  await answer()
  expect(result.current.values).toEqual(['answer to "h"'])
  rerender({ list: jobs('f', 'g') })
  await answer()
  await answer()
  expect(result.current.values).toEqual(['answer to "f"', 'answer to "g"'])
})

test('two places that want the same job share it; one of them leaving does not stop it', async () => {
  const wrapper = page()
  const one = renderHook(() => useEngineAll('forecast', jobs('i')), { wrapper })
  const two = renderHook(() => useEngineAll('forecast', jobs('i')), { wrapper })
  one.unmount()
  await turn()
  await answer()
  expect(two.result.current.values).toEqual(['answer to "i"'])
  expect(Held.asked).toEqual(['forecast "i"'])
})

test('a changed question shows the last answer under its name until the new one is there', async () => {
  const { result, rerender } = renderHook(
    ({ text }) => ({ ...useEngine('forecast', [text] as never, 'stand'), latest: useLatest('stand') }),
    { wrapper: page(), initialProps: { text: 'early' } },
  )
  await answer()
  expect(result.current.value).toBe('answer to "early"')
  rerender({ text: 'late' })
  await turn()
  expect(result.current).toMatchObject({ value: undefined, running: true, last: 'answer to "early"' })
  await answer()
  expect(result.current).toMatchObject({ value: 'answer to "late"', latest: 'answer to "late"' })
})

test('a failed job says why and can be tried again; one taken back can be asked again', async () => {
  const { result } = renderHook(() => useEngine('forecast', ['j'] as never), { wrapper: page() })
  await waitFor(() => expect(Held.fail).toHaveLength(1))
  await act(async () => Held.fail.shift()!('No weather reached it.'))
  Held.answer.shift()
  await turn()
  expect(result.current).toMatchObject({ running: false, error: 'No weather reached it.' })
  act(() => void result.current.retry())
  await answer()
  expect(result.current).toMatchObject({ value: 'answer to "j"', error: null })
})

test('a job that was stopped stays stopped until it is tried again', async () => {
  const { result } = renderHook(() => useEngine('forecast', ['k'] as never), { wrapper: page() })
  await waitFor(() => expect(Held.asked).toHaveLength(1))
  act(() => void result.current.cancel())
  Held.answer.shift()
  Held.fail.shift()
  await turn()
  await turn()
  expect(Held.asked).toHaveLength(1)
  expect(result.current).toMatchObject({ running: false, error: 'It was stopped.' })
  act(() => void result.current.retry())
  await answer()
  expect(result.current).toMatchObject({ value: 'answer to "k"', error: null })
})
