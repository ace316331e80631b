import { useMemo } from 'react'
import { dayNumber, isoDate, parseDay } from '../../core/foundations/day'
import { USUAL_RULES } from '../../core/garden/rules'
import { latest } from '../../core/garden/timeline'
import { manureGate } from '../../core/planting/manure'
import { findCrop } from '../../core/plants/crops'
import { newId } from '../../data/ids'
import { useCommit, useGarden } from '../../state/garden'
import { draftDropped, draftKept } from '../../state/session'
import { useAppDispatch, useAppSelector } from '../../state/store'
import { useEngine } from '../../state/useEngine'
import { useSettled } from '../../state/useSettled'
import type { StandView } from '../../state/useStand'
import { plantedStand, plantProblems, type PlantForm } from './form'
import { changed } from '../../data/writes'
import { creepingWeeds } from '../../core/garden/creepingWeeds'

/** Words in a bed's troubles that speak of nematodes. */
const NEMATODES = /nematode|root.?knot/i

/** Data and actions of the Plant room: the crop that follows one cover. */
export function usePlant(view: StandView) {
  const { data, today, spec } = useGarden()
  const dispatch = useAppDispatch()
  const commit = useCommit()
  const { stand, standCase, next, bed } = view
  const { garden } = data
  const draftName = `plant ${stand.id}`
  const draft = useAppSelector((state) => state.session.drafts[draftName]) as Partial<PlantForm> | undefined
  const nextCrop = next?.stand.content.kind === 'crop' ? next.stand.content : null
  const form: PlantForm = {
    cropId: nextCrop?.cropId ?? '',
    establishment: nextCrop?.establishment ?? 'transplant',
    plantingDate: isoDate(Math.max(next?.plantingDay ?? today + 14, today)),
    doneOn: isoDate(today),
    note: '',
    lanes: '1',
    laneDays: '7',
    sourceId: garden.nitrogenSources?.[0]?.id ?? '',
    ...draft,
  }
  const change = (part: Partial<PlantForm>) =>
    dispatch(draftKept({ name: draftName, value: { ...draft, ...part } }))
  const end = latest(standCase.stand.end)
  const planted = next?.stand.start.fact ?? null
  const problems = plantProblems(
    form,
    today,
    stand.end.fact ? dayNumber(stand.end.fact.date) : null,
    planted !== null,
  )
  const crop = findCrop(form.cropId)
  const plantingDay = parseDay(form.plantingDate)
  const horizon = spec.startDay + spec.days
  const settledDay = useSettled(plantingDay)
  const rules = garden.rules ?? USUAL_RULES

  const args = useMemo((): Parameters<typeof useEngine<'gates'>>[1] => {
    if (!crop || !end || settledDay === null || settledDay > horizon - 71 || settledDay < dayNumber(end.date))
      return null
    const flattened = garden.tools.some((tool) => tool.kind !== 'black tarp' && tool.kind !== 'rake')
    return [
      spec,
      {
        standCase,
        end,
        crop,
        establishment: form.establishment,
        waitDays: garden.waitDays[form.establishment],
        plantingDay: settledDay,
        flattened,
        manure: manureGate(bed, data.stands, settledDay, crop, rules),
        creeping: creepingWeeds(bed, data.stands, data.checks),
        nematodes: (bed.troubles ?? []).some((trouble) => NEMATODES.test(trouble.what)),
      },
    ]
  }, [
    crop,
    end,
    settledDay,
    horizon,
    spec,
    standCase,
    form.establishment,
    garden.tools,
    garden.waitDays,
    bed,
    data.stands,
    data.checks,
    rules,
  ])
  const answer = useEngine('gates', args, `gates ${stand.id}`)

  /** What the grower says of the eaten part of a crop: whether it touches soil or splash. */
  const setTouches = (cropId: string, touches: boolean) =>
    commit('Changed what the harvest touches', [
      changed('gardens', garden, {
        rules: { ...rules, harvestTouches: { ...rules.harvestTouches, [cropId]: touches } },
      }),
    ])

  async function record() {
    if (!crop || problems.doneOn || problems.cropId) return
    const put = plantedStand(form, crop, view, garden.id, newId('stand'))
    const stored = await commit(`Planted ${crop.name.toLowerCase()} in ${bed.label}`, [
      { table: 'stands', put, seen: put.id === next?.stand.id ? next.stand : null },
    ])
    if (stored.ok) dispatch(draftDropped(draftName))
  }

  return {
    view,
    data,
    garden,
    rules,
    today,
    form,
    change,
    problems,
    crop,
    end,
    answer,
    asked: args !== null,
    plantingDay,
    /** Day the crop was planned for before this room moved it. */
    plannedDay: next?.stand.start.plan ? dayNumber(next.stand.start.plan.date) : null,
    record,
    setTouches,
    planted,
    plantedStand: planted ? (next?.stand ?? null) : null,
  }
}

export type PlantView = ReturnType<typeof usePlant>
