import type { z } from 'zod'
import { failure, success, type Outcome } from '../core/foundations/outcome'
import { standProblems } from '../core/garden/consistency'
import { check, picture, type Check, type Picture } from '../core/garden/check'
import { bed, garden, stand, type Bed, type Garden, type Stand } from '../core/garden/schema'
import { seedLot, type SeedLot } from '../core/garden/seed'
import { weatherYear, type WeatherYear } from '../core/garden/weatherYear'
import type { KilimDatabase, PictureBytes, RecordChange, TableName, UndoEntry } from './database'
import { problemsFromZod, storageProblem } from './problems'

/** What to write in one step: records to put, keys to delete. */
export type Write =
  | { table: 'gardens'; put: Garden }
  | { table: 'beds'; put: Bed }
  | { table: 'stands'; put: Stand }
  | { table: 'checks'; put: Check }
  | { table: 'weather'; put: WeatherYear }
  | { table: 'lots'; put: SeedLot }
  | { table: 'pictures'; put: Picture; bytes?: Omit<PictureBytes, 'id'> }
  | { table: TableName; remove: string }

const schemas: Record<TableName, z.ZodType> = {
  gardens: garden,
  beds: bed,
  stands: stand,
  checks: check,
  weather: weatherYear,
  lots: seedLot,
  pictures: picture,
}
const TABLES = ['gardens', 'beds', 'stands', 'checks', 'weather', 'lots', 'pictures'] as const
/** Undo steps kept per garden. */
const UNDO_DEPTH = 300

const keyOf = (write: Write) => ('put' in write ? write.put.id : write.remove)

function problemsOf(writes: readonly Write[]) {
  return writes.flatMap((write) => {
    if (!('put' in write)) return []
    const parsed = schemas[write.table].safeParse(write.put)
    if (!parsed.success) return problemsFromZod(parsed.error)
    return write.table === 'stands' ? standProblems(write.put) : []
  })
}

async function applyAll(db: KilimDatabase, changes: RecordChange[], direction: 'before' | 'after') {
  for (const change of changes) {
    const value = change[direction]
    if (value) await db.table(change.table).put(value)
    else await db.table(change.table).delete(change.key)
  }
}

/**
 * Validates and stores a set of writes as one step with its undo entry, all or nothing. `label` is what the undo
 * button will say. Returns the entry's number.
 */
export async function commit(
  db: KilimDatabase,
  gardenId: string,
  label: string,
  writes: readonly Write[],
): Promise<Outcome<number>> {
  const problems = problemsOf(writes)
  if (problems.length > 0) return failure(...problems)
  try {
    const entryId = await db.transaction(
      'rw',
      [...TABLES.map((name) => db.table(name)), db.pictureBytes, db.undo],
      async () => {
        const changes: RecordChange[] = []
        for (const write of writes) {
          const before = (await db.table(write.table).get(keyOf(write))) ?? null
          changes.push({
            table: write.table,
            key: keyOf(write),
            before,
            after: 'put' in write ? write.put : null,
          })
        }
        await applyAll(db, changes, 'after')
        // Bytes stay when their picture is removed, so that undo finds them; sweepPictures clears them later.
        for (const write of writes)
          if ('bytes' in write && write.bytes) await db.pictureBytes.put({ id: write.put.id, ...write.bytes })
        await db.undo
          .where('gardenId')
          .equals(gardenId)
          .and((entry) => entry.undone === 1)
          .delete()
        const id = await db.undo.add({ gardenId, label, at: Date.now(), undone: 0, changes } as UndoEntry)
        const all = await db.undo.where('gardenId').equals(gardenId).primaryKeys()
        if (all.length > UNDO_DEPTH)
          await db.undo.bulkDelete(all.sort((a, b) => a - b).slice(0, all.length - UNDO_DEPTH))
        return id
      },
    )
    return success(entryId)
  } catch (error) {
    return failure(storageProblem(error))
  }
}

async function step(
  db: KilimDatabase,
  gardenId: string,
  direction: 'undo' | 'redo',
): Promise<Outcome<string | null>> {
  try {
    return await db.transaction('rw', [...TABLES.map((name) => db.table(name)), db.undo], async () => {
      const entries = await db.undo.where('gardenId').equals(gardenId).sortBy('id')
      const entry =
        direction === 'undo'
          ? entries.filter((item) => item.undone === 0).at(-1)
          : entries.find((item) => item.undone === 1)
      if (!entry) return success(null)
      await applyAll(
        db,
        direction === 'undo' ? [...entry.changes].reverse() : entry.changes,
        direction === 'undo' ? 'before' : 'after',
      )
      await db.undo.update(entry.id, { undone: direction === 'undo' ? 1 : 0 })
      return success(entry.label)
    })
  } catch (error) {
    return failure(storageProblem(error))
  }
}

/** Takes back the last change of a garden; the value is its label, or null when there is nothing left to undo. */
export const undo = (db: KilimDatabase, gardenId: string) => step(db, gardenId, 'undo')

/** Does the last undone change again. */
export const redo = (db: KilimDatabase, gardenId: string) => step(db, gardenId, 'redo')
