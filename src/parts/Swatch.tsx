import type { PlantGroup } from '../core/plants/parameters'
import { MOTIFS } from './weave/motifs'
import { LIGHT_YARNS, type Rgb } from './weave/palette'

const css = ([r, g, b]: Rgb) => `rgb(${r} ${g} ${b})`

/** A scrap of the group's weave, so that a name in a list can be found on the loom. */
export function Swatch({ groups, size = 2 }: { groups: readonly PlantGroup[]; size?: number }) {
  return (
    <svg
      width={24 * size}
      height={12 * size}
      aria-hidden="true"
      className="shrink-0"
      shapeRendering="crispEdges"
    >
      {Array.from({ length: 12 }, (_, y) => {
        const group = groups[Math.floor((y * groups.length) / 12)] ?? 'grass'
        const motif = MOTIFS[group]
        const yarn = LIGHT_YARNS.groups[group]
        return Array.from({ length: 24 }, (_, x) => {
          const mark = motif.cells[(y % motif.height) * motif.width + (x % motif.width)]
          return (
            <rect
              key={`${x} ${y}`}
              x={x * size}
              y={y * size}
              width={size}
              height={size}
              fill={css(mark === 1 ? yarn.main : mark === 2 ? yarn.accent : yarn.ground)}
            />
          )
        })
      })}
    </svg>
  )
}
