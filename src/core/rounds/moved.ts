import type { StandForecast } from '../season/standForecast'
import { jobsOf, type Job, type RoundsInput } from './jobs'

/** A job whose day a look moved; `before` or `after` is null where it came or went with it. */
export type MovedJob = { job: Job; before: number | null; after: number | null }

/** Days ahead in which jobs are compared, and the least shift worth telling. */
const AHEAD_DAYS = 120
const TELLING_DAYS = 2

/** Jobs of one stand that fall on other days by one forecast than by another, soonest first. */
export function movedJobs(
  input: Omit<RoundsInput, 'forecasts' | 'mulch'>,
  standId: string,
  before: StandForecast,
  after: StandForecast,
): MovedJob[] {
  const jobs = (forecast: StandForecast) =>
    jobsOf(
      {
        ...input,
        mulch: [],
        stands: input.stands.filter((stand) => stand.id === standId),
        forecasts: new Map([[standId, forecast]]),
      },
      AHEAD_DAYS,
    )
  const old = new Map(jobs(before).map((job) => [job.id, job]))
  const now = new Map(jobs(after).map((job) => [job.id, job]))
  return [...new Set([...old.keys(), ...now.keys()])]
    .map((id): MovedJob => {
      const from = old.get(id)
      const to = now.get(id)
      return { job: (to ?? from)!, before: from?.dueDay ?? null, after: to?.dueDay ?? null }
    })
    .filter(
      ({ before: from, after: to }) => from === null || to === null || Math.abs(to - from) >= TELLING_DAYS,
    )
    .sort((a, b) => a.job.dueDay - b.job.dueDay)
}
