import { dayNumber } from '../foundations/day'
import { segmentAreaM2 } from '../garden/area'
import { creepingWeeds, nematodesNoted } from '../garden/creepingWeeds'
import type { Bed, Garden, GardenData, Segment, Stand } from '../garden/schema'
import { latest } from '../garden/timeline'
import { freedByFeed } from '../planting/feeding'
import { manureOn } from '../planting/manure'
import { findCrop } from '../plants/crops'
import { followersOf, nextStand, sheetOffBefore } from '../season/followers'
import { ownOf, standCaseOf } from '../season/standCase'
import { toolsOn } from '../termination/entering'
import { ownMinutes } from '../termination/workRates'
import type { Follows, GroundFacts, Means, Scenario } from './types'

/** What the grower has and holds to on a part of a bed, for every question about it. */
export const meansOf = (
  { garden, beds, stands }: Pick<GardenData, 'garden' | 'beds' | 'stands'>,
  bed: Bed,
  segment: Segment,
): Means => ({
  ...toolsOn(garden.tools, bed, segment),
  livestock: garden.livestock,
  rules: garden.rules,
  own: ownOf(stands),
  ownMinutes: ownMinutes(stands, ({ bedId, segment }) => {
    const bed = beds.find(({ id }) => id === bedId)
    return bed ? segmentAreaM2(bed, segment) : null
  }),
  waitDays: garden.waitDays,
  resistant: garden.resistantSeed,
})

/** What is known of a bed's ground besides one cover on it. */
export const groundOf = (data: GardenData, bed: Bed, coverId: string | null): GroundFacts => ({
  manure: manureOn(
    bed,
    data.stands.map((stand) =>
      stand.id === coverId ? { ...stand, end: { plan: null, actual: null } } : stand,
    ),
  ),
  nematodes: nematodesNoted(bed),
  creeping: creepingWeeds(bed, data.stands, data.checks),
})

/** A crop stand as what follows a cover; null for what is no known crop. */
export function cropFollows(
  { content, segment, start }: Pick<Stand, 'content' | 'segment' | 'start'>,
  bed: Bed,
  garden: Pick<Garden, 'nitrogenSources'>,
): Follows | null {
  const crop = content.kind === 'crop' ? findCrop(content.cropId) : null
  const begun = latest(start)
  if (content.kind !== 'crop' || !crop || !begun) return null
  const source = garden.nitrogenSources.find(({ id }) => id === content.feed?.sourceId)
  return {
    kind: 'crop',
    crop,
    establishment: content.establishment,
    plantingMethod: content.plantingMethod,
    feedG: content.feed && source ? freedByFeed(content.feed.kg, segmentAreaM2(bed, segment), source) : 0,
    day: dayNumber(begun.date),
    done: start.actual !== null,
    ...(segment.kind !== 'whole' && { on: segment }),
  }
}

/** What follows a cover: the stand planned or planted after it, else what the grower said of the ground. */
export function followsOf(data: GardenData, bed: Bed, cover: Stand): Follows {
  const next = nextStand(data, cover)
  const begun = next && latest(next.start)
  if (next && begun)
    return (
      cropFollows(next, bed, data.garden) ?? {
        kind: 'deadline',
        day: dayNumber(begun.date),
        establishment: next.content.kind === 'crop' ? next.content.establishment : 'seed',
      }
    )
  return cover.follows?.kind === 'undecided' && cover.follows.neededBy !== null
    ? { kind: 'deadline', day: dayNumber(cover.follows.neededBy), establishment: 'transplant' }
    : { kind: 'nothing' }
}

/** The other crops that follow a cover, on other parts of its ground than the one its plan goes on to, each with the plan up to it. */
export function plansBeside(
  data: GardenData,
  cover: Stand,
  plan: Scenario,
): { crop: Stand; plan: Scenario }[] {
  const next = nextStand(data, cover)
  const followers = followersOf(data, cover)
  // The day of the plan's own crop may be one that is only tried.
  const ownDay =
    followers[0]?.id === next?.id && plan.follows.kind !== 'nothing' ? plan.follows.day : undefined
  return followers.flatMap((crop) => {
    const follows = crop.id === next?.id ? null : cropFollows(crop, plan.standCase.bed, data.garden)
    if (!follows) return []
    const before = sheetOffBefore(data, cover, crop)
    const standCase = { ...plan.standCase, sheetOffBy: before === undefined ? undefined : (ownDay ?? before) }
    return [{ crop, plan: { ...plan, standCase, follows } }]
  })
}

/** The plan of a bed's stretch that a cover belongs to, with all it is judged by; null for stands without a bed. */
export function scenarioOf(data: GardenData, cover: Stand, today: number): Scenario | null {
  const standCase = standCaseOf(data, cover)
  return (
    standCase && {
      standCase,
      follows: followsOf(data, standCase.bed, cover),
      means: meansOf(data, standCase.bed, cover.segment),
      ground: groundOf(data, standCase.bed, cover.id),
      today,
    }
  )
}
