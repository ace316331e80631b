import { memo, useId, useMemo } from 'react'
import type { PlantGroup } from '../../core/plants/parameters'
import type { Scene } from '../../core/portrait/scene'
import { INKS, type Ink } from './pen'
import type { Scale } from './scale'
import { rootOutlines, standOutlines } from './standOutlines'

const DYES: Record<PlantGroup, string> = {
  grass: 'var(--dye-grass)',
  legume: 'var(--dye-legume)',
  broadleaf: 'var(--dye-broadleaf)',
}
/** Far plants fade into the wool. */
const NEARNESS = [58, 80, 100]
const RIPE_BBCH = 83

/** All plants of a scene, the far ones first; each group in its dye, stages told by shape. */
export const Plants = memo(function Plants({
  scene,
  scale,
  seed,
  hidden,
}: {
  scene: Scene
  scale: Scale
  seed: string
  /** Only their roots are seen. */
  hidden: boolean
}) {
  const outlines = useMemo(() => standOutlines(scene, scale, seed), [scene, scale, seed])
  const roots = useMemo(() => rootOutlines(scene, scale, seed), [scene, scale, seed])
  const below = useId()
  const above = useId()
  const ripe = scene.plants.some(({ bbch }) => bbch >= RIPE_BBCH)
  return (
    <>
      <clipPath id={below}>
        <rect
          x={scale.left}
          y={scale.groundY}
          width={scale.right - scale.left}
          height={scale.height - scale.groundY}
        />
      </clipPath>
      <g clipPath={`url(#${below})`} fill="none" stroke="var(--root)" strokeLinecap="round">
        <path d={roots.fine} strokeWidth={0.8} opacity={0.6} />
        <path d={roots.stout} strokeWidth={2} opacity={0.8} />
      </g>
      <clipPath id={above}>
        <rect x={scale.left} y={0} width={scale.right - scale.left} height={scale.height} />
      </clipPath>
      <g clipPath={`url(#${above})`}>
        {(hidden ? [] : [0, 1, 2]).map((layer) =>
          outlines
            .filter((of) => of.layer === layer)
            .map(({ group, nth, paths }) => (
              <g key={`${layer} ${group} ${nth}`}>
                {INKS.map((ink) => (
                  <InkPath
                    key={ink}
                    ink={ink}
                    path={paths[ink]}
                    dye={faded(DYES[group], layer, nth)}
                    layer={layer}
                    ripe={ripe}
                    group={group}
                  />
                ))}
              </g>
            )),
        )}
      </g>
    </>
  )
})

/** A dye as it looks so far back; a second species of a group is a shade lighter. */
const faded = (dye: string, layer: number, nth: number) =>
  `color-mix(in oklab, ${dye} ${Math.max(35, NEARNESS[layer] - 26 * nth)}%, var(--color-base-100))`

function InkPath({
  ink,
  path,
  dye,
  layer,
  ripe,
  group,
}: {
  ink: Ink
  path: string
  dye: string
  layer: number
  ripe: boolean
  group: PlantGroup
}) {
  if (path === '') return null
  const fine = { fill: 'none', strokeLinecap: 'round', strokeLinejoin: 'round' } as const
  if (ink === 'stroke') return <path d={path} {...fine} stroke={dye} strokeWidth={layer === 2 ? 1.5 : 1.2} />
  if (ink === 'light') return <path d={path} {...fine} stroke={dye} strokeWidth={0.6} />
  if (ink === 'face') return <path d={path} fill={dye} />
  const flower = group === 'broadleaf' ? 'var(--dye-legume)' : group === 'legume' ? 'var(--flower)' : dye
  const fruit = ripe ? 'var(--straw-0)' : dye
  return <path d={path} fill={ink === 'flower' ? flower : fruit} stroke={dye} strokeWidth={0.6} />
}
