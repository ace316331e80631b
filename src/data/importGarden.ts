import { success, type Outcome } from '../core/foundations/outcome'
import { newId } from './ids'
import { commit, ownerOf } from './commit'
import type { KilimDatabase, PictureBytes, StoredRecord } from './database'
import { gardenWrites, recordsOf, type GardenFileData } from './gardenFile'
import { loadGarden, loadKept } from './gardens'
import { reissued } from './reissue'
import type { Write } from './writes'

/** What an import did: whether it took the place of the same garden, and whether its records got new ids. */
export type Imported = { gardenId: string; replaced: boolean; renamed: boolean; step: number | null }

/** Whether any record of a garden carries the id of a record that belongs to another garden stored here. */
async function clashes(db: KilimDatabase, data: GardenFileData): Promise<boolean> {
  for (const { table, record } of recordsOf(data)) {
    const stored = (await db.table(table).get(record.id)) as StoredRecord | undefined
    if (stored && ownerOf(stored) !== data.garden.id) return true
  }
  return false
}

/**
 * Stores a garden from a file as one step that can be undone. The same garden, if it is here, becomes as in the file;
 * no other garden is touched: where records carry ids of another garden's, all are given new ones.
 */
export async function importGarden(
  db: KilimDatabase,
  file: GardenFileData,
  bytes: ReadonlyMap<string, Omit<PictureBytes, 'id'>> | null,
): Promise<Outcome<Imported>> {
  const gardenId = file.garden.id
  // A year of weather is named after its garden, so that it can be no other garden's.
  const own = {
    ...file,
    weather: file.weather.map((year) => ({ ...year, id: `${gardenId}:${year.year}` })),
  }
  const renamed = await clashes(db, own)
  const named = new Map<string, string>()
  const data = renamed ? reissued(own, newId) : own
  if (bytes) own.pictures.forEach(({ id }, i) => named.set(data.pictures[i].id, id))
  const stored = await loadGarden(db, gardenId)
  const old = stored && { ...stored, ...(await loadKept(db, gardenId)) }
  const writes = gardenWrites(data, old).map((write): Write => {
    const found = write.table === 'pictures' && 'put' in write && bytes?.get(named.get(write.put.id) ?? '')
    return found ? { ...write, bytes: found } : write
  })
  // What the file does not hold of the station's days is asked for again.
  await db.station.delete(gardenId)
  const outcome = await commit(db, gardenId, `Imported ${file.garden.name}`, writes)
  if (!outcome.ok) return outcome
  return success({ gardenId, replaced: old !== null, renamed, step: outcome.value })
}
