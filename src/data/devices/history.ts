import { isEqual as equal } from 'es-toolkit/predicate'
import type { KilimDatabase, RecordChange, Without } from '../database'
import { newId } from '../ids'
import { Refusal } from '../problems'
import type { Plain } from '../merge'
import type { Replica } from './replica'
import { differingPlaces } from './places'
import { nameOf, NO_HISTORY, seenTogether, type History, type Seen, type Stamp } from './stamps'

/** The history of a record once it has been written, brought in or taken out with a stamp. */
export function historyAfter(
  history: History,
  { before, after }: Pick<RecordChange, 'before' | 'after'>,
  stamp: Stamp,
): History {
  if (!after) return { ...NO_HISTORY, gone: stamp }
  if (!before) return { whole: stamp, places: {}, gone: null }
  const places = { ...history.places }
  for (const place of differingPlaces(before as unknown as Plain, after as unknown as Plain))
    places[place] = stamp
  return { ...history, places, gone: null }
}

/** The row under which this device keeps its own name. */
const THIS_DEVICE = ''

/** The name of this device in stamps, made once for each database. */
export async function thisDevice(db: KilimDatabase): Promise<string> {
  const known = await db.replicas.get(THIS_DEVICE)
  if (known) return known.device
  const device = newId('device').slice(-12)
  await db.replicas.put({ gardenId: THIS_DEVICE, device, count: 0, seen: {} })
  return device
}

/**
 * Writes down, inside the transaction that made them, when the places of some changes were written.
 * @param by the device, where it is not this one: what every browser makes for itself is of no device
 */
export async function stampChanges(
  db: KilimDatabase,
  gardenId: string,
  changes: readonly RecordChange[],
  by?: string,
): Promise<void> {
  if (changes.length === 0) return
  const device = by ?? (await thisDevice(db))
  const replica = await db.replicas.get(gardenId)
  const count = (replica?.count ?? 0) + 1
  const stamp: Stamp = [count, device]
  const seen = { ...replica?.seen, [device]: count }
  await db.replicas.put({ begunAt: Date.now(), ...replica, gardenId, device, count, seen })
  const names = namesIn(changes)
  const rows = new Map(
    (await db.history.bulkGet(names)).flatMap((row) => (row ? [[row.name, row] as const] : [])),
  )
  for (const change of changes) {
    const name = nameOf(change.table, change.key)
    rows.set(name, { name, gardenId, ...historyAfter(rows.get(name) ?? NO_HISTORY, change, stamp) })
  }
  await db.history.bulkPut([...rows.values()])
}

/** The tables that histories are kept in, for a transaction that writes records. */
export const historyTables = (db: KilimDatabase) => [db.history, db.replicas]

/**
 * Writes down a history that was brought in, in the place of one of this device’s own; gives what was known without it of
 * the records it changed.
 * @param known what this device had seen when it was worked out: written in since, nothing is stored
 */
export const adopted =
  ({ histories, seen }: Pick<Replica, 'histories' | 'seen'>, known: Seen = {}) =>
  async (db: KilimDatabase, gardenId: string, changes: readonly RecordChange[]): Promise<Without> => {
    const device = await thisDevice(db)
    const own = await db.replicas.get(gardenId)
    const before = await db.history.bulkGet(namesIn(changes))
    if (!equal(own?.seen ?? {}, known))
      throw new Refusal({
        path: '',
        code: 'changed',
        message:
          'The garden was changed meanwhile, in another tab perhaps, so nothing was stored. Import the file once more.',
      })
    const count = Math.max(own?.count ?? 0, ...Object.values(seen))
    const together = seenTogether(own?.seen ?? {}, seen)
    await db.replicas.put({ begunAt: Date.now(), ...own, gardenId, device, count, seen: together })
    await db.history.where('gardenId').equals(gardenId).delete()
    await db.history.bulkPut([...histories].map(([name, history]) => ({ name, gardenId, ...history })))
    return { histories: before.filter((row) => row !== undefined), seen: known, count }
  }

const only = <T>(
  of: Readonly<Record<string, T>>,
  kept: (value: T, key: string) => boolean,
): Record<string, T> => Object.fromEntries(Object.entries(of).filter(([key, value]) => kept(value, key)))

/**
 * Forgets another device's writing with the step that brought it in, so that its taking back here takes nothing back there:
 * brought together again, it comes in again. What this device wrote since stays known.
 */
export async function forgetWriting(
  db: KilimDatabase,
  gardenId: string,
  changes: readonly RecordChange[],
  { histories, seen, count }: Without,
): Promise<void> {
  const device = await thisDevice(db)
  const replica = await db.replicas.get(gardenId)
  if (replica)
    await db.replicas.put({ ...replica, seen: { ...seen, ...only(replica.seen, (_, by) => by === device) } })
  const old = new Map(histories.map((row) => [row.name, row]))
  for (const row of await db.history.bulkGet(namesIn(changes))) {
    if (!row) continue
    const since = only(row.places, ([at, by]) => by === device && at > count)
    const known = old.get(row.name)
    if (known) await db.history.put({ ...known, places: { ...known.places, ...since } })
    else await db.history.delete(row.name)
  }
}

/** The names of the records that some changes are about. */
const namesIn = (changes: readonly RecordChange[]) => [
  ...new Set(changes.map(({ table, key }) => nameOf(table, key))),
]
