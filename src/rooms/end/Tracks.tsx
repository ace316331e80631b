import { useRef, type PointerEvent } from 'react'
import type { CutOutcome } from '../../core/scenario/regrowth'
import type { Species } from '../../core/plants/parameters'
import type { Told } from '../../text/amounts'
import { shortDate } from '../../text/format'
import { useWidth } from '../../parts/useSize'
import { placeKnots, stageKnots, tracksOf, type PlacedKnot, type Track } from './tracks'

const LEFT = 64
const RIGHT = 16
/** Half of the slider's thumb, px: its middle, not its edge, stands over the date. */
const THUMB = 10
const HEAD = 20
const TALL = 110
const LOW = 46
const GAP = 14
const KNOT_ROW = 15

const INK = 'var(--color-base-content)'

/** Everything that moves with the cutting date, one strip under the other over the same dates; drag anywhere on it. */
export function Tracks({
  points,
  day,
  onDay,
  told,
  plants,
}: {
  points: readonly CutOutcome[]
  day: number
  onDay: (day: number) => void
  told: Told
  plants: readonly Species[]
}) {
  const frame = useRef<HTMLDivElement>(null)
  const width = Math.max(280, useWidth(frame) || 640)
  const first = points[0].day
  const last = points[points.length - 1].day
  const x = (at: number) => LEFT + ((at - first) / Math.max(1, last - first)) * (width - LEFT - RIGHT)
  const tracks = tracksOf(points, told)
  const knots = placeKnots(stageKnots(points, plants), x, width)
  const knotsTop = knots.length > 0 ? (Math.max(...knots.map((knot) => knot.row)) + 1) * KNOT_ROW + 6 : 0
  const heights = tracks.map((track) => HEAD + (track.tall ? TALL : LOW) + GAP)
  const bottom = knotsTop + heights.reduce((sum, height) => sum + height, 0)
  const dragTo = (event: PointerEvent<SVGSVGElement>) => {
    const at = event.clientX - event.currentTarget.getBoundingClientRect().left
    const share = (at - LEFT) / (width - LEFT - RIGHT)
    onDay(Math.round(first + Math.min(1, Math.max(0, share)) * (last - first)))
  }
  return (
    <div ref={frame}>
      <input
        type="range"
        className="range range-primary range-sm block"
        style={{ marginLeft: LEFT - THUMB, width: width - LEFT - RIGHT + 2 * THUMB }}
        aria-label="Drag the cutting date"
        aria-valuetext={shortDate(day)}
        min={first}
        max={last}
        value={day}
        onChange={(event) => onDay(Number(event.target.value))}
      />
      <svg
        width={width}
        height={bottom + 22}
        className="mt-1 block cursor-ew-resize touch-pan-y"
        role="img"
        aria-label={`Stems, finishing, mulch, nitrogen and the chance to plant in time by cutting date, from ${shortDate(first)} to ${shortDate(last)}`}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId)
          dragTo(event)
        }}
        onPointerMove={(event) => event.buttons > 0 && dragTo(event)}
      >
        {knots.map((knot) => (
          <KnotMark key={knot.name} knot={knot} bottom={bottom} />
        ))}
        {tracks.map((track, i) => (
          <TrackStrip
            key={track.title}
            track={track}
            points={points}
            x={x}
            right={width - RIGHT}
            top={knotsTop + heights.slice(0, i).reduce((sum, height) => sum + height, 0)}
          />
        ))}
        <line
          x1={x(day)}
          x2={x(day)}
          y1={0}
          y2={bottom}
          stroke="var(--color-secondary)"
          strokeWidth={2}
          pointerEvents="none"
        />
        {[first, (first + last) / 2, last].map((at, i) => (
          <text
            key={at}
            x={x(at)}
            y={bottom + 16}
            fontSize={12}
            textAnchor={i === 0 ? 'start' : i === 2 ? 'end' : 'middle'}
            fill={INK}
          >
            {shortDate(at)}
          </text>
        ))}
      </svg>
    </div>
  )
}

/** A stage with a fine line through everything that stood at it. */
function KnotMark({ knot, bottom }: { knot: PlacedKnot; bottom: number }) {
  const y = (knot.row + 1) * KNOT_ROW
  return (
    <g>
      <line
        x1={knot.x}
        x2={knot.x}
        y1={y - 10}
        y2={bottom}
        stroke={INK}
        strokeOpacity={0.25}
        strokeDasharray="2 4"
      />
      <text
        x={knot.x + (knot.left ? -4 : 4)}
        y={y}
        fontSize={12}
        textAnchor={knot.left ? 'end' : 'start'}
        fill={INK}
      >
        {knot.name}
      </text>
    </g>
  )
}

function TrackStrip({
  track,
  points,
  x,
  right,
  top,
}: {
  track: Track
  points: readonly CutOutcome[]
  x: (day: number) => number
  right: number
  top: number
}) {
  const height = track.tall ? TALL : LOW
  const base = top + HEAD + height
  const y = (value: number) => base - ((value - track.low) / (track.high - track.low)) * height
  const line = points.map((point) => `${x(point.day).toFixed(1)} ${y(track.value(point)).toFixed(1)}`)
  return (
    <g>
      <text x={LEFT} y={top + 13} fontSize={12} fontWeight={600} fill={INK}>
        {track.title}
      </text>
      {[track.low, track.high].map((value) => (
        <g key={value}>
          <line x1={LEFT} x2={right} y1={y(value)} y2={y(value)} stroke="var(--color-base-300)" />
          <text x={LEFT - 6} y={y(value) + 4} fontSize={12} textAnchor="end" fill={INK}>
            {value === 0 ? '0' : track.words(value)}
          </text>
        </g>
      ))}
      {track.low < 0 && <line x1={LEFT} x2={right} y1={y(0)} y2={y(0)} stroke={INK} strokeOpacity={0.5} />}
      {track.range ? (
        points.map((point) => {
          const range = track.range!(point)
          return (
            <g key={point.day}>
              <line
                x1={x(point.day)}
                x2={x(point.day)}
                y1={y(range.p10)}
                y2={y(range.p90)}
                stroke="var(--color-primary)"
                strokeOpacity={0.4}
                strokeWidth={7}
              />
              <circle cx={x(point.day)} cy={y(track.value(point))} r={4} fill="var(--color-primary)" />
            </g>
          )
        })
      ) : (
        <path
          d={`M${x(points[0].day)} ${y(0)}L${line.join('L')}L${x(points[points.length - 1].day)} ${y(0)}Z`}
          fill="var(--color-primary)"
          fillOpacity={0.25}
          stroke="none"
        />
      )}
      {!track.range && (
        <path d={`M${line.join('L')}`} fill="none" stroke="var(--color-primary)" strokeWidth={1.5} />
      )}
    </g>
  )
}
