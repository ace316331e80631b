import { newId } from '../data/ids'

/** This tab, over its reloads, and the other tabs of this browser. */
export type Tab = {
  id: string
  /** Which tabs are open; null where the browser does not say. */
  open: () => Promise<ReadonlySet<string> | null>
  /** Resolves once a tab that is open lets go of its name for longer than a reload takes; never where none is told. */
  closed: (id: string) => Promise<void>
}

const STORED = 'kilim tab'
const LOCK = 'kilim tab '
/**
 * How long the page before, in the same tab, may take to let go of its name, ms: a page that was loaded anew is waited for
 * longer, since it is hardly ever the copy of another tab.
 */
const PATIENCE_MS = { reload: 3000, otherwise: 400 }

function patienceMs(): number {
  const [how] = performance.getEntriesByType('navigation') as PerformanceNavigationTiming[]
  return how?.type === 'reload' ? PATIENCE_MS.reload : PATIENCE_MS.otherwise
}

function storedId(): string | null {
  try {
    return sessionStorage.getItem(STORED)
  } catch {
    return null
  }
}
function storeId(id: string): void {
  try {
    sessionStorage.setItem(STORED, id)
  } catch {
    // Without it the tab has another name after a reload, and what it had begun is offered to it.
  }
}

/** Holds a name for as long as the page lives; false where another tab holds it: this one was made as a copy of that. */
function holds(locks: LockManager, id: string): Promise<boolean> {
  return new Promise((resolve) => {
    locks
      .request(`${LOCK}${id}`, { signal: AbortSignal.timeout(patienceMs()) }, () => {
        resolve(true)
        return new Promise(() => undefined)
      })
      .catch(() => resolve(false))
  })
}

const rest = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms))

/** Waits for a tab to let go of its name, and then for as long as its own next page may take to hold it again. */
async function letGo(locks: LockManager, id: string): Promise<void> {
  await locks.request(`${LOCK}${id}`, () => undefined)
  await rest(PATIENCE_MS.reload)
}

/** Finds out which tab this is. */
export async function thisTab(): Promise<Tab> {
  const locks = typeof navigator === 'undefined' ? undefined : navigator.locks
  const before = storedId()
  if (!locks) {
    const id = before ?? newId('device')
    storeId(id)
    return { id, open: async () => null, closed: () => new Promise(() => undefined) }
  }
  let id = before ?? newId('device')
  if (!(await holds(locks, id))) {
    id = newId('device')
    void holds(locks, id)
  }
  storeId(id)
  return {
    id,
    open: async () => {
      const { held = [] } = await locks.query()
      return new Set(held.flatMap(({ name }) => (name?.startsWith(LOCK) ? [name.slice(LOCK.length)] : [])))
    },
    closed: (other) => letGo(locks, other),
  }
}
