import { useMemo } from 'react'
import { dayNumber, startOfWeek } from '../../core/foundations/day'
import type { Bed, Stand } from '../../core/garden/schema'
import { bareWindows } from '../../core/garden/windows'
import { standsOnCloth } from '../../parts/weave/standsOnCloth'
import { useBedCloth } from '../../parts/weave/useBedCloth'
import { useGarden } from '../../state/garden'
import { LOOM_WEEKS, WEEKS_BEFORE_TODAY } from '../../state/season'
import { standCaseOf } from '../../core/season/standCase'
import { useLearned } from '../../state/useLearned'

/** The cover the bed's page is about: the one growing now, else the next one planned, else the last that was. */
function coverInFocus(stands: readonly Stand[]): Stand | null {
  const covers = stands.filter((stand) => stand.content.kind === 'cover')
  return (
    covers.filter((stand) => stand.start.actual && !stand.end.actual).at(-1) ??
    covers.find((stand) => !stand.start.actual && stand.start.plan) ??
    covers.at(-1) ??
    null
  )
}

/** One bed's year: what stands in it in order, its strip of cloth, its bare windows and the cover in focus, `asked` for or the one at hand. */
export function useBed(bed: Bed, asked: string | null) {
  const { data, expected, today, spec } = useGarden()
  const firstDay = startOfWeek(today) - WEEKS_BEFORE_TODAY * 7
  const days = LOOM_WEEKS * 7
  const items = useMemo(
    () => standsOnCloth(expected.stands, bed, firstDay + days),
    [expected.stands, bed, firstDay, days],
  )
  const { strip, forecasts, pending, failure } = useBedCloth(items, firstDay, days)

  const stored = items.flatMap((item) => data.stands.find((stand) => stand.id === item.stand.id) ?? [])
  const growing = stored.filter(
    (stand) => stand.content.kind === 'cover' && stand.start.actual && !stand.end.actual,
  )
  const focus = growing.find(({ id }) => id === asked) ?? coverInFocus(stored)
  const focused = items.find((item) => item.stand.id === focus?.id)
  const checks = focus ? data.checks.filter((check) => check.standId === focus.id) : []
  const forecast = focus ? (forecasts.get(focus.id) ?? null) : null
  const awaited = expected.stands.find((stand) => stand.id === focus?.id)
  const standCase = useMemo(() => (awaited ? standCaseOf(expected, awaited) : null), [expected, awaited])
  const learned = useLearned(standCase, forecast)
  return {
    stands: stored,
    growing,
    windows: bareWindows(bed, expected.stands, today, spec.startDay + spec.days - 7),
    strip,
    pending,
    failure,
    focus,
    forecast,
    learned,
    untilDay: Math.min(focused?.nextStart ?? Infinity, today + 330),
    looks: checks.map((check) => ({
      day: dayNumber(check.date),
      cover: check.cover,
      heightCm: check.heightCm,
    })),
  }
}
