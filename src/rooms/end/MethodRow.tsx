import { Link } from 'react-router'
import { inUnits } from '../../text/inUnits'
import { useTold } from '../../state/useTold'
import { toolsOn } from '../../core/termination/entering'
import { canFlatten } from '../../core/termination/flattening'
import type { Method } from '../../core/termination/methods'
import { dayNumber } from '../../core/foundations/day'
import type { Aftermath } from '../../core/scenario/after'
import { beforeSeed, SAFE_CHANCE } from '../../core/scenario/starts'
import type { StandForecast } from '../../core/season/standForecast'
import { Chance } from '../../parts/Chance'
import { single } from '../../parts/once'
import { methodText } from '../../text/ending'
import { dryMatter, nitrogen, type Told } from '../../text/amounts'
import { chanceText, dateRangeText, minutes, percent, rangeText, shortDate } from '../../text/format'
import { planCaseOf } from './planCase'
import { planOf } from './planWords'
import type { ShownMethod } from './shown'
import type { EndView } from './useEnd'

const SOIL = ['left alone', 'little moved', 'loosened', 'turned']

/** One way with all that it brings, and the button that plans it. */
export function MethodRow({
  method,
  end,
  standing,
}: {
  method: ShownMethod
  end: EndView
  standing: StandForecast | null
}) {
  const { option, after, name, start } = method
  const { today, plan, stand } = end
  const told = useTold(end.view.bed, stand.segment)
  const planned = stand.end.plan
  const { waits } = method.method
  if (!start) return null
  const isPlanned =
    planned?.method === option.method &&
    planned.passes === option.passes &&
    (waits !== null || dayNumber(planned.date) === start.day)
  const planWords = isPlanned
    ? 'Planned'
    : `Plan${waits ? '' : ` ${shortDate(start.day)}`}${start.chance < SAFE_CHANCE ? ', not safe' : ''}`
  const takes = waits ? '' : materialsOf(method, end, standing)
  return (
    <tr className="max-md:grid max-md:grid-cols-2 max-md:border-b max-md:border-base-300 max-md:py-2 max-md:[&>td]:border-none max-md:[&>td]:py-1">
      <td className="max-md:col-span-2 md:min-w-72">
        <strong>
          <Link className="link link-hover" to={`/reference#method-${method.method.id}`}>
            {name}
          </Link>
        </strong>
        <details className="text-sm">
          <summary className="cursor-pointer">{methodText(method.method, start)}</summary>
          <span className="quiet">
            Needs {inUnits(needsOf(method.method, end).join(', '), end.garden.units)}.
            {takes && ` Take along: ${takes}.`}
          </span>
        </details>
        {!beforeSeed(start) && (
          <div className="text-sm font-semibold">
            Some of its seed is fit to sprout by then: {chanceText(start.seeds)}.
          </div>
        )}
        {start.chanceFree > start.chance + 0.1 && (
          <div className="text-sm font-semibold">Without your rules {percent(start.chanceFree)} in time.</div>
        )}
      </td>
      <td className="whitespace-nowrap">
        <Label>Begin</Label>
        <strong>{waits ? '–' : start.day <= today ? 'today' : shortDate(start.day)}</strong>
        {!waits && option.latestSafeDay !== null && option.latestSafeDay > start.day && (
          <div className="quiet text-sm">safe until {shortDate(option.latestSafeDay)}</div>
        )}
        <button
          className="btn btn-sm mt-1 block"
          onClick={single(() => void plan(planned && isPlanned ? planned : start.end))}
          aria-label={`${planWords}: ${name}`}
        >
          {planWords}
        </button>
      </td>
      <td>
        <Label>In time</Label>
        <Chance share={start.chance} />
        <StartStrip method={method} today={today} />
      </td>
      <td className="text-sm">
        <Label>Dead by</Label>
        {start.dead ? dateRangeText(start.dead) : '–'}
        {!waits && (start.dead || !method.method.sheet) && (
          <div className="quiet">
            {start.dead === null && start.survivors.p50 >= 1
              ? 'little is up to be ended'
              : `${percent(start.survivors.p50)} stand again`}
          </div>
        )}
      </td>
      <td className="text-sm">
        <Label>Work</Label>
        <span className="whitespace-nowrap">{minutes(start.minutes)}</span>
        <div className="quiet whitespace-nowrap">soil {SOIL[method.method.disturbance]}</div>
      </td>
      <td className="text-sm">
        <Label>Mulch at planting</Label>
        {after ? (
          <>
            <span className="whitespace-nowrap">{dryMatter(after.mulchG.p50, told)}</span>
            <div className="quiet whitespace-nowrap">{weeksText(after.holdsWeeks)}</div>
          </>
        ) : (
          '–'
        )}
      </td>
      <td className="text-sm md:whitespace-nowrap">
        <Label>Nitrogen, 4 and 10 weeks</Label>
        {after ? (
          <>
            {signed(after.nitrogen4.p50, told)}
            <div>{signed(after.nitrogen10.p50, told)}</div>
          </>
        ) : (
          '–'
        )}
      </td>
    </tr>
  )
}

/** What a way wants, a sheet among it what it lies on. */
function needsOf(method: Method, { garden, view }: EndView): readonly string[] {
  if (method.id !== 'tarp') return method.needs
  return [
    canFlatten(toolsOn(garden.tools, view.bed, view.stand.segment).tools)
      ? 'growth flattened or mown first'
      : 'nothing owned to flatten it: the sheet lies higher and takes longer',
    ...method.needs,
  ]
}

/** What a way takes, in a line: the materials of its work plan on the day shown. */
function materialsOf({ option, start }: ShownMethod, end: EndView, standing: StandForecast | null): string {
  const { method, passes } = option
  const { animals, lanes, untilThin } = start!.end
  return planOf(planCaseOf(end, standing, { method, passes, day: start!.day, animals, lanes, untilThin }))
    .materials.map(({ what, amount }) =>
      amount === '1' ? what.toLowerCase() : `${what.toLowerCase()}: ${amount}`,
    )
    .join('; ')
}

/** The column's head, told in each cell where there is no room for columns. */
const Label = ({ children }: { children: string }) => (
  <div className="quiet text-sm md:hidden">{children}</div>
)

const weeksText = ({ p10, p90 }: Aftermath['holdsWeeks']) =>
  p90 < 0.5 ? 'too thin for weeds' : `holds weeds ${rangeText(p10, p90)} wk`

const signed = (grams: number, told: Told) =>
  grams < -0.05 ? `holds back ${nitrogen(-grams, told)}` : nitrogen(Math.max(0, grams), told)

/** Chance of success by start day, from today to planting, with the safe level as a line. */
function StartStrip({ method: { option, start }, today }: { method: ShownMethod; today: number }) {
  const byStart = option.starts
  if (byStart.length < 3) return null
  const width = 110
  const last = byStart[byStart.length - 1].day
  const x = (day: number) => ((day - today) / Math.max(1, last - today)) * width
  const shown = start?.day ?? null
  return (
    <svg
      width={width}
      height={34}
      role="img"
      aria-label={`Chance by start day from ${shortDate(byStart[0].day)} to ${shortDate(last)}, here ${percent(start?.chance ?? 0)}`}
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
