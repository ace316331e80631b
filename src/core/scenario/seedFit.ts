import { shareOf } from '../foundations/statistics'
import { SEED_FIT } from '../stand/stage'
import { stageDays } from '../stand/summary'
import type { StandRun } from '../stand/types'
import { SEEDS_BORNE } from './starts'
import type { Termination } from './termination'

/** Day from which each member of a stand bears seed fit to sprout; Infinity where it never does. */
export function seedFitDays(run: StandRun): Float64Array {
  const first = new Float64Array(run.members).fill(Infinity)
  for (const component of run.sown.keys())
    for (const [member, day] of stageDays(run, component, SEED_FIT).entries())
      if (day < first[member]) first[member] = day
  return first
}

/** Last day that counts as before seed; Infinity where none comes. */
export const lastBeforeSeed = (fitDays: Float64Array): number =>
  Float64Array.from(fitDays).sort()[Math.floor(SEEDS_BORNE * fitDays.length)] - 1

/** Chance that a stand is so ripe when it is ended, or dies by cold or heat, that its seed sprouts. */
export const seedsBy = (fitDays: Float64Array, { dead, day, method }: Termination): number =>
  shareOf(fitDays.length, (member) => fitDays[member] <= (method?.waits ? dead[member] : day))
