import {
  Area,
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  XAxis,
  YAxis,
} from 'recharts'
import type { Bands } from '../core/stand/summary'
import { shortDate } from '../text/format'

type Point = { day: number; value: number }

/** A series as its middle line in its 10–90 % band, with what was seen as points. */
export function BandsChart({
  bands,
  untilDay,
  today,
  points,
  name,
  unit,
  scale = 1,
  max,
  small = false,
  before,
}: {
  bands: Bands
  /** The bands before the newest check, drawn as their edges. */
  before?: Bands
  untilDay: number
  today: number
  points: Point[]
  name: string
  unit: string
  scale?: number
  max?: number
  /** A lower chart for several side by side. */
  small?: boolean
}) {
  const rows = bands.p50.flatMap((mid, i) => {
    const day = bands.startDay + i * bands.stepDays
    return day > untilDay
      ? []
      : [
          {
            day,
            mid: mid * scale,
            band: [bands.p10[i] * scale, bands.p90[i] * scale],
            ...(before?.p10[i] !== undefined && {
              oldLow: before.p10[i] * scale,
              oldHigh: before.p90[i] * scale,
            }),
          },
        ]
  })
  return (
    <figure className="m-0">
      <figcaption className="mb-1 text-sm">
        {small ? `${name}, ${unit}` : `${name}, ${unit}: middle line with the range of 8 in 10 years`}
        {!small && points.length > 0 ? '; your checks as points' : ''}
        {before ? '; dashed: before the newest check' : ''}
      </figcaption>
      <div
        className={small ? 'h-40' : 'h-56'}
        role="img"
        aria-label={`${name} over time with its range${points.length > 0 ? ` and ${points.length} checks` : ''}`}
      >
        <ResponsiveContainer width="100%" height="100%">
          <ComposedChart
            data={rows}
            margin={{ top: 8, right: 12, bottom: 0, left: -12 }}
            accessibilityLayer={false}
          >
            <CartesianGrid stroke="var(--color-base-300)" vertical={false} />
            <XAxis
              dataKey="day"
              type="number"
              domain={['dataMin', 'dataMax']}
              tickFormatter={shortDate}
              stroke="var(--color-base-content)"
              fontSize={12}
              tickCount={small ? 4 : 7}
            />
            <YAxis stroke="var(--color-base-content)" fontSize={12} domain={[0, max ?? 'auto']} />
            <Area
              dataKey="band"
              fill="var(--color-primary)"
              fillOpacity={0.22}
              stroke="none"
              isAnimationActive={false}
            />
            {before &&
              ['oldLow', 'oldHigh'].map((edge) => (
                <Line
                  key={edge}
                  dataKey={edge}
                  stroke="var(--color-base-content)"
                  strokeWidth={1}
                  strokeDasharray="4 3"
                  dot={false}
                  isAnimationActive={false}
                />
              ))}
            <Line
              dataKey="mid"
              stroke="var(--color-primary)"
              strokeWidth={2}
              dot={false}
              isAnimationActive={false}
            />
            <ReferenceLine
              x={today}
              stroke="var(--color-secondary)"
              strokeWidth={2}
              label={{
                value: 'today',
                position: 'insideTopLeft',
                fontSize: 12,
                fill: 'var(--color-secondary)',
              }}
            />
            {points.length > 0 && (
              <Scatter
                data={points.map(({ day, value }) => ({ day, mid: value * scale }))}
                dataKey="mid"
                fill="var(--color-accent)"
                stroke="var(--color-base-content)"
                isAnimationActive={false}
              />
            )}
          </ComposedChart>
        </ResponsiveContainer>
      </div>
    </figure>
  )
}
