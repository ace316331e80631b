import type { Remote } from 'comlink'
import { loadedOnce } from '../loadedOnce'
import type { GardenWork } from './gardenWork'

/** Longest that a worker is waited for, ms; the page then does the work itself. */
const PATIENCE_MS = 60_000

const onPage = loadedOnce(() => import('./gardenWork'))
const link = loadedOnce(() => import('comlink'))
const startWorker = () => new Worker(new URL('./garden.worker.ts', import.meta.url), { type: 'module' })

type Work<T> = (garden: GardenWork | Remote<GardenWork>) => T | Promise<T>

/** Done in a worker; an error where it breaks down or is silent for too long. */
async function inWorker<T>(work: Work<T>, worker: Worker, patienceMs: number): Promise<T> {
  const { wrap } = await link()
  let timer: ReturnType<typeof setTimeout> | undefined
  const lost = new Promise<never>((_, reject) => {
    const fail = () => reject(new Error('The worker was lost.'))
    for (const event of ['error', 'messageerror']) worker.addEventListener(event, fail)
    timer = setTimeout(fail, patienceMs)
  })
  return Promise.race([work(wrap<GardenWork>(worker)), lost]).finally(() => clearTimeout(timer))
}

/**
 * Work on a whole garden, done in a worker of its own; by the page itself where the browser starts none, or where it breaks
 * down. What the work itself throws is thrown.
 */
export async function besidePage<T>(
  work: Work<T>,
  start: () => Worker = startWorker,
  patienceMs = PATIENCE_MS,
): Promise<T> {
  let worker: Worker | null = null
  try {
    worker = start()
    return await inWorker(work, worker, patienceMs)
  } catch {
    return work((await onPage()).gardenWork)
  } finally {
    worker?.terminate()
  }
}
