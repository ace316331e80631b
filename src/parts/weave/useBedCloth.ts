import { useMemo } from 'react'
import type { StandForecast } from '../../core/season/standForecast'
import { useGarden } from '../../state/garden'
import { standCaseOf } from '../../core/season/standCase'
import type { Priority } from '../../compute/pool'
import { useSettled } from '../../state/useSettled'
import { useAllAnswers, type Named } from '../../compute/useAnswer'
import { bandsOfStand } from './bands'
import type { Strip } from './paint'
import type { StandOnCloth } from './standsOnCloth'

/** Name under which a stand's latest forecast is kept while a new one is computed. */
export const forecastName = (standId: string) => `forecast ${standId}`

/** Seasons that a first sketch of the cloth is drawn from; no number is told from them. */
const SKETCH_MEMBERS = 40
/** How long kept answers have to stand there before a sketch is asked for. */
const SKETCH_AFTER_MS = 60

/** Questions for the forecasts of a bed's covers. */
function useQuestions(items: readonly StandOnCloth[], priority: Priority, members?: number) {
  const { expected, spec } = useGarden()
  return useMemo(
    () =>
      items.flatMap(({ stand }): Named<'forecast'>[] => {
        const standCase = stand.content.kind === 'cover' ? standCaseOf(expected, stand) : null
        if (!standCase) return []
        const name = members === undefined ? forecastName(stand.id) : `sketch ${stand.id}`
        return [{ name, args: [members === undefined ? spec : { ...spec, members }, standCase], priority }]
      }),
    [items, expected, spec, priority, members],
  )
}

const NOTHING: Named<'forecast'>[] = []

/**
 * One bed's strip of cloth and the forecasts it is woven from; asks for those that are missing, one of many or for itself.
 * As one of many it is sketched from few seasons before it is woven from all.
 */
export function useBedCloth(
  items: readonly StandOnCloth[],
  firstDay: number,
  days: number,
  priority: Priority = 'screen',
) {
  const { today } = useGarden()
  const { values, pending, failure } = useAllAnswers('forecast', useQuestions(items, priority))
  const missing = useSettled(values.includes(undefined), SKETCH_AFTER_MS, false)
  const sketches = useQuestions(items, 'screen', SKETCH_MEMBERS)
  const { values: sketched } = useAllAnswers('forecast', priority === 'next' && missing ? sketches : NOTHING)
  return useMemo(() => {
    const byStand = (found: readonly (StandForecast | null | undefined)[]) =>
      new Map(
        found.flatMap((forecast): [string, StandForecast][] =>
          forecast ? [[forecast.standId, forecast]] : [],
        ),
      )
    const forecasts = byStand(values)
    const drawn = byStand([...sketched, ...values])
    const bands = items.flatMap(({ stand, nextStart, across }) =>
      bandsOfStand(stand, drawn.get(stand.id), nextStart, today, across),
    )
    const strip: Strip = { bands, firstDay, days, today }
    // Whether the cloth shows all its covers, be it as a sketch.
    const shown = values.every((value, i) => value !== undefined || sketched[i] !== undefined)
    return { strip, forecasts, pending, failure, shown }
  }, [items, values, sketched, pending, failure, firstDay, days, today])
}
