import { segmentAreaM2 } from '../../core/garden/area'
import { findSpecies } from '../../core/plants/catalogue'
import type { Recipe as RecipeValue } from '../../core/seeding/recipe'
import { TypedDay, TypedNote, TypedText } from '../../parts/form/fields'
import { RecordForm } from '../../parts/RecordForm'
import { area, type Units } from '../../text/format'
import { unitOf, writeQuantity } from '../../text/quantity'
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
  const { form, record } = sow
  const components = view.stand.content.kind === 'cover' ? view.stand.content.components : []
  return (
    <RecordForm
      name="Record the sowing"
      button="Record sowing"
      hint={`Left empty, the recipe’s weights are recorded, over ${area(segmentAreaM2(view.bed, view.stand.segment), units)}.`}
      disabled={!recipe}
      onRecord={record}
    >
      <TypedDay form={form} name="date" label="Sown on" />
      {components.map((component, i) => (
        <TypedText
          key={component.speciesId}
          form={form}
          name={`grams.${component.speciesId}`}
          label={`${findSpecies(component.speciesId)?.name ?? ''}, ${unitOf('seed', units)} sown`}
          className="w-32"
          placeholder={recipe ? writeQuantity(recipe.lines[i].grams, 'seed', units) : ''}
          decimal
        />
      ))}
      <TypedText form={form} name="keptMoist" label="Kept moist for, days" className="w-28" decimal />
      <TypedNote form={form} name="note" />
      {recipe && <FromStock sow={sow} recipe={recipe} />}
    </RecordForm>
  )
}
