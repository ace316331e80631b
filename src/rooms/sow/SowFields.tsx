import { covering } from '../../core/garden/schema'
import { findSpecies } from '../../core/plants/catalogue'
import { DraftOffer } from '../../parts/DraftOffer'
import { Form } from '../../parts/Form'
import { TypedChoice, TypedText } from '../../parts/form/fields'
import type { StandView } from '../../state/useStand'
import type { Sow } from './useSow'

const COVERINGS = covering.options.map(
  (option) => [option, option === 'surface' ? 'nothing, left on the surface' : option] as const,
)
const PASSES = ['1', '2', '3', '4'].map((count) => [count, count] as const)
const STEPS = ['0.1', '0.5', '1', '5', '10'].map((step) => [step, `${step} g steps`] as const)

/** What the recipe is asked with: germination and share of each species, how the seed is covered, passes, the scale. */
export function SowFields({ view, sow: { form } }: { view: StandView; sow: Sow }) {
  const components = view.stand.content.kind === 'cover' ? view.stand.content.components : []
  return (
    <Form className="no-print flex flex-col gap-3" aria-label="Seed and covering">
      <DraftOffer offer={form.offer} />
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
        <TypedChoice form={form} name="scaleStepG" label="Scale shows" options={STEPS} />
      </div>
    </Form>
  )
}
