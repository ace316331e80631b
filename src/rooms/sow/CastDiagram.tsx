import { lanesOf } from '../../core/seeding/measures'
import { grams, metres, type Units } from '../../text/format'
import type { Throwing } from './throwing'

/** Widest drawing, px, and the most lanes drawn before they would run together. */
const WIDTH = 600
const MOST_LANES = 24
const MARGIN = 8

type Size = { lengthM: number; widthM: number }

/** The bed to scale: its stretches with their portions, the lanes along it, and those across it. */
export function CastDiagram({
  size,
  throwing,
  castWidthM,
  units,
}: {
  size: Size
  throwing: Throwing
  castWidthM: number
  units: Units
}) {
  const scale = Math.min(WIDTH / size.lengthM, 110 / size.widthM)
  const width = Math.max(90, size.lengthM * scale)
  const height = Math.max(34, size.widthM * scale)
  const passes = throwing.passGrams.length
  const stretches = throwing.portions.filter((portion) => portion.pass === 0)
  const along = Math.min(MOST_LANES, lanesOf(size.widthM, castWidthM))
  const across = Math.min(MOST_LANES, lanesOf(size.lengthM, castWidthM))
  const xOf = (metresAlong: number) => MARGIN + (metresAlong / size.lengthM) * width
  return (
    <figure className="mt-3">
      <svg
        viewBox={`0 0 ${width + 2 * MARGIN} ${height + 44}`}
        style={{ width: width + 2 * MARGIN, maxWidth: '100%' }}
        role="img"
        aria-label={`Bed ${metres(size.lengthM, units)} by ${metres(size.widthM, units)}: ${stretches.length} stretches, ${along} ${along === 1 ? 'lane' : 'lanes'} along${passes > 1 ? ` and ${across} across` : ''}`}
      >
        <rect
          x={MARGIN}
          y={4}
          width={width}
          height={height}
          fill="var(--color-base-200)"
          stroke="currentColor"
        />
        {stretches.slice(1).map(({ stretch, fromM }) => (
          <line
            key={stretch}
            x1={xOf(fromM)}
            x2={xOf(fromM)}
            y1={0}
            y2={height + 8}
            stroke="currentColor"
            strokeDasharray="2 3"
          />
        ))}
        <Along width={width} height={height} lanes={along} />
        {passes > 1 && <Across width={width} height={height} lanes={across} />}
        {stretches.map(({ stretch, fromM, toM, grams: own }) => (
          <text
            key={stretch}
            x={(xOf(fromM) + xOf(toM)) / 2}
            y={height + 20}
            fontSize={12}
            textAnchor="middle"
            fill="currentColor"
          >
            {grams(own, units)}
            {passes > 1 ? ` × ${passes}` : ''}
          </text>
        ))}
        <text x={MARGIN} y={height + 38} fontSize={12} fill="currentColor">
          {metres(size.lengthM, units)} × {metres(size.widthM, units)}
        </text>
      </svg>
    </figure>
  )
}

type Lanes = { width: number; height: number; lanes: number }

/** Lanes along the bed, walked there and back. */
function Along({ width, height, lanes }: Lanes) {
  return (
    <g stroke="var(--color-primary)" strokeWidth={1.8} fill="none">
      {Array.from({ length: lanes }, (_, lane) => {
        const y = 4 + (height * (lane + 0.5)) / lanes
        const [from, to, back] =
          lane % 2 === 0 ? [MARGIN + 5, MARGIN + width - 6, -1] : [MARGIN + width - 5, MARGIN + 6, 1]
        return <path key={lane} d={`M${from} ${y}H${to}m${back * 6} -4l${-back * 6} 4l${back * 6} 4`} />
      })}
    </g>
  )
}

/** Lanes across it, walked from side to side. */
function Across({ width, height, lanes }: Lanes) {
  return (
    <g stroke="var(--color-secondary)" strokeWidth={1.4} strokeDasharray="5 3" fill="none">
      {Array.from({ length: lanes }, (_, lane) => {
        const x = MARGIN + (width * (lane + 0.5)) / lanes
        return <path key={lane} d={lane % 2 === 0 ? `M${x} 8V${height}` : `M${x} ${height}V8`} />
      })}
    </g>
  )
}
