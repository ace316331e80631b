import { useMemo } from 'react'
import type { StandForecast } from '../../core/season/standForecast'
import { useGarden } from '../../state/garden'
import { standCaseOf } from '../../core/season/standCase'
import type { Priority } from '../../compute/pool'
import { useAllAnswers, type Named } from '../../compute/useAnswer'
import { bandsOfStand } from './bands'
import type { Strip } from './paint'
import type { StandOnCloth } from './standsOnCloth'

/** Name under which a stand's latest forecast is kept while a new one is computed. */
export const forecastName = (standId: string) => `forecast ${standId}`

/** Questions for the forecasts of a bed's covers. */
function useQuestions(items: readonly StandOnCloth[], priority: Priority) {
  const { expected, spec } = useGarden()
  return useMemo(
    () =>
      items.flatMap(({ stand }): Named<'forecast'>[] => {
        const standCase = stand.content.kind === 'cover' ? standCaseOf(expected, stand) : null
        return standCase ? [{ name: forecastName(stand.id), args: [spec, standCase], priority }] : []
      }),
    [items, expected, spec, priority],
  )
}

/**
 * One bed's strip of cloth and the forecasts it is woven from; asks for those that are missing, one of many or for itself.
 * `shown` once every cover has a forecast, be it that of an earlier day.
 */
export function useBedCloth(
  items: readonly StandOnCloth[],
  firstDay: number,
  days: number,
  priority: Priority = 'screen',
) {
  const { today } = useGarden()
  const { values, pending, failure } = useAllAnswers('forecast', useQuestions(items, priority))
  return useMemo(() => {
    const forecasts = new Map(
      values.flatMap((forecast): [string, StandForecast][] =>
        forecast ? [[forecast.standId, forecast]] : [],
      ),
    )
    const bands = items.flatMap(({ stand, nextStart, across }) =>
      bandsOfStand(stand, forecasts.get(stand.id), nextStart, today, across),
    )
    const strip: Strip = { bands, firstDay, days, today }
    // What failed is not waited for.
    const shown = values.every((value) => value !== undefined) || (pending === 0 && failure !== null)
    return { strip, forecasts, pending, failure, shown }
  }, [items, values, pending, failure, firstDay, days, today])
}
