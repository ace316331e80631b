import { SAFE_CHANCE } from '../../core/scenario/starts'
import type { Rules } from '../../core/garden/rules'
import { SelectField, TickField } from '../../parts/SelectField'
import { changeRules, changeWait } from '../../actions/changeRules'
import { useAct } from '../../state/garden'
import type { EndView } from './useEnd'

const SHEETS = [
  ['', 'as long as it takes'],
  ['21', '3 weeks'],
  ['28', '4 weeks'],
  ['42', '6 weeks'],
  ['56', '8 weeks'],
] as const

/** The schools: the grower's own limits, and what each leaves open for this stand. */
export function RulesForm({ end }: { end: EndView }) {
  const { rules, garden, comparison } = end
  const act = useAct()
  const set = (part: Partial<Rules>) => void act(changeRules(garden, part))
  const open = (comparison?.options ?? []).filter(({ obstacle }) => obstacle === null)
  const kept = open.filter(
    ({ leftOut, starts }) => leftOut === null && starts.some(({ chance }) => chance >= SAFE_CHANCE),
  ).length
  const free = open.filter(({ starts }) => starts.some(({ chanceFree }) => chanceFree >= SAFE_CHANCE)).length
  const sheet = rules.longestSheetDays === null ? '' : String(rules.longestSheetDays)
  return (
    <details className="no-print mt-4" data-testid="rules">
      <summary className="cursor-pointer">
        <strong>Your own rules</strong>{' '}
        <span className="quiet text-sm">
          {open.length === 0
            ? ''
            : kept === free
              ? `leave all ${free} safe ways open.`
              : `leave ${kept} of ${free} safe ways open.`}
        </span>
      </summary>
      <div className="mt-2 flex flex-wrap items-start gap-4">
        <SelectField
          label="Longest under a sheet"
          className="w-48"
          value={sheet}
          onChange={(days) => set({ longestSheetDays: days === '' ? null : Number(days) })}
          options={
            SHEETS.some(([days]) => days === sheet) ? SHEETS : [...SHEETS, [sheet, `${sheet} days`] as const]
          }
        />
        <SelectField
          label="End a legume from"
          className="w-40"
          value={rules.legumeFrom}
          onChange={(legumeFrom) => set({ legumeFrom })}
          options={[
            ['any stage', 'any stage'],
            ['bloom', 'first flower'],
            ['first pods', 'first pods'],
          ]}
        />
        <SelectField
          label="Turning the ground"
          className="w-40"
          value={rules.turning}
          onChange={(turning) => set({ turning })}
          options={[
            ['when it helps', 'when it helps'],
            ['never', 'never'],
          ]}
        />
        {(['transplant', 'seed'] as const).map((what) => (
          <SelectField
            key={what}
            label={what === 'seed' ? 'Wait before sowing' : 'Wait before transplants'}
            className="w-40"
            value={String(garden.waitDays[what])}
            onChange={(days) => void act(changeWait(garden, { [what]: Number(days) }))}
            options={[...new Set([0, 7, 14, 21, 28, 42, garden.waitDays[what]])]
              .sort((a, b) => a - b)
              .map((days) => [String(days), days === 0 ? 'none' : `${days} days`] as const)}
          />
        ))}
        <SelectField
          label="Seed set"
          className="w-44"
          value={rules.seedSet}
          onChange={(seedSet) => set({ seedSet })}
          options={[
            ['allowed', 'may set seed'],
            ['never', 'ended before'],
          ]}
        />
        <div className="mt-6">
          <TickField label="Fire ban" checked={rules.fireBan} onChange={(fireBan) => set({ fireBan })} />
        </div>
      </div>
      <p className="quiet mt-1 max-w-prose text-sm">
        Growers differ here, and each rule has its price: it is shown with every way it touches. A short sheet
        may come off live plants; waiting for pods gives the most growth and puts nitrogen into seed; turned
        ground feeds quickly and brings weeds; a wait costs days and spares seedlings. The interval after
        manure is in the Shed.
      </p>
    </details>
  )
}
