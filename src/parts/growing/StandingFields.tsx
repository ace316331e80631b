import { recordStanding } from '../../actions/recordGrowing'
import { useAct, useGarden } from '../../state/garden'
import { DialogButtons } from '../DialogButtons'
import { Form } from '../Form'
import { TypedChoice, TypedDay } from '../form/fields'
import { useTyped } from '../form/useTyped'
import { CropOptions } from '../options'
import { BedTicks } from './BedTicks'
import { standingForm, type Asked } from './form'

/** What is asked of a crop that stands already: which, and until when. */
export function StandingFields({ bedIds, onDone, onCancel }: Asked) {
  const { data, today } = useGarden()
  const act = useAct()
  const form = useTyped({
    schema: standingForm(today),
    blank: { bedIds: [...bedIds], cropId: '', untilDay: '' },
  })
  const save = form.submit(async ({ value }) => {
    const beds = data.beds.filter(({ id }) => value.bedIds.includes(id))
    const stored = await act(recordStanding(data, beds, value, today))
    if (stored) onDone()
    return stored
  })
  return (
    <Form className="mt-3 flex flex-col gap-4" onSubmit={save}>
      <div className="grid gap-3 sm:grid-cols-2">
        <TypedChoice form={form} name="cropId" label="Crop" className="h-11 w-full">
          <CropOptions blank="choose" />
        </TypedChoice>
        <TypedDay form={form} name="untilDay" label="Until about" className="h-11 w-full" />
      </div>
      <BedTicks
        bedIds={form.text.bedIds}
        onChange={(ids) => form.set({ bedIds: ids })}
        problem={form.problem('bedIds')}
      />
      <DialogButtons store="Record as standing" onCancel={onCancel} />
    </Form>
  )
}
