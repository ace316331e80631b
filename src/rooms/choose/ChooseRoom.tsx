import { Link, useParams, useSearchParams } from 'react-router'
import { lightWindows } from '../../core/choosing/lightWindows'
import { bareLedger } from '../../core/garden/ledger'
import { betweenText, longDate } from '../../text/format'
import { standWithPlace } from '../../text/bed'
import { Scroll } from '../../parts/Scroll'
import { useGarden } from '../../state/garden'
import { ChooseBed } from './ChooseBed'

export function ChooseRoom() {
  const { bedId } = useParams()
  const [search] = useSearchParams()
  const { data, today } = useGarden()
  const bed = data.beds.find((item) => item.id === bedId)
  const day = Number(search.get('day') ?? today)
  const under = search.get('under')
  if (bed)
    return (
      <ChooseBed
        key={`${bed.id} ${day} ${under}`}
        bed={bed}
        day={Number.isFinite(day) ? day : today}
        underId={under}
      />
    )
  return <Windows unknown={bedId !== undefined} />
}

/** Shortest window listed, days. */
const LISTED_DAYS = 21
/** Weeks back and ahead that the ledger counts. */
const YEAR_WEEKS = 52

function Windows({ unknown }: { unknown: boolean }) {
  const { expected: data, today, spec } = useGarden()
  const horizon = Math.min(spec.startDay + spec.days - 7, today + YEAR_WEEKS * 7)
  const ledger = bareLedger(data, today - YEAR_WEEKS * 7, today, horizon)
  const windows = ledger
    .flatMap(({ bed, windows: own }) => own.map((window) => ({ bed, window })))
    .filter(({ window }) => window.neededByDay - Math.max(today, window.freeFromDay) >= LISTED_DAYS)
    .sort((a, b) => a.window.freeFromDay - b.window.freeFromDay)
  const light = data.beds
    .flatMap((bed) =>
      lightWindows(bed, data.stands, today, horizon, data.garden.rules).map((window) => ({ bed, window })),
    )
    .sort((a, b) => a.window.sowFromDay - b.window.sowFromDay)
  const recovered = light.reduce((sum, { window }) => sum + window.recoveredWeeks, 0)
  return (
    <section className="py-4">
      <h1>Choose</h1>
      <p className="mt-1">
        {unknown ? 'This bed is not in the garden. ' : ''}Pick ground that will be bare, or a crop or cover to
        sow under, to see what fits it.
      </p>
      <div className="mt-4 grid grid-cols-1 gap-x-10 gap-y-6 lg:grid-cols-2">
        <section aria-label="Bare ground">
          <h2>Bare ground ahead</h2>
          <ul className="mt-2 divide-y divide-base-300 border-y border-base-300">
            {windows.map(({ bed, window }) => (
              <li key={`${bed.id} ${window.freeFromDay}`}>
                <Link
                  className="flex gap-4 px-1 py-2 hover:bg-base-200"
                  to={`/choose/${bed.id}?day=${Math.max(window.freeFromDay, today)}`}
                >
                  <strong className="w-12 font-display">{bed.label}</strong>
                  <span>
                    {window.freeFromDay <= today ? 'now' : longDate(window.freeFromDay)} to{' '}
                    {window.nextStandId ? longDate(window.neededByDay) : 'open end'}
                  </span>
                  <span className="quiet ml-auto">
                    {Math.round((window.neededByDay - Math.max(today, window.freeFromDay)) / 7)} weeks bare
                  </span>
                </Link>
              </li>
            ))}
          </ul>
          {windows.length === 0 && <p className="mt-2">No bed is bare for three weeks or more.</p>}
        </section>
        <section aria-label="Under what stands">
          <h2>Under what stands</h2>
          {light.length > 0 && <p>{recovered} bare weeks could be recovered.</p>}
          <ul className="mt-2 divide-y divide-base-300 border-y border-base-300" data-testid="light-windows">
            {light.map(({ bed, window }) => (
              <li key={window.above.id}>
                <Link
                  className="flex flex-wrap gap-x-4 px-1 py-2 hover:bg-base-200"
                  to={`/choose/${bed.id}?day=${window.sowFromDay}&under=${window.above.id}`}
                >
                  <strong className="w-12 font-display">{bed.label}</strong>
                  <span>
                    under {standWithPlace(window.above, data.garden.units, bed).toLowerCase()}{' '}
                    {betweenText(window.sowFromDay, window.sowUntilDay)}
                  </span>
                  <span className="quiet ml-auto">{window.recoveredWeeks} weeks recovered</span>
                </Link>
              </li>
            ))}
          </ul>
          {light.length === 0 && (
            <p className="mt-2">Nothing stands before bare weeks that could be sown under.</p>
          )}
        </section>
        <section aria-label="Ledger of bare weeks" className="lg:col-span-2">
          <h2>Bare weeks</h2>
          <Scroll label="Bare weeks by bed">
            <table className="table table-sm mt-2 w-auto" data-testid="bare-weeks">
              <thead>
                <tr>
                  <th>Bed</th>
                  <th className="text-right">Last 52 weeks</th>
                  <th className="text-right">Ahead as planned</th>
                  <th className="text-right">Weeks you can fill</th>
                  <th>
                    <span className="sr-only">Fill</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                {ledger.map(({ bed, past, ahead, fillable, windows: own }) => {
                  const first = own.find(
                    (window) => window.neededByDay - Math.max(today, window.freeFromDay) >= LISTED_DAYS,
                  )
                  return (
                    <tr key={bed.id}>
                      <td className="font-semibold">{bed.label}</td>
                      <td className="text-right">{Math.round(past)}</td>
                      <td className="text-right">{Math.round(ahead)}</td>
                      <td className="text-right">{Math.round(fillable)}</td>
                      <td>
                        {first && (
                          <Link
                            className="link"
                            to={`/choose/${bed.id}?day=${Math.max(first.freeFromDay, today)}`}
                            aria-label={`Fill the first bare weeks of ${bed.label}`}
                          >
                            Fill this
                          </Link>
                        )}
                      </td>
                    </tr>
                  )
                })}
                <tr className="font-semibold">
                  <td>Garden</td>
                  {(['past', 'ahead', 'fillable'] as const).map((which) => (
                    <td key={which} className="text-right">
                      {Math.round(ledger.reduce((sum, row) => sum + row[which], 0))}
                    </td>
                  ))}
                  <td />
                </tr>
              </tbody>
            </table>
          </Scroll>
        </section>
      </div>
    </section>
  )
}
