import type { KilimDatabase } from './database'
import { historyForFile } from './devices/replica'
import { writeGardenFile } from './gardenFile'

/** Keeps a garden as it is, for the days in which a file that took its place may turn out to have been the wrong one. */
export async function keepCopy(
  db: KilimDatabase,
  data: Parameters<typeof writeGardenFile>[0],
): Promise<void> {
  const { id, name } = data.garden
  const text = writeGardenFile({ ...data, history: await historyForFile(db, id) }, new Date().toISOString())
  await db.copies.add({ gardenId: id, name, at: Date.now(), text } as never)
}
