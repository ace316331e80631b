import type { KilimDatabase } from './database'
import { historyForFile } from './devices/history'
import { writeGardenFile } from './gardenFile'

/** How long a copy of a garden that a file took the place of is kept, ms. */
const COPY_KEPT_MS = 30 * 24 * 60 * 60 * 1000

/** Keeps a garden as it is, for the days in which a file that took its place may turn out to have been the wrong one. */
export async function keepCopy(
  db: KilimDatabase,
  data: Parameters<typeof writeGardenFile>[0],
): Promise<void> {
  const { id, name } = data.garden
  const text = writeGardenFile({ ...data, history: await historyForFile(db, id) }, new Date().toISOString())
  await db.copies.add({ gardenId: id, name, at: Date.now(), text } as never)
}

/** Lets go of copies that have been kept long enough. Returns how many. */
export const sweepCopies = (db: KilimDatabase, now = Date.now()): Promise<number> =>
  db.copies.filter(({ at }) => now - at > COPY_KEPT_MS).delete()
