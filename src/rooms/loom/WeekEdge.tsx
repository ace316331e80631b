import { monthOf, yearOf } from '../../core/foundations/day'
import { monthName } from '../../text/format'
import { yOfDay, type LoomLayout } from './layout'
import { useOutlook, type Loom } from './useLoom'

/** Rain that fills the bar, mm a week. */
const FULL_RAIN_MM = 45
/** Room the date of today takes above and below its line. */
const DATE_TAG_PX = 17

/** The left edge: months, chance of frost as a darkening strip, rain as bars. */
export function WeekEdge({ loom, layout }: { loom: Loom; layout: LoomLayout }) {
  const { value, last } = useOutlook(loom)
  const outlook = value ?? last
  const months: { day: number; top: number }[] = []
  for (let day = loom.firstDay; day < loom.lastDay; day++)
    if (day === loom.firstDay || monthOf(day) !== monthOf(day - 1))
      months.push({ day, top: yOfDay(layout, loom, day) })
  const visible = months.filter((month, i) => (months[i + 1]?.top ?? layout.height) - month.top > 18)
  const todayY = yOfDay(layout, loom, loom.today)
  const hiddenByDate = (top: number) => Math.abs(top + 9 - todayY) < DATE_TAG_PX
  return (
    <svg
      width={layout.edge}
      height={layout.height}
      role="img"
      aria-label="Months, chance of frost and rain by week"
      className="absolute left-0 top-0"
    >
      {visible.map(({ day, top }) => (
        <g key={day}>
          <line x1={0} x2={layout.edge - 6} y1={top + 0.5} y2={top + 0.5} stroke="var(--color-base-300)" />
          {!hiddenByDate(top) && (
            <text
              x={0}
              y={top + 14}
              fontSize={13}
              fill="currentColor"
              fontFamily="var(--font-display)"
              fontWeight={600}
            >
              {monthName(day)}
            </text>
          )}
          {(monthOf(day) === 0 || day === loom.firstDay) && !hiddenByDate(top + 13) && (
            <text x={0} y={top + 27} fontSize={10.5} fill="currentColor" opacity={0.8}>
              {yearOf(day)}
            </text>
          )}
        </g>
      ))}
      {outlook?.map((week, i) => {
        const top = i * layout.rowPx
        const past = week.startDay + 7 <= loom.today
        return (
          <g key={week.startDay} opacity={past ? 1 : 0.75}>
            <rect
              x={40}
              y={top}
              width={13}
              height={layout.rowPx}
              fill="var(--color-primary)"
              opacity={week.frostChance * 0.9}
            />
            <rect
              x={60}
              y={top + 2}
              width={Math.min(38, (38 * week.rainMm.p50) / FULL_RAIN_MM)}
              height={layout.rowPx - 4}
              fill="var(--color-primary)"
              opacity={0.45}
            />
            {!past && (
              <line
                x1={60}
                x2={60 + Math.min(38, (38 * week.rainMm.p90) / FULL_RAIN_MM)}
                y1={top + layout.rowPx / 2}
                y2={top + layout.rowPx / 2}
                stroke="var(--color-primary)"
                strokeWidth={0.8}
                opacity={0.6}
              />
            )}
          </g>
        )
      })}
      <rect x={40} y={0} width={13} height={layout.height} fill="none" stroke="var(--color-base-300)" />
    </svg>
  )
}
