import { Link, useParams } from 'react-router'
import { dayNumber } from '../../core/foundations/day'
import { findCrop } from '../../core/plants/crops'
import { DateField, NoteField } from '../../parts/DateField'
import { Field } from '../../parts/Field'
import { RecordForm } from '../../parts/RecordForm'
import { CropOptions, EstablishmentOptions } from '../../parts/options'
import { longDate } from '../../parts/format'
import { standState } from '../../parts/names'
import { StandHead } from '../../parts/StandHead'
import { Waiting } from '../../parts/Waiting'
import { WorkList } from '../../parts/WorkList'
import { nextStand } from '../../state/season'
import { useGarden } from '../../state/garden'
import { useStand, type StandView } from '../../state/useStand'
import { Gates } from './Gates'
import { usePlant, type PlantForm } from './usePlant'

export function PlantRoom() {
  const { standId } = useParams()
  const { data } = useGarden()
  const view = useStand(standId)
  if (view && view.stand.content.kind === 'cover') return <PlantInto key={view.stand.id} view={view} />
  const waiting = data.stands.filter(
    (stand) =>
      stand.content.kind === 'cover' &&
      standState(stand) !== 'planned' &&
      !nextStand(data, stand)?.start.fact,
  )
  return (
    <WorkList
      title="Plant"
      intro="Covers that a crop will follow, soonest first. Pick one to see when its ground is ready."
      empty="No cover waits for a crop."
      items={waiting.map((stand) => {
        const next = nextStand(data, stand)
        const plan = next?.start.plan
        const crop = next?.content.kind === 'crop' ? findCrop(next.content.cropId)?.name.toLowerCase() : null
        return {
          stand,
          bedLabel: data.beds.find((bed) => bed.id === stand.bedId)?.label ?? '',
          note: plan ? `${crop ?? 'next'}, ${longDate(dayNumber(plan.date))}` : 'nothing planned after it',
          to: `/plant/${stand.id}`,
          day: plan ? dayNumber(plan.date) : Infinity,
        }
      })}
    />
  )
}

function PlantInto({ view }: { view: StandView }) {
  const { data } = useGarden()
  const plant = usePlant(view)
  const { form, change, problems, crop, end, answer, asked, record, planted } = plant
  return (
    <section>
      <StandHead stand={view.stand} bed={view.bed} units={data.garden.units} step="plant" />
      {!end && (
        <p className="mb-3">
          This cover has no end yet.{' '}
          <Link className="link" to={`/end/${view.stand.id}`}>
            Plan or record it
          </Link>
          ; then its ground can be judged.
        </p>
      )}
      {end && !view.stand.end.fact && (
        <p className="mb-3">
          The end is still a plan: {end.method}, {longDate(dayNumber(end.date))}. The dates below hold if it
          is done then.
        </p>
      )}
      {planted && <p className="mb-3">Planted {longDate(dayNumber(planted.date))}.</p>}
      <form
        className="flex flex-wrap items-start gap-4"
        onSubmit={(event) => event.preventDefault()}
        aria-label="The crop that follows"
      >
        <Field label="Crop" error={problems.cropId}>
          <select
            className="select"
            value={form.cropId}
            onChange={(event) =>
              change({
                cropId: event.target.value,
                establishment: findCrop(event.target.value)?.establishment ?? form.establishment,
              })
            }
          >
            <option value="">choose</option>
            <CropOptions />
          </select>
        </Field>
        <Field label="It is">
          <select
            className="select"
            value={form.establishment}
            onChange={(event) => change({ establishment: event.target.value as PlantForm['establishment'] })}
          >
            <EstablishmentOptions />
          </select>
        </Field>
        <DateField
          label="Planting planned for"
          error={problems.plantingDate}
          value={form.plantingDate}
          onChange={(plantingDate) => change({ plantingDate })}
        />
      </form>
      <Waiting
        what="Following the residue through a hundred seasons"
        running={answer.running}
        progress={answer.progress}
        error={answer.error}
        onCancel={answer.cancel}
        onRetry={answer.retry}
      />
      {end && !asked && crop && (
        <p className="my-3">Planting must come after the end of the cover and within a year from now.</p>
      )}
      {answer.value && crop && (
        <Gates answer={answer.value} crop={crop} plantingDate={form.plantingDate} units={data.garden.units} />
      )}
      {view.stand.end.fact && !planted && (
        <RecordPlanting
          form={form}
          change={change}
          problem={problems.doneOn}
          disabled={!crop}
          onRecord={record}
        />
      )}
    </section>
  )
}

function RecordPlanting({
  form,
  change,
  problem,
  disabled,
  onRecord,
}: {
  form: PlantForm
  change: (part: Partial<PlantForm>) => void
  problem: string | undefined
  disabled: boolean
  onRecord: () => Promise<void>
}) {
  return (
    <RecordForm name="Record the planting" button="Record planting" disabled={disabled} onRecord={onRecord}>
      <DateField
        label="Planted on"
        error={problem}
        value={form.doneOn}
        onChange={(doneOn) => change({ doneOn })}
      />
      <NoteField value={form.note} onChange={(note) => change({ note })} />
    </RecordForm>
  )
}
