import { addDays } from '../foundations/day'
import type { EndDetails } from './ending'
import { FRESH_STAND } from './fresh'
import type { Component, Segment, Covering, PurposeId, Stand, StartDetails } from './schema'

type CropContent = Extract<Stand['content'], { kind: 'crop' }>

/** A crop as a stand's content, with nothing said yet of how it is planted or fed. */
export const cropContent = (
  cropId: string,
  establishment: CropContent['establishment'],
  own: Partial<Pick<CropContent, 'plantingMethod' | 'feed'>> = {},
): CropContent => ({ kind: 'crop', cropId, establishment, plantingMethod: null, feed: null, ...own })

/** A planting, or a sowing of a crop, on a day. */
export const planting = (date: string, note = ''): StartDetails => ({
  date,
  covering: null,
  passes: null,
  keptMoistDays: 0,
  sownBetween: null,
  components: [],
  note,
})

/** The clearing of a crop on a day. */
export const clearing = (date: string): EndDetails => ({ date, method: 'harvest', passes: 1, note: '' })

/**
 * A crop that is planned for, or was planted on, a day, and planned to be cleared `daysInBed` days later. Every room that
 * makes a crop makes it here.
 */
export function cropStand(
  where: { id: string; gardenId: string; bedId: string; segment?: Segment },
  content: CropContent,
  start: Stand['start'],
  daysInBed: number,
): Stand {
  const date = (start.actual ?? start.plan)!.date
  return {
    id: where.id,
    gardenId: where.gardenId,
    bedId: where.bedId,
    segment: where.segment ?? { kind: 'whole' },
    ...FRESH_STAND,
    content,
    start,
    end: { plan: clearing(addDays(date, daysInBed)), actual: null },
  }
}

/** A cover as it is planned: what, where, sown on a day and covered so; its ending is planned beside it. */
export function coverStand(
  where: { id: string; gardenId: string; bedId: string; segment: Segment; underStandId: string | null },
  components: readonly Pick<Component, 'speciesId' | 'share' | 'germination'>[],
  purposes: PurposeId[],
  sowing: { date: string; covering: Covering },
): Stand {
  return {
    ...FRESH_STAND,
    ...where,
    content: {
      kind: 'cover',
      components: components.map(({ speciesId, share, germination }) => ({
        speciesId,
        share,
        germination,
        grams: null,
      })),
      purposes,
    },
    start: {
      plan: { ...sowing, passes: 2, keptMoistDays: 0, sownBetween: null, components: [], note: '' },
      actual: null,
    },
    end: { plan: null, actual: null },
  }
}
