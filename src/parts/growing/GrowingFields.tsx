import { GLANCES, recordGrowing, type Glance } from '../../actions/recordGrowing'
import { SPECIES } from '../../core/plants/catalogue'
import { useAct, useGarden } from '../../state/garden'
import { DialogButtons } from '../DialogButtons'
import { Form } from '../Form'
import { TypedChoice, TypedDay } from '../form/fields'
import { useTyped } from '../form/useTyped'
import { Chip } from '../Chip'
import { ProblemLine } from '../ProblemLine'
import { Swatch } from '../Swatch'
import { BedTicks } from './BedTicks'
import { growingForm, WITHIN, type Asked } from './form'
import { GlanceDrawing } from './GlanceDrawing'
import { oftenSown } from './oftenSown'

/** What is asked of a cover that grows already: what it is, about when it was sown, how it looks. */
export function GrowingFields({ bedIds, onDone, onCancel }: Asked) {
  const { data, today } = useGarden()
  const act = useAct()
  const form = useTyped({
    schema: growingForm(today),
    blank: { bedIds: [...bedIds], speciesIds: [], sownDay: '', within: '10', looks: '' },
  })
  const { text } = form
  const often = oftenSown(data)
  const shown = [...often, ...text.speciesIds.filter((id) => !often.includes(id))]
  const toggle = (id: string) =>
    form.set({
      speciesIds: text.speciesIds.includes(id)
        ? text.speciesIds.filter((other) => other !== id)
        : [...text.speciesIds, id],
    })
  const save = form.submit(async ({ value }) => {
    const beds = data.beds.filter(({ id }) => value.bedIds.includes(id))
    const stored = await act(
      recordGrowing(
        data,
        beds,
        {
          speciesIds: value.speciesIds,
          sownDay: value.sownDay,
          withinDays: Number(value.within),
          looks: value.looks === '' ? null : value.looks,
        },
        today,
      ),
    )
    if (stored) onDone()
    return stored
  })
  return (
    <Form className="mt-3 flex flex-col gap-4" onSubmit={save}>
      <fieldset>
        <legend className="text-sm font-semibold">What grows there? Several for a mix.</legend>
        <div className="mt-1 grid grid-cols-2 gap-1.5 sm:grid-cols-3">
          {shown.map((id) => (
            <SpeciesChip key={id} id={id} chosen={text.speciesIds.includes(id)} onPress={() => toggle(id)} />
          ))}
          <select
            className="select h-11 w-full"
            aria-label="Another plant"
            value=""
            onChange={(event) => toggle(event.target.value)}
          >
            <option value="">another …</option>
            {SPECIES.filter(({ id }) => !shown.includes(id)).map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </div>
        <ProblemLine text={form.problem('speciesIds') ?? null} />
      </fieldset>
      <div className="flex flex-wrap items-start gap-3">
        <TypedDay form={form} name="sownDay" label="Sown about" className="h-11 w-44" />
        <TypedChoice form={form} name="within" label="How sure?" className="h-11 w-60" options={WITHIN} />
      </div>
      <fieldset>
        <legend className="text-sm font-semibold">How does it look today? This may wait.</legend>
        <div className="mt-1 grid grid-cols-3 gap-1.5">
          {(Object.keys(GLANCES) as Glance[]).map((glance) => (
            <Chip
              key={glance}
              chosen={text.looks === glance}
              onPress={() => form.set({ looks: text.looks === glance ? '' : glance })}
              className="px-2 pt-1 pb-1.5 text-center text-sm"
            >
              <GlanceDrawing glance={glance} />
              {glance}
            </Chip>
          ))}
        </div>
      </fieldset>
      <BedTicks
        bedIds={text.bedIds}
        onChange={(ids) => form.set({ bedIds: ids })}
        problem={form.problem('bedIds')}
      />
      <DialogButtons store="Record as growing" onCancel={onCancel} />
    </Form>
  )
}

function SpeciesChip({ id, chosen, onPress }: { id: string; chosen: boolean; onPress: () => void }) {
  const plant = SPECIES.find((species) => species.id === id)!
  return (
    <Chip
      chosen={chosen}
      onPress={onPress}
      className="flex items-center gap-2 px-2 py-1 text-left text-[0.95rem]"
    >
      <Swatch groups={[plant.group]} size={1} />
      {plant.name}
    </Chip>
  )
}
