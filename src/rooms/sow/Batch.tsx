import { useState } from 'react'
import { segmentAreaM2 } from '../../core/garden/area'
import type { Stand } from '../../core/garden/schema'
import { sowingRecipe } from '../../core/seeding/recipe'
import { grams } from '../../text/format'
import { standName } from '../../text/names'
import { Scroll } from '../../parts/Scroll'
import { TextField, TickField } from '../../parts/SelectField'
import { useGarden } from '../../state/garden'

/** One batch weighed for several beds of the same cover, split by bed and by sower. */
export function Batch({ stands }: { stands: readonly Stand[] }) {
  const { data } = useGarden()
  const { units } = data.garden
  const [picked, setPicked] = useState<string[]>([])
  const [people, setPeople] = useState('1')
  const rows = stands
    .filter((stand) => picked.includes(stand.id))
    .flatMap((stand) => {
      const bed = data.beds.find((entry) => entry.id === stand.bedId)
      if (!bed || stand.content.kind !== 'cover') return []
      const recipe = sowingRecipe({
        areaM2: segmentAreaM2(bed, stand.segment),
        covering: stand.start.plan?.covering ?? 'raked',
        passes: stand.start.plan?.passes ?? 2,
        scaleStepG: 1,
        components: stand.content.components,
      })
      return recipe.ok ? [{ stand, bed, recipe: recipe.value }] : []
    })
  const species = [
    ...new Map(
      rows.flatMap(({ recipe }) => recipe.lines.map((line) => [line.speciesId, line.name] as const)),
    ),
  ]
  const sowers = Math.min(20, Math.max(1, Math.round(Number(people)) || 1))
  const gramsOf = (row: (typeof rows)[number], speciesId: string) =>
    row.recipe.lines.find((line) => line.speciesId === speciesId)?.grams ?? 0
  return (
    <details className="mt-6 max-w-3xl">
      <summary className="cursor-pointer font-display text-[1.2rem] font-semibold">
        Weigh one batch for several beds
      </summary>
      <div className="mt-2 grid grid-cols-1 sm:grid-cols-2">
        {stands.map((stand) => (
          <TickField
            key={stand.id}
            label={`${data.beds.find((bed) => bed.id === stand.bedId)?.label ?? ''}: ${standName(stand)}`}
            checked={picked.includes(stand.id)}
            onChange={(checked) =>
              setPicked(checked ? [...picked, stand.id] : picked.filter((id) => id !== stand.id))
            }
          />
        ))}
      </div>
      <div className="mt-2">
        <TextField label="Sowers" className="w-24" value={people} onChange={setPeople} />
      </div>
      {rows.length > 0 && (
        <Scroll label="Batch">
          <table className="table table-sm mt-2 w-auto" data-testid="batch">
            <thead>
              <tr>
                <th>Bed</th>
                {species.map(([id, name]) => (
                  <th key={id} className="text-right">
                    {name}
                  </th>
                ))}
                {sowers > 1 && <th className="text-right">Each of {sowers}</th>}
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <tr key={row.stand.id}>
                  <td>{row.bed.label}</td>
                  {species.map(([id]) => (
                    <td key={id} className="text-right">
                      {gramsOf(row, id) > 0 ? grams(gramsOf(row, id), units) : '–'}
                    </td>
                  ))}
                  {sowers > 1 && (
                    <td className="text-right">{grams(row.recipe.totalGrams / sowers, units)}</td>
                  )}
                </tr>
              ))}
              <tr className="font-semibold">
                <td>Weigh</td>
                {species.map(([id]) => (
                  <td key={id} className="text-right">
                    {grams(
                      rows.reduce((sum, row) => sum + gramsOf(row, id), 0),
                      units,
                    )}
                  </td>
                ))}
                {sowers > 1 && (
                  <td className="text-right">
                    {grams(rows.reduce((sum, row) => sum + row.recipe.totalGrams, 0) / sowers, units)}
                  </td>
                )}
              </tr>
            </tbody>
          </table>
        </Scroll>
      )}
    </details>
  )
}
