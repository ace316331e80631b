import type { KilimDatabase, ReplicaRow } from './database'

/** A garden is to be exported again after so many days with changes, or so many changes. */
const EVERY_DAYS = 30
const EVERY_CHANGES = 200
/** Days for which a grower who puts it off is left alone. */
const LATER_DAYS = 7
const DAY_MS = 24 * 60 * 60 * 1000

/** How well a garden is kept outside this browser: changes since it was last exported, and when that was; null if never. */
export type Backup = { changes: number; exportedAt: number | null; due: boolean }

export function backupOf(replica: ReplicaRow | undefined, now: number): Backup {
  if (!replica) return { changes: 0, exportedAt: null, due: false }
  const { count, exported, begunAt, remindAfter } = replica
  const changes = count - (exported?.count ?? 0)
  const since = exported?.at ?? begunAt ?? now
  const due = changes > 0 && (changes > EVERY_CHANGES || now - since > EVERY_DAYS * DAY_MS)
  return { changes, exportedAt: exported?.at ?? null, due: due && now >= (remindAfter ?? 0) }
}

/** Notes that a garden was exported as it is now. */
export const notedExport = (db: KilimDatabase, gardenId: string, now = Date.now()): Promise<unknown> =>
  db.transaction('rw', db.replicas, async () => {
    const replica = await db.replicas.get(gardenId)
    if (replica) await db.replicas.put({ ...replica, exported: { at: now, count: replica.count } })
  })

/** Puts the reminder off for some days. */
export const remindLater = (db: KilimDatabase, gardenId: string, now = Date.now()): Promise<number> =>
  db.replicas.update(gardenId, { remindAfter: now + LATER_DAYS * DAY_MS })

/** What Kilim takes of the browser's storage, bytes, and whether it is kept when space runs short; null where it does not say. */
export async function storageUse(): Promise<{ bytes: number | null; lasting: boolean | null }> {
  const storage = typeof navigator === 'undefined' ? undefined : navigator.storage
  const [estimate, lasting] = await Promise.all([
    storage?.estimate?.().catch(() => undefined),
    storage?.persisted?.().catch(() => undefined),
  ])
  return { bytes: estimate?.usage ?? null, lasting: lasting ?? null }
}

/** Asks the browser to keep what is stored when space runs short; whether it does. */
export const askToLast = async (): Promise<boolean> =>
  (await navigator.storage?.persist?.().catch(() => false)) ?? false
