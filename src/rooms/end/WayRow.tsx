import { SAFE_CHANCE, type EndingOption } from '../../core/ending/weigh'
import { findWay } from '../../core/ending/ways'
import { dayNumber } from '../../core/foundations/day'
import { Chance } from '../../parts/Chance'
import { dateSpreadText, dryMatter, minutes, nitrogen, percent, shortDate } from '../../parts/format'
import type { StandForecast } from '../../core/season/forecast'
import { planCaseOf } from './planCase'
import { planOf } from './planWords'
import { setupFor } from './plans'
import type { EndView } from './useEnd'

import type { ShownWay } from './shown'
import { single } from '../../parts/once'

const SOIL = ['left alone', 'little moved', 'loosened', 'turned']

/** One way with all that it brings, and the button that plans it. */
export function WayRow({
  way,
  end,
  standing,
}: {
  way: ShownWay
  end: EndView
  standing: StandForecast | null
}) {
  const { option, after, disturbance } = way
  const { units } = end.garden
  const { stand, today, plan } = end
  const planned = stand.end.plan
  const isPlanned =
    planned?.method === option.method &&
    planned.passes === option.passes &&
    dayNumber(planned.date) === option.bestStartDay
  const waits = findWay(option.method)?.waits
  const takes = waits || option.bestStartDay === null ? '' : materialsOf(way, end, standing)
  return (
    <tr className="max-md:grid max-md:grid-cols-2 max-md:border-b max-md:border-base-300 max-md:py-2 max-md:[&>td]:border-none max-md:[&>td]:py-1">
      <td className="max-md:col-span-2 md:min-w-72">
        <strong>{option.name}</strong>
        <details className="text-sm">
          <summary className="cursor-pointer">{option.risk}</summary>
          <span className="quiet">
            Needs {option.needs.join(', ')}.{takes && ` Take along: ${takes}.`}
          </span>
        </details>
        {option.chanceFree > option.chance + 0.1 && (
          <div className="text-sm font-semibold">
            Without your rules {percent(option.chanceFree)} in time.
          </div>
        )}
      </td>
      <td className="whitespace-nowrap">
        <Label>Latest safe start</Label>
        <strong>
          {waits
            ? '–'
            : option.latestSafeDay === null
              ? 'none'
              : option.latestSafeDay <= today
                ? 'today'
                : shortDate(option.latestSafeDay)}
        </strong>
        {option.bestStartDay !== null && (
          <button
            className="btn btn-sm mt-1 block"
            onClick={single(() =>
              plan(option.method, option.passes, option.bestStartDay!, setupFor(option.method, end)),
            )}
            aria-label={`Plan ${option.name}`}
          >
            {isPlanned
              ? 'Planned'
              : `Plan ${waits ? '' : shortDate(option.bestStartDay)}${option.latestSafeDay === null && !waits ? ', not safe' : ''}`}
          </button>
        )}
      </td>
      <td>
        <Label>In time</Label>
        <Chance share={option.chance} />
        <StartStrip option={option} today={today} />
      </td>
      <td className="text-sm">
        <Label>Dead by</Label>
        {option.finish ? dateSpreadText(option.finish) : '–'}
        {option.survivors && !waits && (option.finish || !findWay(option.method)?.sheet) && (
          <div className="quiet">{percent(option.survivors.mid)} stand again</div>
        )}
      </td>
      <td className="text-sm">
        <Label>Work</Label>
        <span className="whitespace-nowrap">{minutes(option.minutes)}</span>
        <div className="quiet whitespace-nowrap">soil {SOIL[disturbance]}</div>
      </td>
      <td className="text-sm">
        <Label>Mulch at planting</Label>
        {after ? (
          <>
            <span className="whitespace-nowrap">{dryMatter(after.mulchG, units)}</span>
            <div className="quiet whitespace-nowrap">{weeksText(after.holdsWeeks)}</div>
          </>
        ) : (
          '–'
        )}
      </td>
      <td className="text-sm">
        <Label>Nitrogen, 4 and 10 weeks</Label>
        {after ? (
          <>
            {signed(after.nitrogen4G, end)}
            <div>{signed(after.nitrogen10G, end)}</div>
          </>
        ) : (
          '–'
        )}
      </td>
    </tr>
  )
}

/** What a way takes, in a line: the materials of its work plan on the day shown. */
function materialsOf({ option }: ShownWay, end: EndView, standing: StandForecast | null): string {
  const { method, passes, bestStartDay } = option
  const work = { method, passes, day: bestStartDay!, ...setupFor(method, end) }
  return planOf(planCaseOf(end, standing, work))
    .materials.map(({ what, amount }) =>
      amount === '1' ? what.toLowerCase() : `${what.toLowerCase()}: ${amount}`,
    )
    .join('; ')
}

/** The column's head, told in each cell where there is no room for columns. */
const Label = ({ children }: { children: string }) => (
  <div className="quiet text-sm md:hidden">{children}</div>
)

const weeksText = (weeks: number) =>
  weeks < 0.5 ? 'too thin for weeds' : `holds weeds ${Math.round(weeks)} wk`

const signed = (grams: number, { garden }: EndView) =>
  grams < -0.05 ? `ties up ${nitrogen(-grams, garden.units)}` : nitrogen(Math.max(0, grams), garden.units)

/** Chance of success by start day, from today to planting, with the safe level as a line. */
function StartStrip({ option, today }: { option: EndingOption; today: number }) {
  const { byStart } = option
  if (byStart.length < 3) return null
  const width = 110
  const last = byStart[byStart.length - 1].day
  const x = (day: number) => ((day - today) / Math.max(1, last - today)) * width
  const shown = option.bestStartDay
  return (
    <svg
      width={width}
      height={34}
      role="img"
      aria-label={`Chance by start day from ${shortDate(byStart[0].day)} to ${shortDate(last)}, here ${percent(option.chance)}`}
    >
      <line
        x1={0}
        x2={width}
        y1={30 - SAFE_CHANCE * 26}
        y2={30 - SAFE_CHANCE * 26}
        stroke="var(--color-secondary)"
        strokeDasharray="3 3"
      />
      <path
        d={`M${x(byStart[0].day)} 30 ${byStart.map((point) => `L${x(point.day).toFixed(1)} ${(30 - point.chance * 26).toFixed(1)}`).join(' ')} L${width} 30Z`}
        fill="var(--color-primary)"
        fillOpacity={0.3}
        stroke="var(--color-primary)"
      />
      {shown !== null && (
        <line
          x1={x(shown)}
          x2={x(shown)}
          y1={2}
          y2={32}
          stroke="var(--color-base-content)"
          strokeWidth={1.5}
        />
      )}
    </svg>
  )
}
