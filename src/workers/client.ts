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

/** Jobs that take seconds. They have a worker of their own, so that short ones never wait for them. */
const LONG: readonly JobKind[] = ['choose', 'compare', 'regrowth', 'plantYear', 'sowingOutlook']

/** One worker with its queue: jobs are done one at a time. */
class Lane {
  private worker: Worker | null = null
  private remote: Remote<Engine> | null = null
  private running: Waiting | null = null
  /** Whether the worker has ever said anything. */
  private alive = false
  private timer: ReturnType<typeof setTimeout> | undefined
  private readonly queue: Waiting[] = []

  add(waiting: Waiting): void {
    this.queue.push(waiting)
    this.next()
  }

  /** Takes a job out of the queue; false where it is not waiting there. */
  leave(waiting: Waiting): boolean {
    const place = this.queue.indexOf(waiting)
    if (place < 0) return false
    this.queue.splice(place, 1)
    waiting.reject(new JobCancelled())
    return true
  }

  /** Takes a job out of the queue, or stops the worker on it. */
  cancel(waiting: Waiting): void {
    if (!this.leave(waiting) && this.running === waiting) this.stop(new JobCancelled())
  }

  private start(): Remote<Engine> {
    if (!this.remote) {
      this.alive = false
      this.worker = new Worker(new URL('./engine.worker.ts', import.meta.url), { type: 'module' })
      this.worker.addEventListener('error', (event) =>
        this.stop(new Error(event.message || 'The calculation could not start.')),
      )
      this.worker.addEventListener('messageerror', () =>
        this.stop(new Error('The answer could not be read.')),
      )
      this.remote = wrap<Engine>(this.worker)
    }
    return this.remote
  }

  /**
   * Ends the worker; the job in hand fails with `reason` and the next one starts a fresh worker. A worker that never said
   * anything fails all that wait for it: the next one would not speak either until it is tried again.
   */
  private stop(reason: Error): void {
    clearTimeout(this.timer)
    this.worker?.terminate()
    this.worker = null
    this.remote = null
    const failed = this.running ? [this.running] : []
    this.running = null
    if (!this.alive && !(reason instanceof JobCancelled)) failed.push(...this.queue.splice(0))
    failed.forEach((waiting) => waiting.reject(reason))
    this.next()
  }

  /** Waits for the next sign of life of the job in hand. */
  private listen(): void {
    clearTimeout(this.timer)
    this.timer = setTimeout(
      () =>
        this.stop(
          new Error(
            this.alive
              ? 'The calculation gave no sign of life for a minute and a half and was stopped.'
              : 'The calculation did not start.',
          ),
        ),
      PATIENCE_MS,
    )
  }

  /** Asks the worker; a record that it lacks is sent to it, and it is asked once more. */
  private async ask(waiting: Waiting): Promise<unknown> {
    const engine = this.start()
    const heard: Waiting['onProgress'] = (share, soFar) => {
      if (this.running !== waiting) return
      this.alive = true
      this.listen()
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

  private next(): void {
    if (this.running || this.queue.length === 0) return
    const waiting = this.queue.shift()!
    this.running = waiting
    this.listen()
    this.ask(waiting)
      .then(waiting.resolve, waiting.reject)
      .finally(() => {
        // Stopped meanwhile, it has been answered for, and another may be in hand.
        if (this.running !== waiting) return
        this.alive = true
        clearTimeout(this.timer)
        this.running = null
        this.next()
      })
  }
}

const lanes = { short: new Lane(), long: new Lane() }

/** Queues a job for its worker. `leave` takes it out of the queue if it still waits, `cancel` stops the worker on it as well. */
export function runJob<K extends JobKind>(
  job: Job<K>,
  onProgress: (share: number, soFar?: JobResult<K>) => void = () => {},
): { result: Promise<JobResult<K>>; cancel: () => void; leave: () => boolean } {
  const lane = LONG.includes(job.kind) ? lanes.long : lanes.short
  let waiting: Waiting
  const result = new Promise<unknown>((resolve, reject) => {
    waiting = {
      job: job as unknown as Job,
      onProgress: onProgress as Waiting['onProgress'],
      resolve,
      reject,
    }
    lane.add(waiting)
  }) as Promise<JobResult<K>>
  return { result, cancel: () => lane.cancel(waiting), leave: () => lane.leave(waiting) }
}
