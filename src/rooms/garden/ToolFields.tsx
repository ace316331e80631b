import { toolKind, type ToolKind } from '../../core/garden/schema'
import { lengthUnit, type ToolInput, type Units } from './forms'

/** Tools whose size decides what they can do. */
const SIZED: Partial<Record<ToolKind, 'width' | 'both'>> = {
  'crimp board': 'width',
  'black tarp': 'both',
  'clear film': 'both',
  mower: 'width',
}

/** Tools owned, ticked off, with a size where it matters; a second tarp can be added. */
export function ToolFields({
  tools,
  onChange,
  units,
}: {
  tools: ToolInput[]
  onChange: (tools: ToolInput[]) => void
  units: Units
}) {
  const set = (index: number, part: Partial<ToolInput>) =>
    onChange(tools.map((tool, i) => (i === index ? { ...tool, ...part } : tool)))
  const blank = (kind: ToolKind): ToolInput => ({ kind, width: '', length: '' })
  return (
    <fieldset>
      <legend className="text-sm font-semibold">Tools you own</legend>
      <ul className="grid gap-x-8 sm:grid-cols-2">
        {toolKind.options.map((kind) => {
          const owned = tools.flatMap((tool, index) => (tool.kind === kind ? [{ tool, index }] : []))
          return (
            <li key={kind} className="py-1">
              <label className="flex items-center gap-2">
                <input
                  type="checkbox"
                  className="checkbox checkbox-sm"
                  checked={owned.length > 0}
                  onChange={(event) =>
                    onChange(
                      event.target.checked
                        ? [...tools, blank(kind)]
                        : tools.filter((tool) => tool.kind !== kind),
                    )
                  }
                />
                {kind}
              </label>
              {SIZED[kind] &&
                owned.map(({ tool, index }) => (
                  <div key={index} className="mt-1 ml-7 flex items-center gap-2 text-sm">
                    <label>
                      width{' '}
                      <input
                        className="input input-sm w-20"
                        inputMode="decimal"
                        value={tool.width}
                        onChange={(event) => set(index, { width: event.target.value })}
                      />{' '}
                      {lengthUnit(units)}
                    </label>
                    {SIZED[kind] === 'both' && (
                      <label>
                        length{' '}
                        <input
                          className="input input-sm w-20"
                          inputMode="decimal"
                          value={tool.length}
                          onChange={(event) => set(index, { length: event.target.value })}
                        />{' '}
                        {lengthUnit(units)}
                      </label>
                    )}
                  </div>
                ))}
              {kind === 'black tarp' && owned.length > 0 && (
                <button
                  type="button"
                  className="btn btn-xs mt-1 ml-7"
                  onClick={() => onChange([...tools, blank(kind)])}
                >
                  Another tarp
                </button>
              )}
            </li>
          )
        })}
      </ul>
    </fieldset>
  )
}
