import { METHODS, type MethodId } from '../../core/termination/methods'
import { DraftOffer } from '../../parts/DraftOffer'
import { DateField, NoteField } from '../../parts/DateField'
import { RecordForm } from '../../parts/RecordForm'
import { SelectField, TextField } from '../../parts/SelectField'
import { canRepeat } from './form'
import type { EndView } from './useEnd'

/** What was done, by whom, how long it took and what it used up. */
export function RecordEnd({ end, method }: { end: EndView; method?: MethodId }) {
  const { form, offer, change, problems, record } = end
  const shown = method ?? form.method
  return (
    <RecordForm name="Record the end" button="Record the end" onRecord={() => record(shown)}>
      <DraftOffer offer={offer} />
      <SelectField
        label="How"
        className="w-72"
        value={shown}
        onChange={(method) => change({ method, passes: 1 })}
        options={METHODS.filter((entry) => !method || entry.id === method).map(
          (method) => [method.id, method.name] as const,
        )}
      />
      {canRepeat(shown) && (
        <SelectField
          label="Passes"
          className="w-32"
          value={String(form.passes)}
          onChange={(passes) => change({ passes: Number(passes) })}
          options={[
            ['1', 'once'],
            ['2', 'twice'],
          ]}
        />
      )}
      <DateField
        label="Done on"
        error={problems.doneOn}
        value={form.doneOn}
        onChange={(doneOn) => change({ doneOn })}
      />
      <TextField label="By" className="w-32" value={form.by} onChange={(by) => change({ by })} />
      <TextField
        label="Minutes"
        className="w-24"
        decimal
        error={problems.minutes}
        value={form.minutes}
        onChange={(minutes) => change({ minutes })}
      />
      <TextField
        label="Materials used"
        className="w-56"
        value={form.materials}
        onChange={(materials) => change({ materials })}
      />
      <NoteField value={form.note} onChange={(note) => change({ note })} />
    </RecordForm>
  )
}
