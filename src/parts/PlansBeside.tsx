import { useMemo } from 'react'
import { goOnTo } from '../actions/planStretch'
import { dayNumber } from '../core/foundations/day'
import { latest } from '../core/garden/timeline'
import { findMethod } from '../core/termination/methods'
import { plansBeside } from '../core/scenario/fromGarden'
import type { Scenario } from '../core/scenario/types'
import { useAllAnswers } from '../compute/useAnswer'
import { useAct, useGarden } from '../state/garden'
import { planName, type PlanView } from '../state/usePlan'
import { shortDate } from '../text/format'
import { standWithPlace } from '../text/bed'
import { chanceLine } from '../text/plan'
import { single } from './once'

/** Where several crops follow a cover on parts of its ground: the others than the one of the plan line, each with its own chance. */
export function PlansBeside({ plan: { scenario, view, draft, problems } }: { plan: PlanView }) {
  const { expected, spec } = useGarden()
  const act = useAct()
  const right = problems.length === 0
  const { units } = expected.garden
  const { bed, stand } = scenario.standCase
  const beside = useMemo(() => plansBeside(expected, stand, scenario), [expected, stand, scenario])
  const { values } = useAllAnswers(
    'evaluate',
    useMemo(
      () =>
        right
          ? beside.map(({ plan }) => ({
              name: planName(plan),
              args: [spec, plan] as [typeof spec, Scenario],
            }))
          : [],
      [right, beside, spec],
    ),
  )
  const others = beside.map(({ crop, plan }, i) => {
    const start = latest(crop.start)
    const outcome = values[i]?.outcome
    const named = standWithPlace(crop, units, bed)
    return (
      <p key={crop.id} className="mt-1" data-testid="plan-beside">
        {named}
        {start && ` ${shortDate(dayNumber(start.date))}`}:{' '}
        {crop.start.actual ? 'planted' : outcome ? chanceLine(plan, outcome) : 'being worked out'}.
        {!crop.start.actual && !draft && (
          <button
            className="btn btn-ghost btn-xs no-print ml-2"
            aria-label={`Go on to ${named}`}
            onClick={single(() => act(goOnTo(view.stand, crop)))}
          >
            Go on to this one
          </button>
        )}
      </p>
    )
  })
  return (
    <>
      {others}
      <SheetOff plans={[scenario, ...beside.map(({ plan }) => plan)]} />
    </>
  )
}

/** A sheet lies as one: it is off for the first of several crops, also where another is planted later. */
function SheetOff({ plans }: { plans: readonly Scenario[] }) {
  const end = latest(plans[0].standCase.stand.end)
  const offBy = plans.map(({ standCase }) => standCase.sheetOffBy).find((day) => day !== undefined)
  if (offBy === undefined || !end || end.liftedOn || !findMethod(end.method)?.sheet) return null
  return (
    <p className="quiet mt-1 text-sm">
      The sheet comes off all of it by {shortDate(offBy)}, for what is planted first. To leave it on a part,
      treat the parts apart in End.
    </p>
  )
}
