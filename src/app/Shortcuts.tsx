import { Link } from 'react-router'
import { Dialog } from '../parts/Dialog'

const KEYS = [
  ['← →', 'previous or next bed on the loom'],
  ['↑ ↓', 'a week earlier or later'],
  ['Page Up / Page Down', 'four weeks earlier or later'],
  ['Home', 'to today'],
  ['Enter', 'open what is there: a gap opens Choose, a stand opens its bed'],
  ['A', 'add a crop in the bed and week picked'],
  ['Space', 'on a crop’s name: pick it up, move it with the arrows, Space again to put it down'],
  ['/ or Ctrl + K', 'look for a bed, a cover or what to do'],
  ['Ctrl + Z', 'undo; with Shift, redo'],
  ['?', 'what the thing under the pointer is, and this list'],
] as const

/** What the thing under the pointer is, and the keys. */
export function Shortcuts({
  open,
  thing,
  onClose,
}: {
  open: boolean
  thing: string | null
  onClose: () => void
}) {
  return (
    <Dialog open={open} onClose={onClose} title={thing ? 'What this is' : 'Keyboard'}>
      {thing && (
        <p className="mt-2 text-lg" data-testid="thing">
          {thing}
        </p>
      )}
      {thing && <h3 className="mt-4">Keyboard</h3>}
      <dl className="mt-3 grid grid-cols-[auto_1fr] gap-x-5 gap-y-2">
        {KEYS.map(([key, what]) => (
          <div key={key} className="contents">
            <dt className="font-semibold whitespace-nowrap">{key}</dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-4">
        <Link className="link" to="/start-page" onClick={onClose}>
          How to begin, on one page to print
        </Link>
      </p>
    </Dialog>
  )
}
