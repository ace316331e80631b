import { useState } from 'react'
import { useFieldArray } from 'react-hook-form'
import { Link, useNavigate } from 'react-router'
import { startGarden } from '../../actions/startGarden'
import { isoDate } from '../../core/foundations/day'
import { DraftOffer } from '../../parts/DraftOffer'
import { Form } from '../../parts/Form'
import { TypedChoice, TypedText } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { Notices } from '../../parts/Notices'
import { ProblemLine } from '../../parts/ProblemLine'
import { useToday } from '../../state/clock'
import { openOwn } from '../../state/openOwn'
import { useAppDispatch } from '../../state/store'
import type { Units } from '../../text/format'
import { blankTool } from '../../parts/tools/forms'
import { askedOf, blankHome, homeOf } from '../../parts/home/homeForm'
import { useUsualYear } from '../../parts/home/useUsualYear'
import { ToolFields } from '../../parts/tools/ToolFields'
import { startForm, UNITS } from './forms'
import { blankGroup, GroupFields } from './GroupFields'
import { usualOf } from './localeDefaults'
import { StartPlace } from './StartPlace'
import { useGardenImport } from './useGardenImport'

const usual = usualOf(navigator.language)
const blank = {
  name: 'My garden',
  place: 'told' as const,
  ...blankHome,
  ...usual,
  groups: [blankGroup('Main', 'A', usual.units)],
  tools: [blankTool('hand shears'), blankTool('rake')],
}

/** A garden of one's own: a place and beds; then what stands in them. */
export function StartRoom() {
  const dispatch = useAppDispatch()
  const navigate = useNavigate()
  const today = useToday(null)
  const { button, shown } = useGardenImport()
  const [units, setUnits] = useState<Units>(usual.units)
  const form = useTyped({ schema: startForm(units), units, draft: { name: 'start', version: 3 }, blank })
  const year = useUsualYear(form.text, units)
  const { fields, append, remove } = useFieldArray({ control: form.control, name: 'groups' })
  // A draft may bring other units than the form began with.
  if (form.text.units !== units) setUnits(form.text.units)
  const save = form.submit(async ({ value }) => {
    const asked = value.place === 'later' ? null : askedOf(value)
    const settled = asked && (await year.settled(asked))
    if (asked && !settled) return false
    const place = settled && { home: homeOf(value), site: settled.site }
    const stored = await openOwn(startGarden({ ...value, place, begunOn: isoDate(today) }), dispatch)
    if (stored) void navigate('/standing')
    return stored
  })

  return (
    <main className="mx-auto max-w-4xl px-4 py-6">
      <h1>Start your own garden</h1>
      <p className="mt-1 flex flex-wrap items-center gap-x-3 gap-y-1">
        Everything stays in this browser and can be exported.
        <Link className="link py-2" to="/">
          Back
        </Link>
        <span className="ml-auto flex items-center gap-2">You have one already? {button}</span>
      </p>
      {shown}
      <DraftOffer offer={form.offer} />
      <Form className="mt-4 flex flex-col gap-6" onSubmit={save}>
        <StartPlace form={form} units={units} usual={year} />
        <section aria-label="Beds">
          <h2>Your beds</h2>
          <div className="mt-2 flex flex-col gap-3">
            {fields.map((field, index) => (
              <div key={field.id} className="flex flex-wrap items-end gap-2">
                <GroupFields index={index} form={form} units={units} />
                {fields.length > 1 && (
                  <button type="button" className="btn btn-ghost h-11" onClick={() => remove(index)}>
                    Remove
                  </button>
                )}
              </div>
            ))}
          </div>
          <button
            type="button"
            className="btn btn-sm mt-3 min-h-11 sm:min-h-8"
            onClick={() => append(blankGroup('', String.fromCharCode(65 + fields.length), units))}
          >
            Add beds of another size
          </button>
          <ProblemLine text={form.problem('groups') ?? null} />
        </section>
        <details>
          <summary className="cursor-pointer py-2 font-semibold">
            Name, units, tools: this can wait, and is changed in Garden
          </summary>
          <div className="mt-2 flex flex-wrap items-start gap-3">
            <TypedText form={form} name="name" label="Garden name" className="h-11 w-56" />
            <TypedChoice form={form} name="units" label="Units" className="h-11 w-32" options={UNITS} />
            <TypedText form={form} name="currency" label="Currency" className="h-11 w-24" />
          </div>
          <div className="mt-4">
            <ToolFields tools={form.text.tools} onChange={(tools) => form.set({ tools })} units={units} />
            {form.problemsIn('tools').map((text) => (
              <ProblemLine key={text} text={text} />
            ))}
          </div>
        </details>
        <div className="flex justify-end">
          <button className="btn btn-primary h-11">Next: what stands in them</button>
        </div>
      </Form>
      <Notices />
    </main>
  )
}
