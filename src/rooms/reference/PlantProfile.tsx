import type { Species } from '../../core/plants/parameters'
import { metres } from '../../text/format'
import { useGarden } from '../../state/garden'

const WIDTH = 320
const GROUND_Y = 150
/** Pixels per metre of shoot and of root; roots are drawn to the depth they usually reach. */
const SHOOT_PX_PER_M = 62
const ROOT_DEPTH_M = { fibrous: 0.6, branching: 0.5, tap: 0.9 } as const
const ROOT_PX_PER_M = 70

/** A plain drawing to scale: how tall it grows, how it stands, and what its roots are like. */
export function PlantProfile({ plant }: { plant: Species }) {
  const { data } = useGarden()
  const heightM = plant.parameters.heightM
  const top = GROUND_Y - Math.min(2.2, heightM) * SHOOT_PX_PER_M
  const depth = GROUND_Y + (ROOT_DEPTH_M[plant.rooting] + 0.12 * plant.rootPower) * ROOT_PX_PER_M
  return (
    <svg
      viewBox={`0 ${Math.min(top, GROUND_Y - 60) - 14} ${WIDTH} ${254 - Math.min(top, GROUND_Y - 60)}`}
      className="w-full max-w-80"
      role="img"
      aria-label={`${plant.name} in outline: ${plant.habit}, to ${metres(heightM, data.garden.units)}, ${plant.rooting} roots`}
      fill="none"
      strokeLinecap="round"
      strokeLinejoin="round"
    >
      <rect x={0} y={GROUND_Y} width={WIDTH} height={240 - GROUND_Y} fill="var(--color-base-200)" />
      <line x1={0} x2={WIDTH} y1={GROUND_Y} y2={GROUND_Y} stroke="var(--color-base-content)" />
      <g stroke="var(--color-primary)" strokeWidth={2}>
        {[90, 160, 230].map((x, i) => (
          <Shoot key={x} plant={plant} x={x} top={top + i * 3} />
        ))}
      </g>
      <g stroke="var(--color-secondary)" strokeWidth={1.3}>
        {[90, 160, 230].map((x) => (
          <Roots key={x} kind={plant.rooting} x={x} bottom={Math.min(236, depth)} />
        ))}
      </g>
      <g stroke="var(--color-base-content)" strokeWidth={1}>
        <line x1={22} x2={22} y1={GROUND_Y} y2={GROUND_Y - 0.5 * SHOOT_PX_PER_M} />
        <line x1={18} x2={26} y1={GROUND_Y - 0.5 * SHOOT_PX_PER_M} y2={GROUND_Y - 0.5 * SHOOT_PX_PER_M} />
      </g>
      <text x={12} y={GROUND_Y - 0.5 * SHOOT_PX_PER_M - 6} fontSize={11} fill="var(--color-base-content)">
        {metres(0.5, data.garden.units)}
      </text>
    </svg>
  )
}

function Shoot({ plant, x, top }: { plant: Species; x: number; top: number }) {
  const height = GROUND_Y - top
  if (plant.group === 'grass')
    return (
      <>
        {[-1, -0.4, 0.3, 1].map((lean) => (
          <path
            key={lean}
            d={`M${x} ${GROUND_Y}Q${x + lean * 6} ${GROUND_Y - height * 0.6} ${x + lean * 16} ${top + Math.abs(lean) * 10}`}
          />
        ))}
        {[0.45, 0.7].map((at) => (
          <path key={at} d={`M${x} ${GROUND_Y - height * at}q14 -14 26 2`} />
        ))}
      </>
    )
  if (plant.habit === 'rosette')
    return (
      <>
        {[-40, -24, -8, 8, 24, 40].map((dx) => (
          <path key={dx} d={`M${x} ${GROUND_Y}q${dx * 0.5} ${-height * 0.35 - 14} ${dx} ${-height * 0.25}`} />
        ))}
      </>
    )
  if (plant.habit === 'climbing')
    return (
      <path
        d={`M${x} ${GROUND_Y}${Array.from({ length: 5 }, (_, i) => `q${i % 2 ? -26 : 26} ${-height / 10} 0 ${-height / 5}`).join('')}q10 -4 8 6`}
      />
    )
  if (plant.habit === 'spreading')
    return (
      <>
        {[-30, 0, 30].map((dx) => (
          <path
            key={dx}
            d={`M${x} ${GROUND_Y}q${dx * 0.4} ${-height * 0.9} ${dx} ${-height * 0.8}m-5 0a5 4 0 1 0 10 0a5 4 0 1 0 -10 0`}
          />
        ))}
      </>
    )
  return (
    <>
      <path d={`M${x} ${GROUND_Y}L${x} ${top}`} />
      {[0.3, 0.5, 0.7, 0.88].map((at, i) => (
        <path key={at} d={`M${x} ${GROUND_Y - height * at}q${i % 2 ? -18 : 18} -4 ${i % 2 ? -24 : 24} 6`} />
      ))}
    </>
  )
}

function Roots({ kind, x, bottom }: { kind: Species['rooting']; x: number; bottom: number }) {
  const depth = bottom - GROUND_Y
  if (kind === 'tap')
    return (
      <>
        <path strokeWidth={3} d={`M${x} ${GROUND_Y}L${x} ${bottom}`} />
        {[0.25, 0.5, 0.75].map((at, i) => (
          <path key={at} d={`M${x} ${GROUND_Y + depth * at}q${i % 2 ? -12 : 12} 4 ${i % 2 ? -18 : 18} 12`} />
        ))}
      </>
    )
  const fan = kind === 'fibrous' ? [-30, -20, -10, 0, 10, 20, 30] : [-26, -9, 9, 26]
  return fan.map((dx) => (
    <path
      key={dx}
      d={`M${x} ${GROUND_Y}q${dx * 0.3} ${depth * 0.5} ${dx} ${depth * (1 - Math.abs(dx) / 80)}`}
    />
  ))
}
