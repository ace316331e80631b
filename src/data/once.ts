import type { KilimDatabase } from './database'

const key = (name: string) => `done ${name}`
type Done = { at: number; value: unknown }
/** How long it is known that something was done, ms. */
const KNOWN_MS = 24 * 60 * 60 * 1000

/**
 * Does a piece of work once under its name, inside a transaction that includes the `session` table: asked for again, it
 * gives the same answer and does nothing. Without a name it is done each time.
 */
export async function once<T>(
  db: KilimDatabase,
  name: string | undefined,
  work: () => Promise<T>,
): Promise<T> {
  if (name === undefined) return work()
  const done = (await db.session.get(key(name)))?.value as Done | undefined
  if (done) return done.value as T
  const value = await work()
  await db.session.put({ key: key(name), value: { at: Date.now(), value } satisfies Done })
  return value
}

/** Forgets what was done so long ago that nobody asks for it again. */
export const sweepDone = (db: KilimDatabase): Promise<number> =>
  db.session
    .where('key')
    .startsWith(key(''))
    .and(({ value }) => Date.now() - (value as Done).at > KNOWN_MS)
    .delete()
