import type { GardenData } from '../core/garden/schema'
import type { KilimDatabase } from './database'
import { historyForFile } from './devices/replica'
import { writeGardenFile, type GardenFileData } from './gardenFile'
import { loadGarden, loadKept } from './gardens'

/** A garden that is stored, with all that belongs to it, and the text of its file; null where there is none. */
export async function gardenText(
  db: KilimDatabase,
  gardenId: string,
  exportedAt = new Date().toISOString(),
): Promise<{ data: GardenData & Partial<GardenFileData>; text: string } | null> {
  const garden = await loadGarden(db, gardenId)
  if (!garden) return null
  const data = { ...garden, ...(await loadKept(db, gardenId)), history: await historyForFile(db, gardenId) }
  return { data, text: writeGardenFile(data, exportedAt) }
}
