import { useState, type ReactNode } from 'react'
import { dayNumber } from '../../core/foundations/day'
import { findSpecies } from '../../core/plants/catalogue'
import { stagesOf } from '../../core/stand/stage'
import { checkText } from '../../parts/checkText'
import { Caution } from '../../parts/Caution'
import { DateField } from '../../parts/DateField'
import { Field } from '../../parts/Field'
import { longDate } from '../../parts/format'
import { leadGroup } from '../../parts/names'
import { SelectField, TextField } from '../../parts/SelectField'
import { useGarden } from '../../state/garden'
import type { StandView } from '../../state/useStand'
import { ByEye } from './ByEye'
import { CoverPicture } from './CoverPicture'
import { Doubts, NotStored } from './Doubts'
import { Pictures } from './Pictures'
import { StageGuide } from './StageGuide'
import { useMadeUp } from './useMadeUp'
import type { Checking } from './useChecking'
import type { useWatch } from './useWatch'

type Props = { view: StandView; watch: ReturnType<typeof useWatch>; checking: Checking }

/** Entering a check with all there is to look at, and the checks so far. */
export function CheckPanel({ view, watch, checking }: Props) {
  const { draft, change, problemOf, editing } = checking
  return (
    <div>
      <form
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          void checking.save()
        }}
        noValidate
        aria-label="Check"
      >
        {editing && (
          <p className="font-semibold">
            Changing the check of{' '}
            {longDate(dayNumber(watch.checks.find(({ id }) => id === editing)?.date ?? draft.date))}
          </p>
        )}
        <Stage view={view} watch={watch} checking={checking} />
        <Cover view={view} watch={watch} checking={checking} />
        <div className="grid grid-cols-2 gap-3">
          <TextField
            label="Height, cm"
            decimal
            value={draft.height}
            onChange={(height) => change({ height })}
            error={problemOf('height')}
          />
          <DateField
            label="Seen on"
            value={draft.date}
            onChange={(date) => change({ date })}
            error={problemOf('date')}
          />
        </div>
        <More key={editing} view={view} checking={checking} />
        <Field label="Note">
          <textarea
            className="textarea w-full"
            rows={2}
            value={draft.note}
            onChange={(event) => change({ note: event.target.value })}
          />
        </Field>
        <Pictures checking={checking} />
        <Doubts view={view} checking={checking} />
        <NotStored checking={checking} />
        <div className="flex gap-2">
          <button className="btn btn-primary flex-1">{editing ? 'Keep the change' : 'Check'}</button>
          {editing && (
            <button type="button" className="btn" onClick={checking.drop}>
              Leave it
            </button>
          )}
        </div>
      </form>
      <SeenSoFar view={view} watch={watch} checking={checking} />
    </div>
  )
}

function Stage({ view, watch, checking }: Props) {
  const { draft, change, problemOf } = checking
  const [guided, setGuided] = useState(false)
  const components = view.stand.content.kind === 'cover' ? view.stand.content.components : []
  const plants = components.flatMap((part) => findSpecies(part.speciesId) ?? [])
  const lead = [...components].sort((a, b) => b.share - a.share)[0]?.speciesId
  const plant = plants.find(({ id }) => id === (draft.stageOf || lead))
  if (!plant) return null
  return (
    <>
      {plants.length > 1 && (
        <SelectField
          label="Stage of which plant"
          value={draft.stageOf || (lead ?? '')}
          onChange={(id) => change({ stageOf: id === lead ? '' : id, stage: '' })}
          options={plants.map(({ id, name }) => [id, name] as const)}
        />
      )}
      <SelectField
        label={plants.length > 1 ? `Stage of the ${plant.name.toLowerCase()}` : 'Stage'}
        value={draft.stage}
        onChange={(stage) => change({ stage })}
        error={problemOf('stage')}
      >
        <option value="">not judged</option>
        {stagesOf(plant.group).map((stage) => (
          <option key={stage.bbch} value={stage.bbch}>
            {stage.name} (BBCH {String(stage.bbch).padStart(2, '0')})
          </option>
        ))}
        {draft.stage !== '' && !stagesOf(plant.group).some(({ bbch }) => String(bbch) === draft.stage) && (
          <option value={draft.stage}>BBCH {draft.stage}</option>
        )}
      </SelectField>
      <button
        type="button"
        className="btn self-start"
        aria-expanded={guided}
        onClick={() => setGuided(!guided)}
      >
        {guided ? 'Close the guide' : 'Find the stage by looking'}
      </button>
      {guided && (
        <StageGuide
          key={plant.id}
          plant={plant}
          wasCut={view.stand.cuts.some(({ cut }) => cut.fact)}
          stages={watch.forecast.value?.stagesByPart[plants.indexOf(plant)] ?? []}
          value={draft.stage}
          onPick={(bbch) => change({ stage: String(bbch) })}
        />
      )}
    </>
  )
}

function Cover({ view, watch, checking }: Props) {
  const { draft, change, problemOf, addPicture } = checking
  const [how, setHow] = useState<'eye' | 'picture' | null>(null)
  const madeUp = useMadeUp(view.stand, watch.forecast.value)
  return (
    <>
      <TextField
        label="Green cover, %"
        decimal
        hint={
          draft.pictureError
            ? `by picture, give or take ${Math.round(Number(draft.pictureError) * 1.64)}`
            : undefined
        }
        value={draft.cover}
        onChange={(cover) => change({ cover, pictureError: '' })}
        error={problemOf('cover')}
      />
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="btn"
          aria-expanded={how === 'eye'}
          onClick={() => setHow(how === 'eye' ? null : 'eye')}
        >
          By eye
        </button>
        <button
          type="button"
          className="btn"
          aria-expanded={how === 'picture'}
          onClick={() => setHow(how === 'picture' ? null : 'picture')}
        >
          From a picture
        </button>
      </div>
      {how === 'eye' && (
        <ByEye
          group={leadGroup(view.stand)}
          value={draft.cover}
          onPick={(cover) => change({ cover: String(cover), pictureError: '' })}
        />
      )}
      {how === 'picture' && (
        <CoverPicture
          stand={madeUp}
          onUse={(cover, error) => change({ cover: String(cover), pictureError: String(error) })}
          onKeep={(picture) => {
            addPicture(picture)
            setHow(null)
          }}
        />
      )}
    </>
  )
}

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
function More({ view, checking }: { view: StandView; checking: Checking }) {
  const { draft, change, problemOf } = checking
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
          {field('ringCm', 'Ring across, cm')}
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
                ...plants.map((part) => [part.speciesId, findSpecies(part.speciesId)?.name ?? ''] as const),
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
            Chop it, spread it thinly on a tray, dry it at 70 °C with the oven door ajar for four to eight
            hours.
          </li>
          <li>Weigh; give it another hour; when it loses no more, that is the dry weight.</li>
        </ol>
        <Caution>Never leave a drying oven alone; air the room.</Caution>
        <div className="mt-2 grid grid-cols-2 gap-3">
          {field('sampleCm', 'Side of the square, cm')}
          {field('fresh', 'Fresh weight, g')}
          {field('dry', 'Dry weight, g', 'empty while it dries')}
        </div>
      </Fold>
    </>
  )
}

function SeenSoFar({ view, watch, checking }: Props) {
  const { data } = useGarden()
  if (watch.checks.length === 0) return null
  return (
    <>
      <h2 className="mt-5">Seen so far</h2>
      <ul className="mt-1 divide-y divide-base-300 border-y border-base-300 text-[0.95rem]">
        {watch.checks.map((check) => {
          const day = longDate(dayNumber(check.date))
          return (
            <li key={check.id} className="flex flex-wrap items-baseline gap-2 py-1.5">
              <span className="font-semibold whitespace-nowrap">{day}</span>
              <span className="flex-1">{checkText(check, leadGroup(view.stand), data.garden.units)}</span>
              <span className="whitespace-nowrap">
                <button
                  className="btn btn-ghost btn-xs"
                  onClick={() => checking.edit(check)}
                  aria-label={`Change the check of ${day}`}
                >
                  Change
                </button>
                <button
                  className="btn btn-ghost btn-xs"
                  onClick={() => checking.remove(check)}
                  aria-label={`Remove the check of ${day}`}
                >
                  Remove
                </button>
              </span>
            </li>
          )
        })}
      </ul>
    </>
  )
}
