import { noteTrouble, removeTrouble, WEED } from '../../actions/keepBed'
import { isoDate, parseDay } from '../../core/foundations/day'
import type { Bed } from '../../core/garden/schema'
import { SPECIES } from '../../core/plants/catalogue'
import { CROPS } from '../../core/plants/crops'
import { Form } from '../../parts/Form'
import { TypedChoice, TypedDay, TypedText } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { single } from '../../parts/once'
import { useAct, useGarden } from '../../state/garden'
import { longDate } from '../../text/format'
import { troubleForm } from './forms'

const FAMILIES = [...new Set([...CROPS, ...SPECIES].map((plant) => plant.family))].sort()

/** Diseases and pests that were bad in this bed; Choose keeps their plant family away for some years. */
export function Troubles({ bed }: { bed: Bed }) {
  const { today } = useGarden()
  const act = useAct()
  const form = useTyped({
    schema: troubleForm(today),
    draft: { name: `trouble ${bed.id}` },
    blank: { day: isoDate(today), family: '', what: '' },
  })
  const troubles = bed.troubles
  return (
    <details className="mt-6">
      <summary className="cursor-pointer font-display text-[1.2rem] font-semibold">
        Diseases and pests{' '}
        {troubles.length > 0 && <span className="quiet font-sans text-sm">{troubles.length}</span>}
      </summary>
      <ul className="mt-1">
        {troubles.map((trouble) => (
          <li key={trouble.id} className="flex flex-wrap items-center gap-3">
            {longDate(parseDay(trouble.date) ?? today)}: {trouble.what}
            {trouble.family === WEED ? '' : ` on ${trouble.family}`}
            <button
              className="btn btn-ghost btn-xs"
              aria-label={`Remove ${trouble.what}`}
              onClick={single(() => act(removeTrouble(bed, trouble.id)))}
            >
              Remove
            </button>
          </li>
        ))}
      </ul>
      <Form
        className="mt-2 flex flex-wrap items-start gap-3"
        aria-label="Disease or pest"
        onSubmit={form.submit(({ value }) => act(noteTrouble(bed, value)))}
      >
        <TypedDay form={form} name="day" label="Seen on" />
        <TypedChoice
          form={form}
          name="family"
          label="Plant family"
          className="w-48"
          options={[['', 'choose'], ...FAMILIES.map((name) => [name, name] as const)]}
        />
        <TypedText form={form} name="what" label="Trouble" className="w-56" />
        <button className="btn mt-6">Note it</button>
      </Form>
    </details>
  )
}
