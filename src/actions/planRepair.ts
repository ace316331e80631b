import { isoDate } from '../core/foundations/day'
import type { PlanChange } from '../core/scenario/repair'
import type { Stand } from '../core/garden/schema'
import { latest } from '../core/garden/timeline'
import { cropPlanOf, type PlanDraft } from './planStretch'

/** A change that would help, as what is tried on the plan of a cover; null where the plan has nothing it could change. */
export function draftOfChange(change: PlanChange, cover: Stand, next: Stand | null): PlanDraft | null {
  const crop = cropPlanOf(next)
  const start = latest(cover.start)
  switch (change.code) {
    case 'planting method':
      return crop && { crop: { ...crop, plantingMethod: change.plantingMethod } }
    case 'plant later': {
      const date = isoDate(change.plantDay)
      return crop ? { crop: { ...crop, date } } : { follows: { kind: 'undecided', neededBy: date } }
    }
    case 'keep moist':
      return start && { sowing: { date: start.date, keptMoistDays: change.keptMoistDays } }
    case 'sow another day':
      return { sowing: { date: isoDate(change.sowDay) } }
    default:
      return { end: change.end }
  }
}
