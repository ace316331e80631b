import { useMemo } from 'react'
import type { StandForecast } from '../../core/season/forecast'
import { useGarden } from '../../state/garden'
import { standCaseOf } from '../../core/season/standCase'
import type { Priority } from '../../compute/pool'
import { useAllAnswers } from '../../compute/useAnswer'
import { bandsOfStand } from './bands'
import type { Strip } from './paint'
import type { StandOnCloth } from './standsOnCloth'

/** Name under which a stand's latest forecast is kept while a new one is computed. */
export const forecastName = (standId: string) => `forecast ${standId}`

/** One bed's strip of cloth and the forecasts it is woven from; asks for those that are missing, one of many or for itself. */
export function useBedCloth(
  items: readonly StandOnCloth[],
  firstDay: number,
  days: number,
  priority: Priority = 'screen',
) {
  const { expected, today, spec } = useGarden()
  const jobs = useMemo(
    () =>
      items.flatMap(({ stand }) => {
        const standCase = stand.content.kind === 'cover' ? standCaseOf(expected, stand) : null
        return standCase
          ? [
              {
                name: forecastName(stand.id),
                args: [spec, standCase] as [typeof spec, typeof standCase],
                priority,
              },
            ]
          : []
      }),
    [items, expected, spec, priority],
  )
  const { values, pending, failure } = useAllAnswers('forecast', jobs)
  return useMemo(() => {
    const forecasts = new Map(
      values.flatMap((forecast): [string, StandForecast][] =>
        forecast ? [[forecast.standId, forecast]] : [],
      ),
    )
    const bands = items.flatMap(({ stand, nextStart }) =>
      bandsOfStand(stand, forecasts.get(stand.id), nextStart, today),
    )
    const strip: Strip = { bands, firstDay, days, today }
    return { strip, forecasts, pending, failure }
  }, [items, values, pending, failure, firstDay, days, today])
}
