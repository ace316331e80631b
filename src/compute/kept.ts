import Dexie, { type EntityTable } from 'dexie'

/** An answer as it is kept, and apart from it when it was last used, ms since 1970; `size` is its bytes or near them. */
type KeptAnswer = { key: string; value: unknown; size: number }
type Use = { key: string; usedAt: number; size: number }
/** Which answer was the last under a name, and on which day it was asked for, by day number; null where it asks no day. */
type KeptName = { name: string; key: string; day: number | null; usedAt: number }

/** The last answer under a name, with the day it was asked for. */
export type Named = { value: unknown; day: number | null }

/** Most that is kept, bytes: more than the forecasts of two hundred beds. */
const MOST_BYTES = 48_000_000
/** Pruned to this share when it is too much. */
const PRUNED_TO = 0.7
/** Answers and names read before they are asked for: as many as a screen shows, and the bytes they may have. */
const READ_AHEAD = 60
const READ_AHEAD_BYTES = 8_000_000
/** Longest that a page waits for them, ms. */
const READ_AHEAD_MS = 400
/** Longest that a question waits to be looked up before it is worked out instead, ms. */
const LOOK_UP_MS = 2000
/** Under what it stands in the browser's `localStorage`, which answers at once, of which model answers are kept. */
const HINT = 'kilim answers of'
/** Answers written between two looks at how much there is. */
const LOOK_EVERY = 50

class KeptDatabase extends Dexie {
  answers!: EntityTable<KeptAnswer, 'key'>
  uses!: EntityTable<Use, 'key'>
  names!: EntityTable<KeptName, 'name'>
  constructor(name: string) {
    super(name)
    this.version(2).stores({ answers: 'key', uses: 'key, usedAt', names: 'name, usedAt' })
  }
}

/** What a promise comes to, undefined where that takes longer than a while, ms. */
async function inTime<T>(promise: Promise<T>, ms: number): Promise<T | undefined> {
  let timer: ReturnType<typeof setTimeout> | undefined
  const late = new Promise<undefined>((resolve) => (timer = setTimeout(() => resolve(undefined), ms)))
  return Promise.race([promise, late]).finally(() => clearTimeout(timer))
}

/** Bytes of plain data, roughly. */
export function roughSize(value: unknown): number {
  if (typeof value === 'string') return 2 * value.length
  if (typeof value !== 'object' || value === null) return 8
  if (ArrayBuffer.isView(value)) return value.byteLength
  if (Array.isArray(value) && typeof value[0] === 'number') return 8 * value.length
  return Object.values(value).reduce<number>((sum, part) => sum + 16 + roughSize(part), 16)
}

/** Whether an entry is there and holds all that was put in it. */
const isWhole = (entry: KeptAnswer | undefined): entry is KeptAnswer =>
  entry !== undefined && roughSize(entry.value) === entry.size

/**
 * Answers kept over a reload, by the hash of their question and of the model. They lie in a database of their own: no
 * garden is touched by them, and where storage is refused or an entry is not whole, the answer is simply computed.
 */
export class KeptAnswers {
  readonly #db: KeptDatabase
  readonly #model: string
  #pending: Map<string, ((value: unknown) => void)[]> | null = null
  #written = 0
  /** Whether storage has not answered in time, and has not since. */
  #stuck = false
  readonly #patienceMs: number
  /** What was read ahead and not asked for yet. */
  readonly #ahead = new Map<string, KeptAnswer>()
  /** Of those, the last answers under their names. */
  readonly #named = new Map<string, Named>()

  /** @param model what the answers depend on besides their questions: those of another model are not found */
  constructor(model: string, name = 'kilim-answers', patienceMs = LOOK_UP_MS) {
    this.#db = new KeptDatabase(name)
    this.#model = model
    this.#patienceMs = patienceMs
  }

  /** Whether answers of this model are likely to be found: asked before anything is read. */
  get isLikely(): boolean {
    try {
      return localStorage.getItem(HINT) === this.#model
    } catch {
      return false
    }
  }

  #sayLikely(): void {
    try {
      localStorage.setItem(HINT, this.#model)
    } catch {
      // A worker is then started early, which it need not be.
    }
  }

  /**
   * Reads what was used last, so that a page that is opened again has it in hand when it asks. Where storage is refused
   * nothing is read, and where it is slow the page does not wait for it.
   */
  async readAhead(): Promise<void> {
    await inTime(this.#readAhead(), READ_AHEAD_MS)
  }

  async #readAhead(): Promise<void> {
    try {
      const [last, names] = await Promise.all([
        this.#db.uses.orderBy('usedAt').reverse().limit(READ_AHEAD).toArray(),
        this.#db.names.orderBy('usedAt').reverse().limit(READ_AHEAD).toArray(),
      ])
      let bytes = 0
      const wanted = last.filter(({ key, size }) => this.#isOwn(key) && (bytes += size) <= READ_AHEAD_BYTES)
      const found = await this.#db.answers.bulkGet(wanted.map(({ key }) => key))
      for (const entry of found) if (isWhole(entry)) this.#ahead.set(entry.key, entry)
      for (const { name, key, day } of names) {
        const entry = this.#ahead.get(key)
        if (entry) this.#named.set(name, { value: entry.value, day })
      }
    } catch {
      // All of it is asked for one by one, or computed.
    }
  }

  /** The last answers under their names that were read ahead. */
  get namedInHand(): ReadonlyMap<string, Named> {
    return this.#named
  }

  /** The last answer under a name; undefined where there is none, of this model, or storage does not answer in time. */
  async lastNamed(name: string): Promise<Named | undefined> {
    if (this.#stuck) return undefined
    const looked = (async () => {
      const known = await this.#db.names.get(name)
      const entry = known && this.#isOwn(known.key) ? await this.#db.answers.get(known.key) : undefined
      return known && isWhole(entry) ? { value: entry.value, day: known.day } : undefined
    })().catch(() => undefined)
    return inTime(looked, this.#patienceMs)
  }

  /** Keeps which answer is the last under a name. */
  async name(name: string, question: string, day: number | null): Promise<void> {
    const entry = { name, key: this.#keyOf(question), day, usedAt: Date.now() }
    await this.#db.names.put(entry).catch(() => {})
  }

  /** The answer to a question where it was read ahead; it is given once. */
  inHand(question: string): unknown {
    const key = this.#keyOf(question)
    const entry = this.#ahead.get(key)
    if (!entry) return undefined
    this.#ahead.delete(key)
    void this.#used([entry])
    return entry.value
  }

  /**
   * The answer to a question, undefined where none is kept or storage does not answer in time. Questions of the same
   * moment are looked up together.
   */
  get(question: string): Promise<unknown> {
    const inHand = this.inHand(question)
    if (inHand !== undefined || this.#stuck) return Promise.resolve(inHand)
    return new Promise((resolve) => {
      if (!this.#pending) {
        this.#pending = new Map()
        queueMicrotask(() => void this.#lookUp())
      }
      this.#pending.set(question, [...(this.#pending.get(question) ?? []), resolve])
    })
  }

  async #lookUp(): Promise<void> {
    const pending = this.#pending!
    this.#pending = null
    const questions = [...pending.keys()]
    const looked = this.#db.answers
      .bulkGet(questions.map((question) => this.#keyOf(question)))
      .catch(() => [])
    const found = await inTime(looked, this.#patienceMs)
    if (!found) {
      this.#stuck = true
      void looked.then(() => (this.#stuck = false))
    }
    questions.forEach((question, i) => {
      const entry = found?.[i]
      pending.get(question)!.forEach((resolve) => resolve(isWhole(entry) ? entry.value : undefined))
    })
    await this.#used((found ?? []).flatMap((entry) => (isWhole(entry) ? [entry] : [])))
  }

  async #used(entries: readonly KeptAnswer[]): Promise<void> {
    const usedAt = Date.now()
    await this.#db.uses.bulkPut(entries.map(({ key, size }) => ({ key, usedAt, size }))).catch(() => {})
  }

  /** Keeps an answer. Nothing is said where it cannot be: it is only computed again. */
  async put(question: string, value: unknown): Promise<void> {
    const key = this.#keyOf(question)
    const size = roughSize(value)
    try {
      await this.#db.transaction('rw', this.#db.answers, this.#db.uses, async () => {
        await this.#db.answers.put({ key, value, size })
        await this.#db.uses.put({ key, usedAt: Date.now(), size })
      })
      if (this.#written === 0) this.#sayLikely()
      if (this.#written++ % LOOK_EVERY === 0) await this.#prune()
    } catch {
      // Full, refused or private: the next reload computes it.
    }
  }

  /** Takes out what another model answered, and what was used longest ago where it is too much. */
  async #prune(): Promise<void> {
    const { answers, uses, names } = this.#db
    const all = await uses.orderBy('usedAt').toArray()
    const gone = all.filter(({ key }) => !this.#isOwn(key)).map(({ key }) => key)
    const own = all.filter(({ key }) => this.#isOwn(key))
    let left = own.reduce((sum, { size }) => sum + size, 0)
    const enough = left > MOST_BYTES ? PRUNED_TO * MOST_BYTES : MOST_BYTES
    for (const { key, size } of own) {
      if (left <= enough) break
      left -= size
      gone.push(key)
    }
    if (gone.length === 0) return
    const dropped = new Set(gone)
    await this.#db.transaction('rw', answers, uses, names, async () => {
      await answers.bulkDelete(gone)
      await uses.bulkDelete(gone)
      await names.filter(({ key }) => dropped.has(key)).delete()
    })
  }

  #isOwn(key: string): boolean {
    return key.startsWith(`${this.#model} `)
  }

  #keyOf(question: string): string {
    return `${this.#model} ${question}`
  }

  close(): void {
    this.#db.close()
  }
}
