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
import { shortDate } from '../text/format'
import type { BandsProps } from './bands'

/** What a chart of bands draws in its frame. */
export function BandsDrawing({
  bands,
  untilDay,
  today,
  points,
  scale = 1,
  max,
  small = false,
  before,
}: Omit<BandsProps, 'name' | 'unit'>) {
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
  )
}
