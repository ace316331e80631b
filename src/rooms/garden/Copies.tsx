import { useLiveQuery } from 'dexie-react-hooks'
import { database, type CopyRow } from '../../data/database'
import { fileNameOf } from '../../state/exporting'
import { download } from '../../state/download'
import { momentText } from '../../text/format'

/** Copies of gardens whose place a file took, for the days they are kept. */
export function Copies({ onOpen }: { onOpen: (file: File) => void }) {
  const copies = useLiveQuery(() => database.copies.orderBy('id').reverse().toArray(), [], [])
  if (copies.length === 0) return null
  const fileName = ({ name }: CopyRow) => `${fileNameOf(name)}-before.kilim.json`
  return (
    <ul className="mt-3 grid gap-1" aria-label="Copies kept">
      {copies.map((copy) => (
        <li key={copy.id} className="flex flex-wrap items-baseline gap-x-3">
          <span>
            {copy.name} as it was before {momentText(copy.at)}, kept for 30 days
          </span>
          <button
            className="btn btn-sm"
            onClick={() => onOpen(new File([copy.text], fileName(copy), { type: 'application/json' }))}
          >
            Import it again
          </button>
          <button
            className="btn btn-ghost btn-sm"
            onClick={() => download(fileName(copy), 'application/json', copy.text)}
          >
            Save as a file
          </button>
        </li>
      ))}
    </ul>
  )
}
