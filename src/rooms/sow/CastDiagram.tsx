import { lanesOf, type Measures } from '../../core/seeding/measures'
import { metres, type Units } from '../../text/format'
import type { Throwing } from './throwing'

/** The drawing’s width, its heights at least and at most, px, and the most lanes drawn before they would run together. */
const WIDTH = 720
const HEIGHTS = { low: 44, high: 130 }
const MOST_LANES = 24
const MOST_CASTS = 90
const MARGIN = 1

type Size = { lengthM: number; widthM: number }

/** A bed to scale as it is thrown: along it and back in lanes, a cast every other pace; then across it. */
export function CastDiagram({
  size,
  throwing,
  measures: { castWidthM, paceM },
  units,
}: {
  size: Size
  throwing: Throwing
  measures: Measures
  units: Units
}) {
  const height = Math.min(HEIGHTS.high, Math.max(HEIGHTS.low, (size.widthM * WIDTH) / size.lengthM))
  const passes = throwing.passGrams.length
  const stretches = throwing.portions.filter((portion) => portion.pass === 0)
  const along = Math.min(MOST_LANES, lanesOf(size.widthM, castWidthM))
  const across = Math.min(MOST_LANES, lanesOf(size.lengthM, castWidthM))
  const casts = Math.min(MOST_CASTS, Math.max(2, Math.round(size.lengthM / (2 * paceM))))
  const xOf = (metresAlong: number) => MARGIN + (metresAlong / size.lengthM) * (WIDTH - 2 * MARGIN)
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height + 10}`}
      className="bed-picture block w-full"
      role="img"
      aria-label={`Bed ${metres(size.lengthM, units)} by ${metres(size.widthM, units)}: ${stretches.length} ${stretches.length === 1 ? 'stretch' : 'stretches'}, ${along} ${along === 1 ? 'lane' : 'lanes'} along${passes > 1 ? ` and ${across} across` : ''}`}
    >
      <rect
        x={MARGIN}
        y={4}
        width={WIDTH - 2 * MARGIN}
        height={height}
        fill="var(--soil-wet)"
        stroke="currentColor"
      />
      <Along height={height} lanes={along} casts={casts} />
      {passes > 1 && <Across height={height} lanes={across} />}
      {stretches.slice(1).map(({ stretch, fromM }) => (
        <line
          key={stretch}
          x1={xOf(fromM)}
          x2={xOf(fromM)}
          y1={0}
          y2={height + 10}
          stroke="currentColor"
          strokeWidth={2}
        />
      ))}
    </svg>
  )
}

/** Lanes along the bed, walked there and back, each with its casts: arcs from edge to edge, the way they fall. */
function Along({ height, lanes, casts }: { height: number; lanes: number; casts: number }) {
  const deep = height / lanes
  const step = (WIDTH - 2 * MARGIN) / casts
  return (
    <g fill="none">
      {Array.from({ length: lanes }, (_, lane) => {
        const y = 4 + deep * (lane + 0.5)
        const forward = lane % 2 === 0
        const bulge = (forward ? 1 : -1) * Math.min(step * 0.8, deep * 0.7)
        const arcs = Array.from({ length: casts }, (_, cast) => {
          const x = MARGIN + step * (cast + (forward ? 0.1 : 0.9))
          return `M${x.toFixed(1)} ${(y - deep * 0.46).toFixed(1)}q${bulge.toFixed(1)} ${(deep * 0.46).toFixed(1)} 0 ${(deep * 0.92).toFixed(1)}`
        })
        const [from, to, back] = forward ? [MARGIN + 8, WIDTH - 8, -1] : [WIDTH - 8, MARGIN + 8, 1]
        return (
          <g key={lane}>
            <path
              d={arcs.join('')}
              stroke="var(--root)"
              strokeWidth={2}
              strokeDasharray="0.5 4.5"
              strokeLinecap="round"
            />
            <path
              d={`M${from} ${y}H${to}m${back * 7} -4.5l${-back * 7} 4.5l${back * 7} 4.5`}
              stroke="var(--root)"
              strokeWidth={1.6}
            />
          </g>
        )
      })}
    </g>
  )
}

/** Lanes across it, walked from side to side. */
const Across = ({ height, lanes }: { height: number; lanes: number }) => (
  <g
    stroke="color-mix(in oklab, var(--dye-grass), white 60%)"
    strokeWidth={1.5}
    strokeDasharray="6 4"
    fill="none"
  >
    {Array.from({ length: lanes }, (_, lane) => {
      const x = MARGIN + ((WIDTH - 2 * MARGIN) * (lane + 0.5)) / lanes
      const [from, to, back] = lane % 2 === 0 ? [9, height - 1, -1] : [height - 1, 9, 1]
      return <path key={lane} d={`M${x} ${from}V${to}m-3.5 ${back * 5}l3.5 ${-back * 5}l3.5 ${back * 5}`} />
    })}
  </g>
)
