import type { ToTake } from '../../core/rounds/walk'
import { dayBefore, type awayClash } from '../../core/rounds/away'
import { dayNumber } from '../../core/foundations/day'
import { findSpecies } from '../../core/plants/catalogue'
import { grams, minutes, shortDate, type Units } from '../../text/format'

/** What to take along, in a list of words. */
export function takeWords({ seed, tools, ring, water }: ToTake, units: Units): string[] {
  return [
    ...seed.map(
      ({ speciesId, grams: sown }) =>
        `${grams(sown, units)} of ${findSpecies(speciesId)?.name.toLowerCase() ?? 'seed'}`,
    ),
    ...tools,
    ...(ring ? ['a ring to count in'] : []),
    ...(water ? ['water'] : []),
  ]
}

/** How long a walk takes, with what is not known of it. */
export function walkTime({ minutes: all, unknown }: ToTake): string {
  if (all === 0) return ''
  return `about ${minutes(Math.max(5, Math.round(all / 5) * 5))}${unknown > 0 ? ` and what ${unknown === 1 ? 'one job' : `${unknown} jobs`} without a figure take${unknown === 1 ? 's' : ''}` : ''}`
}

/** What days away mean for a job. */
export function awayWords({ what, away }: NonNullable<ReturnType<typeof awayClash>>): string {
  const days = `${shortDate(dayNumber(away.from))} to ${shortDate(dayNumber(away.to))}`
  return what === 'itself'
    ? `Nobody is there ${days}: do it by ${shortDate(dayBefore(away))}, or name somebody.`
    : `Nobody is there ${days}, when the seedbed wants water: sow after it, or name somebody.`
}
