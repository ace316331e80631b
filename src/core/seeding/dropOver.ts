import type { Quantiles } from '../foundations/statistics'
import { sharesGround } from '../garden/ground'
import { dayNumber, isoDate } from '../foundations/day'
import type { EndDetails } from '../garden/ending'
import type { Bed, Stand } from '../garden/schema'
import { latest } from '../garden/timeline'
import type { SeedSize } from '../plants/catalogue'
import { findMethod } from '../termination/methods'

/** Dry mulch that seedlings of each seed size still come up through, g m⁻² (judgement, ± a third; after Teasdale and Mohler 2000). */
export const MOST_OVER_SEED_G: Record<SeedSize, number> = { tiny: 200, small: 280, medium: 400, large: 550 }
/** A nurse mulch thinner than this shades seed hardly and keeps it moist no longer, g m⁻² (extension, 100–250). */
export const LEAST_OVER_SEED_G = 100
/** Days about a sowing within which what is ended falls onto its seed. */
export const SAME_WORK_DAYS = 4

/** What falls onto seed, and what to do about it: shares 0–1 of what falls, g m⁻² of straw. */
export type DroppedOver = {
  verdict: 'too thin' | 'right' | 'may be too thick' | 'too thick'
  rakeOffShare: number
  topUpG: number
}

/**
 * Judges growth that is cut down over seed by the smallest seed under it: what is too thick is raked aside, what is too thin
 * topped up with straw.
 * @param massG dry growth that falls, g m⁻²
 */
export function droppedOver({ p50, p90 }: Quantiles, sizes: readonly SeedSize[]): DroppedOver {
  const most = Math.min(...sizes.map((size) => MOST_OVER_SEED_G[size]))
  if (p50 > most) return { verdict: 'too thick', rakeOffShare: 1 - most / p50, topUpG: 0 }
  if (p50 < LEAST_OVER_SEED_G)
    return { verdict: 'too thin', rakeOffShare: 0, topUpG: LEAST_OVER_SEED_G - p50 }
  return { verdict: p90 > most ? 'may be too thick' : 'right', rakeOffShare: 0, topUpG: 0 }
}

/** The cut that a cover is ended by over a sowing on a day: as it is planned where that is one, else chop and drop. */
export function cutOver({ end: { plan } }: Stand, day: number): EndDetails {
  const date = isoDate(day)
  return plan && cutsDown(plan) ? { ...plan, date } : { method: 'chop', passes: 1, note: '', date }
}

/** A cover as it is once it is planned to be cut over a sowing on a day. */
export const withCutOver = (stand: Stand, day: number): Stand => ({
  ...stand,
  end: { ...stand.end, plan: cutOver(stand, day) },
})

/** The same among the stands of a garden. */
export const standsCutOver = (stands: readonly Stand[], id: string | null, day: number): Stand[] =>
  stands.map((stand) => (stand.id === id ? withCutOver(stand, day) : stand))

/** Whether an ending cuts what stands down onto the ground. */
export const cutsDown = ({ method }: Pick<EndDetails, 'method'>): boolean =>
  findMethod(method)?.acts.includes('chop') === true

/**
 * The cover that is planned to be cut down over a sowing on the very day it is sown, both still to be done: one work. Null
 * where they are not.
 */
export function droppedWith(stands: readonly Stand[], bed: Bed, sowing: Stand): Stand | null {
  const { plan, actual } = sowing.start
  if (actual || plan?.covering !== 'crop dropped over') return null
  const upper = coverAbove(stands, bed, sowing, dayNumber(plan.date))
  if (!upper?.start.actual || upper.end.actual || upper.end.plan?.date !== plan.date) return null
  return cutsDown(upper.end.plan) ? upper : null
}

/** The cover that is cut down over a sowing: one that grows on its ground that day and is not ended days before. */
export function coverAbove(
  stands: readonly Stand[],
  bed: Bed,
  sowing: Pick<Stand, 'id' | 'segment'>,
  sowDay: number,
): Stand | null {
  return (
    stands.find((stand) => {
      const start = latest(stand.start)
      const end = latest(stand.end)
      return (
        stand.id !== sowing.id &&
        stand.bedId === bed.id &&
        stand.content.kind === 'cover' &&
        start !== null &&
        dayNumber(start.date) < sowDay &&
        (end === null || dayNumber(end.date) >= sowDay - SAME_WORK_DAYS) &&
        sharesGround(stand.segment, sowing.segment, bed)
      )
    }) ?? null
  )
}
