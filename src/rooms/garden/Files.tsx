import { useLiveQuery } from 'dexie-react-hooks'
import { useState, type ChangeEvent } from 'react'
import { useNavigate } from 'react-router'
import { notice } from '../../state/notices'
import { firstProblem, type Problem } from '../../core/foundations/outcome'
import { database } from '../../data/database'
import { isArchive, readArchive, writeArchive } from '../../data/gardenArchive'
import { readGardenFile, writeGardenFile } from '../../data/gardenFile'
import { loadKept } from '../../data/gardens'
import { importGarden, type Imported } from '../../data/importGarden'
import { takeBack, useGarden } from '../../state/garden'
import { gardenOpened } from '../../state/session'
import { useAppDispatch } from '../../state/store'
import { download } from '../../parts/download'
import { TickField } from '../../parts/SelectField'

/** Largest file read, bytes. */
const LARGEST_FILE = 900_000_000
/** Problems listed of a refused file. */
const LISTED = 8

/** A file's bytes; null where the browser cannot read them. */
const bytesOf = (file: File): Promise<Uint8Array | null> =>
  file.arrayBuffer().then(
    (buffer) => new Uint8Array(buffer),
    () => null,
  )

/** What an import did, in words. */
function importWords(name: string, { step, replaced, renamed }: Imported): string {
  if (step === null) return `${name} is here already, just as in the file.`
  return [
    replaced ? `${name} now is as in the file.` : `${name} was imported beside your other gardens.`,
    renamed ? 'Its records had the ids of another garden’s and were given new ones.' : '',
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
  const gardens = useLiveQuery(() => database.gardens.toArray(), [], [])

  const [withPictures, setWithPictures] = useState(false)

  async function save() {
    const kept = await loadKept(database, data.garden.id)
    const text = writeGardenFile({ ...data, ...kept }, new Date().toISOString())
    const name = data.garden.name.toLowerCase().replace(/[^a-z0-9]+/g, '-') || 'garden'
    if (!withPictures) return download(`${name}.kilim.json`, 'application/json', text)
    const bytes = await database.pictureBytes.bulkGet(kept.pictures.map((picture) => picture.id))
    const archive = await writeArchive(
      text,
      bytes.filter((found) => found !== undefined),
    )
    download(`${name}.kilim.zip`, 'application/zip', new Uint8Array(archive))
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
    const bytes = await bytesOf(file)
    if (!bytes)
      return setProblems([
        {
          path: '',
          code: 'unreadable',
          message: `${file.name} could not be read. If it lies on a stick or in a cloud folder, copy it to this machine first.`,
        },
      ])
    const archive = isArchive(bytes)
      ? await readArchive(bytes)
      : { ok: true as const, value: { text: new TextDecoder().decode(bytes), pictures: null } }
    if (!archive.ok) return setProblems(archive.problems)
    const read = readGardenFile(archive.value.text)
    if (!read.ok) return setProblems(read.problems)
    setProblems([])
    const before = data.garden.id
    const stored = await importGarden(database, read.value, archive.value.pictures)
    if (!stored.ok) return setProblems(stored.problems)
    dispatch(gardenOpened(stored.value.gardenId))
    const { step } = stored.value
    notice.success(
      importWords(read.value.garden.name, stored.value),
      step === null
        ? {}
        : {
            action: {
              label: 'Undo',
              onClick: () =>
                void takeBack(step).then((done) => {
                  if (done && !stored.value.replaced) dispatch(gardenOpened(before))
                }),
            },
          },
    )
    void navigate('/')
  }

  return (
    <div className="mt-2">
      <div className="flex flex-wrap items-center gap-3">
        <button
          className="btn btn-sm"
          onClick={() =>
            void save().catch((error: unknown) =>
              notice.error(
                `The garden could not be exported (${error instanceof Error ? error.message : 'unknown reason'}). Reload and try again.`,
              ),
            )
          }
        >
          Export this garden
        </button>
        <TickField label="with its pictures" checked={withPictures} onChange={setWithPictures} />
        <label className="btn btn-sm">
          Import a garden
          <input
            type="file"
            accept=".json,.zip,application/json,application/zip"
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
