import { findSpecies } from '../../core/plants/catalogue'
import { DraftOffer } from '../../parts/DraftOffer'
import { covering, type Covering } from '../../core/garden/schema'
import { Field } from '../../parts/Field'
import { Form } from '../../parts/Form'
import type { StandView } from '../../state/useStand'
import type { Sow } from './useSow'

/** What the recipe is asked with: germination and share of each species, how the seed is covered, passes, the scale. */
export function SowFields({ view, sow }: { view: StandView; sow: Sow }) {
  const { form, offer, change, recipe } = sow
  const components = view.stand.content.kind === 'cover' ? view.stand.content.components : []
  const problem = (path: string) =>
    recipe.ok ? undefined : recipe.problems.find((item) => item.path === path)?.message
  return (
    <Form className="no-print flex flex-col gap-3" aria-label="Seed and covering">
      <DraftOffer offer={offer} />
      {components.map((component, i) => (
        <fieldset key={component.speciesId} className="grid grid-cols-2 gap-3">
          <legend className="mb-1 text-sm font-semibold">{findSpecies(component.speciesId)?.name}</legend>
          <Field label="Germination, %" error={problem(`components.${i}.germination`)}>
            <input
              className="input w-full"
              inputMode="decimal"
              value={form.germination[component.speciesId] ?? ''}
              onChange={(event) =>
                change({ germination: { ...form.germination, [component.speciesId]: event.target.value } })
              }
            />
          </Field>
          <Field label="Share of full rate, %" error={problem(`components.${i}.share`)}>
            <input
              className="input w-full"
              inputMode="decimal"
              value={form.share[component.speciesId] ?? ''}
              onChange={(event) =>
                change({ share: { ...form.share, [component.speciesId]: event.target.value } })
              }
            />
          </Field>
        </fieldset>
      ))}
      <Field label="Covered by">
        <select
          className="select w-full"
          value={form.covering}
          onChange={(event) => change({ covering: event.target.value as Covering })}
        >
          {covering.options.map((option) => (
            <option key={option} value={option}>
              {option === 'surface' ? 'nothing, left on the surface' : option}
            </option>
          ))}
        </select>
      </Field>
      <div className="grid grid-cols-2 gap-3">
        <Field label="Passes">
          <select
            className="select w-full"
            value={form.passes}
            onChange={(event) => change({ passes: Number(event.target.value) })}
          >
            {[1, 2, 3, 4].map((count) => (
              <option key={count} value={count}>
                {count}
              </option>
            ))}
          </select>
        </Field>
        <Field label="Scale shows">
          <select
            className="select w-full"
            value={form.scaleStepG}
            onChange={(event) => change({ scaleStepG: Number(event.target.value) })}
          >
            {[0.1, 0.5, 1, 5, 10].map((step) => (
              <option key={step} value={step}>
                {step} g steps
              </option>
            ))}
          </select>
        </Field>
      </div>
    </Form>
  )
}
