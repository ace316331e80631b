import { useNavigate } from 'react-router'
import { recordEnd } from '../../actions/endStand'
import { dayNumber } from '../../core/foundations/day'
import { findMethod, METHODS, type MethodId } from '../../core/termination/methods'
import { DraftOffer } from '../../parts/DraftOffer'
import { TypedChoice, TypedDay, TypedNote, TypedText } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { RecordForm } from '../../parts/RecordForm'
import { useAct, useGarden } from '../../state/garden'
import { canRepeat, endForm } from './forms'
import type { EndView } from './useEnd'

/**
 * What was done, by whom, how long it took and what it used up; `method` where only one way is meant, `usual` where one is
 * looked at.
 */
export function RecordEnd({ end, method, usual }: { end: EndView; method?: MethodId; usual?: MethodId }) {
  const { stand, view, today, sownDay, garden, forecast } = end
  const { data } = useGarden()
  const act = useAct()
  const navigate = useNavigate()
  const schema = endForm(sownDay, today, garden.units)
  const form = useTyped({
    schema,
    draft: { name: `end ${stand.id}`, version: 2 },
    record: stand,
    valueOf: ({ end: { plan, actual } }) => {
      const known = actual ?? plan
      return {
        method: method ?? usual ?? (known && known.method !== 'harvest' ? known.method : 'chop'),
        passes:
          known?.passes === 2 && (usual ?? known.method) === known.method ? ('2' as const) : ('1' as const),
        doneOn: actual ? dayNumber(actual.date) : today,
        by: actual?.by ?? '',
        minutes: actual?.minutes ?? null,
        materials: actual?.materials ?? '',
        hurt: actual?.hurt ?? null,
        note: actual?.note ?? '',
      }
    },
  })
  const record = form.submit(async ({ value, seen }) => {
    const done = {
      ...value,
      method: method ?? value.method,
      passes: canRepeat(method ?? value.method) ? Number(value.passes) : 1,
      day: value.doneOn,
    }
    const stored = await act(recordEnd(data, view.bed, seen, done, forecast ?? null))
    if (stored) void navigate(`/end/${stand.id}/after`)
    return stored
  })
  const shown = method ?? form.text.method
  return (
    <RecordForm name="Record the end" button="Record the end" onRecord={record}>
      <DraftOffer offer={form.offer} />
      <TypedChoice
        form={form}
        name="method"
        label="How"
        className="w-72"
        options={METHODS.filter((entry) => !method || entry.id === method).map(
          (entry) => [entry.id, entry.name] as const,
        )}
        onChoose={() => form.set({ passes: '1' })}
      />
      {canRepeat(shown) && (
        <TypedChoice
          form={form}
          name="passes"
          label="Passes"
          className="w-32"
          options={[
            ['1', 'once'],
            ['2', 'twice'],
          ]}
        />
      )}
      <TypedDay form={form} name="doneOn" label="Done on" />
      <TypedText form={form} name="by" label="By" className="w-32" />
      <TypedText form={form} name="minutes" label="Minutes" className="w-24" decimal />
      <TypedText form={form} name="materials" label="Materials used" className="w-56" />
      {findMethod(shown)?.animals && (
        <TypedText form={form} name="hurt" label="Hurt or lost" className="w-28" decimal />
      )}
      <TypedNote form={form} name="note" />
    </RecordForm>
  )
}
