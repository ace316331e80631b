import { useEffect } from 'react'
import { useLocation } from 'react-router'
import type { PlantGroup } from '../../core/plants/parameters'
import { stagesOf } from '../../core/stand/stage'
import { StageDrawing } from '../../parts/drawings/StageDrawing'

const GROUPS: readonly (readonly [PlantGroup, string])[] = [
  ['grass', 'Grasses and cereals'],
  ['legume', 'Legumes'],
  ['broadleaf', 'Other broadleaves'],
]

/** Every stage with its drawing, by group; links from stage words lead to their own. */
export function StagesReference() {
  const { hash } = useLocation()
  useEffect(() => {
    if (hash.startsWith('#stage-'))
      document.getElementById(hash.slice(1))?.scrollIntoView({ block: 'center' })
  }, [hash])
  return (
    <section className="mt-8" aria-label="Stages">
      <h2>Stages</h2>
      {GROUPS.map(([group, name]) => (
        <div key={group}>
          <h3 className="mt-3">{name}</h3>
          <ul className="mt-1 flex flex-wrap gap-2">
            {stagesOf(group).map((stage) => {
              const id = `stage-${group}-${stage.bbch}`
              return (
                <li
                  key={id}
                  id={id}
                  className={`w-28 border p-2 text-center text-sm leading-tight ${
                    hash === `#${id}` ? 'border-2 border-secondary font-semibold' : 'border-base-300'
                  }`}
                >
                  <span className="flex justify-center">
                    <StageDrawing kind={group} bbch={stage.bbch} size={76} />
                  </span>
                  {stage.name}
                  <span className="quiet block">BBCH {String(stage.bbch).padStart(2, '0')}</span>
                </li>
              )
            })}
          </ul>
        </div>
      ))}
    </section>
  )
}
