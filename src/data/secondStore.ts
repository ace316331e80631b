import type { DBCore, DBCoreMutateRequest, DBCoreMutateResponse, DBCoreTable } from 'dexie'
import { isEqual as equal } from 'es-toolkit/predicate'
import { KilimDatabase } from './database'

/** Rows copied at once, so that the page is not held up. */
const ROWS_AT_ONCE = 200
/** Tables that tell whether the stores are in step: what gardens have come to, and what is not theirs. */
const TELLING = ['replicas', 'station', 'session'] as const
/** Rows that never change once written, and are large. */
const FIXED = ['pictureBytes']

/** What was written in one transaction: keys by table, or all of a table where it is not known which. */
type Written = Map<string, Set<unknown> | 'all'>

type Buckets = {
  keys: () => Promise<string[]>
  delete: (name: string) => Promise<void>
  open: (name: string, options: { durability: 'strict' }) => Promise<StorageBucket>
}
type StorageBucket = { indexedDB: IDBFactory }

/**
 * A store of its own beside the browser's usual one, under files of its own; null where the browser has none. `anew` throws
 * its files away first. Chromium throws a store away where a write was cut off by the end of the browser: it goes on writing
 * behind the torn place, and cannot read over it at the start after.
 */
export async function openSecond(name: string, anew = false): Promise<KilimDatabase | null> {
  const buckets = offered().storageBuckets
  if (!buckets) return null
  try {
    if (anew) await buckets.delete(`${name}-second`)
    const { indexedDB } = await buckets.open(`${name}-second`, { durability: 'strict' })
    const second = new KilimDatabase(`${name}-second`, { indexedDB, IDBKeyRange })
    await second.open()
    return second
  } catch {
    return null
  }
}

/** Whether a second store was ever begun in this browser. */
export const hasSecond = async (name: string): Promise<boolean> =>
  (
    (await offered()
      .storageBuckets?.keys()
      .catch(() => [])) ?? []
  ).includes(`${name}-second`)

/** Keeps a second store in step with the first: what is written into the one is copied into the other right after. */
export class SecondStore {
  private second: KilimDatabase | null = null
  private waiting: Written = new Map()
  private copying: Promise<void> | null = null

  /** To be made before the first store is opened, so that nothing is written into it unseen. */
  constructor(private readonly first: KilimDatabase) {
    first.use({
      stack: 'dbcore',
      name: 'second',
      create: (core) => ({ ...core, table: (name) => this.seen(core, name) }),
    })
  }

  /**
   * Brings the two stores into step, once both are open. Where the first has lost all it held, it is put back from the
   * second; the value is how many gardens were. A second store that was left behind may have been cut off in a write of its
   * own: it is begun again in new files (`anew`), so that never both stand on torn ones.
   */
  async begin(second: KilimDatabase, anew: () => Promise<KilimDatabase | null>): Promise<number> {
    const here = await this.first.gardens.count()
    const there = await second.gardens.count()
    if (here === 0 && there > 0) {
      for (const { name } of this.first.tables) await copyTable(second, this.first, name)
      this.waiting.clear()
      this.second = second
      return there
    }
    if (await inStep(this.first, second)) this.second = second
    else {
      second.close()
      this.second = await anew()
      for (const { name } of this.first.tables) this.note(name, 'all')
    }
    await this.settled()
    return 0
  }

  /** Waits until all that was written is in both stores. */
  async settled(): Promise<void> {
    while (this.second && (this.copying || this.waiting.size > 0)) await this.copy()
  }

  private seen(core: DBCore, name: string): DBCoreTable {
    const table = core.table(name)
    return {
      ...table,
      mutate: async (request) => {
        const response = await table.mutate(request)
        this.noteWith(request.trans as unknown as IDBTransaction, name, keysOf(request, response, table))
        return response
      },
    }
  }

  private readonly underWay = new WeakMap<IDBTransaction, Written>()

  private noteWith(transaction: IDBTransaction, name: string, keys: unknown[] | 'all') {
    const known = this.underWay.get(transaction)
    const written: Written = known ?? new Map()
    noteIn(written, name, keys)
    if (known) return
    this.underWay.set(transaction, written)
    transaction.addEventListener('complete', () => {
      for (const [table, done] of written) this.note(table, done === 'all' ? done : [...done])
      void this.settled().catch(() => undefined)
    })
  }

  private note(name: string, keys: unknown[] | 'all') {
    noteIn(this.waiting, name, keys)
  }

  /** One copy at a time, in all tabs: what is read last is written last. */
  private copy(): Promise<void> {
    this.copying ??= alone(async () => {
      const written = this.waiting
      this.waiting = new Map()
      try {
        await copyOver(this.first, this.second!, written)
      } catch {
        // A second store that cannot be written, for want of room say, is left behind: the next start brings it up.
        this.second = null
      }
    }).finally(() => (this.copying = null))
    return this.copying
  }
}

/** What the browser offers; nothing outside one. */
const offered = () =>
  (typeof navigator === 'undefined' ? {} : navigator) as { storageBuckets?: Buckets; locks?: LockManager }

const alone = <T>(work: () => Promise<T>): Promise<T> =>
  (offered().locks?.request('kilim second', work) as Promise<T> | undefined) ?? work()

function noteIn(written: Written, name: string, keys: unknown[] | 'all') {
  const known = written.get(name)
  if (keys === 'all' || known === 'all') written.set(name, 'all')
  else written.set(name, new Set([...(known ?? []), ...keys]))
}

/** Keys of the rows that a request has written; `all` where they are not told one by one. */
function keysOf(
  request: DBCoreMutateRequest,
  response: DBCoreMutateResponse,
  table: DBCoreTable,
): unknown[] | 'all' {
  if (request.type === 'deleteRange') return 'all'
  if (request.type === 'delete') return [...request.keys]
  const { extractKey } = table.schema.primaryKey
  const keys = request.values.map(
    (value, i) =>
      request.keys?.[i] ?? response.results?.[i] ?? (extractKey?.(value) as unknown) ?? response.lastResult,
  )
  return keys.length > 1 && new Set(keys).size < keys.length ? 'all' : keys
}

async function inStep(first: KilimDatabase, second: KilimDatabase): Promise<boolean> {
  for (const { name } of first.tables)
    if ((await first.table(name).count()) !== (await second.table(name).count())) return false
  for (const name of TELLING)
    if (!equal(await first.table(name).toArray(), await second.table(name).toArray())) return false
  return true
}

/** Copies rows as they stand by now, as one step. */
async function copyOver(from: KilimDatabase, to: KilimDatabase, written: Written): Promise<void> {
  const rows = new Map<string, { put: unknown[]; remove: unknown[] }>()
  for (const [name, keys] of written) {
    if (keys === 'all') continue
    const listed = [...keys] as string[]
    const found = await from.table(name).bulkGet(listed)
    rows.set(name, {
      put: found.filter((row) => row !== undefined),
      remove: listed.filter((_, i) => found[i] === undefined),
    })
  }
  if (rows.size > 0)
    await to.transaction('rw', [...rows.keys()], async () => {
      for (const [name, { put, remove }] of rows) {
        if (put.length > 0) await to.table(name).bulkPut(put)
        if (remove.length > 0) await to.table(name).bulkDelete(remove as string[])
      }
    })
  for (const [name, keys] of written) if (keys === 'all') await copyTable(from, to, name)
}

/** Makes a table hold what it holds in the other store, some rows at a time. */
async function copyTable(from: KilimDatabase, to: KilimDatabase, name: string): Promise<void> {
  const keys = await from.table(name).toCollection().primaryKeys()
  const held = new Set(await to.table(name).toCollection().primaryKeys())
  const wanted = FIXED.includes(name) ? keys.filter((key) => !held.has(key)) : keys
  const step = FIXED.includes(name) ? 1 : ROWS_AT_ONCE
  for (let at = 0; at < wanted.length; at += step) {
    const found = await from.table(name).bulkGet(wanted.slice(at, at + step))
    await to.table(name).bulkPut(found.filter((row) => row !== undefined))
  }
  const gone = new Set(keys)
  const extra = [...held].filter((key) => !gone.has(key))
  if (extra.length > 0) await to.table(name).bulkDelete(extra)
}
