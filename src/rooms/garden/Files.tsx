import { useLiveQuery } from 'dexie-react-hooks'
import { useState, type ChangeEvent } from 'react'
import { useNavigate } from 'react-router'
import { toast } from 'sonner'
import { firstProblem, type Problem } from '../../core/foundations/outcome'
import { commit } from '../../data/commit'
import { database } from '../../data/database'
import { gardenWrites, readGardenFile, removalWrites, writeGardenFile } from '../../data/gardenFile'
import { loadGarden, loadLots, loadWeather } from '../../data/gardens'
import { useGarden } from '../../state/garden'
import { gardenOpened } from '../../state/session'
import { useAppDispatch } from '../../state/store'
import { download } from '../../parts/download'

/** Largest file read, bytes. */
const LARGEST_FILE = 60_000_000
/** Problems listed of a refused file. */
const LISTED = 8

/** Export, import, and switching between the gardens of this browser. */
export function Files() {
  const { data, weather } = useGarden()
  const dispatch = useAppDispatch()
  const navigate = useNavigate()
  const [problems, setProblems] = useState<Problem[]>([])
  const gardens = useLiveQuery(() => database.gardens.toArray(), [], [])

  async function save() {
    const lots = await loadLots(database, data.garden.id)
    const text = writeGardenFile({ ...data, weather, lots }, new Date().toISOString())
    download(
      `${data.garden.name.toLowerCase().replace(/[^a-z0-9]+/g, '-') || 'garden'}.kilim.json`,
      'application/json',
      text,
    )
  }

  async function open(event: ChangeEvent<HTMLInputElement>) {
    const file = event.target.files?.[0]
    event.target.value = ''
    if (!file) return
    if (file.size > LARGEST_FILE)
      return setProblems([
        {
          path: '',
          code: 'too-large',
          message: `The file is larger than ${LARGEST_FILE / 1e6} MB; a garden file never is. Choose another file.`,
        },
      ])
    const read = readGardenFile(await file.text())
    if (!read.ok) return setProblems(read.problems)
    setProblems([])
    const { garden } = read.value
    const old = await loadGarden(database, garden.id)
    const kept = new Set(gardenWrites(read.value).map((write) => ('put' in write ? write.put.id : '')))
    const writes = [
      ...(old
        ? removalWrites({
            ...old,
            weather: await loadWeather(database, garden.id),
            lots: await loadLots(database, garden.id),
          }).filter((write) => 'remove' in write && !kept.has(write.remove))
        : []),
      ...gardenWrites(read.value),
    ]
    const stored = await commit(database, garden.id, `Imported ${garden.name}`, writes)
    if (!stored.ok) return setProblems(stored.problems)
    dispatch(gardenOpened(garden.id))
    toast.success(
      old
        ? `${garden.name} now is as in the file. Undo brings back what was here.`
        : `${garden.name} was imported.`,
    )
    void navigate('/')
  }

  return (
    <div className="mt-2">
      <div className="flex flex-wrap items-center gap-3">
        <button className="btn btn-sm" onClick={() => void save()}>
          Export this garden
        </button>
        <label className="btn btn-sm">
          Import a garden
          <input
            type="file"
            accept=".json,application/json"
            className="sr-only"
            onChange={(event) => void open(event)}
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
      {problems.length > 0 && (
        <div role="alert" className="mt-3 border-l-4 border-error pl-3">
          <p className="font-semibold">
            The file was not imported; nothing was changed.{' '}
            {problems.length === 1 ? firstProblem(problems) : ''}
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
      )}
    </div>
  )
}
