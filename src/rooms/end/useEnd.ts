import { useMemo } from 'react'
import { useNavigate } from 'react-router'
import { endFor } from '../../core/termination/start'
import { findMethod, methodName, type MethodId } from '../../core/termination/methods'
import { dayNumber, isoDate, parseDay } from '../../core/foundations/day'
import { USUAL_RULES } from '../../core/garden/usualRules'
import type { EndDetails } from '../../core/garden/ending'
import { compareName, openPlan } from '../../state/useAhead'
import { standName } from '../../parts/names'
import { forecastName } from '../../parts/weave/useBedCloth'
import { useCommit, useGarden } from '../../state/garden'
import { useDraft } from '../../state/useDraft'
import { useAnswer } from '../../compute/useAnswer'
import { useSettled } from '../../state/useSettled'
import type { StandView } from '../../state/useStand'
import { endFact, endProblems, type EndForm } from './form'
import { changed } from '../../data/writes'
import { planStretch } from '../../actions/planStretch'
import { plannedEnd } from '../../core/scenario/plan'
import type { Scenario } from '../../core/scenario/types'
import { newId } from '../../data/ids'
import { usePlan } from '../../state/usePlan'
import { creepingWeeds } from '../../core/garden/creepingWeeds'

/** Data and actions of the End room for one stand; `compares` where the view shown holds the ways against each other. */
export function useEnd(view: StandView, compares = true) {
  const { data, today, spec } = useGarden()
  const navigate = useNavigate()
  const commit = useCommit()
  const { stand, standCase } = view
  const { garden } = data
  const rules = garden.rules ?? USUAL_RULES
  const bedPlan = usePlan(view)
  const draftName = `end ${stand.id}`
  const { draft, keep, drop, offer } = useDraft<Partial<EndForm>>(draftName)
  const known = stand.end.actual ?? stand.end.plan
  const start = stand.start.actual ?? stand.start.plan
  const sownDay = start ? dayNumber(start.date) : today
  const form: EndForm = {
    startDate: '',
    doneOn: stand.end.actual?.date ?? isoDate(today),
    method: known && known.method !== 'harvest' ? known.method : 'chop',
    passes: known?.passes ?? 1,
    note: stand.end.actual?.note ?? '',
    by: stand.end.actual?.by ?? '',
    minutes: stand.end.actual?.minutes === undefined ? '' : String(stand.end.actual.minutes),
    materials: stand.end.actual?.materials ?? '',
    ...draft,
  }
  const change = (part: Partial<EndForm>) => keep({ ...draft, ...part })
  const { follows } = bedPlan.scenario
  /** Day the ground is wanted; null where nothing says when. */
  const plantingDay = follows.kind === 'nothing' ? null : follows.day
  const problems = endProblems(form, today, sownDay, plantingDay)

  // Every way is tried on the plan without its ending.
  const standing = useMemo((): Scenario => openPlan(bedPlan.scenario), [bedPlan.scenario])
  const rightPlan = bedPlan.problems.every(({ code }) => ENDS.includes(code))
  const settled = useSettled(standing)
  const startDay = problems.startDate ? null : parseDay(form.startDate)
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

  const put = (label: string, end: Partial<typeof stand.end>) =>
    commit(label, [changed('stands', stand, { end: { ...stand.end, ...end } })])

  /** Plans an ending, and keeps with it what is being tried on the plan. */
  const plan = async (end: EndDetails) => {
    const date = dayNumber(end.date) > sownDay ? end.date : isoDate(sownDay + 1)
    const label = `Planned ${methodName(findMethod(end.method)!, end.passes).toLowerCase()} for ${standName(stand).toLowerCase()}`
    const stored = await commit(
      label,
      planStretch(data, stand, { ...bedPlan.draft, end: { ...end, date } }, newId('stand')),
    )
    if (stored.ok) bedPlan.putBack()
  }

  async function record(method: MethodId = form.method) {
    if (problems.doneOn || problems.minutes) return
    const place = { bed: view.bed, segment: stand.segment, livestock: garden.livestock ?? [] }
    const usual = endFor({ method: findMethod(method)!, passes: 1 }, dayNumber(form.doneOn), place)
    const actual = endFact(form, method, stand, usual, forecast ?? null)
    const stored = await put(`Recorded the end of ${standName(stand).toLowerCase()}`, { actual })
    if (!stored.ok) return
    drop()
    void navigate(`/end/${stand.id}/after`)
  }

  return {
    stand,
    view,
    garden,
    today,
    spec,
    rules,
    form,
    offer,
    change,
    problems,
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
    record,
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
