import { afterEach, expect, test } from '@jest/globals'
import { act, cleanup, renderHook, waitFor } from '@testing-library/react'
import Dexie from 'dexie'
import type { ReactNode } from 'react'
import { stableHash } from '../core/foundations/hash'
import { Answers } from './answers'
import { AnswersProvider } from './AnswersProvider'
import { KeptAnswers } from './kept'
import { QuestionCancelled, type AskOptions, type Pool } from './pool'
import { useAllAnswers, useAnswer, useFailures, useLatest, usePending, useStandInDay } from './useAnswer'

type Asked = {
  text: string
  priority: string
  cancelled: boolean
  answer: (value?: unknown) => Promise<void>
  fail: (message: string) => Promise<void>
  tell: (share: number, soFar?: unknown) => Promise<void>
}

/** A pool that answers when the test says so. */
class Held {
  asked: Asked[] = []
  question(kind: string, args: unknown[], { priority = 'screen', signal, onProgress }: AskOptions) {
    const text = `${kind} ${String(args[0])}`
    let entry!: Asked
    const answer = new Promise((resolve, reject) => {
      const later = (settle: () => void) =>
        act(async () => {
          settle()
          await new Promise((resolve) => setTimeout(resolve, 0))
        })
      entry = {
        text,
        priority,
        cancelled: false,
        answer: (value = `answer to ${text}`) => later(() => resolve(value)),
        fail: (message) => later(() => reject(new Error(message))),
        tell: (share, soFar) => later(() => onProgress?.(share, soFar)),
      }
      signal?.addEventListener('abort', () => {
        entry.cancelled = true
        reject(new QuestionCancelled())
      })
    })
    this.asked.push(entry)
    return { answer, raise: (more: string) => void (entry.priority = more) }
  }
}

const kept: KeptAnswers[] = []
function page(keeps: KeptAnswers | null = null) {
  const pool = new Held()
  const answers = new Answers(pool as unknown as Pool, keeps)
  const wrapper = ({ children }: { children: ReactNode }) => (
    <AnswersProvider answers={answers}>{children}</AnswersProvider>
  )
  const texts = () => pool.asked.map(({ text }) => text)
  const asks = (text: string) => waitFor(() => expect(texts()).toContain(text))
  const last = (text: string) => pool.asked.findLast((entry) => entry.text === text)!
  return { answers, wrapper, pool, texts, asks, last }
}
afterEach(async () => {
  cleanup()
  kept.splice(0).forEach((answers) => answers.close())
  await Dexie.delete('hooks-test')
})

// The hooks know questions by their hash only; what the arguments are does not matter to them.
const questions = (...names: string[]) => names.map((name) => ({ name, args: [name] as never }))
const useAsked = (name: string, under?: string) => useAnswer('forecast', [name] as never, under)

test('many questions are asked and fill in as they are answered', async () => {
  const { wrapper, asks, last } = page()
  const { result } = renderHook(
    () => ({ all: useAllAnswers('forecast', questions('a', 'b')), pending: usePending() }),
    { wrapper },
  )
  await asks('forecast b')
  await waitFor(() => expect(result.current.pending).toBe(2))
  await last('forecast b').answer()
  await waitFor(() => expect(result.current.all.values).toEqual([undefined, 'answer to forecast b']))
  await waitFor(() => expect(result.current.all.pending).toBe(1))
  await last('forecast a').answer()
  await waitFor(() =>
    expect(result.current.all.values).toEqual(['answer to forecast a', 'answer to forecast b']),
  )
  await waitFor(() => expect(result.current.pending).toBe(0))
})

test('a question that is no longer asked is cancelled; asked again it is worked out', async () => {
  const { wrapper, asks, last, texts } = page()
  const { result, rerender } = renderHook(({ name }) => useAsked(name), {
    wrapper,
    initialProps: { name: 'one' },
  })
  await asks('forecast one')
  rerender({ name: 'two' })
  await asks('forecast two')
  expect(last('forecast one').cancelled).toBe(true)
  expect(last('forecast two').cancelled).toBe(false)
  rerender({ name: 'one' })
  await waitFor(() => expect(texts()).toEqual(['forecast one', 'forecast two', 'forecast one']))
  await last('forecast one').answer()
  await waitFor(() => expect(result.current.value).toBe('answer to forecast one'))
})

test('leaving the page drops what it asked for, unless another place asks for it too', async () => {
  const { wrapper, asks, last, texts } = page()
  const one = renderHook(() => useAsked('shared'), { wrapper })
  const two = renderHook(() => useAllAnswers('forecast', questions('shared')), { wrapper })
  await asks('forecast shared')
  one.unmount()
  expect(last('forecast shared').cancelled).toBe(false)
  two.unmount()
  await waitFor(() => expect(last('forecast shared').cancelled).toBe(true))
  expect(texts()).toEqual(['forecast shared'])
})

test('a list made anew with the same questions loses none of them and asks none twice', async () => {
  const { wrapper, asks, texts, pool } = page()
  const { result, rerender } = renderHook(({ list }) => useAllAnswers('forecast', list), {
    wrapper,
    initialProps: { list: questions('c', 'd') },
  })
  await asks('forecast d')
  rerender({ list: questions('c', 'd', 'e') })
  await asks('forecast e')
  expect(texts()).toEqual(['forecast c', 'forecast d', 'forecast e'])
  for (const asked of pool.asked) await asked.answer()
  await waitFor(() => expect(result.current.values).toHaveLength(3))
  await waitFor(() => expect(result.current.values[2]).toBe('answer to forecast e'))
})

test('a changed question shows the last answer under its name until the new one is there', async () => {
  const { wrapper, asks, last } = page()
  const { result, rerender } = renderHook(
    ({ name }) => ({ ...useAsked(name, 'stand'), latest: useLatest('stand') }),
    { wrapper, initialProps: { name: 'before' } },
  )
  await asks('forecast before')
  await last('forecast before').answer()
  rerender({ name: 'after' })
  await asks('forecast after')
  await waitFor(() =>
    expect(result.current).toMatchObject({ value: undefined, last: 'answer to forecast before' }),
  )
  await last('forecast after').answer()
  await waitFor(() =>
    expect(result.current).toMatchObject({
      value: 'answer to forecast after',
      latest: 'answer to forecast after',
    }),
  )
})

test('it tells how far it is and what is known so far, and keeps what is known when only the share moves', async () => {
  const { wrapper, asks, last } = page()
  const { result } = renderHook(() => useAsked('slow'), { wrapper })
  await asks('forecast slow')
  await last('forecast slow').tell(0.3, 'three of ten')
  await last('forecast slow').tell(0.4)
  await waitFor(() =>
    expect(result.current).toMatchObject({ progress: 0.4, soFar: 'three of ten', running: true }),
  )
  await last('forecast slow').answer()
  await waitFor(() => expect(result.current).toMatchObject({ progress: 0, soFar: undefined, running: false }))
})

test('a failure says why where the answer would stand, and everywhere at once it is tried again', async () => {
  const { wrapper, asks, last, texts } = page()
  const { result } = renderHook(
    () => ({ one: useAsked('j'), all: useAllAnswers('forecast', questions('k')), failures: useFailures() }),
    { wrapper },
  )
  await asks('forecast k')
  await last('forecast j').fail('No weather reached it.')
  await last('forecast k').fail('No weather reached it.')
  await waitFor(() => expect(result.current.one.error).toBe('No weather reached it.'))
  await waitFor(() =>
    expect(result.current.all.failure).toMatchObject({ error: 'No weather reached it.', count: 1 }),
  )
  await waitFor(() =>
    expect(result.current.failures).toMatchObject({ error: 'No weather reached it.', count: 2 }),
  )
  act(() => result.current.one.retry())
  await waitFor(() => expect(texts()).toHaveLength(4))
  await last('forecast j').answer()
  await last('forecast k').answer()
  await waitFor(() =>
    expect(result.current).toMatchObject({
      one: { value: 'answer to forecast j', error: null },
      failures: null,
    }),
  )
})

test('what the grower stops says so, and stays stopped until it is tried again', async () => {
  const { wrapper, asks, last, texts } = page()
  const { result, rerender } = renderHook(() => useAsked('stopped'), { wrapper })
  await asks('forecast stopped')
  await act(async () => result.current.cancel())
  await waitFor(() => expect(result.current.error).toBe('It was stopped.'))
  rerender()
  expect(texts()).toEqual(['forecast stopped'])
  act(() => result.current.retry())
  await waitFor(() => expect(texts()).toHaveLength(2))
  await last('forecast stopped').answer()
  await waitFor(() =>
    expect(result.current).toMatchObject({ value: 'answer to forecast stopped', error: null }),
  )
})

test('what is one of many is raised once it is looked at by itself', async () => {
  const { wrapper, asks, last, texts } = page()
  const many = questions('soon').map((question) => ({ ...question, priority: 'next' as const }))
  renderHook(() => useAllAnswers('forecast', many), { wrapper })
  await asks('forecast soon')
  expect(last('forecast soon').priority).toBe('next')
  const { result } = renderHook(() => useAsked('soon'), { wrapper })
  expect(last('forecast soon').priority).toBe('screen')
  await last('forecast soon').answer()
  await waitFor(() => expect(result.current.value).toBe('answer to forecast soon'))
  expect(texts()).toEqual(['forecast soon'])
})

test('an answer kept from before a reload is shown without asking', async () => {
  const keeps = () => {
    const answers = new KeptAnswers('m', 'hooks-test')
    kept.push(answers)
    return answers
  }
  const before = page(keeps())
  const first = renderHook(() => useAsked('kept'), { wrapper: before.wrapper })
  await before.asks('forecast kept')
  await before.last('forecast kept').answer()
  first.unmount()
  const question = `forecast ${stableHash(['kept'])}`
  await waitFor(async () => expect(await keeps().get(question)).toBeDefined())
  const after = page(keeps())
  const { result } = renderHook(() => useAsked('kept', 'stand'), { wrapper: after.wrapper })
  await waitFor(() => expect(result.current.value).toBe('answer to forecast kept'))
  await waitFor(() => expect(result.current.last).toBe('answer to forecast kept'))
  expect(after.texts()).toEqual([])
})

test('an answer that was read ahead stands there at the first painting, alone and among many', async () => {
  const keeps = new KeptAnswers('m', 'hooks-test')
  kept.push(keeps)
  await keeps.put(`forecast ${stableHash(['alone'])}`, 'one')
  await keeps.put(`forecast ${stableHash(['a'])}`, 'first of many')
  const { answers, wrapper, texts, asks } = page(keeps)
  await answers.readAhead()
  const seen: unknown[] = []
  const { result } = renderHook(
    () => {
      const alone = useAsked('alone', 'stand')
      const many = useAllAnswers('forecast', questions('a', 'b'))
      seen.push([alone.value, alone.running, many.values, many.pending])
      return alone
    },
    { wrapper },
  )
  expect(seen[0]).toEqual(['one', false, ['first of many', undefined], 1])
  await asks('forecast b')
  expect(texts()).toEqual(['forecast b'])
  expect(result.current.last).toBe('one')
  expect(answers.client.getQueryData(['latest', 'a'])).toEqual({ value: 'first of many', day: null })
})

/** A question of a day, under the name that its answers stand in for each other under. */
const onDay = (today: number) => [{ today }] as never

test('on the next morning the answers of yesterday stand there at once, with their day, until today’s come', async () => {
  const keeps = () => {
    const answers = new KeptAnswers('m', 'hooks-test')
    kept.push(answers)
    return answers
  }
  const evening = page(keeps())
  const asked = renderHook(() => useAnswer('forecast', onDay(7), 'stand'), { wrapper: evening.wrapper })
  await evening.asks('forecast [object Object]')
  await evening.last('forecast [object Object]').answer('of day 7')
  asked.unmount()
  await waitFor(async () => expect(await keeps().lastNamed('stand')).toEqual({ value: 'of day 7', day: 7 }))
  const morning = page(keeps())
  await morning.answers.readAhead()
  const seen: unknown[] = []
  const { result } = renderHook(
    () => {
      const many = useAllAnswers('forecast', [{ name: 'stand', args: onDay(8) }])
      const one = useAnswer('forecast', onDay(8), 'stand')
      seen.push([many.values, many.oldDay, one.last, one.lastDay, one.value, useStandInDay()])
      return one
    },
    { wrapper: morning.wrapper },
  )
  expect(seen[0]).toEqual([['of day 7'], 7, 'of day 7', 7, undefined, null])
  await morning.asks('forecast [object Object]')
  await waitFor(() => expect(seen.at(-1)).toEqual([['of day 7'], 7, 'of day 7', 7, undefined, 7]))
  await morning.last('forecast [object Object]').answer('of day 8')
  await waitFor(() => expect(result.current.value).toBe('of day 8'))
  expect(seen.at(-1)).toEqual([['of day 8'], null, 'of day 8', 8, 'of day 8', null])
})

test('an answer of yesterday that was not read ahead is looked for when its question is asked', async () => {
  const keeps = new KeptAnswers('m', 'hooks-test')
  kept.push(keeps)
  await keeps.put('forecast old', 'of day 7')
  await keeps.name('stand', 'forecast old', 7)
  const { wrapper } = page(keeps)
  const { result } = renderHook(() => useAnswer('forecast', onDay(8), 'stand'), { wrapper })
  await waitFor(() => expect(result.current.last).toBe('of day 7'))
  expect(result.current.lastDay).toBe(7)
})

test('a page that is left while kept answers are looked up asks nothing of the pool', async () => {
  const keeps = new KeptAnswers('m', 'hooks-test')
  kept.push(keeps)
  const { wrapper, texts } = page(keeps)
  const { unmount } = renderHook(() => useAsked('left'), { wrapper })
  unmount()
  await keeps.get('forecast another')
  await act(() => new Promise((resolve) => setImmediate(resolve)))
  expect(texts()).toEqual([])
})

test('a question is raised while kept answers are still looked up', async () => {
  const keeps = new KeptAnswers('m', 'hooks-test')
  kept.push(keeps)
  const { wrapper, asks, last } = page(keeps)
  const many = questions('both').map((question) => ({ ...question, priority: 'next' as const }))
  renderHook(
    () => {
      useAllAnswers('forecast', many)
      useAsked('both')
    },
    { wrapper },
  )
  await asks('forecast both')
  expect(last('forecast both').priority).toBe('screen')
})
