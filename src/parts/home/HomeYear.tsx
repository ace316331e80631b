import { dayNumber } from '../../core/foundations/day'
import { hottestOf, type Doubt } from '../../core/site/doubts'
import { quartersOfRain, type UsualYear } from '../../core/site/usualYear'
import { heightText, monthName, rain, shortDate, temperature, type Units } from '../../text/format'

const ANY_YEAR = dayNumber('2023-01-01')
const MONTHS = Array.from({ length: 12 }, (_, month) => month)
const middleOf = (month: number) => month * 30.44 + 15
/** Degrees without their sign, to fit a column on a phone. */
const bare = (celsius: number, units: Units) => temperature(celsius, units).replace(/\s*°.$/, '')
/** Height of the drawn degrees and of the drawn rain, px. */
const HIGH = 96
const RAIN_HIGH = 36

/** A day of frost in half of all years. */
export const frostText = (day: number | null) =>
  day === null ? 'none in most years' : shortDate(ANY_YEAR + day - 1)

const DOUBT_TEXT: Record<Doubt, (year: UsualYear, units: Units) => string> = {
  'far from all places': () =>
    'No place that Kilim knows is near. Is it at sea, or on ice? Check latitude and longitude, and correct the year below.',
  'high up': ({ site }, units) =>
    `Kilim knows few places as high as ${heightText(site.elevationM, units)}. Check the height, and the months you know.`,
  'no summer': ({ site }, units) =>
    `The hottest month has afternoons of ${temperature(hottestOf(site), units)}: few covers ever close there. Is that so?`,
  'frosts unlike the table': () =>
    'Your frosts lie more than a month from those of places around. Yours count; check the dates once more.',
}

/** A usual year as it is understood, month by month, with what it rests on. */
export function HomeYear({
  year,
  doubts,
  units,
}: {
  year: UsualYear
  doubts: readonly Doubt[]
  units: Units
}) {
  const { site, nights, table, uncorrected } = year
  const all = [...site.tMaxC, ...site.tMinC, ...uncorrected.site.tMaxC, ...uncorrected.site.tMinC]
  const [least, most] = [Math.min(...all), Math.max(...all)]
  const up = (celsius: number) => (HIGH * (celsius - least)) / Math.max(1, most - least)
  const wettest = Math.max(60, ...site.rainMm)
  const from = table.neighbours.slice(0, 3).map(({ place }) => place.name)
  return (
    <figure data-testid="usual-year" className="m-0 max-w-2xl">
      <div className="grid grid-cols-12 gap-px text-center text-sm" aria-hidden="true">
        {MONTHS.map((month) => (
          <div key={month} className="flex flex-col items-stretch">
            <div className="relative" style={{ height: HIGH + 44 }}>
              <Bar
                low={up(uncorrected.site.tMinC[month])}
                high={up(uncorrected.site.tMaxC[month])}
                className="border border-dashed border-base-content/60"
              />
              <Bar
                low={up(site.tMinC[month])}
                high={up(site.tMaxC[month])}
                className={site.tMinC[month] > 0 ? 'bg-accent' : 'bg-base-content/45'}
              />
              <span className="absolute inset-x-0" style={{ bottom: up(site.tMaxC[month]) + 23 }}>
                {bare(site.tMaxC[month], units)}
              </span>
              <span className="absolute inset-x-0" style={{ bottom: up(site.tMinC[month]) + 1 }}>
                {bare(site.tMinC[month], units)}
              </span>
            </div>
            <div className="relative border-t border-base-300" style={{ height: RAIN_HIGH }}>
              <div
                className="absolute inset-x-1 top-0 bg-info"
                style={{ height: (RAIN_HIGH * site.rainMm[month]) / wettest }}
              />
            </div>
            <span className="truncate">{monthName(middleOf(month))}</span>
          </div>
        ))}
      </div>
      <FrostFree last={nights.lastFrost} first={nights.firstFrost} south={site.latitude < 0} />
      <figcaption className="mt-1">
        <p>
          {monthWords(year, 0, units)}, {monthWords(year, 6, units)};{' '}
          {nights.lastFrost === null && nights.firstFrost === null ? (
            <strong>no frost in most years</strong>
          ) : (
            <>
              last frost <strong>{frostText(nights.lastFrost)}</strong>, first frost{' '}
              <strong>{frostText(nights.firstFrost)}</strong>
            </>
          )}
          ; coldest night {temperature(nights.coldestC, units)}; rain{' '}
          {rain(
            site.rainMm.reduce((sum, mm) => sum + mm, 0),
            units,
          )}{' '}
          a year, {wettestText(site.rainMm)}.
        </p>
        <p className="quiet text-sm">
          Made from {from.join(', ')} and places around, for {heightText(site.elevationM, units)} above the
          sea. Their figures are rounded and unverified: correct what you know better.
        </p>
        {doubts.map((doubt) => (
          <p key={doubt} role="status" className="mt-1 border-l-4 border-warning pl-2">
            {DOUBT_TEXT[doubt](year, units)}
          </p>
        ))}
      </figcaption>
    </figure>
  )
}

const monthWords = ({ site }: UsualYear, month: number, units: Units) =>
  `${monthName(middleOf(month))} ${bare(site.tMinC[month], units)} to ${temperature(site.tMaxC[month], units)}`

/** When most of the rain falls, by quarters; said only where one stands out. */
function wettestText(rainMm: readonly number[]): string {
  const quarters = quartersOfRain(rainMm)
  const most = Math.max(...quarters)
  const all = quarters.reduce((sum, mm) => sum + mm, 0)
  if (most < 0.32 * all) return 'spread over the year'
  const q = quarters.indexOf(most)
  return `most from ${monthName(middleOf((q * 3 + 11) % 12))} to ${monthName(middleOf((q * 3 + 1) % 12))}`
}

function Bar({ low, high, className }: { low: number; high: number; className: string }) {
  return (
    <div
      className={`absolute inset-x-1 ${className}`}
      style={{ bottom: low + 22, height: Math.max(2, high - low) }}
    />
  )
}

/** The part of the year without frost, along the months above. */
function FrostFree({ last, first, south }: { last: number | null; first: number | null; south: boolean }) {
  if (last === null && first === null)
    return <p className="mt-1 bg-accent px-2 text-sm text-accent-content">no frost in most years</p>
  const at = (day: number) => `${(100 * day) / 365}%`
  const [from, to] = [last ?? 0, first ?? 365]
  // South of the equator the year's frost-free time goes over its end.
  const parts =
    south || to < from
      ? [
          [0, to],
          [from, 365],
        ]
      : [[from, to]]
  return (
    <div className="relative mt-1 h-6 bg-base-300 text-sm" aria-hidden="true">
      {parts.map(([start, end], i) => (
        <div
          key={start}
          className="absolute inset-y-0 truncate bg-accent px-1 text-accent-content"
          style={{ left: at(start), width: at(Math.max(0, end - start)) }}
        >
          {i === parts.length - 1 && 'free of frost'}
        </div>
      ))}
    </div>
  )
}
