import { QueryClient, type QueryKey } from '@tanstack/react-query'
import { createContext, useContext } from 'react'
import { stableHash } from '../core/foundations/hash'
import type { KeptAnswers } from './kept'
import { PRIORITY, QuestionCancelled, type Pool, type Priority } from './pool'
import type { JobArgs, JobKind } from './protocol'

/** Time after which an answer that nobody looks at leaves memory, ms; it may still be kept on disk. */
const FORGOTTEN_AFTER_MS = 5 * 60_000

/** How far a question is, and what is known of it so far. */
export type Underway = { share: number; soFar?: unknown }

export const ANSWER = 'answer'
const UNDERWAY = 'under way'
const LATEST = 'latest'
export const answerKey = <K extends JobKind>(kind: K, args: JobArgs<K> | null): QueryKey => [
  ANSWER,
  kind,
  args && stableHash(args),
]
export const underwayKey = (key: QueryKey): QueryKey => [UNDERWAY, ...key]
export const latestKey = (name: string | null): QueryKey => [LATEST, name]

/** A question under way; `raise` once it has left for the pool. */
type Asked = { stop: () => void; priority: Priority; raise: ((priority: Priority) => void) | null }

/** The last answer under a name as the page has it, and the day it was asked for, by day number; null where none was. */
export type Latest = { value: unknown; day: number | null }

/** The day that a question is asked for: that of its weather. */
const dayOf = (args: readonly unknown[] | null): number | null =>
  (args?.[0] as { today?: number } | null | undefined)?.today ?? null

const questionOf = (queryKey: QueryKey) => `${String(queryKey[1])} ${String(queryKey[2])}`

/**
 * Answers of the core by their questions: in memory while somebody looks at them, kept over a reload, else worked out by
 * the pool. A question that nobody waits for any more is cancelled.
 */
export class Answers {
  readonly client = new QueryClient({
    defaultOptions: {
      queries: {
        staleTime: Infinity,
        gcTime: FORGOTTEN_AFTER_MS,
        retry: false,
        retryOnMount: false,
        refetchOnWindowFocus: false,
        refetchOnReconnect: false,
        networkMode: 'always',
        structuralSharing: false,
      },
    },
  })
  readonly pool: Pool
  readonly #kept: KeptAnswers | null
  readonly #asked = new Map<string, Asked>()

  constructor(pool: Pool, kept: KeptAnswers | null) {
    this.pool = pool
    this.#kept = kept
  }

  /**
   * Reads ahead what the page is likely to ask first. It settles in any case, and soon.
   */
  async readAhead(): Promise<void> {
    await this.#kept?.readAhead()
    this.#kept?.namedInHand.forEach((last, name) => this.client.setQueryData(latestKey(name), last))
  }

  /** Lets a worker make the weather of a garden before it is asked anything, unless answers of that day are at hand. */
  prepare(spec: JobArgs<'prepare'>[0]): void {
    const atHand = [...(this.#kept?.namedInHand.values() ?? [])].some(({ day }) => day === spec.today)
    if (!atHand) void this.pool.ask('prepare', [spec], { priority: 'rest' }).catch(() => undefined)
  }

  /** Options of a query for a question; `name` is what its answer stands in under while a changed question is worked out. */
  query<K extends JobKind>(kind: K, args: JobArgs<K> | null, name?: string, priority: Priority = 'screen') {
    const queryKey = answerKey(kind, args)
    return {
      queryKey,
      enabled: args !== null,
      meta: { name },
      // What was read ahead stands there at the first painting. It is given once: the cache has it from then on.
      initialData: () => (args === null ? undefined : this.#kept?.inHand(questionOf(queryKey))),
      queryFn: async ({ signal }: { signal: AbortSignal }) => {
        const value = await this.#find(queryKey, kind, args!, name, priority, signal)
        this.nameLatest(name, value, kind, args)
        return value
      },
    }
  }

  /** Makes an answer stand in under a name while a changed question is worked out, over a reload too. */
  nameLatest<K extends JobKind>(
    name: string | undefined,
    value: unknown,
    kind: K,
    args: JobArgs<K> | null,
  ): void {
    if (name === undefined || value === undefined || !args) return
    const before = this.client.getQueryData<Latest>(latestKey(name))
    const day = dayOf(args)
    if (before?.value === value && before.day === day) return
    this.client.setQueryData<Latest>(latestKey(name), { value, day })
    void this.#kept?.name(name, questionOf(answerKey(kind, args)), day)
  }

  /** Looks for what stood under a name before the reload, where nothing has stood there since. */
  async #standIn(name: string | undefined): Promise<void> {
    if (name === undefined || !this.#kept || this.client.getQueryData(latestKey(name))) return
    const last = await this.#kept.lastNamed(name)
    if (last && !this.client.getQueryData(latestKey(name))) this.client.setQueryData(latestKey(name), last)
  }

  async #find<K extends JobKind>(
    queryKey: QueryKey,
    kind: K,
    args: JobArgs<K>,
    name: string | undefined,
    priority: Priority,
    signal: AbortSignal,
  ): Promise<unknown> {
    const question = questionOf(queryKey)
    const stop = new AbortController()
    signal.addEventListener('abort', () => stop.abort(), { once: true })
    const asked: Asked = { stop: () => stop.abort(), priority, raise: null }
    this.#asked.set(question, asked)
    const underway = underwayKey(queryKey)
    try {
      const kept = await this.#kept?.get(question)
      if (kept !== undefined) return kept
      if (stop.signal.aborted) throw new QuestionCancelled()
      void this.#standIn(name)
      const { answer, raise } = this.pool.question(kind, args, {
        priority: asked.priority,
        signal: stop.signal,
        onProgress: (share, soFar) =>
          this.client.setQueryData(underway, (before?: Underway) => ({
            share,
            soFar: soFar ?? before?.soFar,
          })),
      })
      asked.raise = raise
      const value = await answer
      void this.#kept?.put(question, value)
      return value
    } catch (error) {
      // Stopped by the grower, not by everyone leaving: it says so where the answer would stand.
      if (stop.signal.aborted && !signal.aborted) throw new Error('It was stopped.', { cause: error })
      throw error
    } finally {
      // Asked again meanwhile, it is another's.
      if (this.#asked.get(question) === asked) {
        this.#asked.delete(question)
        this.client.removeQueries({ queryKey: underway })
      }
    }
  }

  /** Stops a question that the grower does not want to wait for. */
  stop(queryKey: QueryKey): void {
    this.#asked.get(questionOf(queryKey))?.stop()
  }

  /** Raises the priority of a question that is being worked out, or waits. */
  raise(queryKey: QueryKey, priority: Priority): void {
    const asked = this.#asked.get(questionOf(queryKey))
    if (!asked || PRIORITY[asked.priority] <= PRIORITY[priority]) return
    asked.priority = priority
    asked.raise?.(priority)
  }

  /** Asks again all that failed: where one fails, most do. */
  retry(): void {
    void this.client.refetchQueries({
      queryKey: [ANSWER],
      predicate: ({ state }) => state.status === 'error',
    })
  }
}

export const AnswersContext = createContext<Answers | null>(null)

/** The answers of this page. */
export function useAnswers(): Answers {
  const answers = useContext(AnswersContext)
  if (!answers) throw new Error('There is no AnswersProvider above.')
  return answers
}
