import type { Bed, Stand } from '../garden/schema'
import { having } from '../foundations/grouped'
import { sharesGround } from '../garden/ground'
import { bedSpans, latest } from '../garden/timeline'
import type { Rules } from '../garden/rules'
import { findCrop, type Crop } from '../plants/crops'
import { findMethod, takesWhatIsBelow } from '../termination/methods'

/** What gives the light back: a crop that is harvested, thins or is frosted; a cover that is cut or rolled, or that cold or heat ends. */
export type LightBy = Crop['lightReturns']['by'] | 'cut' | 'cold' | 'heat'

/**
 * The time in which a cover can be sown under what stands: under a crop from its last weeding until a few weeks before
 * the light returns, so that it is up when it does; under a cover until it is cut over the seed.
 */
export type LightWindow = {
  bedId: string
  /** What stands above, and the crop that it is; null for a cover. */
  above: Stand
  crop: Crop | null
  /** Day from which what comes up under a crop costs it little; null under a cover. */
  lastWeedingDay: number | null
  sowFromDay: number
  sowUntilDay: number
  /** When the light comes through again, and by what. */
  lightDay: number
  by: LightBy
  /** Day what stands above is gone, and the first day the ground is taken again; half a year later where nothing is planned by then. */
  clearedDay: number
  neededByDay: number
  /** Bare weeks after it that a cover under it would fill. */
  recoveredWeeks: number
}

/** A cover sown under a crop wants at least these days before the light returns, and gains nothing from more. */
const UNDER_LEAST_DAYS = 21
/** Under a crop that stands no longer than this, it is thrown a few days before the bed is cleared. */
const QUICK_DAYS = 60
const QUICK_LEAST_DAYS = 5
/** A cover is left to come up and close before anything is thrown into it. */
const CLOSED_AFTER_DAYS = 35
/** Weeks of growth in the open that make sowing under worth it. */
const WORTH_WEEKS = 2
/** The same under a cover, which wants weeks to die and rot before anything is planted. */
const WORTH_UNDER_COVER_WEEKS = 6

/** Weeks afterwards that are counted where nothing is planned: the same in every room, however far it looks. */
const OPEN_WEEKS = 26

type Light = Pick<LightWindow, 'crop' | 'lastWeedingDay' | 'sowFromDay' | 'sowUntilDay' | 'lightDay' | 'by'>

/** Days from planting to the last weeding of a crop, as the grower knows them or as usual; null where nothing can be sown under it. */
export const lastWeedingDays = (crop: Crop, { lastWeeding }: Pick<Rules, 'lastWeeding'>): number | null =>
  lastWeeding[crop.id] ?? crop.lastWeedingDays

function underCrop(
  cropId: string,
  startDay: number,
  endDay: number,
  today: number,
  rules: Pick<Rules, 'lastWeeding'>,
): Light | null {
  const crop = findCrop(cropId)
  const weeded = crop && lastWeedingDays(crop, rules)
  if (!crop || weeded === null) return null
  const lastWeedingDay = startDay + weeded
  const leastDays = crop.daysInBed <= QUICK_DAYS ? QUICK_LEAST_DAYS : UNDER_LEAST_DAYS
  const lightDay = endDay - crop.lightReturns.daysBeforeClearing
  return {
    crop,
    lastWeedingDay,
    sowFromDay: Math.max(today, lastWeedingDay),
    sowUntilDay: Math.max(lastWeedingDay, lightDay - leastDays),
    lightDay,
    by: crop.lightReturns.by,
  }
}

/** Under a cover, where its ending leaves what is below; null where it does not. */
function underCover({ end }: Stand, startDay: number, endDay: number, today: number): Light | null {
  const planned = latest(end)
  const method = planned && findMethod(planned.method)
  if (!method || takesWhatIsBelow(method)) return null
  return {
    crop: null,
    lastWeedingDay: null,
    sowFromDay: Math.max(today, startDay + CLOSED_AFTER_DAYS),
    sowUntilDay: endDay,
    lightDay: endDay,
    by: method.waits ?? 'cut',
  }
}

/** The ground of a stand that is gone on a day, until it is taken again. */
function freedFrom(
  spans: ReturnType<typeof bedSpans>,
  index: number,
  clearedDay: number,
  bed: Bed,
): Pick<LightWindow, 'clearedDay' | 'neededByDay' | 'recoveredWeeks'> {
  const { segment } = spans[index].stand
  const next = spans.slice(index + 1).find(({ stand }) => sharesGround(stand.segment, segment, bed))
  const neededByDay = Math.min(next?.startDay ?? Infinity, clearedDay + 7 * OPEN_WEEKS)
  return { clearedDay, neededByDay, recoveredWeeks: Math.floor((neededByDay - clearedDay) / 7) }
}

/** Light windows of a bed's stands that are still to be used on a day; of what stands beyond the horizon none are told. */
export function lightWindows(
  bed: Bed,
  stands: readonly Stand[],
  today: number,
  horizonDay: number,
  rules: Pick<Rules, 'lastWeeding'>,
): LightWindow[] {
  const spans = bedSpans(stands, bed.id)
  return spans.flatMap((span, index) => {
    const { stand, startDay, endDay } = span
    if (stand.content.kind === 'sheet' || stand.segment.kind === 'path') return []
    if (endDay === null || stand.end.actual || endDay > horizonDay || endDay <= today) return []
    if (having(stands, 'underStandId', stand.id).length > 0) return []
    const light =
      stand.content.kind === 'crop'
        ? underCrop(stand.content.cropId, startDay, endDay, today, rules)
        : underCover(stand, startDay, endDay, today)
    const freed = freedFrom(spans, index, endDay, bed)
    if (
      !light ||
      light.sowFromDay > light.sowUntilDay ||
      freed.recoveredWeeks < (light.crop ? WORTH_WEEKS : WORTH_UNDER_COVER_WEEKS)
    )
      return []
    return [{ bedId: bed.id, above: stand, ...light, ...freed }]
  })
}

/** Whether something can be sown into a stand that is cut over the seed: a cover that grows, with nothing under it yet. */
export const canBeDropped = (stand: Stand, stands: readonly Stand[]): boolean =>
  stand.content.kind === 'cover' &&
  stand.segment.kind !== 'path' &&
  stand.start.actual !== null &&
  stand.end.actual === null &&
  having(stands, 'underStandId', stand.id).length === 0

/** Sowing into a cover that is cut over the seed that day, whatever was planned for it; null where it cannot be. */
export function windowInto(
  bed: Bed,
  stands: readonly Stand[],
  standId: string,
  day: number,
): LightWindow | null {
  const spans = bedSpans(stands, bed.id)
  const index = spans.findIndex(({ stand }) => stand.id === standId)
  const above = spans.at(index)?.stand
  if (index < 0 || !above || !canBeDropped(above, stands)) return null
  return {
    bedId: bed.id,
    above,
    crop: null,
    lastWeedingDay: null,
    sowFromDay: day,
    sowUntilDay: day,
    lightDay: day,
    by: 'cut',
    ...freedFrom(spans, index, day, bed),
  }
}
