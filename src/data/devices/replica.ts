import type { KilimDatabase, StoredRecord } from '../database'
import type { FileHistory, GardenFileData } from '../gardenFile'
import { recordsOf } from '../gardenRecords'
import { loadGarden, loadKept } from '../gardens'
import { nameOf, type History, type Seen } from './stamps'

/** A garden as one device has it: its records and the histories of them, by table and id, and what it has seen. */
export type Replica = {
  records: ReadonlyMap<string, StoredRecord>
  histories: ReadonlyMap<string, History>
  seen: Seen
}

/** What this device knows of a garden and of its writing; null when there is no such garden. */
export async function replicaOf(db: KilimDatabase, gardenId: string): Promise<Replica | null> {
  const data = await loadGarden(db, gardenId)
  if (!data) return null
  const kept = await loadKept(db, gardenId)
  const rows = await db.history.where('gardenId').equals(gardenId).toArray()
  return {
    records: new Map(
      recordsOf({ ...data, ...kept }).map(({ table, record }) => [nameOf(table, record.id), record]),
    ),
    histories: new Map(rows.map(({ name, whole, places, gone }) => [name, { whole, places, gone }])),
    seen: (await db.replicas.get(gardenId))?.seen ?? {},
  }
}

/** The same as a garden file holds it; null where the file knows nothing of its writing. */
export function replicaIn(file: GardenFileData): Replica | null {
  if (!file.history) return null
  const { seen, records } = file.history
  return {
    records: new Map(recordsOf(file).map(({ table, record }) => [nameOf(table, record.id), record])),
    histories: new Map(records.map(({ name, ...history }) => [name, history])),
    seen,
  }
}

/** What a garden file tells of the writing of a garden stored here. */
export async function historyForFile(db: KilimDatabase, gardenId: string): Promise<FileHistory> {
  const rows = await db.history.where('gardenId').equals(gardenId).toArray()
  return {
    seen: { ...(await db.replicas.get(gardenId))?.seen },
    records: rows.map(({ name, whole, places, gone }) => ({
      name,
      whole: [...whole] as [number, string],
      places: Object.fromEntries(
        Object.entries(places).map(([place, stamp]) => [place, [...stamp] as [number, string]]),
      ),
      gone: gone && ([...gone] as [number, string]),
    })),
  }
}
