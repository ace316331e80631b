import { useLiveQuery } from 'dexie-react-hooks'
import { Link } from 'react-router'
import { database } from '../data/database'
import { single } from '../parts/once'
import { useUndo } from '../state/garden'
import { gardenOpened } from '../state/session'
import { useAppDispatch, useAppSelector } from '../state/store'

/** Where no garden is open: the gardens of this browser, what was undone and can be brought back, and a first one. */
export function NoGarden() {
  const gardenId = useAppSelector((state) => state.session.gardenId) ?? ''
  const dispatch = useAppDispatch()
  const undo = useUndo()
  const gardens = useLiveQuery(() => database.gardens.toArray(), [], [])
  const undone = useLiveQuery(
    async () =>
      (await database.undo.where('gardenId').equals(gardenId).sortBy('id')).find((step) => step.undone === 1),
    [gardenId],
  )
  return (
    <main className="mx-auto max-w-xl p-8">
      <h1>No garden is open</h1>
      {undone && (
        <p className="mt-3">
          <button className="btn" onClick={single(() => undo('redo'))}>
            Do it again: {undone.label}
          </button>
        </p>
      )}
      {gardens.length > 0 && (
        <ul className="mt-4 flex flex-wrap gap-2" aria-label="Gardens in this browser">
          {gardens.map((garden) => (
            <li key={garden.id}>
              <button className="btn" onClick={() => dispatch(gardenOpened(garden.id))}>
                Open {garden.name}
              </button>
            </li>
          ))}
        </ul>
      )}
      <div className="mt-4 flex flex-wrap gap-3">
        <Link className="btn btn-primary" to="/start">
          Start or import your own
        </Link>
        <Link className="btn" to="/demo/marlpit-lane">
          Open the demo garden
        </Link>
      </div>
    </main>
  )
}
