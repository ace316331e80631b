import { Link, useParams, useSearchParams } from 'react-router'
import { bareWindows } from '../../core/garden/windows'
import { longDate, shortDate } from '../../parts/format'
import { useGarden } from '../../state/garden'
import { ChooseBed } from './ChooseBed'

export function ChooseRoom() {
  const { bedId } = useParams()
  const [search] = useSearchParams()
  const { data, today } = useGarden()
  const bed = data.beds.find((item) => item.id === bedId)
  const day = Number(search.get('day') ?? today)
  if (bed) return <ChooseBed key={`${bed.id} ${day}`} bed={bed} day={Number.isFinite(day) ? day : today} />
  return <Windows unknown={bedId !== undefined} />
}

/** Shortest window listed, days. */
const LISTED_DAYS = 21

function Windows({ unknown }: { unknown: boolean }) {
  const { expected: data, today, spec } = useGarden()
  const horizon = spec.startDay + spec.days - 7
  const windows = data.beds
    .flatMap((bed) => bareWindows(bed, data.stands, today, horizon).map((window) => ({ bed, window })))
    .filter(({ window }) => window.neededByDay - window.freeFromDay >= LISTED_DAYS)
    .sort((a, b) => a.window.freeFromDay - b.window.freeFromDay)
  return (
    <section className="max-w-3xl py-4">
      <h1>Choose</h1>
      <p className="mt-1">
        {unknown
          ? 'This bed is not in the garden. These are the bare windows ahead.'
          : 'Bare windows ahead. Pick one to see which cover fits it.'}
      </p>
      <ul className="mt-4 divide-y divide-base-300 border-y border-base-300">
        {windows.map(({ bed, window }) => (
          <li key={`${bed.id} ${window.freeFromDay}`}>
            <Link
              className="flex gap-4 px-1 py-2.5 hover:bg-base-200"
              to={`/choose/${bed.id}?day=${window.freeFromDay}`}
            >
              <strong className="w-12 font-display">{bed.label}</strong>
              <span>
                {window.freeFromDay <= today ? 'now' : longDate(window.freeFromDay)} to{' '}
                {window.nextStandId ? longDate(window.neededByDay) : 'open end'}
              </span>
              <span className="quiet ml-auto">
                {Math.round((window.neededByDay - window.freeFromDay) / 7)} weeks bare
                {window.nextStandId ? `, needed ${shortDate(window.neededByDay)}` : ''}
              </span>
            </Link>
          </li>
        ))}
      </ul>
      {windows.length === 0 && (
        <p className="mt-4">No bed is bare for three weeks or more. Nothing to fill.</p>
      )}
    </section>
  )
}
