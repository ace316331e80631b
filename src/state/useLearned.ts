import { useMemo } from 'react'
import { dayNumber } from '../core/foundations/day'
import type { Check } from '../core/garden/check'
import type { StandForecast } from '../core/season/standForecast'
import type { StandCase } from '../core/season/cases'
import { movedJobs, type MovedJob } from '../core/rounds/moved'
import { nextStageChange, type DateChange } from '../core/tracking/change'
import { useGarden } from './garden'
import { useAnswer } from '../compute/useAnswer'

/** Whether a check changes the forecast. */
const tells = (check: Check) =>
  !check.setAside &&
  Boolean(
    check.stageBbch !== null ||
    check.cover !== null ||
    check.heightCm !== null ||
    check.plants ||
    check.sample ||
    check.damage,
  )

/** What the newest check taught: the forecast without it, how the next date moved, and which jobs did. */
export type Learned = {
  newest: Check | null
  before: StandForecast | null
  change: DateChange | null
  jobs: MovedJob[]
  /** Why it could not be worked out, and a way to try again; null when all is well. */
  failure: { error: string | null; retry: () => void } | null
}

export function useLearned(standCase: StandCase | null, forecast: StandForecast | null | undefined): Learned {
  const { data, spec, today } = useGarden()
  const newest = useMemo(
    () => (standCase?.checks ?? []).filter(tells).sort((a, b) => b.date.localeCompare(a.date))[0] ?? null,
    [standCase],
  )
  const args = useMemo((): [typeof spec, StandCase] | null => {
    if (!newest || !standCase) return null
    return [spec, { ...standCase, checks: standCase.checks.filter((check) => check.id !== newest.id) }]
  }, [newest, spec, standCase])
  const { value, error, retry } = useAnswer('forecast', args)
  const before = value ?? null
  return useMemo(() => {
    const failure = error === null ? null : { error, retry }
    if (!newest || !before || !forecast) return { newest, before: null, change: null, jobs: [], failure }
    return {
      newest,
      before,
      failure,
      change: nextStageChange(before.stages, forecast.stages, dayNumber(newest.date)),
      jobs: movedJobs(
        { beds: data.beds, stands: data.stands, checks: data.checks, frostChance: 0, today, begunDay: null },
        forecast.standId,
        before,
        forecast,
      ),
    }
  }, [newest, before, forecast, data, today, error, retry])
}
