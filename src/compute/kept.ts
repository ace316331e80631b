import Dexie, { type EntityTable } from 'dexie'

/** An answer as it is kept, and apart from it when it was last used, ms since 1970; `size` is its bytes or near them. */
type KeptAnswer = { key: string; value: unknown; size: number }
type Use = { key: string; usedAt: number; size: number }

/** Most that is kept, bytes: more than the forecasts of two hundred beds. */
const MOST_BYTES = 48_000_000
/** Pruned to this share when it is too much. */
const PRUNED_TO = 0.7
/** Answers written between two looks at how much there is. */
const LOOK_EVERY = 50

class KeptDatabase extends Dexie {
  answers!: EntityTable<KeptAnswer, 'key'>
  uses!: EntityTable<Use, 'key'>
  constructor(name: string) {
    super(name)
    this.version(1).stores({ answers: 'key', uses: 'key, usedAt' })
  }
}

/** Bytes of plain data, roughly. */
export function roughSize(value: unknown): number {
  if (typeof value === 'string') return 2 * value.length
  if (typeof value !== 'object' || value === null) return 8
  if (ArrayBuffer.isView(value)) return value.byteLength
  if (Array.isArray(value) && typeof value[0] === 'number') return 8 * value.length
  return Object.values(value).reduce<number>((sum, part) => sum + 16 + roughSize(part), 16)
}

/**
 * Answers kept over a reload, by the hash of their question and of the model. They lie in a database of their own: no
 * garden is touched by them, and where storage is refused or an entry is not whole, the answer is simply computed.
 */
export class KeptAnswers {
  readonly #db: KeptDatabase
  readonly #model: string
  #pending: Map<string, ((value: unknown) => void)[]> | null = null
  #written = 0

  /** @param model what the answers depend on besides their questions: those of another model are not found */
  constructor(model: string, name = 'kilim-answers') {
    this.#db = new KeptDatabase(name)
    this.#model = model
  }

  /** The answer to a question, undefined where none is kept. Questions of the same moment are looked up together. */
  get(question: string): Promise<unknown> {
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
    const found = await this.#db.answers
      .bulkGet(questions.map((question) => this.#keyOf(question)))
      .catch(() => [])
    const sound = found.map((entry) => (entry && roughSize(entry.value) === entry.size ? entry : undefined))
    questions.forEach((question, i) => pending.get(question)!.forEach((resolve) => resolve(sound[i]?.value)))
    const usedAt = Date.now()
    const uses = sound.flatMap((entry) => (entry ? [{ key: entry.key, usedAt, size: entry.size }] : []))
    await this.#db.uses.bulkPut(uses).catch(() => {})
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
      if (this.#written++ % LOOK_EVERY === 0) await this.#prune()
    } catch {
      // Full, refused or private: the next reload computes it.
    }
  }

  /** Takes out what another model answered, and what was used longest ago where it is too much. */
  async #prune(): Promise<void> {
    const { answers, uses } = this.#db
    const all = await uses.orderBy('usedAt').toArray()
    const isOwn = ({ key }: Use) => key.startsWith(`${this.#model} `)
    const gone = all.filter((use) => !isOwn(use)).map(({ key }) => key)
    const own = all.filter(isOwn)
    let left = own.reduce((sum, { size }) => sum + size, 0)
    const enough = left > MOST_BYTES ? PRUNED_TO * MOST_BYTES : MOST_BYTES
    for (const { key, size } of own) {
      if (left <= enough) break
      left -= size
      gone.push(key)
    }
    if (gone.length === 0) return
    await this.#db.transaction('rw', answers, uses, async () => {
      await answers.bulkDelete(gone)
      await uses.bulkDelete(gone)
    })
  }

  #keyOf(question: string): string {
    return `${this.#model} ${question}`
  }

  close(): void {
    this.#db.close()
  }
}
