import { chanceBy } from '../../core/foundations/statistics'
import { lanePlan } from '../../core/termination/workPlan'
import { segmentSizeM } from '../../core/garden/area'
import type { ScenarioOutcome } from '../../core/scenario/types'
import { spacingFor, type Spacing } from '../../core/planting/spacing'
import type { Crop } from '../../core/plants/crops'
import { Chance } from '../../parts/Chance'
import { centimetres, metres, shortDate, type Units } from '../../text/format'
import { TypedText } from '../../parts/form/fields'
import { Why } from '../../parts/Why'
import type { PlantView } from './usePlant'
import { Form } from '../../parts/Form'

/** Plants for this bed, closer when it is late by the crop's own rule; and lanes planted one after the other. */
export function SpacingAndLanes({
  crop,
  plant,
  outcome,
}: {
  crop: Crop
  plant: PlantView
  outcome: ScenarioOutcome
}) {
  const { garden, view, plantingDay, plannedDay, lanes: form } = plant
  const { units } = garden
  const { lengthM, widthM } = segmentSizeM(view.bed, view.stand.segment)
  const late = Math.max(0, (plantingDay ?? 0) - (plannedDay ?? plantingDay ?? 0))
  const { usual, late: closer, rule } = spacingFor(crop, lengthM, widthM, late)
  const staged =
    form.value && form.value.lanes > 1 && plantingDay !== null
      ? lanePlan({ lengthM, widthM }, plantingDay, form.value.lanes, form.value.everyDays)
      : []
  const { ready } = outcome
  return (
    <section className="mt-6" aria-label="Spacing" data-testid="spacing">
      <h2>Plants for this bed</h2>
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
            {rule.reason}{' '}
            <Why>
              {rule.closerPerWeek > 0
                ? `By this crop’s rule ${Math.round(rule.closerPerWeek * 100)} % closer for each week lost, never below ${Math.round(rule.least * 100)} % of its usual distance (judgement, ± a third).`
                : 'By this crop’s rule its distance stays (judgement).'}
            </Why>
          </>
        ) : (
          plannedDay !== null && <span className="quiet">On the planned day the usual spacing stands.</span>
        )}
      </div>
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
    </section>
  )
}

const spacingText = ({ plants, rows, rowCm, plantCm }: Spacing, units: Units) =>
  `${plants} plants in ${rows === 1 ? 'one row' : `${rows} rows ${centimetres(rowCm / 100, units)} apart`}, ${centimetres(plantCm / 100, units)} in the row`
