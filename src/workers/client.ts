import { proxy, wrap, type Remote } from 'comlink'
import type { WeatherSpec } from '../core/season/weatherSpec'
import type { WeatherRecord } from '../core/site/record'
import type { Engine, JobKind } from './engine'
import { RECORD_MISSING } from './recordMissing'

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

/** Weather records that jobs name by key, the one used last at the end. A worker that lacks one asks for it. */
const records = new Map<string, WeatherRecord>()
const RECORDS_KEPT = 4

/** Makes a weather record known under its key to all jobs that follow. */
export function keepRecord(key: string, record: WeatherRecord): void {
  records.delete(key)
  records.set(key, record)
  for (const old of [...records.keys()].slice(0, -RECORDS_KEPT)) records.delete(old)
}

/**
 * Longest that a job may go without a sign of life, ms: an answer or progress. The longest job took 11 s on a slow
 * desktop; a phone takes several times that.
 */
const PATIENCE_MS = 90_000

let worker: Worker | null = null
let remote: Remote<Engine> | null = null
let running: Waiting | null = null
/** Whether the worker has ever said anything. */
let alive = false
let timer: ReturnType<typeof setTimeout> | undefined
const queue: Waiting[] = []

function start(): Remote<Engine> {
  if (!remote) {
    alive = false
    worker = new Worker(new URL('./engine.worker.ts', import.meta.url), { type: 'module' })
    worker.addEventListener('error', (event) =>
      stop(new Error(event.message || 'The calculation could not start.')),
    )
    worker.addEventListener('messageerror', () => stop(new Error('The answer could not be read.')))
    remote = wrap<Engine>(worker)
  }
  return remote
}

/**
 * Ends the worker; the job in hand fails with `reason` and the next one starts a fresh worker. A worker that never said
 * anything fails all that wait for it: the next one would not speak either until it is tried again.
 */
function stop(reason: Error): void {
  clearTimeout(timer)
  worker?.terminate()
  worker = null
  remote = null
  const failed = running ? [running] : []
  running = null
  if (!alive && !(reason instanceof JobCancelled)) failed.push(...queue.splice(0))
  failed.forEach((waiting) => waiting.reject(reason))
  next()
}

/** Waits for the next sign of life of the job in hand. */
function listen(): void {
  clearTimeout(timer)
  timer = setTimeout(
    () =>
      stop(
        new Error(
          alive
            ? 'The calculation gave no sign of life for a minute and a half and was stopped.'
            : 'The calculation did not start.',
        ),
      ),
    PATIENCE_MS,
  )
}

/** Asks the worker; a record that it lacks is sent to it, and it is asked once more. */
async function ask(waiting: Waiting): Promise<unknown> {
  const engine = start()
  const heard: Waiting['onProgress'] = (share, soFar) => {
    if (running !== waiting) return
    alive = true
    listen()
    waiting.onProgress(share, soFar)
  }
  const { kind, args } = waiting.job
  const call = () =>
    (engine[kind] as unknown as (...all: unknown[]) => Promise<unknown>)(...args, proxy(heard))
  try {
    return await call()
  } catch (error) {
    const key = (args[0] as Partial<WeatherSpec> | null)?.recordKey
    const record = key === undefined ? undefined : records.get(key)
    if (!(error instanceof Error) || error.name !== RECORD_MISSING || !key || !record) throw error
    await engine.keepRecord(key, record)
    return call()
  }
}

function next(): void {
  if (running || queue.length === 0) return
  const waiting = queue.shift()!
  running = waiting
  listen()
  ask(waiting)
    .then(waiting.resolve, waiting.reject)
    .finally(() => {
      // Stopped meanwhile, it has been answered for, and another may be in hand.
      if (running !== waiting) return
      alive = true
      clearTimeout(timer)
      running = null
      next()
    })
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
