import { cropPlanOf, type CropPlan } from '../../actions/planStretch'
import { addDays, dayNumber, isoDate } from '../../core/foundations/day'
import { USUAL_RULES } from '../../core/garden/usualRules'
import { latest } from '../../core/garden/timeline'
import { findCrop } from '../../core/plants/crops'
import { newId } from '../../data/ids'
import { changed } from '../../data/writes'
import { useCommit, useGarden } from '../../state/garden'
import { useDraft } from '../../state/useDraft'
import { usePlan } from '../../state/usePlan'
import type { StandView } from '../../state/useStand'
import { plantedStand, plantProblems, type PlantForm } from './form'

/** Days from the end of a cover to a planting that is proposed where nothing says when. */
const PROPOSED_DAYS = 21

/** Data and actions of the Plant room: the crop that follows one cover. */
export function usePlant(view: StandView) {
  const { data, today } = useGarden()
  const commit = useCommit()
  const { stand, standCase, next, bed } = view
  const { garden } = data
  const plan = usePlan(view)
  const draftName = `plant ${stand.id}`
  const { draft, keep, drop, offer } = useDraft<Partial<PlantForm>>(draftName)
  const form: PlantForm = {
    doneOn: isoDate(today),
    note: '',
    lanes: '1',
    laneDays: '7',
    sourceId: garden.nitrogenSources?.[0]?.id ?? '',
    ...draft,
  }
  const change = (part: Partial<PlantForm>) => keep({ ...draft, ...part })
  const end = latest(standCase.stand.end)
  const planted = next?.stand.start.actual ?? null
  const { follows } = plan.scenario
  const cropPlan = plan.draft?.crop ?? cropPlanOf(next?.stand ?? null)
  const crop = findCrop(cropPlan?.cropId ?? '')
  const plantingDay = follows.kind === 'nothing' ? null : follows.day
  const problems = plantProblems(
    form,
    crop !== null,
    today,
    stand.end.actual ? dayNumber(stand.end.actual.date) : null,
  )
  const rules = garden.rules ?? USUAL_RULES

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

  /** What the grower says of the eaten part of a crop: whether it touches soil or splash. */
  const setTouches = (cropId: string, touches: boolean) =>
    commit('Changed what the harvest touches', [
      changed('gardens', garden, {
        rules: { ...rules, harvestTouches: { ...rules.harvestTouches, [cropId]: touches } },
      }),
    ])

  async function record() {
    if (!crop || !cropPlan || problems.doneOn) return
    const put = plantedStand(form, cropPlan, crop, view, garden.id, newId('stand'))
    const stored = await commit(`Planted ${crop.name.toLowerCase()} in ${bed.label}`, [
      { table: 'stands', put, seen: put.id === next?.stand.id ? next.stand : null },
    ])
    if (!stored.ok) return
    drop()
    plan.putBack()
  }

  return {
    view,
    data,
    garden,
    rules,
    today,
    plan,
    form,
    offer,
    change,
    problems,
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
    plantedStand: planted ? (next?.stand ?? null) : null,
  }
}

export type PlantView = ReturnType<typeof usePlant>
