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
  ['?', 'this list'],
] as const

export function Shortcuts({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog open={open} onClose={onClose} title="Keyboard">
      <dl className="mt-3 grid grid-cols-[auto_1fr] gap-x-5 gap-y-2">
        {KEYS.map(([key, what]) => (
          <div key={key} className="contents">
            <dt className="font-semibold whitespace-nowrap">{key}</dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
    </Dialog>
  )
}
