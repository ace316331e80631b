import type { WeatherRecord } from '../core/site/record'
import type { Jobs } from './jobs'

export type JobKind = keyof Jobs
type Returned<K extends JobKind> = ReturnType<Jobs[K]>
/** What a job answers, whether it is worked out at one go, in steps, or by waiting. */
export type Answer<K extends JobKind> =
  Returned<K> extends Generator<unknown, infer T> ? T : Awaited<Returned<K>>
/** What a job is asked with: plain data. Its last parameter, where it has one, is called with how far it is. */
export type JobArgs<K extends JobKind> = Parameters<Jobs[K]>

/** Which question a worker turns to first: the lowest number, and of equal ones the oldest. */
export type Rank = number

export type ToWorker =
  | { type: 'ask'; id: number; kind: JobKind; args: readonly unknown[]; rank: Rank }
  | { type: 'rank'; id: number; rank: Rank }
  | { type: 'cancel'; id: number }
  /** A weather record that jobs name by its key; null where the page has none under it. */
  | { type: 'record'; key: string; record: WeatherRecord | null }

export type FromWorker =
  /** A sign of life, at least once a second while there is work. */
  | { type: 'alive' }
  | { type: 'progress'; id: number; share: number; soFar?: unknown }
  | { type: 'done'; id: number; value: unknown }
  | { type: 'failed'; id: number; message: string }
  | { type: 'record missing'; key: string }
