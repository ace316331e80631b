import type { Stop } from '../../core/termination/stops'
import type { Ground } from '../../core/termination/workPlan'
import type { Units } from '../../text/format'
import { GroundDrawing } from './GroundDrawing'

const INK = 'var(--color-base-content)'

/** Stops of a pen on its lanes for one round, numbered in the order they are made; `here` is where it stands. */
export function PenDrawing({
  ground,
  units,
  stops,
  here,
}: {
  ground: Ground
  units: Units
  stops: readonly Stop[]
  here: number | null
}) {
  return (
    <GroundDrawing ground={ground} units={units} marginM={0.5} label={`Pen on ${stops.length} stops a round`}>
      {(px) =>
        stops.map((stop, i) => (
          <g key={i}>
            <rect
              x={px(stop.atM)}
              y={px(stop.acrossM)}
              width={px(stop.lengthM)}
              height={px(stop.widthM)}
              fill={i === here ? 'var(--color-secondary)' : 'var(--color-primary)'}
              fillOpacity={i === here ? 0.55 : 0.16}
              stroke={INK}
            />
            <text
              x={px(labelAt(stop, stops[i + 1]))}
              y={px(stop.acrossM + stop.widthM / 2) + 4}
              fontSize={12}
              textAnchor="middle"
              fill={INK}
            >
              {i + 1}
            </text>
          </g>
        ))
      }
    </GroundDrawing>
  )
}

/** Middle of what the next stop leaves to be seen of one, m. */
function labelAt(stop: Stop, next: Stop | undefined): number {
  const end = stop.atM + stop.lengthM
  if (!next || next.lane !== stop.lane) return (stop.atM + end) / 2
  return next.atM > stop.atM
    ? (stop.atM + Math.min(end, next.atM)) / 2
    : (Math.max(stop.atM, next.atM + next.lengthM) + end) / 2
}
