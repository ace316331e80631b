import { Refusal } from './problems'

/**
 * Something that is fetched when it is first used, and then kept. Where it cannot be fetched nothing is done, and the next
 * use tries again.
 */
export function loadedOnce<T>(load: () => Promise<T>): () => Promise<T> {
  let loaded: Promise<T> | null = null
  return () =>
    (loaded ??= load().catch(() => {
      loaded = null
      throw new Refusal({
        path: '',
        code: 'not loaded',
        message:
          'A part of Kilim could not be loaded, so nothing was changed. Check the connection, then try again.',
      })
    }))
}
