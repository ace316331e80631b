import { useMemo } from 'react'
import { dayNumber, startOfWeek } from '../../core/foundations/day'
import type { Bed, Stand } from '../../core/garden/schema'
import { bedSpans } from '../../core/garden/timeline'
import { bareWindows } from '../../core/garden/windows'
import type { StandForecast } from '../../core/season/forecast'
import { bandsOfStand } from '../../parts/weave/bands'
import type { Strip } from '../../parts/weave/paint'
import { useGarden } from '../../state/garden'
import { LOOM_WEEKS, standCaseOf, WEEKS_BEFORE_TODAY } from '../../state/season'
import { useEngineAll } from '../../state/useEngine'

/** The cover the bed's page is about: the one growing now, else the next one planned, else the last that was. */
function coverInFocus(stands: readonly Stand[]): Stand | null {
  const covers = stands.filter((stand) => stand.content.kind === 'cover')
  return (
    covers.filter((stand) => stand.start.fact && !stand.end.fact).at(-1) ??
    covers.find((stand) => !stand.start.fact && stand.start.plan) ??
    covers.at(-1) ??
    null
  )
}

/** One bed's year: what stands in it in order, its strip of cloth, its bare windows and the cover in focus. */
export function useBed(bed: Bed) {
  const { data, expected, today, spec } = useGarden()
  const firstDay = startOfWeek(today) - WEEKS_BEFORE_TODAY * 7
  const days = LOOM_WEEKS * 7
  const spans = useMemo(() => bedSpans(expected.stands, bed.id), [expected.stands, bed.id])
  const jobs = useMemo(
    () =>
      spans.flatMap(({ stand }) => {
        const standCase = stand.content.kind === 'cover' ? standCaseOf(expected, stand) : null
        return standCase
          ? [{ name: `forecast ${stand.id}`, args: [spec, standCase] as [typeof spec, typeof standCase] }]
          : []
      }),
    [spans, expected, spec],
  )
  const { values, pending } = useEngineAll('forecast', jobs)
  const forecasts = useMemo(
    () =>
      new Map(
        values.flatMap((forecast): [string, StandForecast][] =>
          forecast ? [[forecast.standId, forecast]] : [],
        ),
      ),
    [values],
  )
  const strip = useMemo((): Strip => {
    const bands = spans.flatMap(({ stand }, i) => {
      const next = spans
        .slice(i + 1)
        .find((other) => other.stand.part.kind === 'whole' && other.stand.underStandId !== stand.id)
      return bandsOfStand(stand, forecasts.get(stand.id), next?.startDay ?? firstDay + days, today)
    })
    return { bands, firstDay, days, today }
  }, [spans, forecasts, firstDay, days, today])

  const stored = spans.flatMap(({ standId }) => data.stands.find((stand) => stand.id === standId) ?? [])
  const focus = coverInFocus(stored)
  const focusSpan = spans.find((span) => span.standId === focus?.id)
  const nextDay = focusSpan ? spans.find((span) => span.startDay > focusSpan.startDay)?.startDay : undefined
  const checks = focus ? data.checks.filter((check) => check.standId === focus.id) : []
  return {
    stands: stored,
    windows: bareWindows(bed, expected.stands, today, spec.startDay + spec.days - 7),
    strip,
    pending,
    focus,
    forecast: focus ? (forecasts.get(focus.id) ?? null) : null,
    untilDay: Math.min(nextDay ?? Infinity, today + 330),
    looks: checks.map((check) => ({
      day: dayNumber(check.date),
      cover: check.cover,
      heightCm: check.heightCm,
    })),
  }
}
