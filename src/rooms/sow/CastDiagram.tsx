import { grams, metres, type Units } from '../../parts/format'

/** Widest drawing, px. */
const WIDTH = 560

/** The bed to scale with its passes: lengthwise and crosswise in turn. */
export function CastDiagram({
  size,
  passTotals,
  units,
}: {
  size: { lengthM: number; widthM: number }
  passTotals: number[]
  units: Units
}) {
  const scale = Math.min(WIDTH / size.lengthM, 90 / size.widthM)
  const width = Math.max(60, size.lengthM * scale)
  const height = Math.max(24, size.widthM * scale)
  return (
    <figure className="mt-4">
      <figcaption className="mb-1">
        {passTotals
          .map(
            (total, pass) =>
              `Pass ${pass + 1}, ${pass % 2 === 0 ? 'along' : 'across'}: ${grams(total, units)}`,
          )
          .join('. ')}
        .
      </figcaption>
      <svg
        viewBox={`0 0 ${width + 20} ${height + 26}`}
        style={{ width: width + 20, maxWidth: '100%' }}
        role="img"
        aria-label={`Bed ${metres(size.lengthM, units)} by ${metres(size.widthM, units)} with crossing passes`}
      >
        <rect
          x={6}
          y={6}
          width={width}
          height={height}
          fill="var(--color-base-200)"
          stroke="var(--color-base-content)"
        />
        {passTotals.map((_, pass) =>
          pass % 2 === 0 ? (
            <Along key={pass} width={width} height={height} pass={pass} />
          ) : (
            <Across key={pass} width={width} height={height} pass={pass} />
          ),
        )}
        <text x={6} y={height + 21} fontSize={12} fill="currentColor">
          {metres(size.lengthM, units)} × {metres(size.widthM, units)}
        </text>
      </svg>
    </figure>
  )
}

type Props = { width: number; height: number; pass: number }

function Along({ width, height, pass }: Props) {
  const lanes = [0.3, 0.7].map((share) => 6 + height * (share + pass * 0.04))
  return (
    <g stroke="var(--color-primary)" strokeWidth={1.8} fill="none">
      {lanes.map((y, lane) => (
        <path
          key={lane}
          d={lane % 2 === 0 ? `M12 ${y}H${width - 4}m-6 -4l6 4l-6 4` : `M${width} ${y}H12m6 -4l-6 4l6 4`}
        />
      ))}
    </g>
  )
}

function Across({ width, height, pass }: Props) {
  const count = Math.max(3, Math.round(width / 42))
  return (
    <g stroke="var(--color-secondary)" strokeWidth={1.4} strokeDasharray="5 3" fill="none">
      {Array.from({ length: count }, (_, i) => {
        const x = 6 + (width * (i + 0.5 + pass * 0.08)) / count
        return <path key={i} d={i % 2 === 0 ? `M${x} 9V${height + 2}` : `M${x} ${height + 2}V9`} />
      })}
    </g>
  )
}
