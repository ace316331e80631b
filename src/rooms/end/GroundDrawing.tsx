import { useRef, type ReactNode } from 'react'
import type { Ground } from '../../core/termination/workPlan'
import { metres, type Units } from '../../text/format'
import { useWidth } from '../../parts/useSize'

/** Widest and highest a drawing gets, px; its size follows from the room there is and the ground. */
const WIDEST_PX = 720
const MOST_HIGH_PX = 320

/** Turns metres on the ground into px of the drawing. */
type ToPx = (metres: number) => number

/**
 * The ground seen from above, to scale, its length from left to right, with room of `marginM` around it.
 * What lies on it is drawn by the child in px of the ground's own corner.
 */
export function GroundDrawing({
  ground,
  marginM,
  units,
  label,
  drawn = 'the ground',
  children,
}: {
  ground: Ground
  marginM: number
  units: Units
  label: string
  /** What is drawn, where it is not the ground itself. */
  drawn?: string
  children: (px: ToPx) => ReactNode
}) {
  const frame = useRef<HTMLElement>(null)
  const room = Math.min(WIDEST_PX, useWidth(frame) || WIDEST_PX)
  const scale = Math.min(room / (ground.lengthM + 2 * marginM), MOST_HIGH_PX / (ground.widthM + 2 * marginM))
  const px: ToPx = (value) => value * scale
  const width = px(ground.lengthM + 2 * marginM)
  const height = px(ground.widthM + 2 * marginM)
  const bar = ground.lengthM >= 6 ? 2 : 1
  return (
    <figure ref={frame} className="m-0 w-full">
      <svg width={width} height={height} role="img" aria-label={label}>
        <g transform={`translate(${px(marginM)} ${px(marginM)})`}>
          <rect
            width={px(ground.lengthM)}
            height={px(ground.widthM)}
            fill="var(--color-base-200)"
            stroke="var(--color-base-content)"
            strokeWidth={1.5}
          />
          {children(px)}
        </g>
      </svg>
      <figcaption className="flex flex-wrap items-center gap-2 text-sm">
        <svg width={px(bar) + 2} height={8} aria-hidden="true">
          <path d={`M1 0v6h${px(bar)}v-6`} fill="none" stroke="var(--color-base-content)" />
        </svg>
        {metres(bar, units)}; {drawn} is {metres(ground.lengthM, units)} × {metres(ground.widthM, units)}
      </figcaption>
    </figure>
  )
}
