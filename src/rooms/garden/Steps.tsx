import { useLiveQuery } from 'dexie-react-hooks'
import { useState } from 'react'
import { database, type UndoEntry } from '../../data/database'
import { takeBack, useGarden } from '../../state/garden'
import { momentText } from '../../text/format'

/** Steps listed at most. */
const LISTED = 100

/** The last steps of a garden, newest first, each with a way to take it back alone. */
export function Steps() {
  const [open, setOpen] = useState(false)
  return (
    <details className="mt-3" open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="cursor-pointer">What was done last</summary>
      {open && <List />}
    </details>
  )
}

function List() {
  const { data } = useGarden()
  const steps = useLiveQuery(async () => {
    const all = await database.undo.where('gardenId').equals(data.garden.id).sortBy('id')
    return all.reverse().slice(0, LISTED)
  }, [data.garden.id])
  if (!steps) return null
  if (steps.length === 0) return <p className="quiet mt-1">Nothing yet.</p>
  return (
    <ol className="mt-1 max-w-3xl divide-y divide-base-300" aria-label="Steps">
      {steps.map((step) => (
        <Step key={step.id} step={step} />
      ))}
    </ol>
  )
}

function Step({ step: { id, label, at, undone, by } }: { step: UndoEntry }) {
  const [busy, setBusy] = useState(false)
  return (
    <li className="flex flex-wrap items-baseline gap-x-3 py-1">
      <span className={`min-w-60 flex-1 ${undone ? 'quiet line-through' : ''}`}>{label}</span>
      <time className="quiet text-sm" dateTime={new Date(at).toISOString()}>
        {by === 'file' ? 'from a file' : 'here'}, {momentText(at)}
      </time>
      {undone ? (
        <span className="quiet w-24 text-sm">taken back</span>
      ) : (
        <button
          className="btn btn-xs w-24"
          disabled={busy}
          aria-label={`Take back: ${label}`}
          onClick={() => {
            setBusy(true)
            void takeBack(id).finally(() => setBusy(false))
          }}
        >
          Take back
        </button>
      )}
    </li>
  )
}
