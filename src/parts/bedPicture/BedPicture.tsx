import { useRef } from 'react'
import type { Quantiles } from '../../core/foundations/statistics'
import type { Scene } from '../../core/portrait/scene'
import { sceneWords } from '../../text/scene'
import { unitsOf, type Told } from '../../text/amounts'
import type { Units } from '../../text/format'
import { useWidth } from '../useSize'
import { CropPlants } from './CropPlants'
import { Mulch, Sheet, Snow, Soil } from './Ground'
import { Plants } from './Plants'
import { rulerMarks, rulerUnitM, scaleFor, yOf, type Scale } from './scale'

/** A bed from the side, to scale, as it is on a day: what stands, lies and roots there, with the range of its height. */
export function BedPicture({
  scene,
  tallestM,
  told,
  seed,
}: {
  scene: Scene
  tallestM: number
  told: Told
  seed: string
}) {
  const ref = useRef<HTMLDivElement>(null)
  const width = useWidth(ref)
  const units = unitsOf(told)
  const scale = scaleFor(Math.max(260, width), tallestM)
  // What lives on under a sheet is pressed flat and out of sight.
  const hidden = scene.sheet === 'black' || scene.sheet === 'cardboard'
  const tallest = scene.plants.reduce<Quantiles | null>(
    (most, { heightM }) => (most && most.p50 >= heightM.p50 ? most : heightM),
    null,
  )
  return (
    <div ref={ref} className="bed-picture" style={{ minHeight: scale.height }}>
      {width > 0 && (
        <svg width={scale.width} height={scale.height} role="img" aria-label={sceneWords(scene, told)}>
          <Ruler scale={scale} units={units} />
          <Soil scene={scene} scale={scale} />
          {scene.mulchAgeDays === null && <Mulch scene={scene} scale={scale} />}
          <Plants scene={scene} scale={scale} seed={seed} hidden={hidden} />
          {scene.mulchAgeDays !== null && <Mulch scene={scene} scale={scale} />}
          <Sheet scene={scene} scale={scale} />
          {scene.crop && <CropPlants crop={scene.crop} scale={scale} />}
          <Snow scene={scene} scale={scale} />
          {tallest && !hidden && tallest.p90 > 0.01 && (
            <HeightRange range={tallest} scale={scale} units={units} />
          )}
        </svg>
      )}
    </div>
  )
}

/** The ruler at the left: heights above the ground, depths below it. */
function Ruler({ scale, units }: { scale: Scale; units: Units }) {
  const { left, right } = scale
  return (
    <g className="quiet" fontSize={12} fill="currentColor" aria-hidden="true">
      <text x={left - 8} y={12} textAnchor="end" fontSize={11}>
        {units === 'imperial' ? 'in' : 'cm'}
      </text>
      {rulerMarks(scale.topM, units).map(({ atM, reads }) => {
        const y = yOf(scale, atM)
        return (
          <g key={reads}>
            <path d={`M${left} ${y}H${right}`} stroke="var(--color-base-300)" strokeWidth={0.8} />
            {y > 24 && (
              <text x={left - 8} y={y + 4} textAnchor="end">
                {reads}
              </text>
            )}
          </g>
        )
      })}
      <text x={left - 8} y={scale.groundY + 4} textAnchor="end">
        0
      </text>
      {rulerMarks(scale.depthM, units).map(({ atM, reads }) => (
        <text key={-reads} x={left - 8} y={Math.min(scale.height - 2, yOf(scale, -atM) + 4)} textAnchor="end">
          {reads}
        </text>
      ))}
    </g>
  )
}

/** How tall it may be: a bracket beside the plants. */
function HeightRange({ range, scale, units }: { range: Quantiles; scale: Scale; units: Units }) {
  const x = scale.right + 8
  const [low, high] = [range.p10, range.p90].map((heightM) => Math.round(heightM / rulerUnitM(units)))
  const top = yOf(scale, range.p90)
  const bottom = yOf(scale, range.p10)
  return (
    <g stroke="var(--color-base-content)" strokeWidth={1.6} fontSize={12} aria-hidden="true">
      <path d={`M${x - 4} ${top}H${x}V${bottom}H${x - 4}`} fill="none" />
      <text x={x + 4} y={(top + bottom) / 2 + 4} stroke="none" fill="currentColor">
        {low === high ? low : `${low}–${high}`}
      </text>
    </g>
  )
}
