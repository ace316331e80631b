import { zodResolver } from '@hookform/resolvers/zod'
import { useState } from 'react'
import { useFieldArray, useForm, useWatch } from 'react-hook-form'
import { Link, useNavigate } from 'react-router'
import { notice } from '../../state/notices'
import { Notices } from '../../parts/Notices'
import { firstProblem } from '../../core/foundations/outcome'
import { CLIMATE_TYPES } from '../../core/site/climateTypes'
import { askToLast } from '../../data/backup'
import { commit } from '../../data/commit'
import { database } from '../../data/database'
import { gardenWrites } from '../../data/gardenRecords'
import { Field } from '../../parts/Field'
import { gardenOpened } from '../../state/session'
import { useAppDispatch } from '../../state/store'
import {
  blankTool,
  startForm,
  toolProblem,
  type BedGroupInput,
  type StartInput,
  type StartValue,
  type ToolInput,
} from './forms'
import { GroupFields } from './GroupFields'
import { startGarden } from './startGarden'
import { useGardenImport } from './useGardenImport'
import { ToolFields } from './ToolFields'
import { Form } from '../../parts/Form'

const group = (section: string, prefix: string): BedGroupInput => ({
  section,
  prefix,
  count: '6',
  length: '',
  width: '',
  kind: 'in-ground',
  soil: 'loam',
})

const blank: StartInput = {
  name: '',
  latitude: '',
  elevation: '100',
  climateType: '',
  units: 'metric',
  currency: 'EUR',
  groups: [group('Main', 'A')],
  tools: [],
}

/** A garden of one's own: a place, beds in bulk, tools; then the loom. */
export function StartRoom() {
  const dispatch = useAppDispatch()
  const navigate = useNavigate()
  const { button, shown } = useGardenImport()
  const [tools, setTools] = useState<ToolInput[]>([blankTool('hand shears'), blankTool('rake')])
  const form = useForm<StartInput, unknown, StartValue>({
    resolver: zodResolver(startForm),
    defaultValues: blank,
  })
  const { register, control, handleSubmit, formState } = form
  const { fields, append, remove } = useFieldArray({ control, name: 'groups' })
  const units = useWatch({ control, name: 'units' })
  const { errors } = formState

  const save = handleSubmit(async (value) => {
    const problem = tools.map((tool) => toolProblem(tool, value.units)).find((text) => text !== null)
    if (problem) return notice.error(problem)
    const data = startGarden(value, tools)
    const stored = await commit(database, data.garden.id, `Started ${data.garden.name}`, gardenWrites(data))
    if (!stored.ok) {
      notice.error(firstProblem(stored.problems))
      return
    }
    if (stored.value !== null) await database.undo.delete(stored.value)
    // What is the grower's own is not to be cleared away by the browser.
    void askToLast()
    dispatch(gardenOpened(data.garden.id))
    void navigate('/')
  })

  return (
    <main className="mx-auto max-w-4xl px-4 py-6">
      <h1>Start your own garden</h1>
      <p className="mt-1">
        A place, your beds, your tools. Everything stays in this browser and can be exported.{' '}
        <Link className="link" to="/">
          Back
        </Link>
      </p>
      <p className="mt-3 flex flex-wrap items-center gap-x-3 gap-y-1">
        You have one already, on another device or in a file? {button}
      </p>
      {shown}
      <Form className="mt-5 flex flex-col gap-6" onSubmit={save}>
        <section className="flex flex-wrap items-start gap-3" aria-label="Place">
          <Field label="Garden name" error={errors.name?.message}>
            <input className="input w-56" {...register('name')} />
          </Field>
          <Field label="Latitude" hint="south is negative" error={errors.latitude?.message}>
            <input className="input w-28" inputMode="text" placeholder="47.2" {...register('latitude')} />
          </Field>
          <Field label={`Elevation, ${units === 'imperial' ? 'ft' : 'm'}`} error={errors.elevation?.message}>
            <input className="input w-28" inputMode="numeric" {...register('elevation')} />
          </Field>
          <Field label="Climate nearest to yours" error={errors.climateType?.message}>
            <select className="select w-96 max-w-full" {...register('climateType')}>
              <option value="">choose</option>
              {CLIMATE_TYPES.map((type) => (
                <option key={type.id} value={type.id}>
                  {type.name}
                </option>
              ))}
            </select>
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
        </section>
        <section aria-label="Beds">
          <h2>Beds</h2>
          <div className="mt-2 flex flex-col gap-3">
            {fields.map((field, index) => (
              <div key={field.id} className="flex flex-wrap items-end gap-2">
                <GroupFields index={index} register={register} errors={errors} units={units} />
                {fields.length > 1 && (
                  <button type="button" className="btn btn-ghost btn-sm" onClick={() => remove(index)}>
                    Remove
                  </button>
                )}
              </div>
            ))}
          </div>
          <button
            type="button"
            className="btn btn-sm mt-3"
            onClick={() => append(group('', String.fromCharCode(65 + fields.length)))}
          >
            Add another run of beds
          </button>
        </section>
        <ToolFields tools={tools} onChange={setTools} units={units} />
        <div>
          <button className="btn btn-primary">Open the loom</button>
        </div>
      </Form>
      <Notices />
    </main>
  )
}
