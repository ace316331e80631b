import { zodResolver } from '@hookform/resolvers/zod'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import { z } from 'zod'
import type { Garden } from '../../core/garden/schema'
import { Field } from '../../parts/Field'
import { TickField } from '../../parts/SelectField'
import { useCommit, useGarden } from '../../state/garden'
import { fromMetres, startForm, toolOf, type ToolInput } from './forms'
import { ToolFields } from './ToolFields'

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
  garden.tools.map((tool) => ({
    kind: tool.kind,
    width: tool.widthM === null ? '' : String(fromMetres(tool.widthM, garden.units)),
    length: tool.lengthM === null ? '' : String(fromMetres(tool.lengthM, garden.units)),
  }))

/** Animals that some covers harm. */
const ANIMALS = ['dogs', 'poultry', 'ruminants', 'horses', 'pigs'] as const

/** Name, units, currency, waiting rule and tools. */
export function Settings() {
  const { data } = useGarden()
  const commit = useCommit()
  const { garden } = data
  const [tools, setTools] = useState(() => toolInputs(garden))
  const [animals, setAnimals] = useState(garden.animals ?? [])
  const { register, handleSubmit, formState } = useForm<Input, unknown, z.output<typeof settingsForm>>({
    resolver: zodResolver(settingsForm),
    values: inputOf(garden),
  })
  const { errors } = formState
  const save = handleSubmit(async (value) => {
    // Sizes were typed in the units shown, even when the units themselves change now.
    const kept = tools.map((tool, i) =>
      toolOf(tool, garden.units, garden.tools[i]?.kind === tool.kind ? garden.tools[i].id : undefined),
    )
    const put: Garden = {
      ...garden,
      name: value.name,
      units: value.units,
      currency: value.currency,
      waitDays: { transplant: value.waitTransplant, seed: value.waitSeed },
      tools: kept,
      animals,
    }
    const stored = await commit('Changed the garden’s settings', [{ table: 'gardens', put }])
    if (stored.ok) setTools(toolInputs(put))
  })
  return (
    <form
      className="mt-3 flex flex-col gap-4"
      onSubmit={(event) => void save(event)}
      noValidate
      aria-label="Settings"
    >
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
                setAnimals(checked ? [...animals, animal] : animals.filter((other) => other !== animal))
              }
            />
          ))}
        </div>
      </fieldset>
      <ToolFields tools={tools} onChange={setTools} units={garden.units} />
      <div>
        <button className="btn btn-primary btn-sm">Save settings</button>
      </div>
    </form>
  )
}
