import { Area, CartesianGrid, ComposedChart, Line, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import type { Aftermath } from '../../core/scenario/after'
import { nitrogenAxis, type Told } from '../../text/amounts'

/** What the curve of need and supply draws in its frame. */
export function NitrogenDrawing({ after, told }: { after: Aftermath; told: Told }) {
  const { scale } = nitrogenAxis(told)
  const rows = after.weeks.map((week) => ({
    week: week.week,
    need: week.needG * scale,
    band: [(week.soilG + week.residue.p10) * scale, (week.soilG + week.residue.p90) * scale],
    supply: (week.soilG + week.residue.p50) * scale,
    soil: week.soilG * scale,
  }))
  return (
    <ResponsiveContainer width="100%" height="100%">
      <ComposedChart
        data={rows}
        margin={{ top: 8, right: 12, bottom: 0, left: -8 }}
        accessibilityLayer={false}
      >
        <CartesianGrid stroke="var(--color-base-300)" vertical={false} />
        <XAxis
          dataKey="week"
          tickFormatter={(week: number) => `${week} wk`}
          stroke="var(--color-base-content)"
          fontSize={12}
        />
        <YAxis stroke="var(--color-base-content)" fontSize={12} />
        <Area
          dataKey="band"
          fill="var(--color-primary)"
          fillOpacity={0.22}
          stroke="none"
          isAnimationActive={false}
        />
        <Line
          dataKey="supply"
          stroke="var(--color-primary)"
          strokeWidth={2}
          dot={false}
          isAnimationActive={false}
        />
        <Line
          dataKey="soil"
          stroke="var(--color-base-content)"
          strokeDasharray="1 4"
          strokeWidth={2}
          dot={false}
          isAnimationActive={false}
        />
        <Line
          dataKey="need"
          stroke="var(--color-secondary)"
          strokeDasharray="7 4"
          strokeWidth={2}
          dot={false}
          isAnimationActive={false}
        />
      </ComposedChart>
    </ResponsiveContainer>
  )
}
