import { dayNumber } from '../foundations/day'
import { atOnce, type Steps } from '../foundations/steps'
import { latest } from '../garden/timeline'
import type { StandCase } from '../season/cases'
import { standRunOnInSteps, type SeasonRun } from '../season/run'
import type { WeatherEnsemble } from '../site/weather'
import { aboveOn, groundOn, withRecords } from './through'

/**
 * Runs a stand on the ground that its past left it, under what stands above; see `standRunOn`. Returns null for crops,
 * unknown species, and stands sown outside the weather.
 */
export const standRun = atOnce(standRunInSteps)

/** The same with pauses. */
export function* standRunInSteps(
  standCase: StandCase,
  ensemble: WeatherEnsemble,
  saveOn: readonly number[] = [],
  untilDay: number | null = null,
): Steps<SeasonRun | null> {
  const { before = [], bed, stand } = standCase
  const start = latest(stand.start)
  const ground = start && groundOn(before, bed, ensemble, dayNumber(start.date), stand.underStandId)
  const known = !ground && before.length > 0 ? { ...standCase, bed: withRecords(bed) } : standCase
  return yield* standRunOnInSteps(known, ensemble, ground, saveOn, aboveOn(standCase, ensemble), untilDay)
}
