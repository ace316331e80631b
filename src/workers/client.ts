import { proxy, wrap, type Remote } from 'comlink'
import type { WeatherSpec } from '../core/season/weatherSpec'
import type { WeatherRecord } from '../core/site/record'
import type { Engine, JobKind } from './engine'

export type Job<K extends JobKind = JobKind> = { kind: K; args: Parameters<Engine[K]> }
export type JobResult<K extends JobKind> = Awaited<ReturnType<Engine[K]>>

type Waiting = {
  job: Job
  onProgress: (share: number, soFar?: unknown) => void
  resolve: (value: unknown) => void
  reject: (error: Error) => void
}

/** Thrown when a job was taken back before it finished. */
export class JobCancelled extends Error {
  constructor() {
    super('The calculation was stopped.')
    this.name = 'JobCancelled'
  }
}

/** Weather records that jobs name by key; a worker is told each before the first job that needs it. */
const records = new Map<string, WeatherRecord>()
const told = new Set<string>()
const RECORDS_KEPT = 4

/** Makes a weather record known under its key to all jobs that follow. */
export function keepRecord(key: string, record: WeatherRecord): void {
  if (records.has(key)) return
  records.set(key, record)
  for (const old of [...records.keys()].slice(0, -RECORDS_KEPT)) records.delete(old)
}

let worker: Worker | null = null
let remote: Remote<Engine> | null = null
let running: Waiting | null = null
const queue: Waiting[] = []

function start(): Remote<Engine> {
  if (!remote) {
    worker = new Worker(new URL('./engine.worker.ts', import.meta.url), { type: 'module' })
    worker.addEventListener('error', (event) =>
      stop(new Error(event.message || 'The calculation failed to start.')),
    )
    remote = wrap<Engine>(worker)
  }
  return remote
}

/** Ends the worker; the job in hand fails with `reason` and the next one starts a fresh worker. */
function stop(reason: Error): void {
  worker?.terminate()
  worker = null
  remote = null
  told.clear()
  const failed = running
  running = null
  failed?.reject(reason)
  next()
}

function next(): void {
  if (running || queue.length === 0) return
  const waiting = queue.shift()!
  running = waiting
  tellRecord((waiting.job.args[0] as Partial<WeatherSpec> | null)?.recordKey)
  const call = start()[waiting.job.kind] as unknown as (...args: unknown[]) => Promise<unknown>
  call(...waiting.job.args, proxy(waiting.onProgress))
    .then(waiting.resolve, waiting.reject)
    .finally(() => {
      if (running === waiting) running = null
      next()
    })
}

function tellRecord(key: string | undefined): void {
  const record = key === undefined ? undefined : records.get(key)
  if (!key || !record || told.has(key)) return
  told.add(key)
  void start().keepRecord(key, record)
}

/** Queues a job for the worker, one at a time. `cancel` takes it out of the queue or stops the worker on it. */
export function runJob<K extends JobKind>(
  job: Job<K>,
  onProgress: (share: number, soFar?: JobResult<K>) => void = () => {},
): { result: Promise<JobResult<K>>; cancel: () => void } {
  let waiting: Waiting
  const result = new Promise<unknown>((resolve, reject) => {
    waiting = {
      job: job as unknown as Job,
      onProgress: onProgress as Waiting['onProgress'],
      resolve,
      reject,
    }
    queue.push(waiting)
    next()
  }) as Promise<JobResult<K>>
  const cancel = () => {
    const place = queue.indexOf(waiting)
    if (place >= 0) {
      queue.splice(place, 1)
      waiting.reject(new JobCancelled())
    } else if (running === waiting) stop(new JobCancelled())
  }
  return { result, cancel }
}
