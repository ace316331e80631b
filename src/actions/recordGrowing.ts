import { isoDate } from '../core/foundations/day'
import type { Check } from '../core/garden/check'
import { FRESH_CHECK } from '../core/garden/fresh'
import { coverStand, cropContent, cropStand, planting } from '../core/garden/newStands'
import type { Bed, GardenData, Stand } from '../core/garden/schema'
import { ofUsualSeed } from '../core/choosing/composition'
import { findCrop } from '../core/plants/crops'
import { standsTaking } from '../core/season/occupied'
import { newId } from '../data/ids'
import { added } from '../data/writes'
import { standName } from '../text/names'
import { writesBetween } from './planStretch'
import type { Step } from './step'

/** How much of the ground a cover hides as it is seen in passing, 0–1, with its error as one standard deviation. */
export const GLANCES = {
  'just up': { cover: 0.1, error: 0.07 },
  'half green': { cover: 0.5, error: 0.15 },
  closed: { cover: 0.92, error: 0.07 },
} as const
export type Glance = keyof typeof GLANCES

/** A cover that grows in some beds already: what it is, about when it was sown, and how it looks today. */
export type Growing = {
  speciesIds: readonly string[]
  sownDay: number
  /** Days by which it may have been sown earlier or later. */
  withinDays: number
  looks: Glance | null
}

/** Shares of the full rate that add up to a usual mix of so many. */
const SHARE_OF = [1, 0.6, 0.45, 0.35]

const inBeds = (beds: readonly Bed[]) =>
  beds.length <= 3 ? beds.map(({ label }) => label).join(', ') : `${beds.length} beds`

/** Puts what stands in some beds into their records, what stood there before treated as usual. */
function standing(
  { stands }: Pick<GardenData, 'stands'>,
  beds: readonly Bed[],
  made: (bed: Bed) => Stand,
): { after: Stand[]; fresh: Stand[] } {
  const fresh = beds.map(made)
  const after = beds.reduce(
    (known, bed, i) => standsTaking(known, bed, fresh[i], () => newId('stand')),
    [...stands],
  )
  return { after, fresh }
}

/** Records a cover that grows in some beds, with a first look at each. */
export function recordGrowing(
  data: Pick<GardenData, 'garden' | 'stands'>,
  beds: readonly Bed[],
  { speciesIds, sownDay, withinDays, looks }: Growing,
  today: number,
): Step & { standIds: string[] } {
  const gardenId = data.garden.id
  const share = SHARE_OF[Math.min(speciesIds.length, SHARE_OF.length) - 1]
  const components = ofUsualSeed(speciesIds.map((speciesId) => ({ speciesId, share })))
  const sownBetween =
    withinDays > 0
      ? { from: isoDate(sownDay - withinDays), to: isoDate(Math.min(sownDay + withinDays, today)) }
      : null
  const { after, fresh } = standing(data, beds, (bed) => {
    const where = { id: newId('stand'), gardenId, bedId: bed.id, segment: { kind: 'whole' } as const }
    const stand = coverStand({ ...where, underStandId: null }, components, [], {
      date: isoDate(sownDay),
      covering: 'raked',
    })
    const { plan } = stand.start
    return {
      ...stand,
      start: {
        plan: null,
        actual: plan && {
          ...plan,
          passes: null,
          sownBetween,
          components: stand.content.kind === 'cover' ? stand.content.components : [],
        },
      },
    }
  })
  const seen = looks && GLANCES[looks]
  const checks = seen
    ? fresh.map((stand): Check => ({
        ...FRESH_CHECK,
        id: newId('check'),
        gardenId,
        standId: stand.id,
        date: isoDate(today),
        cover: seen.cover,
        coverBy: { kind: 'glance', error: seen.error },
      }))
    : []
  return {
    label: `${standName(fresh[0])} grows in ${inBeds(beds)}`,
    writes: [...writesBetween(data.stands, after), ...checks.map((check) => added('checks', check))],
    standIds: fresh.map(({ id }) => id),
  }
}

/** A crop that stands in some beds already, until a day. */
export type Standing = { cropId: string; untilDay: number }

/** Records a crop that stands in some beds; it was planted as long before its end as it usually stands, by today at the latest. */
export function recordStanding(
  data: Pick<GardenData, 'garden' | 'stands'>,
  beds: readonly Bed[],
  { cropId, untilDay }: Standing,
  today: number,
): Step {
  const crop = findCrop(cropId)!
  const from = Math.min(today, untilDay - crop.daysInBed)
  const { after } = standing(data, beds, (bed) =>
    cropStand(
      { id: newId('stand'), gardenId: data.garden.id, bedId: bed.id },
      cropContent(cropId, crop.establishment),
      { plan: null, actual: planting(isoDate(from)) },
      Math.max(1, untilDay - from),
    ),
  )
  return {
    label: `${crop.name} stands in ${inBeds(beds)}`,
    writes: writesBetween(data.stands, after),
  }
}
