import { randomStream } from '../../core/foundations/random'
import type { Scene } from '../../core/portrait/scene'
import { Pen } from './pen'
import type { Scale } from './scale'

const SEED_LAYER_M = 0.05
/** Thinner mulch than this is not drawn, px. */
const LEAST_PX = 1.5
/** Days after which mulch has lost its colour. */
const BLEACHED_DAYS = 120

/** Soil down to the picture's edge: the seed layer and what lies below, each darker the wetter it is. */
export function Soil({ scene, scale }: { scene: Scene; scale: Scale }) {
  const { left, right, groundY, pxPerM, height } = scale
  const width = right - left
  const seedPx = Math.min(SEED_LAYER_M * pxPerM, height - groundY)
  return (
    <g>
      <rect x={left} y={groundY} width={width} height={height - groundY} fill="var(--soil)" />
      <rect
        x={left}
        y={groundY}
        width={width}
        height={seedPx}
        fill="var(--soil-wet)"
        opacity={0.15 + 0.7 * scene.wetTop}
      />
      <rect
        x={left}
        y={groundY + seedPx}
        width={width}
        height={Math.max(0, height - groundY - seedPx)}
        fill="var(--soil-wet)"
        opacity={0.25 + 0.7 * scene.wetBelow}
      />
      <path d={crumbs(scale)} fill="var(--soil-crumb)" opacity={0.55} />
      <path d={`M${left} ${groundY}H${right}`} stroke="var(--color-base-content)" strokeWidth={1.2} />
    </g>
  )
}

function crumbs({ left, right, groundY, height }: Scale): string {
  const random = randomStream(31)
  const pen = new Pen()
  for (let i = 0; i < (right - left) / 5; i++)
    pen.dot(
      'face',
      {
        x: left + 2 + random.uniform() * (right - left - 4),
        y: groundY + 3 + random.uniform() * (height - groundY - 5),
      },
      0.5 + random.uniform(),
    )
  return pen.path('face')
}

/** Mulch to its depth, straw over straw; green at first, grey when it is old. */
export function Mulch({ scene, scale }: { scene: Scene; scale: Scale }) {
  const depth = scene.mulchM.p50 * scale.pxPerM
  if (depth < LEAST_PX) return null
  const age = Math.min(1, (scene.mulchAgeDays ?? BLEACHED_DAYS / 2) / BLEACHED_DAYS)
  const tones = straws(scale, depth)
  return (
    <g fill="none" strokeLinecap="round" strokeWidth={1.7}>
      <rect
        x={scale.left}
        y={scale.groundY - depth * 0.8}
        width={scale.right - scale.left}
        height={depth * 0.8}
        fill="var(--straw-shade)"
      />
      {tones.map((path, i) => (
        <path
          key={i}
          d={path}
          stroke={`color-mix(in oklab, var(--straw-${i}) ${Math.round(100 - 55 * age)}%, var(--straw-old))`}
        />
      ))}
    </g>
  )
}

const TONES = 3

function straws({ left, right, groundY }: Scale, depth: number): string[] {
  const random = randomStream(77)
  const pens = Array.from({ length: TONES }, () => new Pen())
  const count = Math.round(((right - left) / 7) * Math.max(1, depth / 5))
  for (let i = 0; i < count; i++) {
    const length = 12 + 40 * random.uniform()
    const x = left + random.uniform() * (right - left)
    const y = groundY - 1 - random.uniform() * depth
    const tilt = (random.uniform() - 0.5) * Math.min(7, depth)
    const from = { x: Math.max(left, x - length / 2), y: Math.min(groundY - 0.5, y - tilt / 2) }
    const to = { x: Math.min(right, x + length / 2), y: Math.min(groundY - 0.5, y + tilt / 2) }
    pens[i % TONES].arc('stroke', from, { x, y: y - 2 * random.uniform() }, to)
  }
  return pens.map((pen) => pen.path('stroke'))
}

/** A sheet over the ground and what lies on it, with the weights that hold it. */
export function Sheet({ scene, scale }: { scene: Scene; scale: Scale }) {
  if (!scene.sheet) return null
  const { left, right, groundY, pxPerM } = scale
  const y = groundY - Math.max(3, scene.mulchM.p50 * pxPerM + 2)
  const waves = Math.max(2, Math.round((right - left) / 70))
  const step = (right - left) / waves
  const path = Array.from(
    { length: waves },
    (_, i) => `Q${left + step * (i + 0.5)} ${y - (i % 2 ? 3 : -2)} ${left + step * (i + 1)} ${y}`,
  ).join('')
  const clear = scene.sheet === 'clear'
  return (
    <g>
      <path
        d={`M${left} ${y}${path}V${groundY}H${left}Z`}
        fill={clear ? 'var(--film)' : scene.sheet === 'black' ? 'var(--sheet)' : 'var(--straw-old)'}
        opacity={clear ? 0.45 : 1}
        stroke="var(--color-base-content)"
        strokeWidth={scene.sheet === 'cardboard' ? 0.6 : 1}
      />
      {Array.from({ length: waves - 1 }, (_, i) => (
        <ellipse
          key={i}
          cx={left + step * (i + 1)}
          cy={y - 3}
          rx={8}
          ry={4}
          fill="var(--soil-wet)"
          stroke="var(--color-base-content)"
          strokeWidth={0.7}
        />
      ))}
    </g>
  )
}

/** Snow to its depth. */
export function Snow({ scene, scale }: { scene: Scene; scale: Scale }) {
  const depth = scene.snowM * scale.pxPerM
  if (depth < 1) return null
  const { left, right, groundY } = scale
  const waves = Math.max(2, Math.round((right - left) / 60))
  const step = (right - left) / waves
  const top = groundY - depth
  const path = Array.from(
    { length: waves },
    (_, i) => `Q${left + step * (i + 0.5)} ${top - 3} ${left + step * (i + 1)} ${top}`,
  ).join('')
  return (
    <path
      d={`M${left} ${top}${path}V${groundY}H${left}Z`}
      fill="var(--snow)"
      stroke="var(--color-base-content)"
      strokeWidth={0.4}
      opacity={0.92}
    />
  )
}
