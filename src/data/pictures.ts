import type { Picture } from '../core/garden/check'
import type { KilimDatabase } from './database'

/** The pictures of one bed, newest first; without their bytes. */
export async function picturesOfBed(db: KilimDatabase, bedId: string): Promise<Picture[]> {
  const pictures = await db.pictures.where('bedId').equals(bedId).toArray()
  return pictures.sort((a, b) => b.date.localeCompare(a.date) || a.id.localeCompare(b.id))
}

/** Clears the bytes of pictures that are gone and that no undo step could bring back. Returns how many. */
export async function sweepPictures(db: KilimDatabase): Promise<number> {
  const kept = new Set(await db.pictures.toCollection().primaryKeys())
  const orphans = (await db.pictureBytes.toCollection().primaryKeys()).filter((id) => !kept.has(id))
  if (orphans.length === 0) return 0
  const wanted = new Set<string>()
  await db.undo.each((entry) =>
    entry.changes.forEach((change) => change.table === 'pictures' && wanted.add(change.key)),
  )
  // A check that is half filled in holds its pictures by their ids.
  const forms = JSON.stringify(await db.session.toArray())
  const gone = orphans.filter((id) => !wanted.has(id) && !forms.includes(id))
  await db.pictureBytes.bulkDelete(gone)
  return gone.length
}

/** Storage that pictures take and that the browser still has, bytes; null where it does not say. */
export type Room = { pictures: number; count: number; free: number | null }

export async function pictureRoom(db: KilimDatabase, gardenId: string): Promise<Room> {
  let pictures = 0
  let count = 0
  await db.pictures
    .where('gardenId')
    .equals(gardenId)
    .each((picture) => {
      pictures += picture.bytes
      count++
    })
  const estimate = typeof navigator === 'undefined' ? null : await navigator.storage?.estimate?.()
  const free =
    estimate?.quota === undefined || estimate.usage === undefined ? null : estimate.quota - estimate.usage
  return { pictures, count, free }
}
