import { addLot } from '../../actions/seed'
import { SPECIES } from '../../core/plants/catalogue'
import { DraftOffer } from '../../parts/DraftOffer'
import { Form } from '../../parts/Form'
import { TypedChoice, TypedDay, TypedText, TypedTick } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { useAct, useGarden } from '../../state/garden'
import { unitOf } from '../../text/quantity'
import { emptyLot, lotForm } from './forms'

const CHOICES = [...SPECIES]
  .sort((a, b) => a.name.localeCompare(b.name))
  .map((plant) => [plant.id, plant.name] as const)

/** Writing down a bag or packet of seed, with an own germination test if there is one. */
export function AddLot({ year }: { year: number }) {
  const { data, today } = useGarden()
  const act = useAct()
  const { units, currency } = data.garden
  const form = useTyped({ schema: lotForm(units), draft: { name: 'lot' }, blank: emptyLot(year) })
  return (
    <details className="mt-3" open={form.begun || undefined}>
      <summary className="cursor-pointer font-semibold">Add a bag or packet</summary>
      <DraftOffer offer={form.offer} />
      <Form
        className="mt-2 flex flex-wrap items-start gap-3"
        aria-label="Seed lot"
        onSubmit={form.submit(({ value }) => act(addLot(data.garden, value, today)))}
      >
        <TypedChoice
          form={form}
          name="speciesId"
          label="What is in it"
          className="w-56"
          options={[['', 'choose'], ...CHOICES]}
        />
        <TypedText form={form} name="label" label="Name on the bag" className="w-48" />
        <TypedText form={form} name="year" label="Year" className="w-24" decimal />
        <TypedText
          form={form}
          name="grams"
          label={`Weight, ${unitOf('seed', units)}`}
          className="w-28"
          decimal
        />
        <TypedText form={form} name="price" label={`Price, ${currency}`} className="w-28" decimal />
        <TypedText
          form={form}
          name="labelGermination"
          label="Germination, %"
          className="w-28"
          hint="from the label"
          decimal
        />
        <TypedText form={form} name="purity" label="Purity, %" className="w-28" decimal />
        <TypedText
          form={form}
          name="tested"
          label="Seeds laid out"
          className="w-28"
          hint="on a damp towel"
          decimal
        />
        <TypedText form={form} name="sprouted" label="Of them sprouted" className="w-28" decimal />
        <TypedDay form={form} name="inoculantExpires" label="Inoculant expires" />
        <div className="mt-7">
          <TypedTick form={form} name="treated" label="treated seed" />
        </div>
        <button className="btn btn-primary mt-6">Add it</button>
      </Form>
    </details>
  )
}
