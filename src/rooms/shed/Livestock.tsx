import { addAnimals, changeManureDays, removeAnimals } from '../../actions/changeGarden'
import { livestockKind } from '../../core/garden/rules'
import { Form } from '../../parts/Form'
import { TypedChoice, TypedText } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { single } from '../../parts/once'
import { SelectField } from '../../parts/SelectField'
import { useAct, useGarden } from '../../state/garden'
import { metres, money } from '../../text/format'
import { readQuantity, unitOf } from '../../text/quantity'
import { stockForm } from './stockForms'

const BLANK = { kind: 'hens' as const, head: '', penLengthM: '', penWidthM: '', bagPrice: '', bagKg: '' }

/** Animals that can be put on beds, with their pens, and the interval their manure asks for. */
export function Livestock() {
  const { data } = useGarden()
  const { garden } = data
  const act = useAct()
  const form = useTyped({
    schema: stockForm(garden.units),
    draft: { name: 'animals', version: 2 },
    blank: BLANK,
  })
  const rules = garden.rules
  const stock = garden.livestock
  const unit = unitOf('length', garden.units)
  const unitKg = readQuantity('1', 'weight', garden.units)
  return (
    <section className="mt-6" aria-label="Animals on beds">
      <h2>Animals on beds</h2>
      <ul className="mt-1">
        {stock.map((entry) => (
          <li key={entry.id} className="flex flex-wrap items-center gap-3 py-0.5">
            {entry.head} {entry.kind}
            {entry.penLengthM && entry.penWidthM
              ? `, pen ${metres(entry.penLengthM, garden.units)} × ${metres(entry.penWidthM, garden.units)}`
              : ', no pen size yet'}
            {entry.feedPricePerKg !== undefined &&
              `, feed ${money(entry.feedPricePerKg * unitKg, garden.currency)} a ${unitOf('weight', garden.units)}`}
            <button
              className="btn btn-ghost btn-xs"
              aria-label={`Remove ${entry.kind}`}
              onClick={single(() => act(removeAnimals(garden, entry)))}
            >
              Remove
            </button>
          </li>
        ))}
        {stock.length === 0 && (
          <li className="quiet">None. Hens, pigs or grazers can end a cover for you.</li>
        )}
      </ul>
      <Form
        className="mt-2 flex flex-wrap items-start gap-3"
        aria-label="Add animals"
        onSubmit={form.submit(({ value: { bagPrice, bagKg, ...animals } }) =>
          act(
            addAnimals(garden, {
              ...animals,
              ...(bagPrice !== null && bagKg !== null && { feedPricePerKg: bagPrice / bagKg }),
            }),
          ),
        )}
      >
        <TypedChoice
          form={form}
          name="kind"
          label="Kind"
          className="w-28"
          options={livestockKind.options.map((kind) => [kind, kind] as const)}
        />
        <TypedText form={form} name="head" label="How many" className="w-24" decimal />
        <TypedText form={form} name="penLengthM" label={`Pen length, ${unit}`} className="w-32" decimal />
        <TypedText form={form} name="penWidthM" label={`Pen width, ${unit}`} className="w-32" decimal />
        <TypedText
          form={form}
          name="bagPrice"
          label={`A bag of feed costs, ${garden.currency}`}
          className="w-40"
          decimal
        />
        <TypedText
          form={form}
          name="bagKg"
          label={`and weighs, ${unitOf('weight', garden.units)}`}
          className="w-32"
          decimal
        />
        <button className="btn btn-sm mt-6">Add animals</button>
      </Form>
      <div className="mt-2 flex flex-wrap items-start gap-3">
        {(
          [
            ['touching', 'Manure to harvest, eaten part touches soil'],
            ['clear', 'Manure to harvest, otherwise'],
          ] as const
        ).map(([key, label]) => (
          <SelectField
            key={key}
            label={label}
            className="w-48"
            value={String(rules.manureDays[key])}
            onChange={(days) => void act(changeManureDays(garden, { [key]: Number(days) }))}
            options={[...new Set([60, 90, 120, 150, 180, 365, rules.manureDays[key]])]
              .sort((a, b) => a - b)
              .map((days) => [String(days), `${days} days`] as const)}
          />
        ))}
      </div>
      <p className="quiet mt-1 text-sm">
        120 and 90 days are the common rule for raw manure; your local rules decide.
      </p>
    </section>
  )
}
