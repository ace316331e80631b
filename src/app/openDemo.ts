import { dayNumber } from '../core/foundations/day'
import { failure, success, type Outcome } from '../core/foundations/outcome'
import { commit } from '../data/commit'
import { database } from '../data/database'
import { stampChanges } from '../data/devices/history'
import { gardenWrites } from '../data/gardenRecords'
import { hearStation } from '../data/station'
import { findDemo } from '../demo'
import { gardenOpened } from '../state/session'
import type { Store } from '../state/store'

/** Opens a demo garden, storing it first if this browser does not have it yet. */
export async function openDemo(
  name: string,
  store: Pick<Store, 'dispatch' | 'getState'>,
): Promise<Outcome<string>> {
  const make = findDemo(name)
  if (!make)
    return failure({ path: 'name', code: 'unknown', message: 'There is no demo garden of this name.' })
  const data = make()
  if (!(await database.gardens.get(data.garden.id))) {
    // Made alike in every browser: no device wrote it.
    const stored = await commit(database, data.garden.id, `Open ${data.garden.name}`, gardenWrites(data), {
      keepHistory: (db, gardenId, changes) => stampChanges(db, gardenId, changes, 'demo'),
    })
    if (!stored.ok) throw new Error(stored.problems[0]?.message)
    // A demo garden is where undo ends, not something to take back.
    await database.undo.where('gardenId').equals(data.garden.id).delete()
  }
  const { demoDays, stationSilent } = store.getState().session
  const today = demoDays[data.garden.id] ?? data.garden.demo?.opensOn
  if (today) await hearStation(database, data.garden, dayNumber(today), undefined, stationSilent)
  store.dispatch(gardenOpened(data.garden.id))
  return success(data.garden.id)
}
