import { firstProblem } from '../core/foundations/outcome'
import type { GardenData } from '../core/garden/schema'
import { askToLast } from '../data/backup'
import { commit } from '../data/commit'
import { database } from '../data/database'
import { gardenWrites } from '../data/gardenRecords'
import { notice } from './notices'
import { gardenOpened } from './session'
import type { useAppDispatch } from './store'

/** Stores a garden that was just started and opens it, or says why not; the value is whether it did. */
export async function openOwn(
  data: GardenData,
  dispatch: ReturnType<typeof useAppDispatch>,
): Promise<boolean> {
  const stored = await commit(database, data.garden.id, `Started ${data.garden.name}`, gardenWrites(data))
  if (!stored.ok) {
    notice.error(firstProblem(stored.problems))
    return false
  }
  if (stored.value !== null) await database.undo.delete(stored.value)
  // What is the grower's own is not to be cleared away by the browser.
  void askToLast()
  dispatch(gardenOpened(data.garden.id))
  return true
}
