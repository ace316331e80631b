import { stableHash } from '../foundations/hash'
import { dayNumber } from '../foundations/day'
import { atOnce, type Steps } from '../foundations/steps'
import { latest } from '../garden/timeline'
import { standRunOnInSteps, type EarlierUse, type SeasonRun, type StandCase } from '../season/run'
import type { WeatherEnsemble } from '../site/weather'
import type { Ground } from '../soil/ground'
import { throughBed, withRecords } from './through'

const known = new WeakMap<WeatherEnsemble, Map<string, Ground | null>>()

/** The ground on a day as its past left it, worked out once for each past, bed and day; null where none is known. */
export function groundOn(
  before: readonly EarlierUse[],
  bed: StandCase['bed'],
  ensemble: WeatherEnsemble,
  day: number,
): Ground | null {
  if (before.length === 0) return null
  let of = known.get(ensemble)
  if (!of) known.set(ensemble, (of = new Map()))
  const { soil, fertility, stoodBefore, shade } = bed
  const key = [stableHash(before), soil, fertility, stoodBefore, shade, day].join(':')
  let ground = of.get(key)
  if (ground === undefined)
    of.set(key, (ground = throughBed(before, bed, ensemble, day).at(-1)?.ground ?? null))
  return ground
}

/**
 * Runs a stand on the ground that its past left it; see `standRunOn`. Returns null for crops, unknown species, and stands
 * sown outside the weather.
 */
export const standRun = atOnce(standRunInSteps)

/** The same with pauses. */
export function* standRunInSteps(
  standCase: StandCase,
  ensemble: WeatherEnsemble,
  saveOn: readonly number[] = [],
): Steps<SeasonRun | null> {
  const { before = [], bed, stand } = standCase
  const start = latest(stand.start)
  const ground = start && groundOn(before, bed, ensemble, dayNumber(start.date))
  const known = !ground && before.length > 0 ? { ...standCase, bed: withRecords(bed) } : standCase
  return yield* standRunOnInSteps(known, ensemble, ground, saveOn)
}
