import { spreadFeed, takeOutSpread } from '../../actions/plantCrop'
import { dayNumber, isoDate } from '../../core/foundations/day'
import type { NitrogenSource, Rules } from '../../core/garden/rules'
import { manureDaysFor, manureOf, startsClock } from '../../core/planting/manure'
import type { Crop } from '../../core/plants/crops'
import { BroughtIn } from '../../parts/BroughtIn'
import { Caution } from '../../parts/Caution'
import { Form } from '../../parts/Form'
import { TypedDay, TypedText } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { single } from '../../parts/once'
import { useAct } from '../../state/garden'
import { kilos, longDate } from '../../text/format'
import { unitOf } from '../../text/quantity'
import { spreadForm } from './form'
import type { PlantView } from './usePlant'

/** What the manure in a feed asks of the harvest, where it is raw or nobody knows. */
function ManureWait({ source, crop, rules }: { source: NitrogenSource; crop: Crop; rules: Rules }) {
  const kind = manureOf(source)
  if (!startsClock(kind)) return null
  const days = manureDaysFor(crop, rules)
  return (
    <Caution>
      {`${source.name} ${kind === 'raw' ? 'is raw manure' : 'may hold raw manure; nobody has said how it was treated'}: ${days} days from spreading to the harvest. ${crop.name}, planted the day it is spread, is ready after about ${crop.daysToHarvest}${crop.daysToHarvest >= days ? ', which keeps it' : `: spread it ${days - crop.daysToHarvest} days before planting, or take composted feed`}. Local rules decide.`}
    </Caution>
  )
}

/** Feed that was spread on this bed, and one more: raw or unknown manure starts the clock to the harvest. */
export function Spreads({ plant, source, crop }: { plant: PlantView; source: NitrogenSource; crop: Crop }) {
  const { view, today, rules, garden } = plant
  const { units } = garden
  const { bed } = view
  const act = useAct()
  const form = useTyped({
    schema: spreadForm(today, units),
    draft: { name: `spread ${bed.id} ${source.id}` },
    blank: { day: isoDate(today), kg: '' },
  })
  const spreads = bed.spreads.filter(({ animals }) => !animals)
  return (
    <>
      <ManureWait source={source} crop={crop} rules={rules} />
      {source.sprayed !== 'none' && <BroughtIn />}
      <Form
        className="no-print flex flex-wrap items-start gap-3"
        aria-label={`Spread ${source.name.toLowerCase()}`}
        onSubmit={form.submit(({ value }) => act(spreadFeed(bed, source, value)))}
      >
        <TypedDay form={form} name="day" label="Spread on" />
        <TypedText
          form={form}
          name="kg"
          label={`Weight, ${unitOf('weight', units)}`}
          className="w-24"
          decimal
        />
        <button className="btn mt-6">Record it</button>
      </Form>
      {spreads.length > 0 && (
        <ul className="text-sm" data-testid="spreads">
          {spreads.map((spread) => (
            <li key={spread.id}>
              {spread.what} on {longDate(dayNumber(spread.date))}
              {spread.kg === null ? '' : `, ${kilos(spread.kg, units)}`}
              {startsClock(spread.manure) ? ', which starts the interval to the harvest' : ''}.{' '}
              <button
                className="btn btn-ghost btn-xs"
                aria-label={`Take out ${spread.what} of ${spread.date}`}
                onClick={single(() => act(takeOutSpread(bed, spread.id)))}
              >
                Take out
              </button>
            </li>
          ))}
        </ul>
      )}
    </>
  )
}
