import { dayNumber } from '../foundations/day'
import type { AnimalPlan } from '../garden/ending'
import type { Stand } from '../garden/schema'

/** The last time that animals of a kind were hurt or lost on a bed of the garden. */
export type HurtBefore = { day: number; hurt: number; note: string }

/** What went wrong with animals of a kind before, by what was recorded; null where nothing did. */
export function hurtBefore(stands: readonly Stand[], kind: AnimalPlan['kind']): HurtBefore | null {
  const stays = stands.flatMap(({ end: { actual } }) => (actual?.animals?.kind === kind ? [actual] : []))
  const [last] = stays.filter(({ hurt }) => (hurt ?? 0) > 0).sort((a, b) => (a.date < b.date ? 1 : -1))
  return last ? { day: dayNumber(last.date), hurt: last.hurt ?? 0, note: last.note } : null
}
