import { useCallback, useEffect, useMemo } from 'react'
import { shallowEqual } from 'react-redux'
import { stableHash } from '../core/foundations/hash'
import { JobCancelled, runJob, type Job, type JobResult } from '../workers/client'
import type { JobKind } from '../workers/engine'
import { began, failed, finished, forgotten, progressed, type Result } from './results'
import { useAppDispatch, useAppSelector, type Store } from './store'

const cancels = new Map<string, () => void>()

function launch(dispatch: Store['dispatch'], key: string, job: Job): void {
  if (cancels.has(key)) return
  dispatch(began(key))
  const { result, cancel } = runJob(job, (progress) => dispatch(progressed({ key, progress })))
  cancels.set(key, cancel)
  result
    .then((value) => dispatch(finished({ key, value })))
    .catch((error: unknown) => {
      if (error instanceof JobCancelled) dispatch(forgotten(key))
      else dispatch(failed({ key, message: error instanceof Error ? error.message : 'The calculation failed.' }))
    })
    .finally(() => cancels.delete(key))
}

export type EngineState<T> = { value: T | undefined; running: boolean; progress: number; error: string | null; cancel: () => void; retry: () => void }

const toState = <T>(result: Result | undefined) => ({
  value: result?.status === 'done' ? (result.value as T) : undefined,
  running: result?.status === 'running',
  progress: result?.status === 'running' ? result.progress : 0,
  error: result?.status === 'failed' ? result.message : null,
})

/** The result of a job, computed once per input and kept by its hash. `null` asks for nothing. */
export function useEngine<K extends JobKind>(kind: K, args: Job<K>['args'] | null): EngineState<JobResult<K>> {
  const dispatch = useAppDispatch()
  const text = args ? `${kind}:${stableHash(args)}` : null
  const result = useAppSelector((state) => (text ? state.results.byKey[text] : undefined))
  const missing = text !== null && result === undefined

  useEffect(() => {
    if (missing && args) launch(dispatch, text, { kind, args } as Job)
    // The hash stands for the arguments.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [missing, text, kind, dispatch])

  const cancel = useCallback(() => text && cancels.get(text)?.(), [text])
  const retry = useCallback(() => text && dispatch(forgotten(text)), [text, dispatch])
  return { ...toState<JobResult<K>>(result), cancel, retry } as EngineState<JobResult<K>>
}

/** Results of many jobs of one kind, in order; missing ones are launched and fill in as they finish. */
export function useEngineAll<K extends JobKind>(kind: K, argsList: readonly Job<K>['args'][]): (JobResult<K> | undefined)[] {
  const dispatch = useAppDispatch()
  const keys = useMemo(() => argsList.map((args) => `${kind}:${stableHash(args)}`), [kind, argsList])
  const results = useAppSelector((state) => keys.map((key) => state.results.byKey[key]), shallowEqual)
  useEffect(() => {
    keys.forEach((key, i) => results[i] === undefined && launch(dispatch, key, { kind, args: argsList[i] } as Job))
  }, [keys, results, argsList, kind, dispatch])
  // Jobs of an input that is no longer shown leave the queue.
  useEffect(() => () => keys.forEach((key) => cancels.get(key)?.()), [keys])
  return useMemo(() => results.map((result) => toState<JobResult<K>>(result).value), [results])
}
