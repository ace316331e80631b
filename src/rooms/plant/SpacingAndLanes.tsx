import { chanceBy } from '../../core/foundations/statistics'
import { lanePlan } from '../../core/termination/workPlan'
import { segmentSizeM } from '../../core/garden/area'
import type { ScenarioOutcome } from '../../core/scenario/types'
import { plantsToOrder, spacingFor, SPARE_PLANTS, type Spacing } from '../../core/planting/spacing'
import type { Crop } from '../../core/plants/crops'
import { Chance } from '../../parts/Chance'
import { centimetres, metres, percent, shortDate, type Units } from '../../text/format'
import { TypedText } from '../../parts/form/fields'
import { Why } from '../../parts/Why'
import type { PlantView } from './usePlant'
import { Form } from '../../parts/Form'
import { OwnDistance } from './OwnDistance'

type Props = { crop: Crop; plant: PlantView; outcome: ScenarioOutcome }

/** Plants for this bed, closer when it is late by the crop's own rule; how many to order; lanes planted one after the other. */
export function SpacingAndLanes(props: Props) {
  return (
    <section className="mt-6" aria-label="Spacing" data-testid="spacing">
      <h2>Plants for this bed</h2>
      <Distances {...props} />
      <OwnDistance crop={props.crop} garden={props.plant.garden} />
      <Lanes {...props} />
    </section>
  )
}

function Distances({ crop, plant, outcome: { ready } }: Props) {
  const { garden, rules, view, plantingDay, plannedDay, cropPlan } = plant
  const { units } = garden
  const { lengthM, widthM } = segmentSizeM(view.bed, plant.ground)
  const own = rules.closerWhenLate[crop.id] ?? null
  const lateBy = (day: number | null) => Math.max(0, (day ?? 0) - (plannedDay ?? day ?? 0))
  const spacing = (daysLate: number) => spacingFor(crop, lengthM, widthM, daysLate, own)
  const late = lateBy(plantingDay)
  const { usual, late: closer, rule } = spacing(late)
  // The ground may be ready later than is planned: in one season of ten later still.
  const safeDay = ready && Math.round(ready.p90)
  const atWorst = spacing(lateBy(safeDay)).late
  const transplants = (cropPlan?.establishment ?? crop.establishment) === 'transplant'
  return (
    <div>
      {spacingText(usual, units)}.{' '}
      {late > 0 ? (
        <>
          Planted {late} days later than planned
          {closer.plantCm < usual.plantCm ? (
            <>
              , closer: <strong>{spacingText(closer, units)}</strong>.
            </>
          ) : (
            ', at the same spacing.'
          )}{' '}
          {own ? 'By your own rule.' : rule.reason}{' '}
          <Why>
            {rule.closerPerWeek > 0
              ? `By ${own ? 'your own' : 'this crop’s'} rule ${percent(rule.closerPerWeek)} closer for each week lost, never below ${percent(rule.least)} of its usual distance${own ? '' : ' (judgement, ± a third)'}.`
              : 'By this crop’s rule its distance stays (judgement).'}
          </Why>
        </>
      ) : (
        plannedDay !== null && <span className="quiet">On the planned day the usual spacing stands.</span>
      )}
      {transplants && (
        <p data-testid="order">
          Order or raise <strong>{plantsToOrder(closer)}</strong> plants, {percent(SPARE_PLANTS)} to spare
          {atWorst.plants > closer.plants && safeDay
            ? `; ${plantsToOrder(atWorst)} if the ground is ready only by ${shortDate(safeDay)}, as in one season of ten`
            : ''}
          .
        </p>
      )}
    </div>
  )
}

function Lanes({ plant, outcome: { ready } }: Props) {
  const { garden, view, plantingDay, lanes: form } = plant
  const { units } = garden
  const { lengthM, widthM } = segmentSizeM(view.bed, plant.ground)
  const staged =
    form.value && form.value.lanes > 1 && plantingDay !== null
      ? lanePlan({ lengthM, widthM }, plantingDay, form.value.lanes, form.value.everyDays)
      : []
  return (
    <>
      <Form className="mt-2 flex flex-wrap items-start gap-3" aria-label="Lanes">
        <TypedText form={form} name="lanes" label="Planted in lanes" className="w-24" decimal />
        <TypedText form={form} name="everyDays" label="Days between" className="w-24" decimal />
      </Form>
      {staged.length > 0 && (
        <ol className="mt-2 max-w-2xl divide-y divide-base-300 border-y border-base-300" data-testid="lanes">
          {staged.map((lane) => (
            <li key={lane.order} className="grid grid-cols-[4rem_10rem_7rem_1fr] gap-x-3 py-1">
              <strong>Lane {lane.order}</strong>
              <span>
                {metres(lane.fromM, units)} to {metres(lane.toM, units)}
              </span>
              <span>{shortDate(lane.day)}</span>
              {ready && <Chance share={chanceBy(ready, lane.day)} />}
            </li>
          ))}
        </ol>
      )}
    </>
  )
}

const spacingText = ({ plants, rows, rowCm, plantCm }: Spacing, units: Units) =>
  `${plants} plants in ${rows === 1 ? 'one row' : `${rows} rows ${centimetres(rowCm / 100, units)} apart`}, ${centimetres(plantCm / 100, units)} in the row`
