import type { KilimDatabase } from './database'

/** How long a copy of a garden that a file took the place of is kept, ms. */
const COPY_KEPT_MS = 30 * 24 * 60 * 60 * 1000

/** Lets go of copies that have been kept long enough. Returns how many. */
export const sweepCopies = (db: KilimDatabase, now = Date.now()): Promise<number> =>
  db.copies.filter(({ at }) => now - at > COPY_KEPT_MS).delete()
