import type { CopyRow, KilimDatabase } from './database'
import { gardenText } from './gardenText'

/** A garden as it is, to be kept for the days in which a file that takes its place may turn out to have been the wrong one; null where there is none. */
export async function copyOf(db: KilimDatabase, gardenId: string): Promise<Omit<CopyRow, 'id'> | null> {
  const now = await gardenText(db, gardenId)
  return now && { gardenId, name: now.data.garden.name, at: Date.now(), text: now.text }
}
