import { useState, type ChangeEvent, type ReactNode } from 'react'
import { useNavigate } from 'react-router'
import { firstProblem, type Problem } from '../../core/foundations/outcome'
import { importGarden, type Imported, type Way } from '../../data/importGarden'
import { besidePage } from '../../data/beside/besidePage'
import { database } from '../../data/database'
import { takeBack } from '../../state/garden'
import { notice } from '../../state/notices'
import { gardenOpened } from '../../state/session'
import { useAppDispatch, useAppSelector } from '../../state/store'
import { ImportPreview } from './ImportPreview'
import type { PickedFile } from '../../data/readPicked'

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

/** Taking in a garden from a file: what picks it, and what is shown of it until it is taken or left. */
export function useGardenImport(): {
  open: (file: File) => Promise<void>
  button: ReactNode
  shown: ReactNode
} {
  const dispatch = useAppDispatch()
  const navigate = useNavigate()
  const before = useAppSelector((state) => state.session.gardenId)
  const [problems, setProblems] = useState<Problem[]>([])
  const [picked, setPicked] = useState<PickedFile | null>(null)

  async function open(file: File) {
    const read = await besidePage((work) => work.readPicked(file))
    setProblems(read.ok ? [] : read.problems)
    setPicked(read.ok ? read.value : null)
  }

  function pick(event: ChangeEvent<HTMLInputElement>) {
    const file = event.target.files?.[0]
    event.target.value = ''
    if (file) void open(file)
  }

  async function take({ file, pictures }: PickedFile, way: Way) {
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
                  if (done && way === 'new' && before) dispatch(gardenOpened(before))
                }),
            },
          },
    )
    void navigate(conflicts.length === 0 ? '/' : '/garden')
  }

  const button = (
    <label className="btn btn-sm">
      Import a garden
      <input
        type="file"
        accept=".json,.zip,application/json,application/zip"
        className="sr-only"
        onChange={pick}
      />
    </label>
  )
  const shown = (
    <>
      {problems.length > 0 && <Refused problems={problems} />}
      {picked && (
        <ImportPreview
          picked={picked}
          onImport={(way) => take(picked, way)}
          onCancel={() => setPicked(null)}
        />
      )}
    </>
  )
  return { open, button, shown }
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
