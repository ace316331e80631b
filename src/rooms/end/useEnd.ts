import { useMemo } from 'react'
import { useNavigate } from 'react-router'
import { dayNumber, isoDate, parseDay } from '../../core/foundations/day'
import type { EndMethodId } from '../../core/garden/schema'
import { standName } from '../../parts/names'
import { useCommit, useGarden } from '../../state/garden'
import { draftDropped, draftKept } from '../../state/session'
import { useAppDispatch, useAppSelector } from '../../state/store'
import { useEngine } from '../../state/useEngine'
import type { StandView } from '../../state/useStand'

export type EndForm = {
  plantingDate: string
  establishment: 'transplant' | 'seed'
  doneOn: string
  method: Exclude<EndMethodId, 'harvest'>
  passes: number
  note: string
}

/** Days ahead looked at when nothing is planned to follow. */
const OPEN_END_DAYS = 60

/** What is wrong with the planting date or the record as filled in. */
export function endProblems(
  form: EndForm,
  today: number,
  sownDay: number,
  horizon: number,
): Partial<Record<'plantingDate' | 'doneOn', string>> {
  const problems: ReturnType<typeof endProblems> = {}
  const planting = parseDay(form.plantingDate)
  const done = parseDay(form.doneOn)
  if (planting === null) problems.plantingDate = 'Enter a date that exists, such as 2026-06-18.'
  else if (planting <= today) problems.plantingDate = 'The planting date is past. Choose a day after today.'
  else if (planting > horizon - 7)
    problems.plantingDate = `Forecasts reach to ${isoDate(horizon - 7)}. Choose an earlier date.`
  if (done === null) problems.doneOn = 'Enter a date that exists, such as 2026-05-18.'
  else if (done > today)
    problems.doneOn = 'An ending is recorded once it is done. Choose today or an earlier date.'
  else if (done < sownDay) problems.doneOn = `It was sown on ${isoDate(sownDay)}. The end must come after.`
  return problems
}

/** Data and actions of the End room for one stand. */
export function useEnd(view: StandView) {
  const { data, today, spec } = useGarden()
  const dispatch = useAppDispatch()
  const navigate = useNavigate()
  const commit = useCommit()
  const { stand, standCase, next } = view
  const draftName = `end ${stand.id}`
  const draft = useAppSelector((state) => state.session.drafts[draftName]) as EndForm | undefined
  const known = stand.end.fact ?? stand.end.plan
  const form: EndForm = draft ?? {
    plantingDate: isoDate(Math.max(next?.plantingDay ?? today + OPEN_END_DAYS, today + 1)),
    establishment: next?.establishment ?? 'transplant',
    doneOn: stand.end.fact?.date ?? isoDate(today),
    method: known && known.method !== 'harvest' ? known.method : 'chop',
    passes: known?.passes ?? 1,
    note: stand.end.fact?.note ?? '',
  }
  const change = (part: Partial<EndForm>) =>
    dispatch(draftKept({ name: draftName, value: { ...form, ...part } }))
  const start = stand.start.fact ?? stand.start.plan
  const sownDay = start ? dayNumber(start.date) : today
  const horizon = spec.startDay + spec.days
  const problems = endProblems(form, today, sownDay, horizon)

  const plantingDay = parseDay(form.plantingDate)
  const args = useMemo((): Parameters<typeof useEngine<'compare'>>[1] => {
    if (plantingDay === null || plantingDay <= today || plantingDay > horizon - 7) return null
    return [
      spec,
      {
        standCase: {
          ...standCase,
          stand: { ...standCase.stand, end: { plan: null, fact: null } },
          nextStartDay: null,
        },
        target: {
          plantingDay,
          establishment: form.establishment,
          waitDays: data.garden.waitDays[form.establishment],
        },
        tools: data.garden.tools,
      },
    ]
  }, [plantingDay, today, horizon, spec, standCase, form.establishment, data.garden])
  const options = useEngine('compare', args)

  const plan = (method: EndForm['method'], passes: number, day: number) =>
    commit(
      `Planned to ${method === 'winter-kill' ? 'let the winter end' : method} ${standName(stand).toLowerCase()}`,
      [
        {
          table: 'stands',
          put: {
            ...stand,
            end: {
              ...stand.end,
              plan: { date: isoDate(Math.max(day, sownDay + 1)), method, passes, note: '' },
            },
          },
        },
      ],
    )

  async function record() {
    if (problems.doneOn) return
    const stored = await commit(`Recorded the end of ${standName(stand).toLowerCase()}`, [
      {
        table: 'stands',
        put: {
          ...stand,
          end: {
            ...stand.end,
            fact: { date: form.doneOn, method: form.method, passes: form.passes, note: form.note },
          },
        },
      },
    ])
    if (!stored.ok) return
    dispatch(draftDropped(draftName))
    void navigate(`/plant/${stand.id}`)
  }

  return { form, change, problems, options, plan, record }
}
