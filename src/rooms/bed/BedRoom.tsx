import { Link, useParams } from 'react-router'
import { dayNumber } from '../../core/foundations/day'
import { partAreaM2 } from '../../core/garden/area'
import type { Deed, Stand } from '../../core/garden/schema'
import { bedSpans } from '../../core/garden/timeline'
import { bareWindows } from '../../core/garden/windows'
import { groupsOf } from '../../core/plants/catalogue'
import { stageName } from '../../core/stand/stage'
import { area, grams, longDate, metres, percent, shortDate, type Units } from '../../parts/format'
import { leadGroup, standName, standState } from '../../parts/names'
import { Swatch } from '../../parts/Swatch'
import { useCommit, useGarden } from '../../state/garden'

/** One bed: what stands, stood and is planned in it, and the next step of each. */
export function BedRoom() {
  const { bedId } = useParams()
  const { data, expected, today, spec } = useGarden()
  const bed = data.beds.find((item) => item.id === bedId)
  if (!bed)
    return (
      <section className="py-4">
        <h1>No such bed</h1>
        <p className="mt-1">
          It is not in this garden.{' '}
          <Link className="link" to="/">
            Back to the loom
          </Link>
        </p>
      </section>
    )
  const { units } = data.garden
  const spans = bedSpans(data.stands, bed.id)
  const windows = bareWindows(bed, expected.stands, today, spec.startDay + spec.days - 7)
  return (
    <section className="max-w-4xl py-3">
      <h1>Bed {bed.label}</h1>
      <p className="mt-1">
        {metres(bed.lengthM, units)} × {metres(bed.widthM, units)},{' '}
        {area(partAreaM2(bed, { kind: 'whole' }), units)} to sow, {bed.kind}, {bed.soil}, {bed.fertility}{' '}
        fertility
        {bed.shade > 0 ? `, ${percent(bed.shade)} shade` : ''}
        {bed.fixtures.length > 0
          ? `; kept: ${bed.fixtures.map((fixture) => fixture.label).join(', ')}`
          : ''}.{' '}
        <Link className="link" to="/garden">
          Edit beds
        </Link>
      </p>
      {windows.map((window) => (
        <p key={window.freeFromDay} className="mt-2">
          Bare {longDate(window.freeFromDay)} to{' '}
          {window.nextStandId ? longDate(window.neededByDay) : 'open end'}:{' '}
          <Link className="link font-semibold" to={`/choose/${bed.id}?day=${window.freeFromDay}`}>
            Choose a cover
          </Link>
        </p>
      ))}
      <ol className="mt-4 divide-y divide-base-300 border-y border-base-300">
        {spans.map(({ stand }) => (
          <StandEntry key={stand.id} stand={stand} units={units} />
        ))}
      </ol>
      {spans.length === 0 && <p className="mt-4">Nothing has been recorded here yet.</p>}
    </section>
  )
}

function deedText<T extends { date: string }>(deed: Deed<T>, done: string, planned: string): string | null {
  if (deed.fact) {
    const late = deed.plan ? dayNumber(deed.fact.date) - dayNumber(deed.plan.date) : 0
    return `${done} ${longDate(dayNumber(deed.fact.date))}${late === 0 ? '' : `, ${Math.abs(late)} days ${late > 0 ? 'after' : 'before'} the plan`}`
  }
  return deed.plan ? `${planned} ${longDate(dayNumber(deed.plan.date))}` : null
}

function StandEntry({ stand, units }: { stand: Stand; units: Units }) {
  const { data } = useGarden()
  const commit = useCommit()
  const cover = stand.content.kind === 'cover'
  const checks = data.checks
    .filter((check) => check.standId === stand.id)
    .sort((a, b) => a.date.localeCompare(b.date))
  const weighed = stand.start.fact?.components.filter((part) => part.grams !== null) ?? []
  const endWord = stand.end.fact?.method ?? stand.end.plan?.method ?? ''
  const lines = [
    deedText(stand.start, cover ? 'sown' : 'planted', cover ? 'to be sown' : 'to be planted'),
    weighed.length > 0 ? weighed.map((part) => grams(part.grams ?? 0, units)).join(' + ') : null,
    deedText(
      stand.end,
      endWord === 'harvest' ? 'cleared' : `ended by ${endWord}`,
      endWord === 'harvest' ? 'to be cleared' : `end planned by ${endWord},`,
    ),
  ].filter(Boolean)
  const remove = () =>
    void commit(`Removed ${standName(stand).toLowerCase()}`, [
      { table: 'stands', remove: stand.id },
      ...checks.map((check) => ({ table: 'checks' as const, remove: check.id })),
    ])
  const clear = () =>
    void commit(`Cleared ${standName(stand).toLowerCase()}`, [
      {
        table: 'stands',
        put: {
          ...stand,
          end: {
            ...stand.end,
            fact: {
              date: stand.end.plan?.date ?? stand.start.fact?.date ?? '',
              method: 'harvest',
              passes: 1,
              note: '',
            },
          },
        },
      },
    ])
  return (
    <li className="flex flex-wrap items-start gap-x-4 gap-y-1 py-3">
      {stand.content.kind === 'cover' ? (
        <Swatch groups={groupsOf(stand.content.components)} />
      ) : (
        <span className="h-6 w-12 bg-base-300" aria-hidden="true" />
      )}
      <div className="min-w-64 flex-1">
        <h2>
          {standName(stand)} <span className="quiet font-sans text-sm font-normal">{standState(stand)}</span>
        </h2>
        <p>{lines.join('; ')}.</p>
        {checks.map((check) => (
          <p key={check.id} className="quiet text-sm">
            {shortDate(dayNumber(check.date))}:{' '}
            {[
              check.stageBbch === null ? null : stageName(check.stageBbch, leadGroup(stand)),
              check.cover === null ? null : `${percent(check.cover)} green`,
              check.note || null,
            ]
              .filter(Boolean)
              .join(', ')}
          </p>
        ))}
      </div>
      <div className="flex flex-wrap gap-1">
        {cover && (
          <>
            <Link className="btn btn-sm" to={`/sow/${stand.id}`}>
              Sow
            </Link>
            <Link className="btn btn-sm" to={`/watch/${stand.id}`}>
              Watch
            </Link>
            <Link className="btn btn-sm" to={`/end/${stand.id}`}>
              End
            </Link>
            <Link className="btn btn-sm" to={`/plant/${stand.id}`}>
              Plant
            </Link>
          </>
        )}
        {!cover && stand.start.fact && !stand.end.fact && stand.end.plan && (
          <button className="btn btn-sm" onClick={clear}>
            Cleared as planned
          </button>
        )}
        <button className="btn btn-ghost btn-sm" onClick={remove}>
          Remove
        </button>
      </div>
    </li>
  )
}
