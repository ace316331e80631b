import { useLiveQuery } from 'dexie-react-hooks'
import { useEffect, useState } from 'react'
import { database } from '../data/database'
import { late } from '../state/late'

/** A backup is written so long after the last change, or at once when the page is hidden, ms. */
const QUIET_MS = 15_000

/** Writes what was changed in an own garden into the folder for backups, where there is one; gives why it could not. */
export function useBackups(gardenId: string, demo: boolean): string | null {
  const [failed, setFailed] = useState<string | null>(null)
  const replica = useLiveQuery(() => database.replicas.get(gardenId), [gardenId])
  const behind = !demo && replica !== undefined && replica.count > (replica.exported?.count ?? 0)
  const count = replica?.count
  useEffect(() => {
    if (!behind) return
    const write = () =>
      void late(import('../state/backupFolder'))
        .then(({ writeBackup }) => writeBackup(gardenId))
        .then(
          () => setFailed(null),
          (error: unknown) => setFailed(error instanceof Error ? error.message : 'unknown reason'),
        )
    const timer = setTimeout(write, QUIET_MS)
    const hidden = () => document.visibilityState === 'hidden' && write()
    document.addEventListener('visibilitychange', hidden)
    return () => {
      clearTimeout(timer)
      document.removeEventListener('visibilitychange', hidden)
    }
  }, [behind, count, gardenId])
  // Written since, by a press or otherwise, nothing is wrong any more.
  return behind ? failed : null
}
