import { standRunInSteps } from '../bed/standRun'
import { dayNumber } from '../foundations/day'
import { atOnce, type Steps } from '../foundations/steps'
import type { StandCase } from '../season/cases'
import type { SeasonRun } from '../season/run'
import type { WeatherEnsemble } from '../site/weather'
import { selfSowing } from '../stand/reseeding'
import { dateQuantiles, stageDays, type DateQuantiles } from '../stand/summary'
import { quantilesOf } from '../foundations/statistics'
import { targetDay } from './plan'
import { selfSownCase, type SeedFall } from './selfSown'
import type { Scenario } from './types'

/** What a cover has sown by itself when it is ended on a day, and when its seedlings are up; null where too few would be. */
export type SeedDay = SeedFall & { up: DateQuantiles | null }

/** Stage from which there is seed, and days after it that are told. */
const SETS_BBCH = 71
const TOLD_DAYS = 84
const MOST_DAYS = 8
/** Days after the end that its seedlings are waited for, and the stage at which they are up. */
const WAITED_DAYS = 150
const UP_BBCH = 9

/**
 * The seed rain of a stand that is let go on: what lies on the ground, fit to sprout, for each of some days on which it
 * could be ended, from the last without any to the day the ground is wanted. Empty where it sets none by then.
 */
export const letSeed = atOnce(letSeedInSteps)

/** The same with pauses. */
export function* letSeedInSteps(
  { follows, today, standCase }: Scenario,
  { run, ensemble }: SeasonRun,
): Steps<SeedDay[]> {
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
  const told: SeedDay[] = []
  for (const day of [...days].sort((a, b) => a - b)) {
    const fall = { day, seeds: selfSowing(run, day, true) }
    const seedlings = selfSownCase(standCase, run.startDay, fall, 'seedlings')
    told.push({ ...fall, up: seedlings && (yield* upDays(seedlings, day, ensemble)) })
    yield
  }
  return told
}

/** When seedlings are up, as the forecast of their stand tells it. */
function* upDays(seedlings: StandCase, day: number, ensemble: WeatherEnsemble): Steps<DateQuantiles | null> {
  const season = yield* standRunInSteps(seedlings, ensemble, [], day + WAITED_DAYS)
  return season && dateQuantiles(stageDays(season.run, 0, UP_BBCH))
}
