import equal from 'lodash-es/isEqual'
import { changeSettings } from '../../actions/changeGarden'
import type { Garden } from '../../core/garden/schema'
import type { Tool } from '../../core/garden/tool'
import { Form } from '../../parts/Form'
import { TypedChoice, TypedText } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { ProblemLine } from '../../parts/ProblemLine'
import { TickField } from '../../parts/SelectField'
import { useAct, useGarden } from '../../state/garden'
import { settingsForm, toolInputOf, UNITS } from './forms'
import { ToolFields } from './ToolFields'

/** Animals that some covers harm. */
const ANIMALS = ['dogs', 'poultry', 'ruminants', 'horses', 'pigs', 'rabbits'] as const

/** Name, units, currency, waiting rule and tools. */
export function Settings() {
  const { data } = useGarden()
  const act = useAct()
  const { garden } = data
  // Sizes are typed in the units of the garden as it is, even when the units themselves change with them.
  const { units } = garden
  const form = useTyped({
    schema: settingsForm(units),
    draft: { name: 'settings' },
    record: garden,
    valueOf: ({ waitDays, ...stored }: Garden) => ({
      ...stored,
      waitTransplant: waitDays.transplant,
      waitSeed: waitDays.seed,
      animals: stored.animals ?? [],
    }),
  })
  const save = form.submit(({ seen, part: { waitTransplant, waitSeed, tools, ...part } }) =>
    act(
      changeSettings(seen, {
        ...part,
        ...(tools && { tools: tools.map((tool) => asStored(tool, seen)) }),
        waitDays: {
          transplant: waitTransplant ?? seen.waitDays.transplant,
          seed: waitSeed ?? seen.waitDays.seed,
        },
      }),
    ),
  )
  const { animals } = form.text
  return (
    <Form className="mt-2 flex flex-col gap-4" aria-label="Settings" onSubmit={save}>
      <div className="flex flex-wrap items-start gap-3">
        <TypedText form={form} name="name" label="Garden name" className="w-56" />
        <TypedChoice form={form} name="units" label="Units" className="w-32" options={UNITS} />
        <TypedText form={form} name="currency" label="Currency" className="w-24" />
        <TypedText
          form={form}
          name="waitTransplant"
          label="Days from dead to transplants"
          className="w-40"
          decimal
        />
        <TypedText form={form} name="waitSeed" label="Days from dead to sowing" className="w-40" decimal />
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
                form.set({
                  animals: checked ? [...animals, animal] : animals.filter((other) => other !== animal),
                })
              }
            />
          ))}
        </div>
      </fieldset>
      <ToolFields tools={form.text.tools} onChange={(tools) => form.set({ tools })} units={units} />
      <ProblemLine text={form.problemsIn('tools')[0] ?? null} />
      <div>
        <button className="btn btn-primary btn-sm">Save settings</button>
      </div>
    </Form>
  )
}

/** A tool of which nothing was changed keeps its exact figures. */
function asStored(tool: Tool, { tools, units }: Garden): Tool {
  const known = tools.find(({ id }) => id === tool.id)
  return known && equal(toolInputOf(known, units), toolInputOf(tool, units)) ? known : tool
}
