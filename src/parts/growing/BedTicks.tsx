import { useState } from 'react'
import { ProblemLine } from '../ProblemLine'
import { useGarden } from '../../state/garden'

/** So many beds are shown at once. */
const FEW = 12

/** The beds that something is said of: those given, and where there are many the others on asking. */
export function BedTicks({
  bedIds,
  onChange,
  problem,
}: {
  bedIds: readonly string[]
  onChange: (bedIds: string[]) => void
  problem?: string
}) {
  const { data } = useGarden()
  const beds = [...data.beds].sort((a, b) => a.walkOrder - b.walkOrder)
  const [all, setAll] = useState(bedIds.length === 0 || beds.length <= FEW)
  const shown = all ? beds : beds.filter(({ id }) => bedIds.includes(id))
  const more = beds.length - shown.length
  const toggle = (id: string) =>
    onChange(bedIds.includes(id) ? bedIds.filter((other) => other !== id) : [...bedIds, id])
  return (
    <fieldset>
      <legend className="text-sm font-semibold">In</legend>
      <div className="mt-1 flex max-h-40 flex-wrap gap-1.5 overflow-y-auto">
        {shown.map(({ id, label }) => (
          <label key={id} className="flex min-h-11 items-center gap-2 border border-base-content/50 px-3">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={bedIds.includes(id)}
              onChange={() => toggle(id)}
            />
            {label}
          </label>
        ))}
        {more > 0 && (
          <button type="button" className="btn btn-ghost h-11" onClick={() => setAll(true)}>
            and in others …
          </button>
        )}
      </div>
      <ProblemLine text={problem ?? null} />
    </fieldset>
  )
}
