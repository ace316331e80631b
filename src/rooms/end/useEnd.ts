import { useMemo } from 'react'
import { useNavigate } from 'react-router'
import type { Target } from '../../core/ending/weigh'
import { findWay, wayName, type WayId } from '../../core/ending/ways'
import { dayNumber, isoDate, parseDay } from '../../core/foundations/day'
import { USUAL_RULES } from '../../core/garden/rules'
import type { EndDetails } from '../../core/garden/ending'
import { type StandCase } from '../../core/season/run'
import { standName } from '../../parts/names'
import { forecastName } from '../../parts/weave/useBedCloth'
import { useCommit, useGarden } from '../../state/garden'
import { draftDropped, draftKept } from '../../state/session'
import { useAppDispatch, useAppSelector } from '../../state/store'
import { useEngine } from '../../state/useEngine'
import { useSettled } from '../../state/useSettled'
import type { StandView } from '../../state/useStand'
import { endFact, endProblems, type EndForm } from './form'
import { setupFor } from './plans'
import { changed } from '../../data/writes'
import { findCrop } from '../../core/plants/crops'
import { harvestRule } from '../../core/planting/manure'
import { creepingWeeds } from '../../core/garden/creepingWeeds'

/** Days ahead looked at when nothing is planned to follow. */
const OPEN_END_DAYS = 60

/** The stand as it would stand on, without its ending: what every way is tried on. */
export const standingCase = (standCase: StandCase): StandCase => ({
  ...standCase,
  stand: { ...standCase.stand, end: { plan: null, fact: null }, followUps: undefined, finishings: undefined },
  nextStartDay: null,
})

/** Data and actions of the End room for one stand; `compares` where the view shown holds the ways against each other. */
export function useEnd(view: StandView, compares = true) {
  const { data, today, spec } = useGarden()
  const dispatch = useAppDispatch()
  const navigate = useNavigate()
  const commit = useCommit()
  const { stand, standCase, next } = view
  const { garden } = data
  const rules = garden.rules ?? USUAL_RULES
  const draftName = `end ${stand.id}`
  const draft = useAppSelector((state) => state.session.drafts[draftName]) as Partial<EndForm> | undefined
  const known = stand.end.fact ?? stand.end.plan
  const start = stand.start.fact ?? stand.start.plan
  const sownDay = start ? dayNumber(start.date) : today
  const form: EndForm = {
    plantingDate: isoDate(Math.max(next?.plantingDay ?? Math.max(today, sownDay) + OPEN_END_DAYS, today + 1)),
    establishment: next?.establishment ?? 'transplant',
    startDate: '',
    doneOn: stand.end.fact?.date ?? isoDate(today),
    method: known && known.method !== 'harvest' ? known.method : 'chop',
    passes: known?.passes ?? 1,
    note: stand.end.fact?.note ?? '',
    by: stand.end.fact?.by ?? '',
    minutes: stand.end.fact?.minutes === undefined ? '' : String(stand.end.fact.minutes),
    materials: stand.end.fact?.materials ?? '',
    ...draft,
  }
  const change = (part: Partial<EndForm>) =>
    dispatch(draftKept({ name: draftName, value: { ...draft, ...part } }))
  const horizon = spec.startDay + spec.days
  const problems = endProblems(form, today, sownDay, horizon)

  const plantingDay = parseDay(form.plantingDate)
  const waitDays = garden.waitDays[form.establishment]
  const inReach = plantingDay !== null && plantingDay > today && plantingDay <= horizon - 7
  // The crop that follows decides how long before its harvest manure may come, by this way or any other.
  const harvest = useMemo(() => {
    const content = next?.stand.content
    const crop = content?.kind === 'crop' ? findCrop(content.cropId) : null
    if (!crop || plantingDay === null) return null
    const others = data.stands.map((other) =>
      other.id === stand.id ? { ...other, end: { plan: null, fact: null } } : other,
    )
    return harvestRule(view.bed, others, plantingDay, crop, rules)
  }, [next, plantingDay, data.stands, stand.id, view.bed, rules])
  const target: Target | null = inReach
    ? { plantingDay, establishment: form.establishment, waitDays, harvest }
    : null
  // While a date is dragged the answer at hand follows it; the runs for the new date start when it rests.
  const settledDay = useSettled(inReach ? plantingDay : null)
  const args = useMemo((): Parameters<typeof useEngine<'ways'>>[1] => {
    if (!compares || settledDay === null || stand.end.fact) return null
    return [
      spec,
      {
        standCase: standingCase(standCase),
        target: { plantingDay: settledDay, establishment: form.establishment, waitDays, harvest },
        tools: garden.tools,
        livestock: garden.livestock ?? [],
        rules,
        own: standCase.own ?? {},
      },
    ]
  }, [
    compares,
    settledDay,
    spec,
    standCase,
    stand.end.fact,
    form.establishment,
    waitDays,
    harvest,
    garden.tools,
    garden.livestock,
    rules,
  ])
  const answer = useEngine('ways', args, `ways ${stand.id} ${form.establishment}`)
  const forecasts = useEngine('forecast', [spec, standCase], forecastName(stand.id))
  // The last one stands in while a changed one is computed: stages seldom move by it, and are not lost.
  const forecast = forecasts.value === undefined ? forecasts.last : forecasts.value

  const creeping = useMemo(
    () => creepingWeeds(view.bed, data.stands, data.checks),
    [view.bed, data.stands, data.checks],
  )

  const put = (label: string, end: Partial<typeof stand.end>) =>
    commit(label, [changed('stands', stand, { end: { ...stand.end, ...end } })])

  const plan = (method: WayId, passes: number, day: number, extra: Partial<EndDetails> = {}) =>
    put(`Planned ${wayName(findWay(method)!, passes).toLowerCase()} for ${standName(stand).toLowerCase()}`, {
      plan: { date: isoDate(Math.max(day, sownDay + 1)), method, passes, note: '', ...extra },
    })

  async function record(method: WayId = form.method) {
    if (problems.doneOn || problems.minutes) return
    const fact = endFact(form, method, stand, setupFor(method, { garden, view, stand }), forecast ?? null)
    const stored = await put(`Recorded the end of ${standName(stand).toLowerCase()}`, { fact })
    if (!stored.ok) return
    dispatch(draftDropped(draftName))
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
    change,
    problems,
    target,
    sownDay,
    horizon,
    answer,
    forecast,
    forecasts,
    creeping,
    ways: answer.value ?? answer.soFar ?? answer.last,
    plan,
    record,
  }
}

export type EndView = ReturnType<typeof useEnd>
