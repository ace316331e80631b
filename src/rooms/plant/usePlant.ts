import { useMemo, useState } from 'react'
import { plantCrop, sayTouches } from '../../actions/plantCrop'
import { cropPlanOf, type CropPlan } from '../../actions/planStretch'
import { addDays, dayNumber, isoDate } from '../../core/foundations/day'
import { commonSegment } from '../../core/garden/ground'
import { latest } from '../../core/garden/timeline'
import { findCrop } from '../../core/plants/crops'
import { followersOf } from '../../core/season/followers'
import { useTyped } from '../../parts/form/useTyped'
import { useAct, useGarden } from '../../state/garden'
import { usePlan } from '../../state/usePlan'
import type { StandView } from '../../state/useStand'
import { lanesForm, plantForm } from './form'

/** Days from the end of a cover to a planting that is proposed where nothing says when. */
const PROPOSED_DAYS = 21

/** Data and actions of the Plant room: the crop that follows one cover. */
export function usePlant(view: StandView) {
  const { data, today } = useGarden()
  const act = useAct()
  const { stand, standCase, next, bed } = view
  const { garden } = data
  const plan = usePlan(view)
  const { units } = garden
  const ended = stand.end.actual ? dayNumber(stand.end.actual.date) : null
  const form = useTyped({
    schema: useMemo(() => plantForm(today, ended), [today, ended]),
    draft: { name: `plant ${stand.id}`, version: 2 },
    live: true,
    blank: { day: isoDate(today), note: '' },
  })
  const lanes = useTyped({
    schema: useMemo(() => lanesForm(units), [units]),
    draft: { name: `lanes ${stand.id}` },
    live: true,
    blank: { lanes: '1', everyDays: '7' },
  })
  /** The compost or feed that fills the gap. */
  const [sourceId, setSourceId] = useState(garden.nitrogenSources[0]?.id ?? '')
  const end = latest(standCase.stand.end)
  const planted = next?.stand.start.actual ?? null
  const { follows } = plan.scenario
  const ground = useMemo(
    () => (next ? commonSegment(stand.segment, next.stand.segment, bed) : stand.segment),
    [stand.segment, next, bed],
  )
  const plantedCrops = useMemo(
    () => followersOf(data, stand).filter(({ content, start }) => content.kind === 'crop' && start.actual),
    [data, stand],
  )
  const cropPlan = plan.draft?.crop ?? cropPlanOf(next?.stand ?? null)
  const crop = findCrop(cropPlan?.cropId ?? '')
  const plantingDay = follows.kind === 'nothing' ? null : follows.day
  const rules = garden.rules

  /** Tries another crop, day or way of planting on the plan. */
  const planCrop = (part: Partial<CropPlan>) => {
    const cropId = part.cropId ?? cropPlan?.cropId
    const found = findCrop(cropId ?? '')
    if (!found) return
    const wanted = plantingDay === null ? null : isoDate(plantingDay)
    const ends = end ? addDays(end.date, PROPOSED_DAYS) : isoDate(today)
    const proposed = wanted ?? (ends > isoDate(today) ? ends : isoDate(today))
    plan.change({
      crop: {
        cropId: found.id,
        establishment: found.establishment,
        plantingMethod: null,
        feed: null,
        date: proposed,
        ...cropPlan,
        ...part,
      },
    })
  }

  const setTouches = (cropId: string, touches: boolean) => act(sayTouches(garden, cropId, touches))

  const record = form.submit(async ({ value }) => {
    if (!cropPlan || !crop) return false
    const stored = await act(plantCrop(bed, stand, next?.stand ?? null, cropPlan, value))
    if (stored) plan.putBack()
    return stored
  })

  return {
    view,
    /** The part of the bed that is planted: the cover's, or as much of it as the crop takes. */
    ground,
    data,
    garden,
    rules,
    today,
    plan,
    form,
    lanes,
    sourceId,
    setSourceId,
    cropPlan,
    planCrop,
    crop,
    end,
    plantingDay,
    /** Day the crop was planned for before this room moved it. */
    plannedDay: next?.stand.start.plan ? dayNumber(next.stand.start.plan.date) : null,
    record,
    setTouches,
    planted,
    plantedCrops,
  }
}

export type PlantView = ReturnType<typeof usePlant>
