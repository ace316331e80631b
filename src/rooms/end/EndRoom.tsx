import { useParams } from 'react-router'
import { dayNumber } from '../../core/foundations/day'
import { END_METHODS } from '../../core/ending/methods'
import { DateField, NoteField } from '../../parts/DateField'
import { Field } from '../../parts/Field'
import { RecordForm } from '../../parts/RecordForm'
import { EstablishmentOptions } from '../../parts/options'
import { longDate } from '../../parts/format'
import { standState } from '../../parts/names'
import { StandHead } from '../../parts/StandHead'
import { Waiting } from '../../parts/Waiting'
import { WorkList } from '../../parts/WorkList'
import { useGarden } from '../../state/garden'
import { useStand, type StandView } from '../../state/useStand'
import { Options } from './Options'
import { useEnd, type EndForm } from './useEnd'

export function EndRoom() {
  const { standId } = useParams()
  const { data } = useGarden()
  const view = useStand(standId)
  if (view && view.stand.content.kind === 'cover') return <EndStand key={view.stand.id} view={view} />
  const growing = data.stands.filter(
    (stand) => stand.content.kind === 'cover' && standState(stand) === 'growing',
  )
  return (
    <WorkList
      title="End"
      intro="Covers that are growing, by the date planned for their end. Pick one to compare the ways."
      empty="No cover is growing, so there is nothing to end."
      items={growing.map((stand) => ({
        stand,
        bedLabel: data.beds.find((bed) => bed.id === stand.bedId)?.label ?? '',
        note: stand.end.plan
          ? `${stand.end.plan.method}, ${longDate(dayNumber(stand.end.plan.date))}`
          : 'no end planned',
        to: `/end/${stand.id}`,
        day: stand.end.plan ? dayNumber(stand.end.plan.date) : Infinity,
      }))}
    />
  )
}

function EndStand({ view }: { view: StandView }) {
  const { data, today } = useGarden()
  const { form, change, problems, options, plan, record } = useEnd(view)
  const { stand, next } = view
  return (
    <section>
      <StandHead stand={stand} bed={view.bed} units={data.garden.units} step="end" />
      {stand.end.fact && (
        <p className="mb-2">
          Ended {longDate(dayNumber(stand.end.fact.date))} by {stand.end.fact.method}. Recording again
          corrects it.
        </p>
      )}
      <form
        className="flex flex-wrap items-start gap-4"
        onSubmit={(event) => event.preventDefault()}
        aria-label="What follows"
      >
        <DateField
          label={next ? `Plant ${next.name.toLowerCase()} on` : 'Planting date'}
          error={problems.plantingDate}
          value={form.plantingDate}
          onChange={(plantingDate) => change({ plantingDate })}
        />
        <Field label="It is">
          <select
            className="select"
            value={form.establishment}
            onChange={(event) => change({ establishment: event.target.value as EndForm['establishment'] })}
          >
            <EstablishmentOptions />
          </select>
        </Field>
        <p className="quiet mt-7 max-w-md text-sm">
          Your wait between dead and {form.establishment === 'seed' ? 'sowing' : 'planting'}:{' '}
          {data.garden.waitDays[form.establishment]} days. Change it in the Garden room.
        </p>
      </form>
      <Waiting
        what="Ending this stand on every day until planting"
        running={options.running}
        progress={options.progress}
        error={options.error}
        onCancel={options.cancel}
        onRetry={options.retry}
      />
      {options.value && (
        <Options
          options={options.value}
          today={today}
          units={data.garden.units}
          planned={stand.end.plan}
          onPlan={plan}
        />
      )}
      {stand.start.fact && (
        <RecordEnd form={form} change={change} problem={problems.doneOn} onRecord={record} />
      )}
    </section>
  )
}

function RecordEnd({
  form,
  change,
  problem,
  onRecord,
}: {
  form: EndForm
  change: (part: Partial<EndForm>) => void
  problem: string | undefined
  onRecord: () => Promise<void>
}) {
  return (
    <RecordForm name="Record the end" button="Record the end" onRecord={onRecord}>
      <Field label="How">
        <select
          className="select"
          value={form.method}
          onChange={(event) => change({ method: event.target.value as EndForm['method'] })}
        >
          {END_METHODS.map((method) => (
            <option key={method.id} value={method.id}>
              {method.name}
            </option>
          ))}
        </select>
      </Field>
      {(form.method === 'chop' || form.method === 'crimp') && (
        <Field label="Passes">
          <select
            className="select"
            value={form.passes}
            onChange={(event) => change({ passes: Number(event.target.value) })}
          >
            <option value={1}>once</option>
            <option value={2}>twice, a week apart</option>
          </select>
        </Field>
      )}
      <DateField
        label="Done on"
        error={problem}
        value={form.doneOn}
        onChange={(doneOn) => change({ doneOn })}
      />
      <NoteField value={form.note} onChange={(note) => change({ note })} />
    </RecordForm>
  )
}
