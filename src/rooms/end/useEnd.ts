import { useMemo } from 'react'
import { planEnd, sownDayOf } from '../../actions/endStand'
import type { EndDetails } from '../../core/garden/ending'
import { compareName, openPlan } from '../../state/useAhead'
import { forecastName } from '../../parts/weave/useBedCloth'
import { useTyped } from '../../parts/form/useTyped'
import { useAct, useGarden } from '../../state/garden'
import { useAnswer } from '../../compute/useAnswer'
import { useSettled } from '../../state/useSettled'
import type { StandView } from '../../state/useStand'
import { startForm } from './forms'
import { plannedEnd } from '../../core/scenario/plan'
import type { Scenario } from '../../core/scenario/types'
import { usePlan } from '../../state/usePlan'
import { creepingWeeds } from '../../core/garden/creepingWeeds'

/** Data and actions of the End room for one stand; `compares` where the view shown holds the ways against each other. */
export function useEnd(view: StandView, compares = true) {
  const { data, today, spec } = useGarden()
  const act = useAct()
  const { stand, standCase } = view
  const { garden } = data
  const rules = garden.rules
  const bedPlan = usePlan(view)
  const sownDay = sownDayOf(stand) ?? today
  const { follows } = bedPlan.scenario
  /** Day the ground is wanted; null where nothing says when. */
  const plantingDay = follows.kind === 'nothing' ? null : follows.day
  const start = useTyped({
    schema: startForm(sownDay, plantingDay),
    draft: { name: `end start ${stand.id}` },
    live: true,
    blank: { startDate: '' },
  })

  // Every way is tried on the plan without its ending.
  const standing = useMemo((): Scenario => openPlan(bedPlan.scenario), [bedPlan.scenario])
  const rightPlan = bedPlan.problems.every(({ code }) => ENDS.includes(code))
  const settled = useSettled(standing)
  const startDay = start.value?.startDate ?? null
  const settledStart = useSettled(startDay)
  const planned = plannedEnd(view)
  const args = useMemo(
    (): Parameters<typeof useAnswer<'compare'>>[1] =>
      !compares || !rightPlan || stand.end.actual
        ? null
        : [spec, settled, { startDay: settledStart, planned }],
    [compares, rightPlan, stand.end.actual, spec, settled, settledStart, planned],
  )
  const answer = useAnswer('compare', args, compareName(stand.id))
  const forecasts = useAnswer('forecast', [spec, standCase], forecastName(stand.id))
  // The last one stands in while a changed one is computed: stages seldom move by it, and are not lost.
  const forecast = forecasts.value === undefined ? forecasts.last : forecasts.value

  const creeping = useMemo(
    () => creepingWeeds(view.bed, data.stands, data.checks),
    [view.bed, data.stands, data.checks],
  )

  /** Plans an ending, and keeps with it what is being tried on the plan. */
  const plan = async (end: EndDetails) => {
    if (await act(planEnd(data, stand, end, bedPlan.draft))) bedPlan.putBack()
  }

  return {
    stand,
    view,
    garden,
    today,
    spec,
    rules,
    start,
    bedPlan,
    standing,
    follows,
    plantingDay,
    startDay,
    sownDay,
    horizon: spec.startDay + spec.days,
    answer,
    forecast,
    forecasts,
    creeping,
    comparison: answer.value ?? answer.soFar ?? answer.last,
    plan,
  }
}

/** What is wrong with a plan's own ending does not keep other ways from being tried. */
const ENDS: readonly string[] = [
  'ending before sowing',
  'planting before ending',
  'cannot be ended so',
  'rule',
  'cannot be planted so',
]

export type EndView = ReturnType<typeof useEnd>
