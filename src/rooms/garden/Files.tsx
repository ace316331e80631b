import { useLiveQuery } from 'dexie-react-hooks'
import { useEffect, useState } from 'react'
import { database } from '../../data/database'
import { useGarden } from '../../state/garden'
import { canShare, exportGarden, exportTables } from '../../state/exporting'
import { gardenOpened } from '../../state/session'
import { useOpenedFile } from '../../state/openedFile'
import { useAppDispatch } from '../../state/store'
import { TickField } from '../../parts/SelectField'
import { BackupFolder } from './BackupFolder'
import { Copies } from './Copies'
import { Differences } from './Differences'
import { HandOver } from './HandOver'
import { PlainHttp } from './PlainHttp'
import { Steps } from './Steps'
import { StorageUse } from './StorageUse'
import { useGardenImport } from './useGardenImport'

/** Export, import, and switching between the gardens of this browser. */
export function Files() {
  const { data } = useGarden()
  const dispatch = useAppDispatch()
  const { open, button, shown } = useGardenImport()
  const gardens = useLiveQuery(() => database.gardens.toArray(), [], [])
  const [withPictures, setWithPictures] = useState(false)

  // A file that the machine opened Kilim with is read as if it were picked.
  const { file: opened, take: takeOpened } = useOpenedFile()
  useEffect(() => {
    if (!opened) return
    queueMicrotask(() => void open(opened))
    takeOpened()
  })

  return (
    <div className="mt-2">
      <div className="flex flex-wrap items-center gap-3">
        <button className="btn btn-sm" onClick={() => void exportGarden(data.garden.id, withPictures)}>
          Export this garden
        </button>
        {canShare() && (
          <button
            className="btn btn-sm"
            onClick={() => void exportGarden(data.garden.id, withPictures, 'share')}
          >
            Share it
          </button>
        )}
        <TickField label="with its pictures" checked={withPictures} onChange={setWithPictures} />
        <button className="btn btn-sm" onClick={() => void exportTables(data.garden.id)}>
          Export tables and outlines
        </button>
        {button}
        {gardens.length > 1 && (
          <label className="flex items-center gap-2">
            Open
            <select
              className="select select-sm"
              value={data.garden.id}
              onChange={(event) => dispatch(gardenOpened(event.target.value))}
            >
              {gardens.map((garden) => (
                <option key={garden.id} value={garden.id}>
                  {garden.name}
                </option>
              ))}
            </select>
          </label>
        )}
      </div>
      <StorageUse />
      <BackupFolder />
      <HandOver key={data.garden.id} withPictures={withPictures} />
      <PlainHttp />
      {shown}
      <Differences />
      <Steps />
      <Copies onOpen={(file) => void open(file)} />
    </div>
  )
}
