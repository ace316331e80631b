import { useLiveQuery } from 'dexie-react-hooks'
import { useState } from 'react'
import { backupOf, remindLater } from '../data/backup'
import { database } from '../data/database'
import { useGarden } from '../state/garden'
import { late } from '../state/late'
import { useBackups } from './useBackups'

/** Says, of an own garden, that what was written lately is in this browser only, with one press to keep it elsewhere too. */
export function BackupLine() {
  const { data } = useGarden()
  const { id, name, demo } = data.garden
  const failed = useBackups(id, demo !== null)
  const replica = useLiveQuery(() => database.replicas.get(id), [id])
  const [now] = useState(() => Date.now())
  const { due, changes } = backupOf(replica, now)
  if (demo || (!due && !failed)) return null
  return (
    <p
      role="status"
      className="no-print mx-4 mt-1 flex flex-wrap items-center gap-x-3 border-l-4 border-warning pl-3 text-sm"
    >
      {failed && `The backup could not be written into its folder (${failed}).`}{' '}
      {changes === 1 ? 'One change' : `${changes} changes`} of {name} {changes === 1 ? 'is' : 'are'} in this
      browser only.
      <button
        className="btn btn-xs"
        onClick={() =>
          void late(import('../state/exporting')).then(({ exportGarden }) => exportGarden(id, false))
        }
      >
        Export it now
      </button>
      <button className="btn btn-ghost btn-xs" onClick={() => void remindLater(database, id)}>
        In a week
      </button>
    </p>
  )
}
