import type { Quantiles } from '../../core/foundations/statistics'
import type { FrostDate, WeatherSummary } from '../../core/site/weatherSummary'
import { dateRangeText, monthName, percent, temperature, type Units } from '../../text/format'

const YEAR_DAYS = 365
/** Width and height of a limit’s band, px. */
const WIDTH = 560
const BAND = 14

/** From this chance on a frost comes in as good as every year. */
const YEARLY = 0.95

/** When the last or first such night is, and in how many years where not in all. */
const dateText = (which: 'last' | 'first', { date, chance }: FrostDate) =>
  date
    ? `${which} ${dateRangeText(date)}${chance < YEARLY ? `, in ${percent(chance)} of years` : ''}`
    : `no such night in ${percent(1 - chance)} of years`

/** The year from midwinter to midwinter with its season free of frost, for three limits: firm in 9 of 10 years, frayed between. */
export function FrostYear({ summary, units }: { summary: WeatherSummary; units: Units }) {
  const { lastFrosts, firstFrosts } = summary
  const last = lastFrosts[0].date?.p50
  const first = firstFrosts[0].date?.p50
  const middle = last && first ? (last + first) / 2 : (summary.days[0]?.day ?? 0)
  const startDay = Math.round(middle - YEAR_DAYS / 2)
  const xOf = (day: number) => Math.min(WIDTH, Math.max(0, ((day - startDay) / YEAR_DAYS) * WIDTH))
  return (
    <div data-testid="frosts" data-help="frosts" className="max-w-xl">
      <div className="quiet flex text-sm" aria-hidden="true">
        {Array.from({ length: 12 }, (_, month) => (
          <span key={month} className="grow basis-0 truncate">
            {monthName(startDay + 10 + Math.round((month * YEAR_DAYS) / 12))}
          </span>
        ))}
      </div>
      <dl>
        {lastFrosts.map((lastFrost, i) => (
          <div key={lastFrost.limitC} className="mt-1">
            <svg viewBox={`0 0 ${WIDTH} ${BAND}`} className="block w-full" aria-hidden="true">
              <rect width={WIDTH} height={BAND} fill="var(--color-base-300)" />
              <Free last={lastFrost.date} first={firstFrosts[i].date} xOf={xOf} />
            </svg>
            <dt className="sr-only">Nights at or below {temperature(lastFrost.limitC, units)}</dt>
            <dd className="flex flex-wrap justify-between gap-x-4">
              <span>{dateText('last', lastFrost)}</span>
              <strong aria-hidden="true">{temperature(lastFrost.limitC, units)}</strong>
              <span>{dateText('first', firstFrosts[i])}</span>
            </dd>
          </div>
        ))}
      </dl>
    </div>
  )
}

/** The season between the last and the first frost; up to either end of the year where there is none. */
function Free({
  last,
  first,
  xOf,
}: {
  last: Quantiles | null
  first: Quantiles | null
  xOf: (day: number) => number
}) {
  const [from, sureFrom] = last ? [xOf(last.p10), xOf(last.p90)] : [0, 0]
  const [sureUntil, until] = first ? [xOf(first.p10), xOf(first.p90)] : [WIDTH, WIDTH]
  return (
    <g fill="var(--color-accent)">
      <rect x={from} width={Math.max(0, until - from)} height={BAND} opacity={0.35} />
      <rect x={sureFrom} width={Math.max(0, sureUntil - sureFrom)} height={BAND} />
    </g>
  )
}
