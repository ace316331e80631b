import { useLiveQuery } from 'dexie-react-hooks'
import { useEffect, useState, type ChangeEvent } from 'react'
import { useNavigate } from 'react-router'
import { notice } from '../../state/notices'
import { firstProblem, type Problem } from '../../core/foundations/outcome'
import { database } from '../../data/database'
import { importGarden, type Imported, type Way } from '../../data/importGarden'
import { takeBack, useGarden } from '../../state/garden'
import { canShare, exportGarden, exportTables } from '../../state/exporting'
import { gardenOpened } from '../../state/session'
import { useOpenedFile } from '../../state/openedFile'
import { useAppDispatch } from '../../state/store'
import { TickField } from '../../parts/SelectField'
import { Copies } from './Copies'
import { Differences } from './Differences'
import { ImportPreview } from './ImportPreview'
import { Steps } from './Steps'
import { StorageUse } from './StorageUse'
import { readPicked, type PickedFile } from './readPicked'

/** Problems listed of a refused file. */
const LISTED = 8

/** What an import did, in words. */
function importWords(name: string, { step, way, renamed, conflicts }: Imported): string {
  if (step === null && conflicts.length === 0) return `${name} is here already, just as in the file.`
  if (way === 'merge')
    return conflicts.length === 0
      ? `${name} is brought together with the file.`
      : `${name} is brought together with the file. What was changed on both is listed under Garden.`
  return [
    way === 'replace' ? `${name} now is as in the file.` : `${name} was imported beside your other gardens.`,
    renamed ? 'Its records were given new ids, for another garden here has the old ones.' : '',
  ]
    .filter(Boolean)
    .join(' ')
}

/** Export, import, and switching between the gardens of this browser. */
export function Files() {
  const { data } = useGarden()
  const dispatch = useAppDispatch()
  const navigate = useNavigate()
  const [problems, setProblems] = useState<Problem[]>([])
  const [picked, setPicked] = useState<PickedFile | null>(null)
  const gardens = useLiveQuery(() => database.gardens.toArray(), [], [])

  const [withPictures, setWithPictures] = useState(false)

  async function open(file: File) {
    const read = await readPicked(file)
    setProblems(read.ok ? [] : read.problems)
    setPicked(read.ok ? read.value : null)
  }

  // A file that the machine opened Kilim with is read as if it were picked.
  const { file: opened, take: takeOpened } = useOpenedFile()
  useEffect(() => {
    if (!opened) return
    queueMicrotask(() => void open(opened))
    takeOpened()
  }, [opened, takeOpened])

  function pick(event: ChangeEvent<HTMLInputElement>) {
    const file = event.target.files?.[0]
    event.target.value = ''
    if (file) void open(file)
  }

  async function take({ file, pictures }: PickedFile, way: Way) {
    const before = data.garden.id
    const stored = await importGarden(database, file, pictures, way)
    setPicked(null)
    if (!stored.ok) return setProblems(stored.problems)
    const { step, gardenId, conflicts } = stored.value
    dispatch(gardenOpened(gardenId))
    notice.success(
      importWords(file.garden.name, stored.value),
      step === null
        ? {}
        : {
            action: {
              label: 'Undo',
              onClick: () =>
                void takeBack(step).then((done) => {
                  if (done && way === 'new') dispatch(gardenOpened(before))
                }),
            },
          },
    )
    if (conflicts.length === 0) void navigate('/')
  }

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
          Export tables (CSV)
        </button>
        <label className="btn btn-sm">
          Import a garden
          <input
            type="file"
            accept=".json,.zip,application/json,application/zip"
            className="sr-only"
            onChange={pick}
          />
        </label>
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
      {problems.length > 0 && <Refused problems={problems} />}
      {picked && (
        <ImportPreview
          picked={picked}
          onImport={(way) => take(picked, way)}
          onCancel={() => setPicked(null)}
        />
      )}
      <Differences />
      <Steps />
      <Copies onOpen={(file) => void open(file)} />
    </div>
  )
}

/** Why a file was not imported. */
const Refused = ({ problems }: { problems: Problem[] }) => (
  <div role="alert" className="mt-3 border-l-4 border-error pl-3">
    <p className="font-semibold">
      The file was not imported; nothing was changed. {problems.length === 1 ? firstProblem(problems) : ''}
    </p>
    {problems.length > 1 && (
      <ul className="list-disc pl-5">
        {problems.slice(0, LISTED).map((problem) => (
          <li key={problem.path + problem.message}>
            {problem.path}: {problem.message}
          </li>
        ))}
        {problems.length > LISTED && <li>and {problems.length - LISTED} more</li>}
      </ul>
    )}
  </div>
)
