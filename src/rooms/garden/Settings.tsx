import { zodResolver } from '@hookform/resolvers/zod'
import equal from 'lodash-es/isEqual'
import { useForm } from 'react-hook-form'
import { z } from 'zod'
import type { Garden } from '../../core/garden/schema'
import { Field } from '../../parts/Field'
import { TickField } from '../../parts/SelectField'
import { useCommit, useGarden } from '../../state/garden'
import { notice } from '../../state/notices'
import { startForm, toolInputOf, toolOf, toolProblem, type ToolInput } from './forms'
import { ToolFields } from './ToolFields'
import { Form } from '../../parts/Form'
import { changed } from '../../data/writes'
import { useEdits } from '../../parts/useEdits'

const days = (field: string) =>
  z
    .string()
    .transform(Number)
    .pipe(
      z
        .number({ error: `${field} must be a number.` })
        .int(`${field} must be whole days.`)
        .min(0, `${field} cannot be negative.`)
        .max(90, `${field} is at most 90 days.`),
    )
const settingsForm = startForm
  .pick({ name: true, units: true, currency: true })
  .extend({ waitTransplant: days('The wait'), waitSeed: days('The wait') })
type Input = z.input<typeof settingsForm>

const inputOf = (garden: Garden): Input => ({
  name: garden.name,
  units: garden.units,
  currency: garden.currency,
  waitTransplant: String(garden.waitDays.transplant),
  waitSeed: String(garden.waitDays.seed),
})

const toolInputs = (garden: Garden): ToolInput[] =>
  garden.tools.map((tool) => toolInputOf(tool, garden.units))

/** Animals that some covers harm. */
const ANIMALS = ['dogs', 'poultry', 'ruminants', 'horses', 'pigs', 'rabbits'] as const

/** Name, units, currency, waiting rule and tools. */
export function Settings() {
  const { data } = useGarden()
  const commit = useCommit()
  const { garden } = data
  const owned = useEdits(garden, (stored) => ({ tools: toolInputs(stored), animals: stored.animals ?? [] }))
  const { tools, animals } = owned.input
  const { register, handleSubmit, formState, reset } = useForm<Input, unknown, z.output<typeof settingsForm>>(
    {
      resolver: zodResolver(settingsForm),
      values: inputOf(garden),
      resetOptions: { keepDirtyValues: true },
    },
  )
  const { errors } = formState
  const save = handleSubmit(async (value) => {
    const problem = tools.map((tool) => toolProblem(tool, owned.seen.units)).find((text) => text !== null)
    if (problem) return notice.error(problem)
    // Sizes were typed in the units shown, even when the units themselves change now.
    const before = toolInputs(owned.seen)
    const kept = tools.map((tool) => {
      const old = before.findIndex(({ id }) => id === tool.id)
      return equal(before[old], tool) ? owned.seen.tools[old] : toolOf(tool, owned.seen.units)
    })
    // Each field is written against what it was filled in over: the text fields follow the record, tools and animals
    // stay as they were when the first of them was ticked.
    const seen = { ...garden, tools: owned.seen.tools, animals: owned.seen.animals ?? [] }
    const stored = await commit('Changed the garden’s settings', [
      changed('gardens', seen, {
        name: value.name,
        units: value.units,
        currency: value.currency,
        waitDays: { transplant: value.waitTransplant, seed: value.waitSeed },
        tools: kept,
        animals,
      }),
    ])
    if (!stored.ok) return
    reset(undefined, { keepValues: true })
    owned.done()
  })
  return (
    <Form className="mt-3 flex flex-col gap-4" onSubmit={save} aria-label="Settings">
      <div className="flex flex-wrap items-start gap-3">
        <Field label="Garden name" error={errors.name?.message}>
          <input className="input w-52" {...register('name')} />
        </Field>
        <Field label="Units">
          <select className="select w-32" {...register('units')}>
            <option value="metric">metric</option>
            <option value="imperial">imperial</option>
          </select>
        </Field>
        <Field label="Currency" error={errors.currency?.message}>
          <input className="input w-24" {...register('currency')} />
        </Field>
        <Field label="Days from dead to transplants" error={errors.waitTransplant?.message}>
          <input className="input w-40" inputMode="numeric" {...register('waitTransplant')} />
        </Field>
        <Field label="Days from dead to sowing" error={errors.waitSeed?.message}>
          <input className="input w-40" inputMode="numeric" {...register('waitSeed')} />
        </Field>
      </div>
      <fieldset>
        <legend className="text-sm font-semibold">Animals that come to the beds</legend>
        <div className="mt-1 flex flex-wrap gap-4">
          {ANIMALS.map((animal) => (
            <TickField
              key={animal}
              label={animal}
              checked={animals.includes(animal)}
              onChange={(checked) =>
                owned.change({
                  animals: checked ? [...animals, animal] : animals.filter((other) => other !== animal),
                })
              }
            />
          ))}
        </div>
      </fieldset>
      <ToolFields tools={tools} onChange={(tools) => owned.change({ tools })} units={garden.units} />
      <div>
        <button className="btn btn-primary btn-sm">Save settings</button>
      </div>
    </Form>
  )
}
