import { useLiveQuery } from 'dexie-react-hooks'
import { useEffect, useState } from 'react'
import { askToLast, backupOf, storageUse } from '../../data/backup'
import { database } from '../../data/database'
import { useGarden } from '../../state/garden'
import { notice } from '../../state/notices'
import { bytesText, momentText } from '../../text/format'

type Use = Awaited<ReturnType<typeof storageUse>>

/** What is kept where: the last export, and what the browser's storage holds and promises. */
export function StorageUse() {
  const { data } = useGarden()
  const [use, setUse] = useState<Use | null>(null)
  const replica = useLiveQuery(() => database.replicas.get(data.garden.id), [data.garden.id])
  useEffect(() => void storageUse().then(setUse), [])
  const [now] = useState(() => Date.now())
  const { changes, exportedAt } = backupOf(replica, now)
  async function ask() {
    const lasting = await askToLast()
    if (!lasting) notice.info('The browser did not agree. Export the garden now and then instead.')
    setUse(await storageUse())
  }
  return (
    <p className="quiet mt-2 flex flex-wrap items-center gap-x-3 gap-y-1 text-sm">
      <span>
        {exportedAt === null
          ? 'All of it is in this browser only: export it now and then.'
          : `Kept outside this browser too as of ${momentText(exportedAt)}; ${changes === 0 ? 'nothing changed since' : changes === 1 ? 'one change since' : `${changes} changes since`}.`}
      </span>
      {typeof use?.bytes === 'number' && (
        <span>Kilim takes {bytesText(use.bytes)} of this browser’s storage.</span>
      )}
      {use?.lasting === true && <span>It is kept when space runs short.</span>}
      {use?.lasting === false && (
        <button className="btn btn-xs" onClick={() => void ask()}>
          Keep it when space runs short
        </button>
      )}
    </p>
  )
}
