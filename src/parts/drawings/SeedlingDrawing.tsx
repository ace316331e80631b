import type { SeedlingForm } from '../../core/plants/seedlingForms'
import { Drawing, DYE, leaf } from './ink'

/** A seedling by its seed leaves and first leaf. */
export function SeedlingDrawing({ form, size }: { form: SeedlingForm; size?: number }) {
  const blade = form.seedLeaves === 'blade'
  const height = 26 * form.size
  const top = 75 - height
  return (
    <Drawing size={size}>
      <g transform="translate(30 75) scale(1.38) translate(-30 -75)">
        {!blade && (
          <path
            d={`M30 75V${top}`}
            stroke={form.id === 'buckwheat' || form.id === 'radish' ? DYE.red : 'currentColor'}
            strokeWidth={form.id === 'faba' || form.id === 'pea' ? 2.6 : 1.4}
          />
        )}
        {form.hairy &&
          [0.25, 0.45, 0.65].map((share) => (
            <path
              key={share}
              d={`M30 ${75 - height * share}h4M30 ${75 - height * share}h-4`}
              strokeWidth={0.6}
            />
          ))}
        <SeedLeafPair form={form} y={75 - height * 0.55} />
        <FirstLeaves form={form} y={top} />
      </g>
    </Drawing>
  )
}

function SeedLeafPair({ form, y }: { form: SeedlingForm; y: number }) {
  const s = form.size
  const pair = (length: number, width: number, angle = 82) =>
    [-1, 1].map((side) => (
      <path key={side} d={leaf(30, y, side * angle, length * s, width * s)} fill={DYE.pale} />
    ))
  switch (form.seedLeaves) {
    case 'round':
      return pair(7, 4)
    case 'oval':
      return pair(11, 3.8)
    case 'narrow':
      return pair(15, 1.9, 70)
    case 'heart':
    case 'kidney':
      return [-1, 1].map((side) => {
        const wide = form.seedLeaves === 'kidney' ? 9 : 7
        const x = (dx: number) => 30 + side * dx * s
        const at = (dx: number, dy: number) => `${x(dx)} ${y + dy * s}`
        return (
          <path
            key={side}
            d={`M${at(1, 0)}C${at(4, -wide)} ${at(12, -wide - 1)} ${at(14, -4)}C${at(14, -2)} ${at(12, -1)} ${at(11, 0)}C${at(12, 1)} ${at(14, 2)} ${at(14, 4)}C${at(12, wide + 1)} ${at(4, wide)} ${at(1, 0)}Z`}
            fill={DYE.pale}
          />
        )
      })
    default:
      return null
  }
}

function FirstLeaves({ form, y }: { form: SeedlingForm; y: number }) {
  const s = form.size
  const path = (angle: number, length: number, width: number, dx = 0, dy = 0) => (
    <path
      key={`${angle} ${dx} ${dy}`}
      d={leaf(30 + dx * s, y + dy * s, angle, length * s, width * s)}
      fill={DYE.green}
    />
  )
  switch (form.firstLeaf) {
    case 'blade':
      return [
        <path key="up" d={leaf(30, 75, 5, 52 * s, 3.2)} fill={DYE.green} />,
        <path key="side" d={leaf(30, 66, -32, 30 * s, 2.6)} fill={DYE.green} />,
      ]
    case 'fine blade':
      return [-20, -4, 14].map((angle) => (
        <path key={angle} d={leaf(30, 75, angle, (46 - Math.abs(angle)) * s, 1.1)} fill={DYE.green} />
      ))
    case 'single then three':
      return [path(-40, 12, 6), path(10, 13, 4.5, 8, -4), path(60, 13, 4.5, 8, -4), path(110, 13, 4.5, 8, -4)]
    case 'three':
      return [-65, 0, 65].map((angle) => path(angle, 13, 4.5))
    case 'pairs and tendril':
      return [
        ...[0, 9, 18].flatMap((dy) => [
          path(-62, 13, form.id === 'pea' ? 5 : 2.3, 0, dy),
          path(62, 13, form.id === 'pea' ? 5 : 2.3, 0, dy),
        ]),
        <path key="tendril" d={`M30 ${y}q1 -8 6 -9q5 0 4 4q-2 3 -4 0`} />,
      ]
    case 'lobed':
      return [path(-25, 20, 5), path(28, 16, 4.5), path(-70, 6, 2.5, 0, -2), path(70, 6, 2.5, 0, -2)]
    case 'ferny':
      return [-40, 0, 40].flatMap((angle) => [
        path(angle, 20, 0.9),
        path(angle - 24, 12, 0.8),
        path(angle + 24, 12, 0.8),
      ])
    case 'arrow':
      return (
        <path
          d={`M30 ${y - 20 * s}L${30 + 9 * s} ${y}L30 ${y - 4 * s}L${30 - 9 * s} ${y}Z`}
          fill={DYE.green}
        />
      )
    case 'fingers':
      return [-80, -40, 0, 40, 80].map((angle) => path(angle, 14, 3.4))
    case 'mealy':
      return [
        path(-30, 15, 4.5),
        path(30, 15, 4.5),
        ...[-5, 0, 5].map((dx) => (
          <circle key={`meal ${dx}`} cx={30 + dx} cy={y - 7} r={0.7} fill="currentColor" stroke="none" />
        )),
      ]
    case 'smooth':
      return [path(-22, 17, 4), path(24, 17, 4)]
  }
}
