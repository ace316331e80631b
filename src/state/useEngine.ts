import { useCallback, useEffect, useMemo, useSyncExternalStore } from 'react'
import { shallowEqual } from 'react-redux'
import { stableHash } from '../core/foundations/hash'
import { JobCancelled, runJob, type Job, type JobResult } from '../workers/client'
import type { JobKind } from '../workers/engine'
import { began, failed, failuresForgotten, finished, takenBack, progressed, type Result } from './results'
import { useAppDispatch, useAppSelector, type Store } from './store'

/** Jobs under way or waiting, by key, with how to stop them and how to drop them while they wait; and who wants to know how many there are. */
const cancels = new Map<string, () => void>()
const drops = new Map<string, () => void>()
const watchers = new Set<() => void>()
const tellWatchers = () => watchers.forEach((watcher) => watcher())

/** How many calculations are under way or waiting. */
export function usePendingJobs(): number {
  return useSyncExternalStore(
    (watcher) => {
      watchers.add(watcher)
      return () => watchers.delete(watcher)
    },
    () => cancels.size,
  )
}

/** The last value computed under a name, whatever its input was. */
export function useLatest<T>(name: string | null): T | undefined {
  return useAppSelector((state) => (name ? (state.results.latest[name] as T | undefined) : undefined))
}

function launch(
  dispatch: Store['dispatch'],
  key: string,
  job: Job,
  name?: string,
  quiet = name !== undefined,
): void {
  if (cancels.has(key)) return
  // Quiet jobs come by the dozen and show no progress of their own.
  if (!quiet) dispatch(began(key))
  const {
    result,
    cancel,
    leave: dropped,
  } = runJob(job, (progress, soFar) => dispatch(progressed({ key, progress, soFar })))
  // A job taken back is gone at once, so that it can be asked for again before its end has been heard.
  const leave = () => {
    if (cancels.get(key) !== takeBack) return
    cancels.delete(key)
    drops.delete(key)
    tellWatchers()
  }
  const takeBack = () => {
    leave()
    cancel()
  }
  cancels.set(key, takeBack)
  drops.set(key, () => {
    if (dropped()) leave()
  })
  tellWatchers()
  result
    .then((value) => dispatch(finished({ key, value, name })))
    .catch((error: unknown) => {
      if (!(error instanceof JobCancelled))
        dispatch(failed({ key, message: error instanceof Error ? error.message : 'The calculation failed.' }))
      else if (!cancels.has(key)) dispatch(takenBack(key))
    })
    .finally(leave)
}

/** How many places on the page want each of the keys. */
const wanted = new Map<string, number>()

/**
 * Says that keys are wanted; the answer says that they no longer are. What nobody wants leaves the queue; what the worker
 * has in hand is stopped, or comes to its end where `gently`.
 */
function want(keys: readonly string[], gently = false): () => void {
  keys.forEach((key) => wanted.set(key, (wanted.get(key) ?? 0) + 1))
  return () => {
    keys.forEach((key) => wanted.set(key, wanted.get(key)! - 1))
    // Asked when all that changes with it has said what it wants; the job in hand last, or the next of them would start.
    queueMicrotask(() =>
      [...keys].reverse().forEach((key) => {
        if (wanted.get(key) !== 0) return
        wanted.delete(key)
        ;(gently ? drops : cancels).get(key)?.()
      }),
    )
  }
}

export type EngineState<T> = {
  value: T | undefined
  /** What is known so far of a job that tells it while it runs. */
  soFar: T | undefined
  running: boolean
  progress: number
  error: string | null
  cancel: () => void
  retry: () => void
}

const toState = <T>(result: Result | undefined) => ({
  value: result?.status === 'done' ? (result.value as T) : undefined,
  soFar: result?.status === 'running' ? (result.soFar as T | undefined) : undefined,
  running: result?.status === 'running',
  progress: result?.status === 'running' ? result.progress : 0,
  error: result?.status === 'failed' ? result.message : null,
})

/**
 * The result of a job, computed once per input and kept by its hash. `null` asks for nothing. Under a `name` the last
 * result stands in as `last` while a changed input is computed.
 */
export function useEngine<K extends JobKind>(
  kind: K,
  args: Job<K>['args'] | null,
  name?: string,
): EngineState<JobResult<K>> & { last: JobResult<K> | undefined } {
  const dispatch = useAppDispatch()
  const last = useLatest<JobResult<K>>(name ?? null)
  const text = args ? `${kind}:${stableHash(args)}` : null
  const result = useAppSelector((state) => (text ? state.results.byKey[text] : undefined))
  const missing = text !== null && result === undefined

  useEffect(() => {
    if (missing && args) launch(dispatch, text, { kind, args } as Job, name, false)
    // The hash stands for the arguments.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [missing, text, kind, dispatch])
  useEffect(() => (text === null ? undefined : want([text], true)), [text])

  // What the grower stopped stays stopped, and says so, until it is tried again.
  const cancel = useCallback(() => {
    const stop = text === null ? undefined : cancels.get(text)
    if (!text || !stop) return
    dispatch(failed({ key: text, message: 'It was stopped.' }))
    stop()
  }, [text, dispatch])
  const retry = useCallback(() => void dispatch(failuresForgotten()), [dispatch])
  const state = { ...toState<JobResult<K>>(result), cancel, retry } as EngineState<JobResult<K>>
  return { ...state, last }
}

/** Calculations that failed: why the first of them did, how many there are, and a way to try them again. */
export type Failure = { error: string; count: number; retry: () => void }

/**
 * Results of many jobs of one kind, in order; missing ones are launched and fill in as they finish. Until then the
 * last result under the same name stands in.
 */
export function useEngineAll<K extends JobKind>(
  kind: K,
  jobs: readonly { name: string; args: Job<K>['args'] }[],
): { values: (JobResult<K> | undefined)[]; pending: number; failure: Failure | null } {
  const dispatch = useAppDispatch()
  const keys = useMemo(() => jobs.map(({ args }) => `${kind}:${stableHash(args)}`), [kind, jobs])
  const results = useAppSelector((state) => keys.map((key) => state.results.byKey[key]), shallowEqual)
  const latest = useAppSelector((state) => jobs.map(({ name }) => state.results.latest[name]), shallowEqual)
  useEffect(() => {
    keys.forEach(
      (key, i) =>
        results[i] === undefined && launch(dispatch, key, { kind, args: jobs[i].args } as Job, jobs[i].name),
    )
  }, [keys, results, jobs, kind, dispatch])
  useEffect(() => want(keys), [keys])
  return useMemo(
    () => ({
      values: results.map(
        (result, i) => (result?.status === 'done' ? result.value : latest[i]) as JobResult<K> | undefined,
      ),
      pending: results.filter((result) => !result || result.status === 'running').length,
      failure: failureOf(dispatch, keys, results),
    }),
    [results, latest, keys, dispatch],
  )
}

function failureOf(
  dispatch: Store['dispatch'],
  keys: readonly string[],
  results: readonly (Result | undefined)[],
): Failure | null {
  const failing = keys.filter((_, i) => results[i]?.status === 'failed')
  const first = results.find((result) => result?.status === 'failed')
  if (first?.status !== 'failed') return null
  return {
    error: first.message,
    count: failing.length,
    retry: () => void dispatch(failuresForgotten()),
  }
}

/** The calculations of the beds on the screen that failed, whichever part of the page wants them. */
export function useFailures(): Failure | null {
  const dispatch = useAppDispatch()
  const failing = useAppSelector(
    (state) =>
      [...wanted.keys()].filter(
        (key) => (wanted.get(key) ?? 0) > 0 && state.results.byKey[key]?.status === 'failed',
      ),
    shallowEqual,
  )
  const results = useAppSelector((state) => failing.map((key) => state.results.byKey[key]), shallowEqual)
  return useMemo(() => failureOf(dispatch, failing, results), [dispatch, failing, results])
}
