import { useState } from 'react'
import { Link } from 'react-router'
import { groupsOf } from '../../core/plants/catalogue'
import type { Bed, Stand } from '../../core/garden/schema'
import { Swatch } from '../../parts/Swatch'
import { useGarden } from '../../state/garden'
import { area, longDate, metres } from '../../text/format'
import { standWithPlace } from '../../text/bed'
import { standName } from '../../text/names'
import { areaOf, useBeds, type BedLine, type Order } from './useBeds'

const COLUMNS: readonly (readonly [Order | null, string])[] = [
  ['bed', 'Bed'],
  ['now', 'Stands there now'],
  ['next', 'Next'],
  ['size', 'Size'],
]

/** All beds, in walking order, by name or by what comes first: the way to each bed’s own page. */
export function BedsRoom() {
  const { data } = useGarden()
  const [order, setOrder] = useState<Order>('walk')
  const lines = useBeds(order)
  const sections = new Map(data.garden.sections.map(({ id, name }) => [id, name]))
  return (
    <section className="mx-auto max-w-4xl py-3">
      <div className="flex flex-wrap items-baseline gap-x-6">
        <h1>Beds</h1>
        <Link className="link py-2" to="/choose">
          Bare ground ahead
        </Link>
        {order !== 'walk' && (
          <button className="link py-2" onClick={() => setOrder('walk')}>
            In walking order
          </button>
        )}
      </div>
      <table className="mt-2 w-full border-t border-base-300" data-testid="beds">
        <thead className="sr-only sm:not-sr-only">
          <tr className="text-left text-sm">
            {COLUMNS.map(([key, name]) => (
              <th
                key={name}
                className="py-1.5 pr-4"
                aria-sort={key && order === key ? 'ascending' : undefined}
              >
                {key ? (
                  <button className="underline-offset-2 hover:underline" onClick={() => setOrder(key)}>
                    {name}
                    {order === key ? ' ↓' : ''}
                  </button>
                ) : (
                  name
                )}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="divide-y divide-base-300 border-y border-base-300">
          {lines.map((line) => (
            <BedRow key={line.bed.id} line={line} section={sections.get(line.bed.sectionId) ?? ''} />
          ))}
        </tbody>
        {lines.length > 1 && <Totals lines={lines} />}
      </table>
      {lines.length === 0 && (
        <p className="mt-3">
          No beds yet.{' '}
          <Link className="link" to="/garden">
            Add some in Garden
          </Link>
        </p>
      )}
    </section>
  )
}

/** How many beds are bare, covered and cropped, and all their ground. */
function Totals({ lines }: { lines: readonly BedLine[] }) {
  const { data } = useGarden()
  const covered = lines.filter(({ now }) => now.some(({ content }) => content.kind === 'cover')).length
  const bare = lines.filter(({ now }) => now.length === 0).length
  const ahead = lines.filter(({ next }) => next !== null).length
  return (
    <tfoot>
      <tr
        className="grid grid-cols-[4.5rem_1fr] gap-x-3 py-1 font-semibold sm:table-row"
        data-testid="beds-total"
      >
        <th scope="row" className="py-1.5 pr-4 text-left">
          {lines.length} beds
        </th>
        <td className="py-1.5 pr-4">
          {covered} under cover, {lines.length - covered - bare} cropped, {bare} bare
        </td>
        <td className="hidden py-1.5 pr-4 sm:table-cell">{ahead} with something planned</td>
        <td className="hidden py-1.5 whitespace-nowrap sm:table-cell">
          {area(
            lines.reduce((sum, line) => sum + areaOf(line), 0),
            data.garden.units,
          )}{' '}
          to grow on
        </td>
      </tr>
    </tfoot>
  )
}

function BedRow({ line: { bed, now, next, nextDay }, section }: { line: BedLine; section: string }) {
  const { data } = useGarden()
  const { units } = data.garden
  return (
    <tr className="grid grid-cols-[4.5rem_1fr] gap-x-3 py-1 align-top sm:table-row">
      <th scope="row" className="row-span-2 py-1.5 pr-4 text-left font-normal sm:w-40">
        <Link className="link inline-flex min-h-11 flex-col justify-center sm:min-h-0" to={`/bed/${bed.id}`}>
          <strong className="font-display text-lg leading-tight">{bed.label}</strong>
        </Link>
        <span className="quiet block text-sm">{section}</span>
      </th>
      <td className="py-1.5 pr-4">
        {now.length === 0 ? (
          <span className="quiet">bare</span>
        ) : (
          now.map((stand) => <Stands key={stand.id} stand={stand} bed={bed} />)
        )}
      </td>
      <td className="pb-1.5 sm:py-1.5 sm:pr-4">
        {next && nextDay !== null ? (
          <>
            {standName(next)} <span className="quiet whitespace-nowrap">{longDate(nextDay)}</span>
          </>
        ) : (
          <span className="quiet hidden sm:inline">nothing planned</span>
        )}
      </td>
      <td className="quiet hidden py-1.5 whitespace-nowrap sm:table-cell">
        {metres(bed.lengthM, units)} × {metres(bed.widthM, units)}
      </td>
    </tr>
  )
}

function Stands({ stand, bed }: { stand: Stand; bed: Bed }) {
  const { units } = useGarden().data.garden
  return (
    <span className="flex items-center gap-2">
      {stand.content.kind === 'cover' && <Swatch groups={groupsOf(stand.content.components)} size={1} />}
      {standWithPlace(stand, units, bed)}
    </span>
  )
}
