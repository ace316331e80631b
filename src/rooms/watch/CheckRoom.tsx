import { useState } from 'react'
import { Link, useParams } from 'react-router'
import type { Stand } from '../../core/garden/schema'
import { standName, standState } from '../../text/names'
import { useGarden } from '../../state/garden'
import { useStand } from '../../state/useStand'
import { QuickCheck } from './QuickCheck'
import { placeText } from '../../text/bed'

/** Covers that grow, in walking order of their beds. */
function useGrowing(): { stand: Stand; label: string }[] {
  const { data } = useGarden()
  return data.beds.flatMap((bed) =>
    data.stands
      .filter(
        (stand) =>
          stand.bedId === bed.id && stand.content.kind === 'cover' && standState(stand) === 'growing',
      )
      .map((stand) => ({ stand, label: placeText(bed, stand.segment, data.garden.units) })),
  )
}

/** The check for the walk through the garden: a bed by its label, then only what matters now. */
export function CheckRoom() {
  const { standId } = useParams()
  const view = useStand(standId)
  const growing = useGrowing()
  const [typed, setTyped] = useState('')
  if (view && growing.some(({ stand }) => stand.id === view.stand.id)) {
    const place = growing.findIndex(({ stand }) => stand.id === view.stand.id)
    const next = growing[(place + 1) % growing.length]
    return (
      <QuickCheck
        key={view.stand.id}
        view={view}
        next={next && next.stand.id !== view.stand.id ? next : null}
      />
    )
  }
  const wanted = typed.trim().toLowerCase()
  const shown = growing.filter(({ label }) => label.toLowerCase().startsWith(wanted))
  return (
    <section className="mx-auto max-w-md py-3">
      <h1>Check which bed?</h1>
      <input
        className="input mt-2 h-12 w-full text-lg"
        placeholder="its label"
        aria-label="Bed label"
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
      />
      {growing.length === 0 && <p className="mt-3">No cover is growing. Record a sowing first.</p>}
      {growing.length > 0 && shown.length === 0 && <p className="mt-3">No growing cover in “{typed}”.</p>}
      <ul className="mt-3 grid grid-cols-2 gap-2">
        {shown.map(({ stand, label }) => (
          <li key={stand.id}>
            <Link
              to={`/check/${stand.id}`}
              className="flex min-h-16 flex-col justify-center border border-base-content/60 px-3 py-2 hover:bg-base-200"
            >
              <strong className="font-display text-xl">{label}</strong>
              <span className="text-sm leading-tight">{standName(stand)}</span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  )
}
