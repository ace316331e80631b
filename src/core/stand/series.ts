import { mapValues } from 'es-toolkit/object'
import type { StandRun } from './types'

/** Where a series of a run holds a member on the run's day `index`, from 0 on: all members of a day lie side by side. */
export const placeIn = ({ members }: Pick<StandRun, 'members'>, member: number, index: number): number =>
  index * members + member

/** A run's first members alone. */
export function firstMembersOf(run: StandRun, count: number): StandRun {
  const { members, days } = run
  if (count >= members) return run
  const some = <T extends Float32Array | Float64Array>(values: T): T => {
    if (values.length === members) return values.slice(0, count) as T
    const cut = new (values.constructor as new (length: number) => T)(days * count)
    for (let i = 0; i < days; i++) cut.set(values.subarray(i * members, i * members + count), i * count)
    return cut
  }
  const cut = <T extends object>(of: T): T =>
    mapValues(of as Record<string, unknown>, (value) =>
      value instanceof Float32Array || value instanceof Float64Array ? some(value) : value,
    ) as T
  const { species, carriedOff, accounts } = run
  return {
    ...cut(run),
    members: count,
    species: species.map(cut),
    carriedOff: cut(carriedOff),
    accounts: cut(accounts),
  }
}
