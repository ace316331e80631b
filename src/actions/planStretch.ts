import { isEqual as equal } from 'es-toolkit/predicate'
import { dayNumber, addDays } from '../core/foundations/day'
import type { EndDetails } from '../core/garden/ending'
import { clearing, cropContent, cropStand, planting } from '../core/garden/newStands'
import type { GardenData, PlantingMethodId, Stand, StartDetails } from '../core/garden/schema'
import { latest } from '../core/garden/timeline'
import { findCrop } from '../core/plants/crops'
import { nextStand } from '../core/season/followers'
import { added, changed, type Write } from '../data/writes'
import { standName } from '../text/names'
import type { Step } from './step'

/** What is meant to follow a cover: a crop with its day. */
export type CropPlan = {
  cropId: string
  establishment: 'transplant' | 'seed'
  plantingMethod: PlantingMethodId | null
  feed: { sourceId: string; kg: number } | null
  date: string
}

/** Changes to the plan of a bed's stretch that are tried before they are kept; what is left out stays as it is. */
export type PlanDraft = {
  sowing?: Pick<StartDetails, 'date'> & Partial<Pick<StartDetails, 'covering' | 'keptMoistDays'>>
  /** Cuts before it, in the place of those planned. */
  cuts?: Stand['cuts']
  /** The ending; null for none. */
  end?: EndDetails | null
  crop?: CropPlan
  /** The stand that the crop was tried on, null for none; once the plan goes on to another the crop tried is let go. */
  cropOf?: string | null
  /** What is said of the ground while no crop is named. */
  follows?: Stand['follows']
}

/** The crop that is planned to follow a cover, as a plan; null where none is. */
export function cropPlanOf(next: Stand | null): CropPlan | null {
  const start = next && latest(next.start)
  if (!next || !start || next.content.kind !== 'crop') return null
  const { cropId, establishment, plantingMethod, feed } = next.content
  return { cropId, establishment, plantingMethod, feed, date: start.date }
}

/** A cover with a draft of its plan laid over it; recorded facts are not touched. */
function coverWith(cover: Stand, { sowing, cuts, end, follows }: PlanDraft): Stand {
  if (!sowing && !cuts && end === undefined && follows === undefined) return cover
  const start = cover.start.plan ?? cover.start.actual
  return {
    ...cover,
    start:
      sowing && start && !cover.start.actual
        ? { ...cover.start, plan: { ...start, ...sowing } }
        : cover.start,
    cuts: cuts ? [...cover.cuts.filter(({ cut }) => cut.actual), ...cuts] : cover.cuts,
    end: end !== undefined && !cover.end.actual ? { ...cover.end, plan: end } : cover.end,
    follows: follows === undefined ? cover.follows : follows,
  }
}

/** The crop stand with a draft laid over it: the one planned already, or a new one. */
function cropWith(cover: Stand, next: Stand | null, crop: CropPlan, freshId: string): Stand | null {
  const found = findCrop(crop.cropId)
  if (!found) return null
  const { cropId, establishment, plantingMethod, feed, date } = crop
  if (!next || next.content.kind !== 'crop')
    return cropStand(
      {
        id: freshId,
        gardenId: cover.gardenId,
        bedId: cover.bedId,
        // A crop that follows a cover in a path has a bed of its own.
        ...(cover.segment.kind !== 'path' && { segment: cover.segment }),
      },
      cropContent(cropId, establishment, { plantingMethod, feed }),
      { plan: planting(date), actual: null },
      found.daysInBed,
    )
  if (next.start.actual) return { ...next, content: { ...next.content, plantingMethod, feed } }
  const moved = next.start.plan ? dayNumber(date) - dayNumber(next.start.plan.date) : 0
  const until = next.content.cropId === cropId ? next.end.plan : null
  return {
    ...next,
    content: { ...next.content, cropId, establishment, plantingMethod, feed },
    start: { ...next.start, plan: { ...(next.start.plan ?? planting(date)), date } },
    end: {
      ...next.end,
      plan: until ? { ...until, date: addDays(until.date, moved) } : clearing(addDays(date, found.daysInBed)),
    },
  }
}

/** A draft without a crop that was tried on another stand than the one its plan goes on to now. */
export const draftOn = (draft: PlanDraft, next: Stand | null): PlanDraft =>
  draft.cropOf === undefined || draft.cropOf === (next?.id ?? null)
    ? draft
    : { ...draft, crop: undefined, cropOf: undefined }

/** The stands of a garden with a draft laid over the plan of one cover: what would be if it were kept. */
export function standsWith(
  data: Pick<GardenData, 'beds' | 'stands'>,
  cover: Stand,
  draft: PlanDraft,
  freshId: string,
): Stand[] {
  const next = nextStand(data, cover)
  const crop = draft.crop ? cropWith(cover, next, draft.crop, freshId) : null
  const drafted = coverWith(cover, draft)
  const changedStands = data.stands.map((stand) =>
    stand.id === cover.id ? drafted : crop && stand.id === crop.id ? crop : stand,
  )
  return crop && crop.id !== next?.id ? [...changedStands, crop] : changedStands
}

/** The plan of a cover goes on to another of the crops that follow it. */
export const goOnTo = (cover: Stand, crop: Stand): Step => ({
  label: `The plan goes on to ${standName(crop).toLowerCase()}`,
  writes: [changed('stands', cover, { goesOnTo: crop.id })],
})

/** The writes that turn stands into others: what is new, and what has changed. */
export function writesBetween(before: readonly Stand[], after: readonly Stand[]): Write[] {
  const known = new Map(before.map((stand) => [stand.id, stand]))
  return after.flatMap((stand): Write[] => {
    const seen = known.get(stand.id)
    if (!seen) return [added('stands', stand)]
    return seen === stand || equal(seen, stand) ? [] : [changed('stands', seen, stand)]
  })
}

/** The writes that keep a draft: the cover where it changes, and the crop that follows. */
export const planStretch = (
  data: Pick<GardenData, 'beds' | 'stands'>,
  cover: Stand,
  draft: PlanDraft,
  freshId: string,
): Write[] => writesBetween(data.stands, standsWith(data, cover, draft, freshId))
