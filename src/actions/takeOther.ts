import { isEqual as equal } from 'es-toolkit/predicate'
import type { Conflict, StoredRecord } from '../data/database'
import { valueAt, withValueAt } from '../data/devices/places'
import type { Plain } from '../data/merge'
import type { Write } from '../data/writes'
import type { Step } from './step'

/**
 * What puts into a place what the other device had there, where two had written it; null where that cannot be done alone:
 * days of weather, and a record that others belong to, which is taken out where it is shown.
 */
export function takeOther({ table, id, place, other }: Conflict, fresh: StoredRecord | null): Write | null {
  if (table === 'weather') return null
  if (place === '')
    return other === null || fresh ? null : ({ table, put: other as StoredRecord, seen: null } as Write)
  if (!fresh || fresh.id !== id) return null
  const put = withValueAt(fresh as unknown as Plain, place, other)
  return { table, put: put as unknown as StoredRecord, seen: fresh } as Write
}

/** Whether what was taken, where two had written, still stands there; once it was changed or replaced nothing is left to ask. */
export function stillStands({ table, place, taken }: Conflict, fresh: StoredRecord | null): boolean {
  if (table === 'weather') return true
  if (place === '') return (taken === null) === (fresh === null)
  return fresh !== null && equal(valueAt(fresh as unknown as Plain, place) ?? null, taken ?? null)
}

/** Puts what the other device had into its place; `what` is how the place is told. */
export const takeOtherStep = (conflict: Conflict, fresh: StoredRecord | null, what: string): Step => {
  const write = takeOther(conflict, fresh)
  return { label: `Took the other: ${what}`, writes: write ? [write] : [] }
}
