import type { Answer, FromWorker, JobArgs, JobKind, Rank, ToWorker } from './protocol'
import { WeatherRecords } from './records'

/** Which questions come first: what is on the screen, what is asked next, the rest. */
export const PRIORITY = { screen: 0, next: 1, rest: 2 } as const
export type Priority = keyof typeof PRIORITY

/** Jobs that take seconds: short ones of the same priority go before them. */
const LONG: ReadonlySet<JobKind> = new Set<JobKind>([
  'choose',
  'compare',
  'regrowth',
  'plantYear',
  'sowingOutlook',
  'repair',
  'inTurns',
  'ownMix',
  'aisleYears',
])

/** Longest that a worker with work may go without a sign of life, ms: a slow phone takes seconds for what a desk takes tenths. */
const PATIENCE_MS = 60_000
/** Share of it that a worker may take to say its first word: it has nothing but its script to read. */
const STARTS_WITHIN = 1 / 3
/** Workers at most: more gain little, and each keeps the weather. */
const MOST_WORKERS = 4

/** Thrown where nobody waits for an answer any more. */
export class QuestionCancelled extends Error {
  constructor() {
    super('The calculation was stopped.')
    this.name = 'AbortError'
  }
}

export type AskOptions = {
  priority?: Priority
  /** Cancels the question when it is aborted. */
  signal?: AbortSignal
  onProgress?: (share: number, soFar?: unknown) => void
}

type Question = {
  id: number
  kind: JobKind
  args: readonly unknown[]
  rank: Rank
  /** Whether a worker has already been lost over it. */
  again: boolean
  onProgress: NonNullable<AskOptions['onProgress']>
  resolve: (value: unknown) => void
  reject: (error: Error) => void
}

/** One worker with the questions it has been given; `alive` once it has said anything. */
type PoolWorker = {
  worker: Worker
  questions: Map<number, Question>
  alive: boolean
  messageAt: number
}

const rankOf = (kind: JobKind, priority: Priority): Rank => 2 * PRIORITY[priority] + (LONG.has(kind) ? 1 : 0)
const foremost = (member: PoolWorker): Rank =>
  Math.min(...[...member.questions.values()].map(({ rank }) => rank))

/** One fewer than the machine has cores, at least one and at most four. */
const usualSize = () =>
  Math.min(MOST_WORKERS, Math.max(1, (globalThis.navigator?.hardwareConcurrency || 2) - 1))

const startWorker = () => new Worker(new URL('./engine.worker.ts', import.meta.url), { type: 'module' })

/**
 * Workers that answer questions. A worker without work is given the waiting question of highest priority; one of higher
 * priority than all that a worker has in hand overtakes there. A worker that is lost or silent is replaced and its questions
 * are asked once more.
 */
export class Pool {
  readonly #size: number
  readonly #start: () => Worker
  readonly #patienceMs: number
  #workers: PoolWorker[] = []
  #waiting: Question[] = []
  #lastId = 0
  /** Workers in a row that ended without a word. */
  #neverSpoke = 0
  #watch: ReturnType<typeof setInterval> | undefined
  /** Weather records that questions name by key; a worker that lacks one is sent it. */
  readonly records = new WeatherRecords()

  constructor(size = usualSize(), start: () => Worker = startWorker, patienceMs = PATIENCE_MS) {
    this.#size = size
    this.#start = start
    this.#patienceMs = patienceMs
  }

  /** Asks a question; `raise` gives it a higher priority, never a lower one. */
  question<K extends JobKind>(
    kind: K,
    args: JobArgs<K>,
    { priority = 'screen', signal, onProgress = () => {} }: AskOptions = {},
  ): { answer: Promise<Answer<K>>; raise: (priority: Priority) => void } {
    const id = ++this.#lastId
    const answer = new Promise<unknown>((resolve, reject) => {
      if (signal?.aborted) return reject(new QuestionCancelled())
      const rank = rankOf(kind, priority)
      signal?.addEventListener('abort', () => this.#cancel(id), { once: true })
      this.#waiting.push({ id, kind, args, rank, again: false, onProgress, resolve, reject })
      this.#assign()
    }) as Promise<Answer<K>>
    return { answer, raise: (more) => this.#raise(id, rankOf(kind, more)) }
  }

  /** The answer to a question. */
  ask<K extends JobKind>(kind: K, args: JobArgs<K>, options?: AskOptions): Promise<Answer<K>> {
    return this.question(kind, args, options).answer
  }

  /** Starts a worker before there is work for it. */
  warm(): void {
    if (this.#workers.length === 0) this.#newWorker()
  }

  #raise(id: number, rank: Rank): void {
    for (const member of this.#workers) {
      const question = member.questions.get(id)
      if (!question || question.rank <= rank) continue
      question.rank = rank
      this.#send(member, { type: 'rank', id, rank })
    }
    const waits = this.#waiting.find((question) => question.id === id)
    if (waits && rank < waits.rank) {
      waits.rank = rank
      this.#assign()
    }
  }

  /** Ends all workers; what they had in hand fails with `reason`. */
  close(reason: Error = new QuestionCancelled()): void {
    for (const member of this.#workers.splice(0)) {
      member.worker.terminate()
      this.#fail(member.questions.values(), reason)
    }
    this.#fail(this.#waiting.splice(0), reason)
    clearInterval(this.#watch)
    this.#watch = undefined
  }

  #fail(questions: Iterable<Question>, reason: Error): void {
    for (const { reject } of questions) reject(reason)
  }

  #cancel(id: number): void {
    const member = this.#workers.find(({ questions }) => questions.has(id))
    const question = member?.questions.get(id) ?? this.#waiting.find((other) => other.id === id)
    if (!question) return
    if (member?.questions.delete(id)) this.#send(member, { type: 'cancel', id })
    this.#waiting = this.#waiting.filter((other) => other !== question)
    question.reject(new QuestionCancelled())
    this.#assign()
  }

  /** Gives waiting questions to workers, those of highest priority first. */
  #assign(): void {
    this.#waiting.sort((a, b) => a.rank - b.rank || a.id - b.id)
    while (this.#waiting.length > 0) {
      const member = this.#workerFor(this.#waiting[0].rank)
      if (!member) return
      const question = this.#waiting.shift()!
      const { id, kind, args, rank } = question
      if (member.questions.size === 0) member.messageAt = performance.now()
      member.questions.set(id, question)
      this.#send(member, { type: 'ask', id, kind, args, rank })
    }
  }

  /** A worker without work, a new one, or the one with the work of lowest priority that a question of a rank overtakes. */
  #workerFor(rank: Rank): PoolWorker | null {
    const idle = this.#workers.find(({ questions }) => questions.size === 0)
    if (idle) return idle
    if (this.#workers.length < this.#size) return this.#newWorker()
    const last = this.#workers.reduce((a, b) => (foremost(b) > foremost(a) ? b : a))
    return foremost(last) > rank ? last : null
  }

  #newWorker(): PoolWorker | null {
    let worker: Worker
    try {
      worker = this.#start()
    } catch {
      this.#fail(this.#waiting.splice(0), new Error(NO_WORKERS))
      return null
    }
    const member: PoolWorker = { worker, questions: new Map(), alive: false, messageAt: performance.now() }
    worker.addEventListener('message', ({ data }: MessageEvent<FromWorker>) => this.#receive(member, data))
    worker.addEventListener('error', ({ message }) =>
      this.#lose(member, new Error(message || 'The calculation could not start.')),
    )
    worker.addEventListener('messageerror', () =>
      this.#lose(member, new Error('The answer could not be read.')),
    )
    this.#workers.push(member)
    this.#watch ??= setInterval(() => this.#look(), this.#patienceMs / 10)
    return member
  }

  #send(member: PoolWorker, message: ToWorker): void {
    member.worker.postMessage(message)
  }

  #receive(member: PoolWorker, message: FromWorker): void {
    member.alive = true
    this.#neverSpoke = 0
    member.messageAt = performance.now()
    if (message.type === 'alive') return
    if (message.type === 'record missing') {
      const { key } = message
      return this.#send(member, { type: 'record', key, record: this.records.get(key) })
    }
    const question = member.questions.get(message.id)
    if (!question) return
    if (message.type === 'progress') return question.onProgress(message.share, message.soFar)
    member.questions.delete(message.id)
    if (message.type === 'done') question.resolve(message.value)
    else question.reject(new Error(message.message))
    this.#assign()
  }

  /** Gives up workers that have been silent over their work for too long. */
  #look(): void {
    for (const member of [...this.#workers]) {
      const patience = this.#patienceMs * (member.alive ? 1 : STARTS_WITHIN)
      if (member.questions.size > 0 && performance.now() - member.messageAt > patience)
        this.#lose(member, new Error(member.alive ? SILENT : 'The calculation did not start.'))
    }
  }

  /**
   * Ends a worker that is no use. Its questions are asked once more. Where two in a row never said anything, nothing is
   * asked of a third, until it is tried again.
   */
  #lose(member: PoolWorker, reason: Error): void {
    if (!this.#workers.includes(member)) return
    this.#workers = this.#workers.filter((other) => other !== member)
    member.worker.terminate()
    const questions = [...member.questions.values()]
    if (!member.alive && ++this.#neverSpoke >= 2) {
      this.#neverSpoke = 0
      this.#fail([...questions, ...this.#waiting.splice(0)], reason)
    } else {
      const given = (question: Question) => member.alive && question.again
      this.#fail(questions.filter(given), reason)
      this.#waiting.push(
        ...questions
          .filter((question) => !given(question))
          .map((question) => ({ ...question, again: question.again || member.alive })),
      )
    }
    this.#assign()
  }
}

const SILENT = 'The calculation gave no sign of life for a minute and was stopped.'
const NO_WORKERS =
  'This browser does not let pages compute in the background. Try another browser, or leave private mode.'
