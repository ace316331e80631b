import { useState, type ReactNode } from 'react'
import { findSpecies } from '../../core/plants/catalogue'
import { Caution } from '../../parts/Caution'
import { temperature } from '../../text/format'
import { unitOf } from '../../text/quantity'
import { SelectField, TextField } from '../../parts/SelectField'
import type { StandView } from '../../state/useStand'
import type { Checking } from './useChecking'

const DAMAGES = [
  ['', 'none seen'],
  ['frost', 'frost'],
  ['heat', 'heat or drought'],
  ['slugs', 'slugs or snails'],
  ['birds', 'birds or mice'],
  ['pest', 'an insect pest'],
  ['disease', 'a disease'],
  ['wind or rain', 'wind or heavy rain'],
] as const

/** A part of the form that stays as it was opened; open from the start when something is in it. */
function Fold({ name, filled, children }: { name: string; filled: boolean; children: ReactNode }) {
  const [open, setOpen] = useState(filled)
  return (
    <details open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="cursor-pointer font-semibold">{name}</summary>
      {children}
    </details>
  )
}

/** What is looked at now and then: plants in rings, weeds, damage, a sample. */
export function CheckMore({ view, checking }: { view: StandView; checking: Checking }) {
  const { draft, change, problemOf, units } = checking
  const [short, weight] = [unitOf('height', units), unitOf('seed', units)]
  const field = (path: keyof typeof draft, label: string, hint?: string) => (
    <TextField
      label={label}
      hint={hint}
      decimal={path !== 'counts' && path !== 'weedsWhich' && path !== 'damageWhat'}
      value={draft[path]}
      onChange={(value) => change({ [path]: value })}
      error={problemOf(path)}
    />
  )
  const plants = view.stand.content.kind === 'cover' ? view.stand.content.components : []
  return (
    <>
      <Fold name="Plants in a ring" filled={draft.counts !== ''}>
        <div className="mt-2 grid grid-cols-2 gap-3">
          {field('counts', 'Plants in each ring', 'a number for each, spaces between')}
          {field('ringCm', `Ring across, ${short}`)}
          {field('gaps', 'Gaps, % of the bed')}
        </div>
      </Fold>
      <Fold name="Weeds" filled={draft.weedCover !== ''}>
        <div className="mt-2 grid grid-cols-2 gap-3">
          {field('weedCover', 'Weeds cover, %')}
          {field('weedsWhich', 'Which', 'commas between')}
        </div>
      </Fold>
      <Fold name="Damage" filled={draft.damage !== ''}>
        <div className="mt-2 grid grid-cols-2 gap-3">
          <SelectField
            label="By"
            value={draft.damage}
            onChange={(damage) => change({ damage })}
            options={DAMAGES}
          />
          {field('damageLost', 'Plants lost, %')}
          {plants.length > 1 && (
            <SelectField
              label="Of"
              value={draft.damageOf}
              onChange={(damageOf) => change({ damageOf })}
              options={[
                ['', 'all plants'],
                ...plants.map(
                  (component) => [component.speciesId, findSpecies(component.speciesId)?.name ?? ''] as const,
                ),
              ]}
            />
          )}
          {field('damageWhat', 'What it was')}
        </div>
        {(draft.damage === 'disease' || draft.damage === 'pest') && (
          <p className="quiet mt-1 text-sm">
            Named, it is noted on the bed’s page too, and Choose keeps the plant family away.
          </p>
        )}
      </Fold>
      <Fold name="A weighed sample" filled={draft.fresh !== ''}>
        <ol className="mt-1 list-decimal pl-5 text-[0.95rem]">
          <li>Cut all growth in a square at the ground and weigh it at once.</li>
          <li>
            Chop it, spread it thinly on a tray, dry it at {temperature(70, units)} with the oven door ajar
            for four to eight hours.
          </li>
          <li>Weigh; give it another hour; when it loses no more, that is the dry weight.</li>
        </ol>
        <Caution>Never leave a drying oven alone; air the room.</Caution>
        <div className="mt-2 grid grid-cols-2 gap-3">
          {field('sampleCm', `Side of the square, ${short}`)}
          {field('fresh', `Fresh weight, ${weight}`)}
          {field('dry', `Dry weight, ${weight}`, 'empty while it dries')}
        </div>
      </Fold>
    </>
  )
}
