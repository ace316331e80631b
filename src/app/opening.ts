import type { Answers } from '../compute/answers'
import { firstProblem } from '../core/foundations/outcome'
import { database } from '../data/database'
import { sweepCopies } from '../data/sweepCopies'
import { sweepDone } from '../data/once'
import { keepTwice, openStorage } from '../data/opening'
import { sweepPictures } from '../data/pictures'
import { finishPressed, type Finished } from '../data/pressed'
import { refusedOr } from '../data/problems'
import { SecondStore } from '../data/secondStore'
import { preload } from '../state/preload'
import { persistSession } from '../state/keptSession'
import { late } from '../state/late'
import type { Store } from '../state/store'
import { thisTab } from '../state/tab'

/** Storage opened, with what is to be said of it; or why it could not be. */
export type Opened =
  | { kind: 'ready'; gardensPutBack: number; finished: readonly Finished[] }
  | { kind: 'failed'; message: string }

/** Made before anything is written, so that all of it is kept twice. */
const kept = new SecondStore(database)

const BLOCKED =
  'Another tab holds an older version of Kilim’s storage. Close the other Kilim tabs, then reload.'

/**
 * Opens storage, restores the session, reads the open garden and the answers kept of it, and opens the demo garden on the
 * first visit. It is begun before the page is drawn, so that the first thing drawn is the room.
 */
export async function openAll(store: Store, answers: Answers): Promise<Opened> {
  const blocked = new Promise<Opened>((resolve) =>
    database.on('blocked', () => resolve({ kind: 'failed', message: BLOCKED })),
  )
  return Promise.race([blocked, open(store, answers)])
}

async function open(store: Store, answers: Answers): Promise<Opened> {
  try {
    const [ahead, tab] = [answers.readAhead(), thisTab()]
    await openStorage(database)
    const gardensPutBack = await keepTwice(database, kept)
    const finished = await finishPressed(database)
    await persistSession(store, database, await tab)
    if (!store.getState().session.gardenId) {
      const { openDemo } = await late(import('./openDemo'))
      await openDemo('marlpit-lane', store)
    }
    await Promise.all([preload(database, store, answers), ahead])
    void Promise.all([sweepPictures(database), sweepCopies(database), sweepDone(database)]).catch(
      () => undefined,
    )
    return { kind: 'ready', gardensPutBack, finished }
  } catch (error) {
    return { kind: 'failed', message: firstProblem(refusedOr(error)) }
  }
}
