import { useLiveQuery } from 'dexie-react-hooks'
import { useEffect, useMemo, useState } from 'react'
import { Link } from 'react-router'
import type { Bed } from '../../core/garden/schema'
import { database } from '../../data/database'
import { picturesOfBed } from '../../data/pictures'
import { Dialog } from '../../parts/Dialog'
import { longDate } from '../../text/format'
import { useGarden } from '../../state/garden'
import { useTold } from '../../state/useTold'
import { journalOf, searched, type Entry } from './journal'

/** Entries shown before older ones are asked for. */
const PAGE = 30

/** Everything that happened in the bed, the newest first, to search, with its pictures. */
export function Journal({ bed }: { bed: Bed }) {
  const { data } = useGarden()
  const told = useTold(bed)
  const pictures = useLiveQuery(() => picturesOfBed(database, bed.id), [bed.id], [])
  const [search, setSearch] = useState('')
  const [shown, setShown] = useState(PAGE)
  const entries = useMemo(
    () => journalOf(bed, data.stands, data.checks, pictures, told),
    [bed, data.stands, data.checks, pictures, told],
  )
  const found = searched(entries, search)
  if (entries.length === 0) return null
  return (
    <section aria-label="Journal" className="mt-6 max-w-4xl">
      <div className="flex flex-wrap items-center gap-3">
        <h2>Journal</h2>
        <input
          type="search"
          className="input input-sm w-56"
          placeholder="search"
          aria-label="Search the journal"
          value={search}
          onChange={(event) => {
            setSearch(event.target.value)
            setShown(PAGE)
          }}
        />
        <span role="status" className="quiet text-sm">
          {search.trim() === ''
            ? `${entries.length} ${entries.length === 1 ? 'entry' : 'entries'}`
            : `${found.length} of ${entries.length}`}
        </span>
      </div>
      <ol
        className="mt-2 divide-y divide-base-300 border-y border-base-300"
        data-testid="journal"
        data-help="journal"
      >
        {found.slice(0, shown).map((entry) => (
          <Row key={entry.id} entry={entry} />
        ))}
      </ol>
      {found.length > shown && (
        <button className="btn btn-sm mt-2" onClick={() => setShown(shown + PAGE)}>
          {found.length - shown} older
        </button>
      )}
    </section>
  )
}

function Row({ entry }: { entry: Entry }) {
  return (
    <li className="grid grid-cols-1 gap-x-4 py-2 sm:grid-cols-[8rem_1fr]">
      <span className="quiet whitespace-nowrap">{longDate(entry.day)}</span>
      <div>
        <p>
          {entry.to ? (
            <Link className="link link-hover font-semibold" to={entry.to}>
              {entry.what}
            </Link>
          ) : (
            <strong>{entry.what}</strong>
          )}
          {entry.words ? `. ${entry.words}` : ''}
        </p>
        {entry.pictureIds.length > 0 && (
          <ul className="mt-1 flex flex-wrap gap-2">
            {entry.pictureIds.map((id) => (
              <li key={id}>
                <Kept id={id} alt={`${entry.what}, ${longDate(entry.day)}`} />
              </li>
            ))}
          </ul>
        )}
      </div>
    </li>
  )
}

/** An address for bytes, taken back when they change or the picture leaves the screen. */
function useAddress(bytes: Uint8Array<ArrayBuffer> | undefined): string | null {
  const url = useMemo(
    () => (bytes ? URL.createObjectURL(new Blob([bytes], { type: 'image/jpeg' })) : null),
    [bytes],
  )
  useEffect(() => () => void (url && URL.revokeObjectURL(url)), [url])
  return url
}

/** A kept picture, small; opens large. */
function Kept({ id, alt }: { id: string; alt: string }) {
  const bytes = useLiveQuery(() => database.pictureBytes.get(id), [id])
  const small = useAddress(bytes?.small)
  const [open, setOpen] = useState(false)
  if (!small) return <span className="quiet text-sm">picture not on this device</span>
  return (
    <>
      <button type="button" onClick={() => setOpen(true)} aria-label={`Open the picture: ${alt}`}>
        <img src={small} alt="" className="h-20 border border-base-300" />
      </button>
      {open && (
        <Dialog title={alt} open onClose={() => setOpen(false)}>
          <Large bytes={bytes?.full} alt={alt} />
        </Dialog>
      )}
    </>
  )
}

function Large({ bytes, alt }: { bytes: Uint8Array<ArrayBuffer> | undefined; alt: string }) {
  const url = useAddress(bytes)
  return url ? <img src={url} alt={alt} className="max-h-[75vh] max-w-full" /> : null
}
