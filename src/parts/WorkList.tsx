import { Link } from 'react-router'
import type { Stand } from '../core/garden/schema'
import { groupsOf } from '../core/plants/catalogue'
import { useGarden } from '../state/garden'
import { placeText } from '../text/bed'
import { standName } from '../text/names'
import { Swatch } from './Swatch'

export type WorkItem = { stand: Stand; note: string; to: string; day: number }

/** Stands waiting for one kind of work, soonest first; says what to do when there are none. */
export function WorkList({
  title,
  intro,
  items,
  empty,
}: {
  title: string
  intro: string
  items: WorkItem[]
  empty: string
}) {
  const { data } = useGarden()
  const beds = new Map(data.beds.map((bed) => [bed.id, bed]))
  const sorted = [...items].sort((a, b) => a.day - b.day)
  return (
    <section className="max-w-3xl py-4">
      <h1>{title}</h1>
      <p className="mt-1">{intro}</p>
      {sorted.length === 0 ? (
        <p className="mt-4">
          {empty}{' '}
          <Link className="link" to="/">
            Go to the loom
          </Link>
        </p>
      ) : (
        <ul className="mt-4 divide-y divide-base-300 border-y border-base-300">
          {sorted.map(({ stand, note, to }) => (
            <li key={stand.id}>
              <Link to={to} className="flex items-center gap-4 px-1 py-2.5 hover:bg-base-200">
                <strong className="min-w-12 font-display">
                  {placeText(beds.get(stand.bedId)!, stand.segment, data.garden.units)}
                </strong>
                {stand.content.kind === 'cover' ? (
                  <Swatch groups={groupsOf(stand.content.components)} size={1.6} />
                ) : (
                  <span className="w-10" />
                )}
                <span className="font-semibold">{standName(stand)}</span>
                <span className="quiet ml-auto text-right">{note}</span>
              </Link>
            </li>
          ))}
        </ul>
      )}
    </section>
  )
}
