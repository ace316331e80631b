import {
  notifyManager,
  skipToken,
  useIsFetching,
  useQueries,
  useQuery,
  useQueryClient,
} from '@tanstack/react-query'
import { useCallback, useEffect, useMemo, useSyncExternalStore } from 'react'
import { ANSWER, latestKey, underwayKey, useAnswers, type Latest, type Underway } from './answers'
import type { Priority } from './pool'
import type { Answer, JobArgs, JobKind } from './protocol'

/** An answer as a room sees it. */
export type AnswerState<T> = {
  value: T | undefined
  /** What is known so far, of one that reports it while it is worked out. */
  soFar: T | undefined
  /** The last answer under the same name, whatever was asked. */
  last: T | undefined
  /** Day number that the last answer was asked for; null where there is none, or it asks no day. */
  lastDay: number | null
  running: boolean
  /** Share done, 0–1. */
  progress: number
  error: string | null
  cancel: () => void
  retry: () => void
}

const messageOf = (error: unknown) => (error instanceof Error ? error.message : 'The calculation failed.')

const useNamed = (name: string | null) =>
  useQuery<Latest>({ queryKey: latestKey(name), queryFn: skipToken, gcTime: Infinity }).data

/** The last answer under a name, whatever was asked. */
export function useLatest<T>(name: string | null): T | undefined {
  return useNamed(name)?.value as T | undefined
}

/**
 * The answer to a question, worked out once and kept by its hash. `null` asks for nothing. Under a `name` the last answer
 * stands in as `last` while a changed question is worked out.
 */
export function useAnswer<K extends JobKind>(
  kind: K,
  args: JobArgs<K> | null,
  name?: string,
  priority: Priority = 'screen',
): AnswerState<Answer<K>> {
  const answers = useAnswers()
  const query = answers.query(kind, args, name, priority)
  const key = query.queryKey
  const hash = key[2]
  const { data, error, isFetching } = useQuery(query)
  useEffect(() => answers.nameLatest(name, data, kind, args), [answers, name, data, kind, args])
  const { data: underway } = useQuery<Underway>({ queryKey: underwayKey(key), queryFn: skipToken })
  const named = useNamed(name ?? null)
  // Asked as one of many, it had a lower priority until now.
  useEffect(() => answers.raise([ANSWER, kind, hash], priority), [answers, kind, hash, priority])
  const cancel = useCallback(() => answers.stop([ANSWER, kind, hash]), [answers, kind, hash])
  const retry = useCallback(() => answers.retry(), [answers])
  return {
    value: args === null ? undefined : (data as Answer<K> | undefined),
    soFar: underway?.soFar as Answer<K> | undefined,
    last: named?.value as Answer<K> | undefined,
    lastDay: named?.day ?? null,
    running: isFetching,
    progress: underway?.share ?? 0,
    error: error && !isFetching ? messageOf(error) : null,
    cancel,
    retry,
  }
}

/** The earliest day of an answer that stands in for one that is still worked out; null where none does. */
export function useStandInDay(): number | null {
  const { client } = useAnswers()
  // Drawn again whenever one of them is done.
  if (usePending() === 0) return null
  const days = client
    .getQueryCache()
    .findAll({ queryKey: [ANSWER], fetchStatus: 'fetching' })
    .flatMap(({ meta }) => {
      const name = meta?.name as string | undefined
      return (name && client.getQueryData<Latest>(latestKey(name))?.day) || []
    })
  return days.length > 0 ? Math.min(...days) : null
}

/** Calculations that failed: why the first of them did, how many there are, and a way to try them again. */
export type Failure = { error: string; count: number; retry: () => void }

/** One of many questions of a kind, and its priority; on the screen where left out. */
export type Named<K extends JobKind> = { name: string; args: JobArgs<K>; priority?: Priority }

/**
 * Answers to many questions of one kind, in order; they fill in as they are worked out. Until then the last answer under
 * the same name stands in: `oldDay` is the earliest day that one of those was asked for, null where none stands in.
 */
export function useAllAnswers<K extends JobKind>(
  kind: K,
  questions: readonly Named<K>[],
): { values: (Answer<K> | undefined)[]; oldDay: number | null; pending: number; failure: Failure | null } {
  const answers = useAnswers()
  const queries = useMemo(
    () => questions.map(({ name, args, priority }) => answers.query(kind, args, name, priority)),
    [answers, kind, questions],
  )
  const { client } = answers
  // Those that were in hand at once; the others are named when they are found.
  useEffect(
    () =>
      questions.forEach(({ name, args }, i) =>
        answers.nameLatest(name, client.getQueryData(queries[i].queryKey), kind, args),
      ),
    [answers, client, kind, questions, queries],
  )
  useEffect(
    () => questions.forEach(({ priority = 'screen' }, i) => answers.raise(queries[i].queryKey, priority)),
    [answers, questions, queries],
  )
  return useQueries({
    queries,
    combine: useCallback(
      (results: { data: unknown; isFetching: boolean; error: Error | null }[]) => {
        const failed = results.filter(({ error, isFetching }) => error && !isFetching)
        const standIns = results.map(({ data }, i) =>
          data === undefined ? client.getQueryData<Latest>(latestKey(questions[i]?.name ?? null)) : undefined,
        )
        const days = standIns.flatMap((last) => last?.day ?? [])
        return {
          values: results.map(({ data }, i) => (data ?? standIns[i]?.value) as Answer<K> | undefined),
          oldDay: days.length > 0 ? Math.min(...days) : null,
          pending: results.filter(({ isFetching }) => isFetching).length,
          failure:
            failed.length === 0
              ? null
              : { error: messageOf(failed[0].error), count: failed.length, retry: () => answers.retry() },
        }
      },
      [answers, client, questions],
    ),
  })
}

/** How many questions are being worked out, or wait for it. */
export const usePending = () => useIsFetching({ queryKey: [ANSWER] })

/** The calculations on the page that failed, whichever part of it wants them. */
export function useFailures(): Failure | null {
  const answers = useAnswers()
  const cache = useQueryClient().getQueryCache()
  const failing = () =>
    cache
      .findAll({ queryKey: [ANSWER], type: 'active' })
      .filter(({ state }) => state.status === 'error' && state.fetchStatus === 'idle')
  const text = useSyncExternalStore(
    useCallback((changed) => cache.subscribe(notifyManager.batchCalls(changed)), [cache]),
    () => {
      const all = failing()
      return all.length === 0 ? '' : `${all.length} ${messageOf(all[0].state.error)}`
    },
  )
  return useMemo(() => {
    if (text === '') return null
    const gap = text.indexOf(' ')
    return { error: text.slice(gap + 1), count: Number(text.slice(0, gap)), retry: () => answers.retry() }
  }, [text, answers])
}
