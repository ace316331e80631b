import type { BoardPlan } from '../../core/termination/board'
import type { CardboardPlan, Ground, LanePlan, SheetPlan } from '../../core/termination/workPlan'
import { centimetres, metres, shortDate, type Units } from '../../text/format'
import { GroundDrawing } from './GroundDrawing'

type Common = { ground: Ground; units: Units }
const INK = 'var(--color-base-content)'

/** Where the board is set down, run by run. */
export function BoardDrawing({ ground, units, plan }: Common & { plan: BoardPlan }) {
  const perRun = plan.steps / plan.runs
  const width = Math.min(plan.boardM, ground.widthM)
  return (
    <GroundDrawing
      ground={ground}
      units={units}
      marginM={0.4}
      label={`Board set down ${plan.steps} times in ${plan.runs} runs`}
    >
      {(px) =>
        Array.from({ length: plan.runs }, (_, run) => {
          const top = Math.min(run * plan.boardM, Math.max(0, ground.widthM - width))
          return (
            <g key={run}>
              {Array.from({ length: perRun }, (_, step) => (
                <line
                  key={step}
                  x1={px((step + 0.5) * plan.stepM)}
                  x2={px((step + 0.5) * plan.stepM)}
                  y1={px(top) + 2}
                  y2={px(top + width) - 2}
                  stroke="var(--color-secondary)"
                  strokeWidth={1.6}
                />
              ))}
              <path
                d={`M4 ${px(top + width / 2)}h${px(ground.lengthM) - 12}l-6 -4m6 4l-6 4`}
                fill="none"
                stroke={INK}
                strokeWidth={1}
              />
            </g>
          )
        })
      }
    </GroundDrawing>
  )
}

/** The sheet over the ground with its weights along every edge. */
export function SheetDrawing({ ground, units, plan, clear }: Common & { plan: SheetPlan; clear: boolean }) {
  const along = plan.sheet?.alongM ?? plan.wantedAlongM
  const across = plan.sheet?.acrossM ?? plan.wantedAcrossM
  const x0 = (ground.lengthM - along) / 2
  const y0 = (ground.widthM - across) / 2
  const spots = (count: number, length: number) =>
    Array.from({ length: count }, (_, i) => (count === 1 ? length / 2 : (i * length) / (count - 1)))
  const weights = [
    ...spots(plan.weightsLong, along).flatMap((x) => [
      [x0 + x, y0],
      [x0 + x, y0 + across],
    ]),
    ...spots(plan.weightsShort + 2, across)
      .slice(1, -1)
      .flatMap((y) => [
        [x0, y0 + y],
        [x0 + along, y0 + y],
      ]),
  ]
  return (
    <GroundDrawing
      ground={ground}
      units={units}
      marginM={Math.max(0.5, -x0 + 0.3, -y0 + 0.3)}
      label={`Sheet of ${metres(along, units)} by ${metres(across, units)} with ${plan.weights} weights`}
    >
      {(px) => (
        <>
          <rect
            x={px(x0)}
            y={px(y0)}
            width={px(along)}
            height={px(across)}
            fill={clear ? 'var(--color-info)' : INK}
            fillOpacity={clear ? 0.15 : 0.3}
            stroke={INK}
            strokeDasharray={clear ? '5 3' : undefined}
          />
          {weights.map(([x, y], i) => (
            <circle key={i} cx={px(x)} cy={px(y)} r={3.5} fill="var(--color-secondary)" stroke={INK} />
          ))}
        </>
      )}
    </GroundDrawing>
  )
}

/** Boxes in rows, each over the edge of the last. */
export function CardboardDrawing({ ground, units, plan }: Common & { plan: CardboardPlan }) {
  const stepX = plan.boxAlongM - plan.overlapM
  const stepY = plan.boxAcrossM - plan.overlapM
  const x0 = (ground.lengthM - (plan.columns * stepX + plan.overlapM)) / 2
  const y0 = (ground.widthM - (plan.rows * stepY + plan.overlapM)) / 2
  return (
    <GroundDrawing
      ground={ground}
      units={units}
      marginM={Math.max(0.4, -x0 + 0.2, -y0 + 0.2)}
      label={`${plan.sheets} boxes in ${plan.rows} rows`}
    >
      {(px) =>
        Array.from({ length: plan.sheets }, (_, i) => (
          <rect
            key={i}
            x={px(x0 + (i % plan.columns) * stepX)}
            y={px(y0 + Math.floor(i / plan.columns) * stepY)}
            width={px(plan.boxAlongM)}
            height={px(plan.boxAcrossM)}
            fill="var(--color-accent)"
            fillOpacity={0.35}
            stroke={INK}
            strokeWidth={0.8}
          />
        ))
      }
    </GroundDrawing>
  )
}

/** Strips in the order they are worked, with their days. */
export function LanesDrawing({ ground, units, lanes }: Common & { lanes: readonly LanePlan[] }) {
  return (
    <GroundDrawing
      ground={ground}
      units={units}
      marginM={0.4}
      label={`${lanes.length} strips one after the other`}
    >
      {(px) =>
        lanes.map((lane) => (
          <g key={lane.order}>
            <rect
              x={px(lane.fromM)}
              width={px(lane.toM - lane.fromM)}
              height={px(ground.widthM)}
              fill="var(--color-primary)"
              fillOpacity={0.12 + (0.4 * (lane.order - 1)) / lanes.length}
              stroke={INK}
              strokeDasharray="4 3"
            />
            <text
              x={px((lane.fromM + lane.toM) / 2)}
              y={px(ground.widthM / 2) + 4}
              fontSize={12}
              textAnchor="middle"
              fill={INK}
            >
              {lane.order}: {shortDate(lane.day)}
            </text>
          </g>
        ))
      }
    </GroundDrawing>
  )
}

/** A covering over chopped growth, cut through from the side. */
export function LayerDrawing({ depthM, board, units }: { depthM: number; board: boolean; units: Units }) {
  const depth = Math.max(10, depthM * 500)
  return (
    <svg
      viewBox="0 0 360 170"
      className="h-auto w-full max-w-md"
      role="img"
      aria-label={`Covering of ${centimetres(depthM, units)} over chopped growth`}
    >
      <rect x={20} y={110} width={320} height={50} fill="var(--color-base-300)" />
      <rect
        x={20}
        y={110 - depth - 10}
        width={320}
        height={depth}
        fill="var(--color-accent)"
        fillOpacity={0.45}
        stroke={INK}
      />
      {Array.from({ length: 40 }, (_, i) => (
        <path
          key={i}
          d={`M${24 + i * 8} ${109 - (i % 3)}l7 -${4 + (i % 4)}`}
          stroke="var(--color-primary)"
          strokeWidth={1.6}
        />
      ))}
      {board && (
        <>
          <rect x={12} y={20} width={8} height={140} fill="none" stroke={INK} strokeWidth={1.5} />
          <rect x={340} y={20} width={8} height={140} fill="none" stroke={INK} strokeWidth={1.5} />
        </>
      )}
      <text x={180} y={110 - depth / 2 - 6} fontSize={12} textAnchor="middle" fill={INK}>
        {centimetres(depthM, units)} of compost
      </text>
      <text x={180} y={140} fontSize={12} textAnchor="middle" fill={INK}>
        soil, chopped growth on it
      </text>
    </svg>
  )
}

/** Stems of each plant with the height they are cut at. */
export function CutDrawing({
  plants,
  units,
}: {
  plants: readonly { name: string; heightM: number; cutM: number }[]
  units: Units
}) {
  const tallest = Math.max(0.3, ...plants.map((plant) => plant.heightM))
  const y = (height: number) => 150 - (height / tallest) * 125
  return (
    <svg
      viewBox={`0 0 ${40 + plants.length * 190} 185`}
      className="h-auto w-full max-w-xl"
      role="img"
      aria-label="Height each plant is cut at"
    >
      <line x1={10} x2={30 + plants.length * 190} y1={150} y2={150} stroke={INK} />
      {plants.map((plant, i) => (
        <g key={plant.name} transform={`translate(${30 + i * 190} 0)`}>
          {Array.from({ length: 5 }, (_, stem) => (
            <path
              key={stem}
              d={`M${stem * 20} 150C${stem * 20 + 3} ${y(plant.heightM * 0.5)} ${stem * 20 - 4} ${y(plant.heightM * 0.7)} ${stem * 20 + 4} ${y(plant.heightM * (0.9 + 0.03 * (stem % 3)))}`}
              fill="none"
              stroke="var(--color-primary)"
              strokeWidth={2.5}
            />
          ))}
          <line
            x1={-12}
            x2={108}
            y1={y(plant.cutM) - 1}
            y2={y(plant.cutM) - 1}
            stroke="var(--color-secondary)"
            strokeWidth={2}
            strokeDasharray="6 3"
          />
          <text x={0} y={172} fontSize={12} fill={INK}>
            {plant.name}: cut at {plant.cutM === 0 ? 'the ground' : centimetres(plant.cutM, units)}
          </text>
        </g>
      ))}
    </svg>
  )
}
