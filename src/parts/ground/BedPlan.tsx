import { useId, useRef, useState, type PointerEvent } from 'react'
import type { Rectangle } from '../../core/garden/bed'
import { metres, type Units } from '../../text/format'
import { useWidth } from '../useSize'
import { edgeNear, planOf, stepsAlong, type Plan } from './plan'
import type { BedSize } from '../../core/garden/ground'

/** Something that lies on a bed: what stands on a part of it, or stays there. */
export type OnPlan = { id: string; label: string; place: Rectangle; stays?: boolean }

type Props = {
  bed: BedSize
  label: string
  units: Units
  lying: readonly OnPlan[]
  /** The piece that is meant, and what is told when another is drawn. */
  piece: Rectangle | null
  onPiece: (piece: Rectangle) => void
}

/** A drag shorter than this is a press, px. */
const SHORTEST_DRAG = 8

/** A bed from above, its start at the left: what lies where, and a piece of it that may be drawn with the pointer. */
export function BedPlan({ bed, label, units, lying, piece, onPiece }: Props) {
  const frame = useRef<HTMLDivElement>(null)
  const width = useWidth(frame)
  const hatching = useId()
  const plan = planOf(bed, width)
  const drawing = useDrawing(plan, units, onPiece)
  return (
    <div ref={frame} className="w-full max-w-3xl">
      {width > 0 && (
        <svg
          width={plan.width}
          height={plan.height}
          role="img"
          aria-label={`${label} from above${lying.map((one) => `; ${one.label}`).join('')}`}
          className="cursor-crosshair touch-pan-y select-none"
          {...drawing}
        >
          <defs>
            <pattern
              id={hatching}
              width="6"
              height="6"
              patternUnits="userSpaceOnUse"
              patternTransform="rotate(45)"
            >
              <line y2="6" className="stroke-base-content" strokeWidth="1.5" />
            </pattern>
          </defs>
          <Box plan={plan} place={plan.all} className="fill-base-200 stroke-base-content" />
          {lying.map((one) => (
            <Lying key={one.id} plan={plan} one={one} hatching={hatching} />
          ))}
          {piece && (
            <Box
              plan={plan}
              place={piece}
              className="fill-primary/25 stroke-primary"
              strokeWidth={3}
              testid="piece"
            />
          )}
          {stepsAlong(plan, units).map((atM) => (
            <text
              key={atM}
              x={plan.x(atM)}
              y={plan.height - 4}
              textAnchor={atM === 0 ? 'start' : 'middle'}
              className="fill-base-content text-xs tabular-nums"
            >
              {metres(atM, units)}
            </text>
          ))}
        </svg>
      )}
    </div>
  )
}

function Box({
  plan,
  place,
  className,
  strokeWidth = 1,
  fill,
  testid,
}: {
  plan: Plan
  place: Rectangle
  className: string
  strokeWidth?: number
  fill?: string
  testid?: string
}) {
  const [x, y] = [plan.x(place.fromM), plan.y(place.fromAcrossM)]
  return (
    <rect
      x={x}
      y={y}
      width={plan.x(place.toM) - x}
      height={plan.y(place.toAcrossM) - y}
      className={className}
      strokeWidth={strokeWidth}
      fill={fill}
      data-testid={testid}
    />
  )
}

/** Signs of a label that a px has room for. */
const SIGNS_PER_PX = 1 / 7

function Lying({
  plan,
  one: { label, place, stays },
  hatching,
}: {
  plan: Plan
  one: OnPlan
  hatching: string
}) {
  const room = (plan.x(place.toM) - plan.x(place.fromM) - 8) * SIGNS_PER_PX
  const words = label.length <= room ? label : room > 4 ? `${label.slice(0, Math.floor(room) - 1)}…` : ''
  return (
    <>
      {stays ? (
        <Box plan={plan} place={place} className="stroke-base-content" fill={`url(#${hatching})`} />
      ) : (
        <Box plan={plan} place={place} className="fill-base-300 stroke-base-content/60" />
      )}
      <text
        x={plan.x(place.fromM) + 4}
        y={stays ? plan.y(place.fromAcrossM) + 14 : plan.y(place.toAcrossM) - 6}
        className="fill-base-content stroke-base-200 text-xs font-semibold [paint-order:stroke] [stroke-width:4px]"
      >
        {words}
      </text>
    </>
  )
}

/** What the pointer draws on a plan: a piece from where it went down to where it is, on whole steps or on the edges. */
function useDrawing(plan: Plan, units: Units, onPiece: Props['onPiece']) {
  const [from, setFrom] = useState<{ x: number; y: number } | null>(null)
  const at = ({ currentTarget, clientX, clientY }: PointerEvent<SVGSVGElement>) => {
    const box = currentTarget.getBoundingClientRect()
    return { x: clientX - box.left, y: clientY - box.top }
  }
  const end = () => setFrom(null)
  return {
    onPointerDown: (event: PointerEvent<SVGSVGElement>) => {
      event.currentTarget.setPointerCapture?.(event.pointerId)
      setFrom(at(event))
    },
    onPointerMove: (event: PointerEvent<SVGSVGElement>) => {
      if (!from) return
      const to = at(event)
      if (Math.hypot(to.x - from.x, to.y - from.y) < SHORTEST_DRAG) return
      const along = [from.x, to.x].map((x) => edgeNear(plan.along(x), plan.all.toM, units))
      const across = [from.y, to.y].map((y) => edgeNear(plan.across(y), plan.all.toAcrossM, units))
      const piece = {
        fromM: Math.min(...along),
        toM: Math.max(...along),
        fromAcrossM: Math.min(...across),
        toAcrossM: Math.max(...across),
      }
      if (piece.toM > piece.fromM && piece.toAcrossM > piece.fromAcrossM) onPiece(piece)
    },
    onPointerUp: end,
    onPointerCancel: end,
  }
}
