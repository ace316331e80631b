import { scaleSteps } from '../../core/seeding/scaleSteps'
import { stepText } from '../../text/amounts'
import type { Units } from '../../text/format'
import { covering, type Covering } from '../../core/garden/schema'
import { findSpecies } from '../../core/plants/catalogue'
import { Form } from '../../parts/Form'
import { TypedChoice, TypedText } from '../../parts/form/fields'
import type { StandView } from '../../state/useStand'
import type { Sow } from './useSow'

/** How seed is covered, after a comma. */
export const coveringWords = (how: Covering): string =>
  how === 'surface' ? 'left on the surface' : how === 'compost' || how === 'thin straw' ? `under ${how}` : how

const COVERINGS = covering.options.map(
  (option) => [option, option === 'surface' ? 'nothing, left on the surface' : option] as const,
)
const PASSES = ['1', '2', '3', '4'].map((count) => [count, count] as const)
/** Steps of scales as they are shown: a pinch of clover wants another scale than a field’s oats. */
const stepsOf = (units: Units) =>
  scaleSteps(units === 'imperial').map((step) => [String(step), `${stepText(step, units)} steps`] as const)
/** What the recipe is asked with: germination and share of each species, how the seed is covered, passes, the scale. */
export function SowFields({ view, sow: { form, units } }: { view: StandView; sow: Sow }) {
  const components = view.stand.content.kind === 'cover' ? view.stand.content.components : []
  return (
    <Form className="no-print flex flex-col gap-3" aria-label="Seed and covering">
      {components.map(({ speciesId }) => (
        <fieldset key={speciesId} className="grid grid-cols-2 gap-3">
          <legend className="mb-1 text-sm font-semibold">{findSpecies(speciesId)?.name}</legend>
          <TypedText form={form} name={`germination.${speciesId}`} label="Germination, %" decimal />
          <TypedText form={form} name={`share.${speciesId}`} label="Share of full rate, %" decimal />
        </fieldset>
      ))}
      <TypedChoice form={form} name="covering" label="Covered by" options={COVERINGS} />
      <div className="grid grid-cols-2 gap-3">
        <TypedChoice form={form} name="passes" label="Passes" options={PASSES} />
        <TypedChoice form={form} name="scaleStepG" label="Scale shows" options={stepsOf(units)} />
      </div>
    </Form>
  )
}
