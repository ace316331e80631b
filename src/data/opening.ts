import type { KilimDatabase } from './database'
import { hasSecond, openSecond, type SecondStore } from './secondStore'
import { Refusal } from './problems'

/** Longest that the browser may take to open the storage before it is said that it does not, ms. */
const PATIENCE_MS = 15_000

const refused = (code: string, message: string) => new Refusal({ path: 'storage', code, message })

/** Opens the storage; throws in words where it is of a newer Kilim, or where the browser never answers. */
export async function openStorage(db: KilimDatabase, patienceMs = PATIENCE_MS): Promise<void> {
  const known = db.verno
  let timer: ReturnType<typeof setTimeout> | undefined
  const tooLong = new Promise<never>((_resolve, reject) => {
    timer = setTimeout(
      () =>
        reject(
          refused(
            'silent',
            'The browser has not opened Kilim’s storage. Nothing was changed. Close the other Kilim tabs, start the browser again, then reload.',
          ),
        ),
      patienceMs,
    )
  })
  try {
    await Promise.race([db.open(), tooLong])
  } finally {
    clearTimeout(timer)
  }
  // The library opens what a newer one has made, too; what is in it may mean something else by now.
  if (Math.floor(db.backendDB().version / 10) <= known) return
  db.close()
  throw refused(
    'newer',
    'A newer Kilim has written in this browser, and this one would not understand all of it. Nothing was changed. Reload to get the newer one; until then what is stored can be saved as a file.',
  )
}

/** The second store is brought up once the page stands there and has answered, ms after its start. */
const SECOND_AFTER_MS = 15_000

/**
 * Keeps a second store beside the one that was opened; the value is how many gardens were put back from it, where the
 * browser had thrown the first away. Only where there is something to be put back is it waited for.
 */
export async function keepTwice(db: KilimDatabase, kept: SecondStore): Promise<number> {
  const begin = async () => {
    const second = await openSecond(db.name)
    return second ? kept.begin(second, () => openSecond(db.name, true)) : 0
  }
  if ((await db.gardens.count()) === 0 && (await hasSecond(db.name))) return begin()
  setTimeout(() => void begin().catch(() => undefined), SECOND_AFTER_MS)
  return 0
}

/** Stores that are of no use outside, or far too large for a text. */
const LEFT_OUT = ['undo', 'session', 'pictureBytes']

/** Everything stored under a name as JSON text, whatever version it is of: a last way to get it out; null where nothing is. */
export function rescued(name: string): Promise<string | null> {
  return new Promise((resolve, reject) => {
    const opening = indexedDB.open(name)
    let isNew = false
    opening.onerror = () =>
      isNew ? resolve(null) : reject(opening.error ?? new Error('It cannot be opened.'))
    opening.onblocked = () => reject(new Error('Another tab holds it.'))
    // Asked for without a version, only what is not there at all is made anew.
    opening.onupgradeneeded = () => {
      isNew = true
      opening.transaction?.abort()
    }
    opening.onsuccess = () => {
      const db = opening.result
      const stores = [...db.objectStoreNames].filter((store) => !LEFT_OUT.includes(store))
      const found: Record<string, unknown[]> = {}
      const done = () => {
        db.close()
        resolve(
          stores.length === 0
            ? null
            : JSON.stringify({ format: 'kilim-rescue', version: db.version, stores: found }),
        )
      }
      if (stores.length === 0) return done()
      const reading = db.transaction(stores)
      reading.oncomplete = done
      reading.onabort = () => reject(reading.error ?? new Error('It cannot be read.'))
      for (const store of stores) {
        const asked = reading.objectStore(store).getAll()
        asked.onsuccess = () => void (found[store] = asked.result as unknown[])
      }
    }
  })
}
