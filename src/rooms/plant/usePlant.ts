import { useMemo } from 'react'
import { useNavigate } from 'react-router'
import { dayNumber, isoDate, parseDay } from '../../core/foundations/day'
import type { Stand } from '../../core/garden/schema'
import { latest } from '../../core/garden/timeline'
import { findCrop } from '../../core/plants/crops'
import { newId } from '../../state/ids'
import { useCommit, useGarden } from '../../state/garden'
import { draftDropped, draftKept } from '../../state/session'
import { useAppDispatch, useAppSelector } from '../../state/store'
import { useEngine } from '../../state/useEngine'
import type { StandView } from '../../state/useStand'

export type PlantForm = {
  cropId: string
  establishment: 'transplant' | 'seed'
  plantingDate: string
  doneOn: string
  note: string
}

/** What is wrong with the planting as filled in. */
export function plantProblems(
  form: PlantForm,
  today: number,
  coverEndDay: number | null,
): Partial<Record<'cropId' | 'plantingDate' | 'doneOn', string>> {
  const problems: ReturnType<typeof plantProblems> = {}
  if (!findCrop(form.cropId)) problems.cropId = 'Choose the crop that follows.'
  const planting = parseDay(form.plantingDate)
  if (planting === null) problems.plantingDate = 'Enter a date that exists, such as 2026-06-18.'
  const done = parseDay(form.doneOn)
  if (done === null) problems.doneOn = 'Enter a date that exists, such as 2026-06-18.'
  else if (done > today)
    problems.doneOn = 'A planting is recorded once it is done. Choose today or an earlier date.'
  else if (coverEndDay !== null && done < coverEndDay)
    problems.doneOn = `The cover was ended on ${isoDate(coverEndDay)}. Choose that day or a later one.`
  return problems
}

/** Data and actions of the Plant room: the crop that follows one cover. */
export function usePlant(view: StandView) {
  const { data, today, spec } = useGarden()
  const dispatch = useAppDispatch()
  const navigate = useNavigate()
  const commit = useCommit()
  const { stand, standCase, next } = view
  const draftName = `plant ${stand.id}`
  const draft = useAppSelector((state) => state.session.drafts[draftName]) as PlantForm | undefined
  const nextCrop = next?.stand.content.kind === 'crop' ? next.stand.content : null
  const form: PlantForm = draft ?? {
    cropId: nextCrop?.cropId ?? '',
    establishment: nextCrop?.establishment ?? 'transplant',
    plantingDate: isoDate(Math.max(next?.plantingDay ?? today + 14, today)),
    doneOn: isoDate(today),
    note: '',
  }
  const change = (part: Partial<PlantForm>) =>
    dispatch(draftKept({ name: draftName, value: { ...form, ...part } }))
  const end = latest(standCase.stand.end)
  const problems = plantProblems(form, today, stand.end.fact ? dayNumber(stand.end.fact.date) : null)
  const crop = findCrop(form.cropId)
  const plantingDay = parseDay(form.plantingDate)
  const horizon = spec.startDay + spec.days

  const args = useMemo((): Parameters<typeof useEngine<'gates'>>[1] => {
    if (
      !crop ||
      !end ||
      plantingDay === null ||
      plantingDay > horizon - 71 ||
      plantingDay < dayNumber(end.date)
    )
      return null
    const flattened = data.garden.tools.some((tool) => tool.kind !== 'black tarp' && tool.kind !== 'rake')
    return [
      spec,
      {
        standCase,
        end,
        crop,
        establishment: form.establishment,
        waitDays: data.garden.waitDays[form.establishment],
        plantingDay,
        flattened,
      },
    ]
  }, [crop, end, plantingDay, horizon, spec, standCase, form.establishment, data.garden])
  const answer = useEngine('gates', args)

  async function record() {
    if (!crop || problems.doneOn || problems.cropId) return
    const fact = { date: form.doneOn, covering: null, passes: null, components: [], note: form.note }
    const content: Stand['content'] = { kind: 'crop', cropId: crop.id, establishment: form.establishment }
    const until = isoDate(dayNumber(form.doneOn) + crop.daysInBed)
    const planted: Stand =
      next && next.stand.content.kind === 'crop' && !next.stand.start.fact
        ? {
            ...next.stand,
            content,
            start: { ...next.stand.start, fact },
            end: {
              ...next.stand.end,
              plan: {
                date:
                  next.stand.end.plan && next.stand.end.plan.date > form.doneOn
                    ? next.stand.end.plan.date
                    : until,
                method: 'harvest',
                passes: 1,
                note: '',
              },
            },
          }
        : {
            id: newId('stand'),
            gardenId: data.garden.id,
            bedId: view.bed.id,
            part: stand.part,
            underStandId: null,
            cuts: [],
            note: '',
            content,
            start: { plan: null, fact },
            end: { plan: { date: until, method: 'harvest', passes: 1, note: '' }, fact: null },
          }
    const stored = await commit(`Planted ${crop.name.toLowerCase()} in ${view.bed.label}`, [
      { table: 'stands', put: planted },
    ])
    if (!stored.ok) return
    dispatch(draftDropped(draftName))
    void navigate('/')
  }

  return {
    form,
    change,
    problems,
    crop,
    end,
    answer,
    asked: args !== null,
    record,
    planted: next?.stand.start.fact ?? null,
  }
}
