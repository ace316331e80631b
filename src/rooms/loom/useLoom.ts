import { useMemo } from 'react'
import { startOfWeek } from '../../core/foundations/day'
import type { Bed, Stand } from '../../core/garden/schema'
import { bedSpans, spanOf } from '../../core/garden/timeline'
import { bareWindows, type BedWindow } from '../../core/garden/windows'
import type { StandForecast } from '../../core/season/forecast'
import type { WeekOutlook } from '../../core/site/frost'
import type { Strip } from '../../parts/weave/paint'
import { useGarden } from '../../state/garden'
import { LOOM_WEEKS, standCaseOf, WEEKS_BEFORE_TODAY } from '../../state/season'
import { useEngine, useEngineAll } from '../../state/useEngine'
import { bandsOfStand } from '../../parts/weave/bands'

export type LoomBed = {
  bed: Bed
  strip: Strip
  stands: { stand: Stand; fromDay: number; untilDay: number; forecast: StandForecast | null }[]
  windows: BedWindow[]
}

export type Loom = {
  firstDay: number
  lastDay: number
  today: number
  sections: { id: string; name: string; beds: LoomBed[] }[]
  beds: LoomBed[]
  outlook: WeekOutlook[] | undefined
  pending: number
}

/** Everything the loom draws: strips of cloth by section, windows, and the weather along the edge. */
export function useLoom(pageWeeks: number): Loom {
  const { expected: data, today, spec } = useGarden()
  const firstDay = startOfWeek(today) - WEEKS_BEFORE_TODAY * 7 + pageWeeks * 7
  const lastDay = firstDay + LOOM_WEEKS * 7

  const covers = useMemo(
    () => data.stands.filter((stand) => stand.content.kind === 'cover' && spanOf(stand)),
    [data.stands],
  )
  const jobs = useMemo(
    () =>
      covers.flatMap((stand) => {
        const standCase = standCaseOf(data, stand)
        return standCase
          ? [{ name: `forecast ${stand.id}`, args: [spec, standCase] as [typeof spec, typeof standCase] }]
          : []
      }),
    [covers, data, spec],
  )
  const { values: forecasts, pending } = useEngineAll('forecast', jobs)
  const outlook = useEngine('outlook', [spec, firstDay, LOOM_WEEKS])

  return useMemo(() => {
    const byStand = new Map(
      forecasts.flatMap((forecast) => (forecast ? [[forecast.standId, forecast] as const] : [])),
    )
    const beds = data.beds.map((bed): LoomBed => {
      const spans = bedSpans(data.stands, bed.id)
      const stands = spans.map((span, i) => {
        const next = spans
          .slice(i + 1)
          .find((other) => other.stand.part.kind === 'whole' && other.stand.underStandId !== span.standId)
        const nextStart = next?.startDay ?? lastDay
        const natural = span.stand.content.kind === 'crop' ? (span.endDay ?? nextStart) : nextStart
        return {
          stand: span.stand,
          fromDay: span.startDay,
          untilDay: Math.min(natural, nextStart),
          nextStart,
          forecast: byStand.get(span.standId) ?? null,
        }
      })
      const bands = stands.flatMap(({ stand, nextStart, forecast }) =>
        bandsOfStand(stand, forecast, nextStart, today),
      )
      return {
        bed,
        stands,
        windows: bareWindows(bed, data.stands, firstDay, lastDay),
        strip: { bands, firstDay, days: lastDay - firstDay, today },
      }
    })
    const sections = data.garden.sections
      .map((section) => ({ ...section, beds: beds.filter((entry) => entry.bed.sectionId === section.id) }))
      .filter((section) => section.beds.length > 0)
    return { firstDay, lastDay, today, sections, beds, outlook: outlook.value, pending }
  }, [data, forecasts, pending, firstDay, lastDay, today, outlook.value])
}
