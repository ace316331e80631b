import { Scroll } from '../../parts/Scroll'
import { covering, type Covering } from '../../core/garden/schema'
import { partAreaM2 } from '../../core/garden/area'
import { ouncesPer1000SquareFeet, poundsPerAcre } from '../../core/foundations/units'
import { findSpecies } from '../../core/plants/catalogue'
import type { Recipe as RecipeValue } from '../../core/seeding/recipe'
import { Caution } from '../../parts/Caution'
import { DateField, NoteField } from '../../parts/DateField'
import { Field } from '../../parts/Field'
import { RecordForm } from '../../parts/RecordForm'
import { area, grams, rate, type Units } from '../../text/format'
import { Why } from '../../parts/Why'
import type { PlanView } from '../../state/usePlan'
import type { StandView } from '../../state/useStand'
import { FromStock } from './FromStock'
import { HowToThrow } from './HowToThrow'
import { RingCheck } from './RingCheck'
import { WhenToSow } from './WhenToSow'
import type { useSow } from './useSow'
import { Form } from '../../parts/Form'
import { BroughtIn } from '../../parts/BroughtIn'

type Sow = ReturnType<typeof useSow>

/** The recipe: what to weigh, in how many passes, and recording it once done. */
export function Recipe({
  view,
  sow,
  units,
  plan,
}: {
  view: StandView
  sow: Sow
  units: Units
  plan: PlanView
}) {
  const { recipe, form } = sow
  return (
    <div className="grid grid-cols-1 gap-8 lg:grid-cols-[20rem_minmax(0,1fr)]">
      <SowFields view={view} sow={sow} />
      <div>
        {recipe.ok ? (
          <Weigh recipe={recipe.value} units={units} />
        ) : (
          <ul role="alert" className="font-semibold text-error">
            {recipe.problems.map((problem) => (
              <li key={problem.path + problem.code}>{problem.message}</li>
            ))}
          </ul>
        )}
        {recipe.ok && (
          <HowToThrow view={view} recipe={recipe.value} form={form} change={sow.change} units={units} />
        )}
        {recipe.ok && <RingCheck recipe={recipe.value} />}
        <WhenToSow view={view} units={units} plan={plan} />
        <div className="no-print mt-3">
          <button className="btn btn-sm" onClick={() => window.print()}>
            Print this recipe
          </button>
        </div>
        <RecordSowing sow={sow} view={view} recipe={recipe.ok ? recipe.value : null} />
        {recipe.ok &&
          form.covering === 'surface' &&
          recipe.value.lines.some((line) => line.size === 'large') && (
            <Caution>Large seed left on the surface mostly fails. Rake it in.</Caution>
          )}
        {form.covering === 'thin straw' && <BroughtIn what="straw or hay" />}
        {form.covering === 'compost' && <BroughtIn what="compost" />}
        <Caution>
          Treated seed is never eaten, fed or handled bare. Wear a mask against inoculant dust.
        </Caution>
      </div>
    </div>
  )
}

function SowFields({ view, sow }: { view: StandView; sow: Sow }) {
  const { form, change, recipe } = sow
  const components = view.stand.content.kind === 'cover' ? view.stand.content.components : []
  const problem = (path: string) =>
    recipe.ok ? undefined : recipe.problems.find((item) => item.path === path)?.message
  return (
    <Form className="no-print flex flex-col gap-3" aria-label="Seed and covering">
      {components.map((part, i) => (
        <fieldset key={part.speciesId} className="grid grid-cols-2 gap-3">
          <legend className="mb-1 text-sm font-semibold">{findSpecies(part.speciesId)?.name}</legend>
          <Field label="Germination, %" error={problem(`components.${i}.germination`)}>
            <input
              className="input w-full"
              inputMode="decimal"
              value={form.germination[part.speciesId] ?? ''}
              onChange={(event) =>
                change({ germination: { ...form.germination, [part.speciesId]: event.target.value } })
              }
            />
          </Field>
          <Field label="Share of full rate, %" error={problem(`components.${i}.share`)}>
            <input
              className="input w-full"
              inputMode="decimal"
              value={form.share[part.speciesId] ?? ''}
              onChange={(event) => change({ share: { ...form.share, [part.speciesId]: event.target.value } })}
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

function Weigh({ recipe, units }: { recipe: RecipeValue; units: Units }) {
  return (
    <>
      <h2>
        Weigh <span data-testid="total-grams">{grams(recipe.totalGrams, units)}</span> for{' '}
        {area(recipe.areaM2, units)}
      </h2>
      <Scroll label="Recipe">
        <table className="table mt-2 w-auto">
          <thead>
            <tr>
              <th>Species</th>
              <th className="text-right">Weigh</th>
              {recipe.passTotals.map((_, pass) => (
                <th key={pass} className="text-right">
                  Pass {pass + 1}
                </th>
              ))}
              <th className="text-right">Rate</th>
              <th className="text-right">Plants expected</th>
            </tr>
          </thead>
          <tbody>
            {recipe.lines.map((line) => (
              <tr key={line.speciesId}>
                <td className="font-semibold">{line.name}</td>
                <td className="text-right">{grams(line.grams, units)}</td>
                {line.passes.map((pass, i) => (
                  <td key={i} className="text-right">
                    {grams(pass, units)}
                  </td>
                ))}
                <td className="text-right">{rate(line.gramsPerM2, units)}</td>
                <td className="text-right">{Math.round(line.plantsPerM2)} per m²</td>
              </tr>
            ))}
          </tbody>
        </table>
      </Scroll>
      {recipe.lines.map((line) => (
        <Why key={line.speciesId} label={`why ${grams(line.grams, units)} of ${line.name.toLowerCase()}?`}>
          Drilled rate {line.drillGM2} g/m² (extension), times {line.broadcastFactor} for broadcasting{' '}
          {line.size} seed covered like this (extension, 1.2 to 2.5), times a share of{' '}
          {Math.round(line.share * 100)} %, divided by {Math.round(line.germination * 100)} % germination,
          times {recipe.areaM2.toFixed(1)} m², rounded up to the scale. As a rate:{' '}
          {ratesText(line.gramsPerM2)}.
          {line.inoculantGroup ? ` Inoculant: ${line.inoculantGroup} group.` : ''}
        </Why>
      ))}
      <Before recipe={recipe} />
      {recipe.lines.length > 1 && (
        <p className="mt-2">
          Throw large seed first, on its own; seeds of different size sort themselves in the bag.
        </p>
      )}
      {recipe.lines.some((line) => line.inoculantGroup) && (
        <p className="mt-1">
          Inoculant:{' '}
          {recipe.lines
            .filter((line) => line.inoculantGroup)
            .map(
              (line) =>
                `${grams(inoculantG(line), units)} of the ${line.inoculantGroup} group on the ${line.name.toLowerCase()}`,
            )
            .join(', ')}
          ; on damp seed, kept out of the sun, sown the same day.
        </p>
      )}
    </>
  )
}

/** Peat inoculant for a weight of seed: 3 g a kilogram on large seed, 8 g on small (extension, 2–10). */
const inoculantG = (line: RecipeValue['lines'][number]) =>
  Math.max(0.5, (line.grams / 1000) * (line.size === 'large' || line.size === 'medium' ? 3 : 8))

/** What is done before the seed is thrown. */
function Before({ recipe }: { recipe: RecipeValue }) {
  const small = recipe.lines.some((line) => line.size === 'tiny' || line.size === 'small')
  return (
    <details className="mt-3">
      <summary className="cursor-pointer font-semibold">Before you throw it</summary>
      <ul className="list-disc pl-5">
        <li>
          Where weeds are thick: make the seedbed two weeks early, let them come up, and hoe them off
          shallowly on the day.
        </li>
        <li>
          Turn a board over in the evening; with more than a few slugs under it, wait or go after them first.
        </li>
        {small && <li>For small seed the top must be fine and firm: a footprint should hardly sink in.</li>}
        {recipe.covering === 'frost-seeded' && (
          <li>Frost-seed on a still morning when the ground is frozen and thaws by day, in late winter.</li>
        )}
        {recipe.covering === 'vines put back' && (
          <li>
            Take the finished vines off, throw the seed, then spread them back no thicker than soil shows
            through.
          </li>
        )}
      </ul>
    </details>
  )
}

/** A rate as books print it. */
function ratesText(gM2: number): string {
  const kgHa = gM2 * 10
  return `${gM2.toFixed(1)} g/m², ${Math.round(kgHa)} kg/ha, ${Math.round(poundsPerAcre(gM2))} lb/acre, ${(ouncesPer1000SquareFeet(gM2) / 16).toFixed(1)} lb/1000 ft²`
}

function RecordSowing({ sow, view, recipe }: { sow: Sow; view: StandView; recipe: RecipeValue | null }) {
  const { form, change, problems, record } = sow
  const components = view.stand.content.kind === 'cover' ? view.stand.content.components : []
  return (
    <RecordForm
      name="Record the sowing"
      button="Record sowing"
      hint={`Left empty, the recipe’s grams are recorded, over ${Math.round(partAreaM2(view.bed, view.stand.part) * 10) / 10} m².`}
      disabled={!recipe}
      onRecord={record}
    >
      <DateField
        label="Sown on"
        error={problems.date}
        value={form.date}
        onChange={(date) => change({ date })}
      />
      {components.map((part, i) => (
        <Field
          key={part.speciesId}
          label={`${findSpecies(part.speciesId)?.name ?? ''}, g sown`}
          error={problems[`grams ${part.speciesId}`]}
        >
          <input
            className="input w-32"
            inputMode="decimal"
            placeholder={recipe ? String(recipe.lines[i].grams) : ''}
            value={form.grams[part.speciesId] ?? ''}
            onChange={(event) => change({ grams: { ...form.grams, [part.speciesId]: event.target.value } })}
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
