import { isSteps, type Steps } from '../core/foundations/steps'
import type { WeatherRecord } from '../core/site/record'
import type { FromWorker, Rank, ToWorker } from './protocol'
import type { WeatherRecords } from './records'
import { RecordMissing } from './recordMissing'

/** Longest that a job has the worker to itself before it looks what else has come, ms. */
export const SLICE_MS = 20
/** A sign of life at least so often while there is work, ms. */
const BEAT_MS = 1000

type Task = {
  id: number
  rank: Rank
  /** Begins the job anew. */
  begin: () => unknown
  steps: Steps<unknown> | null
  /** What it waits for: something that is not this worker's work, or a weather record. */
  waits: boolean | { recordKey: string }
}

/** What a worker can be asked, by kind; the last argument of each is onProgress how far it is. */
export type Doable = Readonly<Record<string, (...args: never[]) => unknown>>

/**
 * The questions that a worker has in hand. It works on the one of highest priority for a slice, receives what has come,
 * and goes on: a question can overtake another or be cancelled without either losing anything.
 */
export class Agenda {
  readonly #jobs: Doable
  readonly #records: Pick<WeatherRecords, 'keep'>
  readonly #post: (message: FromWorker) => void
  readonly #pause: () => Promise<void>
  readonly #tasks = new Map<number, Task>()
  #working = false
  #sentAt = 0

  /** @param pause lets the messages that have come meanwhile be received */
  constructor(
    jobs: Doable,
    records: Pick<WeatherRecords, 'keep'>,
    post: (message: FromWorker) => void,
    pause: () => Promise<void>,
  ) {
    this.#jobs = jobs
    this.#records = records
    this.#post = post
    this.#pause = pause
    this.#send({ type: 'alive' })
  }

  receive(message: ToWorker): void {
    if (message.type === 'ask') {
      const { id, kind, args, rank } = message
      const onProgress = (share: number, soFar?: unknown) =>
        this.#send({ type: 'progress', id, share, soFar })
      const begin = () => (this.#jobs[kind] as (...all: unknown[]) => unknown)(...args, onProgress)
      this.#tasks.set(id, { id, rank, begin, steps: null, waits: false })
    } else if (message.type === 'cancel') this.#tasks.delete(message.id)
    else if (message.type === 'rank') {
      const task = this.#tasks.get(message.id)
      if (task) task.rank = message.rank
    } else this.#receiveRecord(message.key, message.record)
    void this.#work()
  }

  #receiveRecord(key: string, record: WeatherRecord | null): void {
    if (record) this.#records.keep(key, record)
    for (const task of this.#tasks.values()) {
      if (typeof task.waits !== 'object' || task.waits.recordKey !== key) continue
      task.waits = false
      if (!record) this.#end(task, { type: 'failed', id: task.id, message: new RecordMissing(key).message })
    }
  }

  #send(message: FromWorker): void {
    this.#sentAt = performance.now()
    this.#post(message)
  }

  #end(task: Task, message: FromWorker): void {
    if (this.#tasks.delete(task.id)) this.#send(message)
  }

  /** What can be worked on and comes first by its rank; of equals the oldest. */
  #foremost(): Task | undefined {
    let first: Task | undefined
    for (const task of this.#tasks.values())
      if (!task.waits && (!first || task.rank < first.rank)) first = task
    return first
  }

  async #work(): Promise<void> {
    if (this.#working) return
    this.#working = true
    for (let task = this.#foremost(); task; task = this.#foremost()) {
      this.#slice(task)
      if (performance.now() - this.#sentAt > BEAT_MS) this.#send({ type: 'alive' })
      await this.#pause()
    }
    this.#working = false
  }

  /** Works on a task for a slice. */
  #slice(task: Task): void {
    const until = performance.now() + SLICE_MS
    try {
      if (!task.steps) {
        const result = task.begin()
        if (isSteps(result)) task.steps = result
        else if (result instanceof Promise) {
          task.waits = true
          result.then(
            (value: unknown) => this.#end(task, { type: 'done', id: task.id, value }),
            (error: unknown) => this.#failed(task, error),
          )
        } else this.#end(task, { type: 'done', id: task.id, value: result })
      }
      while (task.steps && performance.now() < until) {
        const step = task.steps.next()
        if (!step.done) continue
        task.steps = null
        this.#end(task, { type: 'done', id: task.id, value: step.value })
        return
      }
    } catch (error) {
      this.#failed(task, error)
    }
  }

  #failed(task: Task, error: unknown): void {
    task.steps = null
    if (error instanceof RecordMissing) {
      task.waits = { recordKey: error.recordKey }
      this.#send({ type: 'record missing', key: error.recordKey })
    } else {
      const message = error instanceof Error ? error.message : String(error)
      this.#end(task, { type: 'failed', id: task.id, message })
    }
  }
}
