import { useLiveQuery } from 'dexie-react-hooks'
import { useState } from 'react'
import { useGarden } from '../../state/garden'
import {
  allowFolder,
  backupFolder,
  canPickFolder,
  leaveFolder,
  pickFolder,
  writeBackup,
} from '../../state/backupFolder'

/** A folder of the machine that backups are written to by themselves, where the browser can do that. */
export function BackupFolder() {
  const { data } = useGarden()
  const [asked, setAsked] = useState(0)
  const [problem, setProblem] = useState('')
  const folder = useLiveQuery(backupFolder, [asked])
  if (!canPickFolder() || folder === undefined) return null
  const doing = (deed: () => Promise<unknown>) => () =>
    void deed()
      .then(async (done) => {
        if (done !== false && !data.garden.demo) await writeBackup(data.garden.id)
        setProblem('')
      })
      .catch((error: unknown) =>
        setProblem(
          `Nothing could be written there: ${error instanceof Error ? error.message : 'unknown reason'}.`,
        ),
      )
      .finally(() => setAsked((count) => count + 1))
  return (
    <div className="quiet mt-2 flex flex-wrap items-center gap-x-3 gap-y-1 text-sm">
      {folder === null ? (
        <button className="btn btn-xs" onClick={doing(pickFolder)}>
          Write backups into a folder
        </button>
      ) : (
        <>
          <span>
            {folder.allowed
              ? `Backups go to the folder “${folder.name}”: a file for each day, a little after what you change.`
              : `Backups to the folder “${folder.name}” wait: the browser asks again after it was closed.`}
          </span>
          {!folder.allowed && (
            <button className="btn btn-xs" onClick={doing(allowFolder)}>
              Allow writing
            </button>
          )}
          <button
            className="btn btn-ghost btn-xs"
            onClick={() => void leaveFolder().then(() => setAsked((count) => count + 1))}
          >
            Stop backups there
          </button>
        </>
      )}
      {problem && <span role="alert">{problem}</span>}
    </div>
  )
}
