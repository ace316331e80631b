import { useState } from 'react'
import { dayNumber, isoDate, parseDay } from '../../core/foundations/day'
import { GRAMS_PER_POUND } from '../../core/foundations/units'
import type { NitrogenSource, Rules } from '../../core/garden/rules'
import { manureDaysFor, manureOf, startsClock } from '../../core/planting/manure'
import type { Crop } from '../../core/plants/crops'
import { newId } from '../../data/ids'
import { changed } from '../../data/writes'
import { BroughtIn } from '../../parts/BroughtIn'
import { Caution } from '../../parts/Caution'
import { DateField } from '../../parts/DateField'
import { Form } from '../../parts/Form'
import { kilos, longDate, type Units } from '../../text/format'
import { single } from '../../parts/once'
import { TextField } from '../../parts/SelectField'
import { typedNumber } from '../../parts/typed'
import { useCommit } from '../../state/garden'
import type { PlantView } from './usePlant'

/** A weight as typed in the garden's units, kg; null where none was. */
const typedKg = (text: string, units: Units): number | null =>
  text.trim() === '' ? null : typedNumber(text) * (units === 'imperial' ? GRAMS_PER_POUND / 1000 : 1)

/** What is wrong with a feed as recorded, by field. */
export function spreadProblems(
  date: string,
  weight: string,
  today: number,
  units: Units,
): { date?: string; weight?: string } {
  const day = parseDay(date)
  const kg = typedKg(weight, units)
  return {
    date: day === null || day > today ? 'Choose today or the earlier day on which it was spread.' : undefined,
    weight:
      kg === null || (kg >= 0.01 && kg <= 1_000_000)
        ? undefined
        : `A weight in ${units === 'imperial' ? 'lb' : 'kg'} above 0, or leave it empty.`,
  }
}

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
  const commit = useCommit()
  const [date, setDate] = useState('')
  const [weight, setWeight] = useState('')
  const [asked, setAsked] = useState(false)
  const filled = date || isoDate(today)
  const problems = spreadProblems(filled, weight, today, units)
  const spreads = bed.spreads ?? []
  const put = (label: string, next: typeof spreads) =>
    commit(label, [changed('beds', bed, { spreads: next })])
  async function keep() {
    setAsked(true)
    if (problems.date ?? problems.weight) return
    const spread = {
      id: newId('spread'),
      date: filled,
      what: source.name,
      manure: manureOf(source),
      kg: typedKg(weight, units),
    }
    const stored = await put(`Spread ${source.name.toLowerCase()} on ${bed.label}`, [...spreads, spread])
    if (!stored.ok) return
    setWeight('')
    setAsked(false)
  }
  return (
    <>
      <ManureWait source={source} crop={crop} rules={rules} />
      {source.sprayed !== 'none' && <BroughtIn />}
      <Form
        className="no-print flex flex-wrap items-start gap-3"
        aria-label={`Spread ${source.name.toLowerCase()}`}
        onSubmit={keep}
      >
        <DateField
          label="Spread on"
          error={asked ? problems.date : undefined}
          value={filled}
          onChange={setDate}
        />
        <TextField
          label={`Weight, ${units === 'imperial' ? 'lb' : 'kg'}`}
          className="w-24"
          decimal
          error={asked ? problems.weight : undefined}
          value={weight}
          onChange={setWeight}
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
                onClick={single(() =>
                  put(
                    `Took out ${spread.what.toLowerCase()} spread on ${bed.label}`,
                    spreads.filter((other) => other.id !== spread.id),
                  ),
                )}
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
