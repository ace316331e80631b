import { useMemo } from 'react'
import { dayNumber } from '../../core/foundations/day'
import { nextStageChange } from '../../core/tracking/change'
import { useGarden } from '../../state/garden'
import { useEngine } from '../../state/useEngine'
import type { StandView } from '../../state/useStand'

/** The forecast of a growing stand with and without its newest check, and what that check changed. */
export function useWatch(view: StandView) {
  const { spec } = useGarden()
  const { standCase } = view
  const checks = useMemo(
    () => [...standCase.checks].sort((a, b) => b.date.localeCompare(a.date)),
    [standCase.checks],
  )
  const newest =
    checks.find(
      (check) =>
        !check.setAside &&
        (check.stageBbch !== null ||
          check.cover !== null ||
          check.heightCm !== null ||
          check.plants ||
          check.sample ||
          check.damage),
    ) ?? null
  const forecast = useEngine('forecast', [spec, standCase])
  const withoutNewest = useMemo((): Parameters<typeof useEngine<'forecast'>>[1] => {
    if (!newest) return null
    return [spec, { ...standCase, checks: standCase.checks.filter((check) => check.id !== newest.id) }]
  }, [newest, spec, standCase])
  const before = useEngine('forecast', withoutNewest)
  const change =
    forecast.value && before.value && newest
      ? nextStageChange(before.value.stages, forecast.value.stages, dayNumber(newest.date))
      : null

  return { checks, newest, forecast, before, change }
}
