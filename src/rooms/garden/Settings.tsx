import { changeSettings } from '../../actions/changeGarden'
import { creature, type Garden } from '../../core/garden/schema'
import { ChangeFold } from '../../parts/ChangeFold'
import { Form } from '../../parts/Form'
import { TypedChoice, TypedText } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { TickField } from '../../parts/SelectField'
import { useAct, useGarden } from '../../state/garden'
import { settingsForm, UNITS } from './forms'

/** Name, units, currency, waiting rule and animals that come by. */
export function Settings() {
  const { data } = useGarden()
  const act = useAct()
  const { garden } = data
  const { units } = garden
  const form = useTyped({
    schema: settingsForm(units),
    draft: { name: 'settings' },
    record: garden,
    valueOf: ({ waitDays, ...stored }: Garden) => ({
      ...stored,
      waitTransplant: waitDays.transplant,
      waitSeed: waitDays.seed,
      animals: stored.animals,
    }),
  })
  const save = form.submit(({ seen, part: { waitTransplant, waitSeed, ...part } }) =>
    act(
      changeSettings(seen, {
        ...part,
        waitDays: {
          transplant: waitTransplant ?? seen.waitDays.transplant,
          seed: waitSeed ?? seen.waitDays.seed,
        },
      }),
    ),
  )
  const { animals } = form.text
  return (
    <ChangeFold known={knownText(garden)} open={form.begun}>
      <Form className="flex flex-col gap-4" aria-label="Settings" onSubmit={save}>
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
            {creature.options.map((animal) => (
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
        <div>
          <button className="btn btn-primary btn-sm">Save settings</button>
        </div>
      </Form>
    </ChangeFold>
  )
}

/** The settings as they are, in a line. */
function knownText({ units, currency, waitDays, animals }: Garden): string {
  const wait = (days: number, before: string) =>
    days === 0 ? `no wait before ${before}` : `${days} days before ${before}`
  return `Units ${units}, prices in ${currency}. After a cover is dead ${wait(waitDays.transplant, 'transplants')} and ${wait(waitDays.seed, 'sowing')}. ${animals.length > 0 ? `Animals: ${animals.join(', ')}.` : 'No animals.'}`
}
