import type { Glance } from '../../actions/recordGrowing'
import { DYE, leaf } from '../drawings/ink'

const WIDTH = 160
const GROUND = 44
/** Tufts along a bed: how many, how tall, and with how many leaves. */
const TUFTS: Record<Glance, { count: number; tall: number; leaves: number }> = {
  'just up': { count: 9, tall: 13, leaves: 3 },
  'half green': { count: 11, tall: 22, leaves: 5 },
  closed: { count: 19, tall: 38, leaves: 7 },
}

/** A stretch of bed from the side as it looks in passing; decorative beside its words. */
export function GlanceDrawing({ glance }: { glance: Glance }) {
  const { count, tall, leaves } = TUFTS[glance]
  return (
    <svg
      viewBox={`0 0 ${WIDTH} 52`}
      className="h-12 w-full"
      aria-hidden="true"
      fill={DYE.green}
      stroke="currentColor"
      strokeWidth={0.8}
      strokeLinejoin="round"
    >
      <path
        d={`M0 ${GROUND}H${WIDTH}V52H0Z`}
        fill="color-mix(in oklab, var(--color-base-content) 18%, var(--color-base-100))"
        stroke="none"
      />
      {Array.from({ length: count }, (_, i) => {
        const x = ((i + 0.5) * WIDTH) / count
        return Array.from({ length: leaves }, (_, k) => {
          const turn = leaves === 1 ? 0 : (k / (leaves - 1) - 0.5) * 95
          const length = tall * (1 - Math.abs(turn) / 190) * (0.86 + 0.14 * ((i * 7 + k * 3) % 3))
          return <path key={`${i} ${k}`} d={leaf(x, GROUND, turn, length, tall / 9)} />
        })
      })}
      <path d={`M0 ${GROUND}H${WIDTH}`} strokeWidth={1} />
    </svg>
  )
}
