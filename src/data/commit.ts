import type { Table } from 'dexie'
import { isEqual as equal } from 'es-toolkit/predicate'
import { failure, success, type Outcome, type Problem } from '../core/foundations/outcome'
import { emptyYear } from '../core/garden/weatherDays'
import type { WeatherYear } from '../core/garden/weatherYear'
import type { KilimDatabase, RecordChange, StoredRecord, TableName, UndoEntry, Without } from './database'
import { historyTables, stampChanges } from './devices/history'
import { loadedOnce } from './loadedOnce'
import { clashes, merged } from './merge'
import { once } from './once'
import { Refusal, refusedOr } from './problems'
import type { Write } from './writes'

const TABLES: readonly TableName[] = ['gardens', 'beds', 'stands', 'checks', 'weather', 'lots', 'pictures']
/** The tables that hold a garden, for one transaction over all of them. */
export const gardenTables = (db: KilimDatabase) => TABLES.map((name) => db.table(name))
/** Undo steps kept per garden. */
const UNDO_DEPTH = 300

/** What checks records is loaded with the first write, not with the first page. */
const checker = loadedOnce(() => import('./recordProblems'))

const keyOf = (write: Write) => ('put' in write ? write.put.id : write.remove)
/** The garden a record belongs to. */
export const ownerOf = (record: StoredRecord) => ('gardenId' in record ? record.gardenId : record.id)

const refused = (code: string, message: string) => new Refusal({ path: '', code, message })

/** Says what was changed meanwhile in the same places, so that it is not written over unseen. */
function refuseClashes(seen: unknown, put: unknown, fresh: unknown): void {
  const found = clashes(seen, put, fresh).map(({ path, ...meanwhile }): Problem => ({
    path,
    code: 'meanwhile',
    message: `${path.replaceAll('/', ' ')} was changed in the meantime, so nothing was stored.`,
    meanwhile,
  }))
  if (found.length > 0) throw new Refusal(...found)
}

/**
 * How a set of writes is stored: over what was changed meanwhile in the same places, or not; who writes down when it was;
 * whose it is; what is stored in other tables with it, all or nothing, once its step is known; and under which name it
 * is done no more than once.
 */
export type Storing = {
  over?: boolean
  keepHistory?: KeepHistory
  by?: 'file'
  beside?: Beside
  once?: string
}

type Beside = { tables: Table[]; write: (step: number | null) => Promise<unknown> }

type KeepHistory = (
  db: KilimDatabase,
  gardenId: string,
  changes: readonly RecordChange[],
) => Promise<Without | void>

/** What a write makes of the record as it is stored now; null where it goes. */
function resultOf(
  write: Write,
  fresh: StoredRecord | null,
  gardenId: string,
  over: boolean,
): StoredRecord | null {
  if (fresh && ownerOf(fresh) !== gardenId)
    throw refused('foreign', 'The change touches a record of another garden, so nothing was stored.')
  if (!('put' in write)) return null
  if (ownerOf(write.put) !== gardenId)
    throw refused('foreign', 'The change carries a record of another garden, so nothing was stored.')
  // A year of weather begins with the first day that anyone writes into it.
  const seen =
    write.seen ?? (write.table === 'weather' ? emptyYear(gardenId, (write.put as WeatherYear).year) : null)
  if (!seen) {
    if (fresh && !equal(fresh, write.put))
      throw refused('taken', 'It is stored already, so nothing was stored twice.')
    return write.put
  }
  if (!fresh && write.table !== 'weather')
    throw refused(
      'gone',
      'What you changed was taken out in the meantime, so nothing was stored. Undo that first, then save again.',
    )
  if (fresh && !over && write.table !== 'weather') refuseClashes(seen, write.put, fresh)
  return merged<StoredRecord>(seen, write.put, fresh ?? (seen as StoredRecord))
}

async function changesOf(
  db: KilimDatabase,
  gardenId: string,
  writes: readonly Write[],
  recordProblems: (table: TableName, record: StoredRecord) => Problem[],
  over: boolean,
) {
  const changes: RecordChange[] = []
  // A second write of the same record goes on from the first.
  const made = new Map<string, StoredRecord | null>()
  for (const write of writes) {
    const name = `${write.table} ${keyOf(write)}`
    const before = made.has(name)
      ? made.get(name)!
      : (((await db.table(write.table).get(keyOf(write))) as StoredRecord | undefined) ?? null)
    // What this very step made of a record is no other's change.
    const after = resultOf(write, before, gardenId, over || made.has(name))
    if (equal(before, after)) continue
    const problems = after ? recordProblems(write.table, after) : []
    if (problems.length > 0) throw new Refusal(...problems)
    made.set(name, after)
    changes.push({ table: write.table, key: keyOf(write), before, after })
  }
  return changes
}

/** Puts records as they are before or after a set of changes. */
export async function putAll(
  db: KilimDatabase,
  changes: readonly { table: TableName; key: string; to: StoredRecord | null }[],
) {
  for (const { table, key, to } of changes) {
    if (to) await db.table(table).put(to)
    else await db.table(table).delete(key)
  }
}

async function remember(
  db: KilimDatabase,
  gardenId: string,
  step: Pick<UndoEntry, 'label' | 'changes' | 'without' | 'by'>,
) {
  const steps = db.undo.where('gardenId').equals(gardenId)
  await steps.and((entry) => entry.undone === 1).delete()
  const id = await db.undo.add({ ...step, gardenId, at: Date.now(), undone: 0 } as UndoEntry)
  const all = await db.undo.where('gardenId').equals(gardenId).primaryKeys()
  if (all.length > UNDO_DEPTH)
    await db.undo.bulkDelete(all.sort((a, b) => a - b).slice(0, all.length - UNDO_DEPTH))
  return id
}

/**
 * Validates and stores a set of writes as one step with its undo entry, all or nothing. Each record is read afresh and
 * only what the write changed is written. `label` is what the undo button will say. The value is the entry's number,
 * or null where all was stored already and there was nothing to do.
 * A place that was changed meanwhile otherwise is not written over, unless the grower says so.
 */
export async function commit(
  db: KilimDatabase,
  gardenId: string,
  label: string,
  writes: readonly Write[],
  { over = false, keepHistory = stampChanges, by, beside, once: name }: Storing = {},
): Promise<Outcome<number | null>> {
  try {
    // A transaction would not outlive the wait for it.
    const { recordProblems } = await checker()
    const write = async () => {
      const changes = await changesOf(db, gardenId, writes, recordProblems, over)
      await putAll(
        db,
        changes.map(({ table, key, after }) => ({ table, key, to: after })),
      )
      const without = (await keepHistory(db, gardenId, changes)) ?? undefined
      // Bytes stay when their picture is removed, so that undo finds them; sweepPictures clears them later.
      for (const write of writes)
        if ('bytes' in write && write.bytes) await db.pictureBytes.put({ id: write.put.id, ...write.bytes })
      const step = changes.length === 0 ? null : await remember(db, gardenId, { label, changes, without, by })
      await beside?.write(step)
      return step
    }
    const entryId = await db.transaction(
      'rw',
      [
        ...gardenTables(db),
        ...historyTables(db),
        db.pictureBytes,
        db.undo,
        db.session,
        ...(beside?.tables ?? []),
      ],
      async () => once(db, name, write),
    )
    return success(entryId)
  } catch (error) {
    return failure(...refusedOr(error))
  }
}
