import type { CropPlan } from './planStretch'
import type { Step } from './step'
import { addDays, isoDate } from '../core/foundations/day'
import type { NitrogenSource } from '../core/garden/rules'
import { clearing, cropContent, cropStand, planting } from '../core/garden/newStands'
import type { Bed, Garden, Stand } from '../core/garden/schema'
import { manureOf } from '../core/planting/manure'
import { findCrop } from '../core/plants/crops'
import { newId } from '../data/ids'
import { changed } from '../data/writes'
import { standName } from '../text/names'

/** The crop's stand with its planting recorded: the one planned to follow, or a new one on the cover's ground. */
function plantedStand(
  cover: Stand,
  planned: Stand | null,
  { cropId, establishment, plantingMethod, feed }: CropPlan,
  date: string,
  note: string,
): Stand {
  const crop = findCrop(cropId)!
  const actual = planting(date, note)
  if (planned && planned.content.kind === 'crop' && !planned.start.actual) {
    const until = planned.end.plan
    return {
      ...planned,
      content: { ...planned.content, cropId, establishment, plantingMethod, feed },
      start: { ...planned.start, actual },
      end: {
        ...planned.end,
        plan: until && until.date > date ? until : clearing(addDays(date, crop.daysInBed)),
      },
    }
  }
  return cropStand(
    { id: newId('stand'), gardenId: cover.gardenId, bedId: cover.bedId, segment: cover.segment },
    cropContent(cropId, establishment, { plantingMethod, feed }),
    { plan: null, actual },
    crop.daysInBed,
  )
}

/** Records a planting into a cover; what was planned to follow becomes what was planted. */
export function plantCrop(
  bed: Bed,
  cover: Stand,
  planned: Stand | null,
  plan: CropPlan,
  { day, note }: { day: number; note: string },
): Step {
  const put = plantedStand(cover, planned, plan, isoDate(day), note)
  return {
    label: `Planted ${findCrop(plan.cropId)!.name.toLowerCase()} in ${bed.label}`,
    writes: [{ table: 'stands', put, seen: put.id === planned?.id ? planned : null }],
  }
}

/** A crop was planted, or cleared, as it was planned: on the day of the plan, or on another. */
export function asPlanned(stand: Stand, what: 'planted' | 'cleared', day: number | null = null): Step {
  const done = <T extends { date: string }>(plan: T | null) =>
    plan && (day === null ? plan : { ...plan, date: isoDate(day) })
  return {
    label: `${what === 'planted' ? 'Planted' : 'Cleared'} ${standName(stand).toLowerCase()}`,
    writes: [
      changed(
        'stands',
        stand,
        what === 'planted'
          ? { start: { ...stand.start, actual: done(stand.start.plan) } }
          : { end: { ...stand.end, actual: done(stand.end.plan) } },
      ),
    ],
  }
}

/** How a crop did: kg from the bed, null where it was not weighed; recording it again corrects it. */
export const recordOutcome = (
  stand: Stand,
  outcome: Omit<NonNullable<Stand['outcome']>, 'date'>,
  today: number,
): Step => ({
  label: `Recorded how ${standName(stand).toLowerCase()} did`,
  writes: [changed('stands', stand, { outcome: { date: isoDate(today), ...outcome } })],
})

/** What the grower says of the eaten part of a crop: whether it touches soil or splash. */
export function sayTouches(garden: Garden, cropId: string, touches: boolean): Step {
  const rules = garden.rules
  return {
    label: 'Changed what the harvest touches',
    writes: [
      changed('gardens', garden, {
        rules: { ...rules, harvestTouches: { ...rules.harvestTouches, [cropId]: touches } },
      }),
    ],
  }
}

/** Records a feed that was spread on a bed, kg or null; raw or unknown manure starts the clock to the harvest. */
export const spreadFeed = (
  bed: Bed,
  source: NitrogenSource,
  { day, kg }: { day: number; kg: number | null },
): Step => ({
  label: `Spread ${source.name.toLowerCase()} on ${bed.label}`,
  writes: [
    changed('beds', bed, {
      spreads: [
        ...bed.spreads,
        { id: newId('spread'), date: isoDate(day), what: source.name, manure: manureOf(source), kg },
      ],
    }),
  ],
})

export const takeOutSpread = (bed: Bed, spreadId: string): Step => {
  const spreads = bed.spreads
  const what = spreads.find(({ id }) => id === spreadId)?.what ?? 'what was'
  return {
    label: `Took out ${what.toLowerCase()} spread on ${bed.label}`,
    writes: [changed('beds', bed, { spreads: spreads.filter(({ id }) => id !== spreadId) })],
  }
}
