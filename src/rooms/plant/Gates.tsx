import { useTold } from '../../state/useTold'
import type { Crop } from '../../core/plants/crops'
import { touchesSoil } from '../../core/planting/manure'
import { CRITERIA, type CriterionOutcome, type ScenarioOutcome } from '../../core/scenario/types'
import { Caution } from '../../parts/Caution'
import { Chance } from '../../parts/Chance'
import { SelectField } from '../../parts/SelectField'
import { Why } from '../../parts/Why'
import { adviceText, CRITERION_NAMES, criterionReason } from '../../text/criteria'
import { dateRangeText } from '../../text/format'
import type { PlantView } from './usePlant'

const place = ({ detail }: CriterionOutcome) => CRITERIA.indexOf(detail.id)
const FIRST_GATE = CRITERIA.indexOf('dead')
/** From this chance on a gate needs no remedy. */
const OPEN_ENOUGH = 0.9

/** The gates between the cover and the crop, each with its dates, its reason and what would open it sooner. */
export function Gates({ outcome, plant }: { outcome: ScenarioOutcome; plant: PlantView }) {
  const { crop } = plant
  const gates = outcome.criteria.filter((gate) => place(gate) >= FIRST_GATE)
  const wait = gates.find(({ detail }) => detail.id === 'wait')?.open?.p50 ?? null
  const longest = gates.filter(
    ({ detail, open, chance }) =>
      wait !== null &&
      !RULES.includes(detail.id) &&
      detail.id !== 'wait' &&
      // Without a day it is open all along, or most seasons never see it.
      (open ? open.p50 > wait : chance < 0.5),
  )
  return (
    <div className="mt-3">
      <h2 data-testid="ready">
        {outcome.ready ? `Ready ${dateRangeText(outcome.ready)}` : 'Not ready within the forecast'}
      </h2>
      {longest.length > 0 && (
        <p className="mt-1" role="status">
          Your wait is over before{' '}
          {longest.map(({ detail }) => CRITERION_NAMES[detail.id].toLowerCase()).join(' and ')}: the later
          date counts.
        </p>
      )}
      <ul
        className="mt-3 divide-y divide-base-300 border-y border-base-300"
        data-testid="gates"
        data-help="gates"
      >
        {gates.map((gate) => (
          <GateRow key={gate.detail.id} gate={gate} plant={plant} />
        ))}
        {outcome.advice.map((advice) => {
          const { name, why } = adviceText(advice, crop?.name ?? 'what follows')
          return (
            <li key={advice.id} className="grid gap-x-5 py-2 lg:grid-cols-[15rem_15rem_10rem_1fr]">
              <strong>
                {name} <span className="quiet text-sm font-normal">advice</span>
              </strong>
              <span>stays shut</span>
              <span />
              <span className="quiet text-sm">{why}</span>
            </li>
          )
        })}
      </ul>
      {gates.some(({ detail }) => detail.id === 'manure') && (
        <div className="mt-1 flex flex-col gap-1">
          <Caution>
            Manure came onto this ground: the interval to the harvest is a rule to keep, and local rules may
            ask for more.
          </Caution>
          {crop && <Touches crop={crop} plant={plant} />}
        </div>
      )}
      <Why>
        Each gate is worked out in every one of {outcome.members} seasons; the date is the middle with 8 in 10
        years around it, the chance the share in which it is open on the planting day. Dead comes from the way
        it is ended and your own counts; tie-up from the residue’s rotting; soil and frost from the weather.
        The plan’s one chance counts the seasons in which all of them are open. Advice does not hold it back.
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

const RULES: readonly string[] = ['manure', 'wait']

function GateRow({ gate, plant }: { gate: CriterionOutcome; plant: PlantView }) {
  const { detail, open, chance } = gate
  const told = useTold(plant.view.bed, plant.ground)
  const { why, sooner } = criterionReason(detail, plant.crop?.name ?? null, told)
  const method =
    plant.plan.scenario.follows.kind === 'crop' ? plant.plan.scenario.follows.plantingMethod : null
  const byMethod = method !== null && open === null && chance === 1
  return (
    <li className="grid gap-x-5 py-2 lg:grid-cols-[15rem_15rem_10rem_1fr]">
      <strong>
        {CRITERION_NAMES[detail.id]}{' '}
        {RULES.includes(detail.id) && <span className="quiet text-sm font-normal">rule</span>}
      </strong>
      <span>
        {open
          ? dateRangeText(open)
          : chance > 0.5
            ? byMethod
              ? 'open by the way it is planted'
              : 'open all along'
            : 'not within the forecast'}
      </span>
      <Chance share={chance} />
      <span className="quiet text-sm">
        {why}
        {chance < OPEN_ENOUGH && sooner ? ` Sooner: ${sooner.charAt(0).toLowerCase()}${sooner.slice(1)}` : ''}
      </span>
    </li>
  )
}
