import { segmentAreaM2 } from '../../core/garden/area'
import { findSpecies } from '../../core/plants/catalogue'
import type { Recipe as RecipeValue } from '../../core/seeding/recipe'
import { DateField, NoteField } from '../../parts/DateField'
import { Field } from '../../parts/Field'
import { RecordForm } from '../../parts/RecordForm'
import { area, type Units } from '../../text/format'
import type { StandView } from '../../state/useStand'
import { FromStock } from './FromStock'
import type { Sow } from './useSow'

/** Records the sowing, with what was really weighed. */
export function RecordSowing({
  sow,
  view,
  recipe,
  units,
}: {
  sow: Sow
  view: StandView
  recipe: RecipeValue | null
  units: Units
}) {
  const { form, change, problems, record } = sow
  const components = view.stand.content.kind === 'cover' ? view.stand.content.components : []
  return (
    <RecordForm
      name="Record the sowing"
      button="Record sowing"
      hint={`Left empty, the recipe’s grams are recorded, over ${area(segmentAreaM2(view.bed, view.stand.segment), units)}.`}
      disabled={!recipe}
      onRecord={record}
    >
      <DateField
        label="Sown on"
        error={problems.date}
        value={form.date}
        onChange={(date) => change({ date })}
      />
      {components.map((component, i) => (
        <Field
          key={component.speciesId}
          label={`${findSpecies(component.speciesId)?.name ?? ''}, g sown`}
          error={problems[`grams ${component.speciesId}`]}
        >
          <input
            className="input w-32"
            inputMode="decimal"
            placeholder={recipe ? String(recipe.lines[i].grams) : ''}
            value={form.grams[component.speciesId] ?? ''}
            onChange={(event) =>
              change({ grams: { ...form.grams, [component.speciesId]: event.target.value } })
            }
          />
        </Field>
      ))}
      <Field label="Kept moist for, days" error={problems.keptMoist}>
        <input
          className="input w-28"
          inputMode="numeric"
          value={form.keptMoist ?? ''}
          onChange={(event) => change({ keptMoist: event.target.value })}
        />
      </Field>
      <NoteField value={form.note} onChange={(note) => change({ note })} />
      {recipe && <FromStock sow={sow} recipe={recipe} />}
    </RecordForm>
  )
}
