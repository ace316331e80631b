import { useState } from 'react'
import { useFieldArray } from 'react-hook-form'
import { Link, useNavigate } from 'react-router'
import { startGarden } from '../../actions/startGarden'
import { CLIMATE_TYPES } from '../../core/site/climateTypes'
import { DraftOffer } from '../../parts/DraftOffer'
import { Form } from '../../parts/Form'
import { TypedChoice, TypedText } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { Notices } from '../../parts/Notices'
import { ProblemLine } from '../../parts/ProblemLine'
import { openOwn } from '../../state/openOwn'
import { useAppDispatch } from '../../state/store'
import type { Units } from '../../text/format'
import { unitOf } from '../../text/quantity'
import { blankTool, startForm, UNITS } from './forms'
import { blankGroup, GroupFields } from './GroupFields'
import { ToolFields } from './ToolFields'
import { useGardenImport } from './useGardenImport'

const blank = {
  name: '',
  latitude: '',
  elevationM: '100',
  climateType: '',
  units: 'metric' as const,
  currency: 'EUR',
  groups: [blankGroup('Main', 'A')],
  tools: [blankTool('hand shears'), blankTool('rake')],
}

/** A garden of one's own: a place, beds in bulk, tools; then the loom. */
export function StartRoom() {
  const dispatch = useAppDispatch()
  const navigate = useNavigate()
  const { button, shown } = useGardenImport()
  const [units, setUnits] = useState<Units>('metric')
  const form = useTyped({ schema: startForm(units), draft: { name: 'start' }, blank })
  const { fields, append, remove } = useFieldArray({ control: form.control, name: 'groups' })
  // A draft may bring other units than the form began with.
  if (form.text.units !== units) setUnits(form.text.units)
  const save = form.submit(async ({ value }) => {
    const stored = await openOwn(startGarden(value), dispatch)
    if (stored) void navigate('/')
    return stored
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
      <DraftOffer offer={form.offer} />
      <Form className="mt-5 flex flex-col gap-6" onSubmit={save}>
        <section className="flex flex-wrap items-start gap-3" aria-label="Place">
          <TypedText form={form} name="name" label="Garden name" className="w-56" />
          <TypedText
            form={form}
            name="latitude"
            label="Latitude"
            hint="south is negative"
            className="w-28"
            placeholder="47.2"
          />
          <TypedText
            form={form}
            name="elevationM"
            label={`Elevation, ${unitOf('length', units)}`}
            className="w-28"
            decimal
          />
          <TypedChoice
            form={form}
            name="climateType"
            label="Climate nearest to yours"
            className="w-96 max-w-full"
            options={[['', 'choose'], ...CLIMATE_TYPES.map((type) => [type.id, type.name] as const)]}
          />
          <TypedChoice form={form} name="units" label="Units" className="w-32" options={UNITS} />
          <TypedText form={form} name="currency" label="Currency" className="w-24" />
        </section>
        <section aria-label="Beds">
          <h2>Beds</h2>
          <div className="mt-2 flex flex-col gap-3">
            {fields.map((field, index) => (
              <div key={field.id} className="flex flex-wrap items-end gap-2">
                <GroupFields index={index} form={form} units={units} />
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
            onClick={() => append(blankGroup('', String.fromCharCode(65 + fields.length)))}
          >
            Add another run of beds
          </button>
        </section>
        <ToolFields tools={form.text.tools} onChange={(tools) => form.set({ tools })} units={units} />
        <ProblemLine text={form.problemsIn('tools')[0] ?? null} />
        <div>
          <button className="btn btn-primary">Open the loom</button>
        </div>
      </Form>
      <Notices />
    </main>
  )
}
