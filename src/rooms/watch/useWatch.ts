import { useMemo } from 'react'
import { useGarden } from '../../state/garden'
import { forecastName } from '../../parts/weave/useBedCloth'
import { useAnswer } from '../../compute/useAnswer'
import { useLearned } from '../../state/useLearned'
import type { StandView } from '../../state/useStand'

/** The forecast of a growing stand, its checks, newest first, and what the newest of them taught. */
export function useWatch({ standCase }: StandView) {
  const { spec } = useGarden()
  const checks = useMemo(
    () => [...standCase.checks].sort((a, b) => b.date.localeCompare(a.date)),
    [standCase.checks],
  )
  const forecast = useAnswer('forecast', [spec, standCase], forecastName(standCase.stand.id))
  const learned = useLearned(standCase, forecast.value)
  return { checks, forecast, learned }
}
