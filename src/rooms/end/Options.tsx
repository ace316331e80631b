import { Scroll } from '../../parts/Scroll'
import { findMethod } from '../../core/ending/methods'
import { SAFE_CHANCE, type EndingOption } from '../../core/ending/compare'
import { HAND_FINISH_SHARE } from '../../core/ending/outcome'
import { dayNumber } from '../../core/foundations/day'
import type { EndDetails } from '../../core/garden/schema'
import { Caution } from '../../parts/Caution'
import { Chance } from '../../parts/Chance'
import { dryMatter, minutes, percent, shortDate, type Units } from '../../parts/format'
import { Why } from '../../parts/Why'

type Props = {
  options: EndingOption[]
  today: number
  units: Units
  planned: EndDetails | null
  onPlan: (method: EndingOption['method'], passes: number, day: number) => void
}

/** The ways of ending, side by side, most certain first; those that cannot be done say why. */
export function Options({ options, today, units, planned, onPlan }: Props) {
  const open = options
    .filter((option) => option.obstacle === null)
    .sort((a, b) => b.chance - a.chance || (b.latestSafeDay ?? 0) - (a.latestSafeDay ?? 0))
  const shut = options.filter((option) => option.obstacle !== null)
  return (
    <>
      <Scroll label="Ways of ending">
        <table className="table table-sm" data-testid="endings">
          <thead>
            <tr>
              <th>Way</th>
              <th>Latest safe start</th>
              <th>Plantable in time, by start day</th>
              <th>Days to dead</th>
              <th>Stand again</th>
              <th>Work</th>
              <th>Mulch left</th>
              <th>
                <span className="sr-only">Plan it</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {open.map((option) => (
              <Row
                key={option.name}
                option={option}
                today={today}
                units={units}
                planned={planned}
                onPlan={onPlan}
              />
            ))}
          </tbody>
        </table>
      </Scroll>
      {shut.length > 0 && (
        <ul className="mt-2">
          {shut.map((option) => (
            <li key={option.name}>
              <strong>{option.name}</strong>: {option.obstacle}
            </li>
          ))}
        </ul>
      )}
      <div className="mt-3 flex flex-col gap-1">
        {[...new Set(open.flatMap((option) => findMethod(option.method)?.cautions ?? []))].map((caution) => (
          <Caution key={caution}>{caution}</Caution>
        ))}
        <Why>
          The stand is run to each start day in a hundred seasons. Survival after a cut or crimp comes from a
          table by plant and stage; under a sheet it falls with thermal time (air plus 4.5 °C). Up to{' '}
          {percent(HAND_FINISH_SHARE)} standing again are taken to be pulled by hand. Dead is at most 10 %
          alive before transplants, 5 % before sowing; your waiting time is added. Safe means at least{' '}
          {percent(SAFE_CHANCE)}. The tables are judgement and trials; own counts will sharpen them.
        </Why>
      </div>
    </>
  )
}

function Row({
  option,
  today,
  units,
  planned,
  onPlan,
}: { option: EndingOption; today: number } & Pick<Props, 'units' | 'planned' | 'onPlan'>) {
  const isPlanned = planned?.method === option.method && planned.passes === option.passes
  const start = option.latestSafeDay ?? option.bestStartDay
  return (
    <tr>
      <td className="min-w-60">
        <strong>{option.name}</strong>
        <div className="text-sm">{option.risk}</div>
        <div className="quiet text-sm">Needs {option.needs.join(', ')}.</div>
      </td>
      <td className="whitespace-nowrap font-semibold">
        {option.method === 'winter-kill'
          ? '–'
          : option.latestSafeDay === null
            ? 'none'
            : option.latestSafeDay <= today
              ? 'today'
              : shortDate(option.latestSafeDay)}
      </td>
      <td>
        <Chance share={option.chance} />
        <StartStrip option={option} today={today} />
      </td>
      <td className="whitespace-nowrap">
        {option.days
          ? `${Math.round(option.days.mid)} (${Math.round(option.days.low)}–${Math.round(option.days.high)})`
          : '–'}
      </td>
      <td>{option.survivors ? percent(option.survivors.mid) : '–'}</td>
      <td className="whitespace-nowrap">{minutes(option.minutes)}</td>
      <td className="whitespace-nowrap">
        {dryMatter(option.mulchG, units)}
        <div className="quiet text-sm">holds {percent(option.weedsHeld)} of weeds</div>
      </td>
      <td>
        {start !== null && (
          <button
            className="btn btn-sm"
            onClick={() => onPlan(option.method, option.passes, start)}
            aria-label={`Plan ${option.name}`}
          >
            {isPlanned && planned && dayNumber(planned.date) === start ? 'Planned' : 'Plan'}
          </button>
        )}
      </td>
    </tr>
  )
}

/** Chance of success by start day, from today to planting, with the safe level as a line. */
function StartStrip({ option, today }: { option: EndingOption; today: number }) {
  const { byStart } = option
  if (byStart.length < 3) return null
  const width = 130
  const last = byStart[byStart.length - 1].day
  const x = (day: number) => ((day - today) / Math.max(1, last - today)) * width
  return (
    <svg
      width={width}
      height={40}
      role="img"
      aria-label={`Chance by start day from ${shortDate(byStart[0].day)} to ${shortDate(last)}, highest ${percent(option.chance)}`}
    >
      <line
        x1={0}
        x2={width}
        y1={34 - SAFE_CHANCE * 30}
        y2={34 - SAFE_CHANCE * 30}
        stroke="var(--color-secondary)"
        strokeDasharray="3 3"
      />
      <path
        d={`M${x(byStart[0].day)} 34 ${byStart.map((point) => `L${x(point.day).toFixed(1)} ${(34 - point.chance * 30).toFixed(1)}`).join(' ')} L${width} 34Z`}
        fill="var(--color-primary)"
        fillOpacity={0.3}
        stroke="var(--color-primary)"
      />
    </svg>
  )
}
