import type { ToolKind } from '../../core/garden/tool'
import { HOLED } from '../../core/planting/holed'
import { BODY_KG } from '../../core/termination/board'
import { CRIMPS, isWorkTool, MOWS, usualWidthM, WORK_RATES } from '../../core/termination/workRates'
import { area, kilos, type Units } from '../../text/format'
import { unitOf as quantityUnit } from '../../text/quantity'
import { blankTool, usualWidthText, type ToolInput } from './forms'

/** Figures of a tool that decide what it can do. */
const SIZES: Partial<Record<ToolKind, readonly ('width' | 'length' | 'load' | 'bought' | 'holes')[]>> = {
  'crimp board': ['width', 'load'],
  'black tarp': ['width', 'length', 'bought'],
  'clear film': ['width', 'length', 'bought'],
  'mulch film': ['width', 'length', 'holes', 'bought'],
  'woven fabric': ['width', 'length', 'holes', 'bought'],
}
/** Things of which several are owned. */
const SEVERAL: readonly ToolKind[] = ['black tarp', 'clear film', 'mulch film', 'woven fabric']
const sizesOf = (kind: ToolKind) =>
  SIZES[kind] ?? (usualWidthM(kind) === undefined ? [] : (['width'] as const))

/** Tools by what they are for. */
const FOR: readonly (readonly [string, readonly ToolKind[]])[] = [
  ['to cut', MOWS],
  ['to press, cover, burn', [...CRIMPS, 'black tarp', 'clear film', 'burner']],
  ['to plant through', HOLED],
  ['to turn and carry', ['spade or fork', 'tiller', 'wheelbarrow']],
  ['to sow', ['rake', 'cranked spreader', 'drop spreader', 'wheel hoe', 'harrow', 'garden roller']],
]

const NAMES = {
  width: 'width',
  length: 'length',
  load: 'weight on it',
  bought: 'bought in',
  holes: 'holes apart',
  rate: 'work rate',
} as const

const unitOf = (field: keyof typeof NAMES, units: Units): string => {
  if (field === 'bought') return ''
  if (field === 'holes') return quantityUnit('depth', units)
  if (field === 'load') return units === 'imperial' ? 'lb' : 'kg'
  if (field === 'rate') return units === 'imperial' ? 'ft² an hour' : 'm² an hour'
  return quantityUnit('length', units)
}

/** What is reckoned with where the field is left empty. */
const usual = (field: keyof typeof NAMES, kind: ToolKind, units: Units): string => {
  if (field === 'width') return usualWidthText(kind, units)
  if (field === 'load') return kilos(BODY_KG, units).split('\u00a0')[0]
  if (field === 'rate' && isWorkTool(kind)) return area(WORK_RATES[kind].m2PerHour, units).split('\u00a0')[0]
  return ''
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
  return (
    <fieldset>
      <legend className="text-sm font-semibold">Tools you own</legend>
      {FOR.map(([purpose, kinds]) => (
        <ul
          key={purpose}
          aria-label={`Tools ${purpose}`}
          className={`grid gap-x-8 sm:grid-cols-2 ${kinds.some((kind) => SIZES[kind]) ? '' : 'lg:grid-cols-3'}`}
        >
          <li aria-hidden className="quiet pt-2 text-sm col-span-full">
            {purpose}
          </li>
          {kinds.map((kind) => (
            <OwnedTool key={kind} kind={kind} tools={tools} onChange={onChange} units={units} />
          ))}
        </ul>
      ))}
      <WorkRates tools={tools} onChange={onChange} units={units} />
    </fieldset>
  )
}

/** A kind of tool to tick off, with the sizes of each one owned. */
function OwnedTool({ kind, tools, onChange, units }: Parameters<typeof ToolFields>[0] & { kind: ToolKind }) {
  const owned = tools.flatMap((tool, index) => (tool.kind === kind ? [{ tool, index }] : []))
  return (
    <li className="py-1">
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          checked={owned.length > 0}
          onChange={(event) =>
            onChange(
              event.target.checked ? [...tools, blankTool(kind)] : tools.filter((tool) => tool.kind !== kind),
            )
          }
        />
        {kind}
      </label>
      {sizesOf(kind).length > 0 &&
        owned.map(({ tool, index }) => (
          <Figures
            key={index}
            tool={tool}
            units={units}
            onChange={(part) =>
              onChange(tools.map((other, i) => (i === index ? { ...other, ...part } : other)))
            }
          />
        ))}
      {SEVERAL.includes(kind) && owned.length > 0 && (
        <button
          type="button"
          className="btn btn-xs mt-1 ml-7"
          onClick={() => onChange([...tools, blankTool(kind)])}
        >
          Another {kind}
        </button>
      )}
    </li>
  )
}

function Figures({
  tool,
  units,
  onChange,
}: {
  tool: ToolInput
  units: Units
  onChange: (part: Partial<ToolInput>) => void
}) {
  return (
    <div className="mt-1 ml-7 flex flex-wrap items-center gap-2 text-sm">
      {sizesOf(tool.kind).map((field) => (
        <Figure key={field} name={NAMES[field]} field={field} tool={tool} units={units} onChange={onChange} />
      ))}
    </div>
  )
}

function Figure({
  name,
  field,
  tool,
  units,
  onChange,
}: Parameters<typeof Figures>[0] & { name: string; field: keyof typeof NAMES }) {
  return (
    <label>
      {name}{' '}
      <input
        className="input input-sm w-20"
        inputMode="decimal"
        placeholder={usual(field, tool.kind, units)}
        value={tool[field]}
        onChange={(event) => onChange({ [field]: event.target.value })}
      />{' '}
      {unitOf(field, units)}
    </label>
  )
}

/** What each tool does in an hour, where its owner knows it; a kind of tool has one rate. */
function WorkRates({ tools, onChange, units }: Parameters<typeof ToolFields>[0]) {
  const kinds = [...new Set(tools.map(({ kind }) => kind))].filter(isWorkTool)
  if (kinds.length === 0) return null
  return (
    <details className="mt-1 text-sm" open={tools.some(({ rate }) => rate !== '')}>
      <summary className="cursor-pointer font-semibold">Own work rates</summary>
      <p className="quiet mt-1 max-w-prose">
        Left empty, the usual rate counts. Once you have recorded an ending with its minutes, what it took you
        counts instead.
      </p>
      <div className="mt-1 flex flex-wrap gap-x-6 gap-y-2">
        {kinds.map((kind) => (
          <Figure
            key={kind}
            name={kind}
            field="rate"
            tool={tools.find((tool) => tool.kind === kind)!}
            units={units}
            onChange={(part) =>
              onChange(tools.map((tool) => (tool.kind === kind ? { ...tool, ...part } : tool)))
            }
          />
        ))}
      </div>
    </details>
  )
}
