import type { Gate, Readiness } from '../../core/planting/gates'
import { Caution } from '../../parts/Caution'
import { Chance } from '../../parts/Chance'
import { dateSpreadText, dryMatter, longDate, nitrogen, temperature, type Units } from '../../parts/format'
import { Why } from '../../parts/Why'
import { useGarden } from '../../state/garden'
import type { PlantView } from './usePlant'
import type { Crop } from '../../core/plants/crops'
import { touchesSoil } from '../../core/planting/manure'
import { SelectField } from '../../parts/SelectField'

/** The gates between the cover and the crop, each with its dates and its reason. */
export function Gates({ answer, plant }: { answer: Readiness; plant: PlantView }) {
  const { units } = useGarden().data.garden
  const { crop } = plant
  const wait = answer.gates.find((gate) => gate.id === 'wait')?.met?.mid ?? null
  const longest = answer.gates.filter(
    (gate) => wait !== null && gate.kind === 'state' && (gate.met?.mid ?? Infinity) > wait,
  )
  return (
    <div className="mt-3">
      <h2 data-testid="ready">
        {answer.ready ? `Ready ${dateSpreadText(answer.ready)}` : 'Not ready within the forecast'}
      </h2>
      <p className="mt-1 flex flex-wrap items-center gap-3">
        Every gate open on {longDate(plant.plantingDay ?? plant.today)}:{' '}
        <Chance share={answer.chanceByPlanting} />
      </p>
      {longest.length > 0 && (
        <p className="mt-1" role="status">
          Your wait is over before {longest.map((gate) => gate.name.toLowerCase()).join(' and ')}: the later
          date counts.
        </p>
      )}
      <ul className="mt-3 divide-y divide-base-300 border-y border-base-300" data-testid="gates">
        {answer.gates.map((gate) => (
          <GateRow key={gate.id} gate={gate} units={units} />
        ))}
      </ul>
      {answer.gates.some((gate) => gate.id === 'manure') && (
        <div className="mt-1 flex flex-col gap-1">
          <Caution>
            Manure came onto this ground: the interval to the harvest is a rule to keep, and local rules may
            ask for more.
          </Caution>
          {crop && <Touches crop={crop} plant={plant} />}
        </div>
      )}
      <Why>
        Each gate is worked out in every one of a hundred seasons; the date is the middle with 8 in 10 years
        around it. Dead comes from the way it was ended and your own counts; tie-up from the residue’s
        rotting; soil and frost from the weather. Advice is shown but does not hold the date back.
      </Why>
    </div>
  )
}

/** Whether what is eaten touches soil or splash: usual for the crop, unless the grower knows better. */
function Touches({ crop, plant }: { crop: Crop; plant: PlantView }) {
  return (
    <SelectField
      label={`Eaten part of ${crop.name.toLowerCase()}`}
      className="w-72"
      value={touchesSoil(crop, plant.rules) ? 'touches' : 'clear'}
      onChange={(value) => void plant.setTouches(crop.id, value === 'touches')}
      options={[
        ['touches', 'touches soil or its splash'],
        ['clear', crop.clearWhenStaked ? 'staked and mulched, clear of both' : 'clear of soil and splash'],
      ]}
    />
  )
}

const KIND = { state: '', rule: 'rule', advice: 'advice' } as const

const AMOUNT = { nitrogen, dryMatter, temperature } as const
const reasonText = ({ reason, amount }: Gate, units: Units) =>
  amount ? reason.replace('{amount}', AMOUNT[amount.of](amount.value, units)) : reason

function GateRow({ gate, units }: { gate: Gate; units: Units }) {
  return (
    <li className="grid gap-x-5 py-2 sm:grid-cols-[15rem_15rem_10rem_1fr]">
      <strong>
        {gate.name} {KIND[gate.kind] && <span className="quiet text-sm font-normal">{KIND[gate.kind]}</span>}
      </strong>
      <span>
        {gate.met
          ? dateSpreadText(gate.met)
          : gate.kind === 'advice'
            ? 'stays shut'
            : 'not within the forecast'}
      </span>
      <Chance share={gate.chanceByPlanting} />
      <span className="quiet text-sm">{reasonText(gate, units)}</span>
    </li>
  )
}
