import { useState } from 'react'
import { dayNumber } from '../../core/foundations/day'
import { DraftOffer } from '../../parts/DraftOffer'
import { leadSpeciesId } from '../../core/garden/lead'
import { findSpecies } from '../../core/plants/catalogue'
import { stagesOf } from '../../core/stand/stage'
import { DateField } from '../../parts/DateField'
import { Field } from '../../parts/Field'
import { longDate } from '../../text/format'
import { leadGroup } from '../../text/names'
import { SelectField, TextField } from '../../parts/SelectField'
import type { StandView } from '../../state/useStand'
import { ByEye } from './ByEye'
import { CheckMore } from './CheckMore'
import { CoverPicture } from './CoverPicture'
import { Doubts, NotStored } from './Doubts'
import { Pictures } from './Pictures'
import { SeenSoFar } from './SeenSoFar'
import { StageGuide } from './StageGuide'
import { useMadeUp } from './useMadeUp'
import type { Checking } from './useChecking'
import type { useWatch } from './useWatch'
import { Form } from '../../parts/Form'
import { unitOf } from '../../text/quantity'

type Props = { view: StandView; watch: ReturnType<typeof useWatch>; checking: Checking }

/** Entering a check with all there is to look at, and the checks so far. */
export function CheckPanel({ view, watch, checking }: Props) {
  const { draft, offer, change, problemOf, editing } = checking
  return (
    <div>
      <Form className="flex flex-col gap-3" onSubmit={() => checking.save()} aria-label="Check">
        <DraftOffer offer={offer} />
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
            label={`Height, ${unitOf('height', checking.units)}`}
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
        <CheckMore key={editing} view={view} checking={checking} />
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
      </Form>
      <SeenSoFar view={view} checks={watch.checks} checking={checking} />
    </div>
  )
}

function Stage({ view, watch, checking }: Props) {
  const { draft, change, problemOf } = checking
  const [guided, setGuided] = useState(false)
  const components = view.stand.content.kind === 'cover' ? view.stand.content.components : []
  const plants = components.flatMap((component) => findSpecies(component.speciesId) ?? [])
  const lead = leadSpeciesId(view.stand)
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
          wasCut={view.stand.cuts.some(({ cut }) => cut.actual)}
          stages={watch.forecast.value?.stagesByComponent[plants.indexOf(plant)] ?? []}
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
            void addPicture(picture)
            setHow(null)
          }}
        />
      )}
    </>
  )
}
