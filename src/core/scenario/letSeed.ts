import { dayNumber } from '../foundations/day'
import type { SeasonRun } from '../season/run'
import { selfSowing, type SelfSowing } from '../stand/reseeding'
import { stageDays } from '../stand/summary'
import { quantilesOf } from '../foundations/statistics'
import { targetDay } from './plan'
import type { Scenario } from './types'

/** What a cover has sown by itself when it is ended on a day, species by species; none where no seed is fit to sprout. */
export type SeedDay = { day: number; seeds: SelfSowing[] }

/** Stage from which there is seed, and days after it that are told. */
const SETS_BBCH = 71
const TOLD_DAYS = 84
const MOST_DAYS = 8

/**
 * The seed rain of a stand that is let go on: what lies on the ground, fit to sprout, for each of some days on which it
 * could be ended, from the last without any to the day the ground is wanted. Empty where it sets none by then.
 */
export function letSeed({ follows, today, standCase }: Scenario, { run, ensemble }: SeasonRun): SeedDay[] {
  const first = run.sown.flatMap((_, component) => {
    const days = stageDays(run, component, SETS_BBCH).filter((day) => !Number.isNaN(day))
    return days.length * 2 > run.members ? [quantilesOf(days)!.p10] : []
  })
  if (first.length === 0) return []
  const wanted = targetDay(follows)
  const lastRun = run.startDay + run.days - 1
  const from = Math.max(today, Math.round(Math.min(...first)))
  const last = Math.min(lastRun, from + TOLD_DAYS, Number.isFinite(wanted) ? wanted - 1 : Infinity)
  if (last <= from) return []
  const planned = standCase.stand.end.plan && dayNumber(standCase.stand.end.plan.date)
  const days = new Set(
    Array.from({ length: MOST_DAYS }, (_, i) => Math.round(from + (i * (last - from)) / (MOST_DAYS - 1))),
  )
  if (planned && planned > from && planned <= last) days.add(planned)
  return [...days].sort((a, b) => a - b).map((day) => ({ day, seeds: selfSowing(run, ensemble, day, true) }))
}
