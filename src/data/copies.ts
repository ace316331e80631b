import type { CopyRow, KilimDatabase } from './database'
import { historyForFile } from './devices/replica'
import { writeGardenFile } from './gardenFile'

/** A garden as it is, to be kept for the days in which a file that took its place may turn out to have been the wrong one. */
export async function copyOf(
  db: KilimDatabase,
  data: Parameters<typeof writeGardenFile>[0],
): Promise<Omit<CopyRow, 'id'>> {
  const { id, name } = data.garden
  const text = writeGardenFile({ ...data, history: await historyForFile(db, id) }, new Date().toISOString())
  return { gardenId: id, name, at: Date.now(), text }
}
