import { useMemo } from 'react'
import { startOfWeek } from '../../core/foundations/day'
import type { Bed } from '../../core/garden/schema'
import { bareWindows, recordsFrom, type BedWindow } from '../../core/garden/windows'
import { lightWindows, type LightWindow } from '../../core/choosing/lightWindows'
import type { WeekOutlook } from '../../core/site/frost'
import { standsOnCloth, type StandOnCloth } from '../../parts/weave/standsOnCloth'
import { useGarden } from '../../state/garden'
import { LOOM_WEEKS, WEEKS_BEFORE_TODAY } from '../../state/season'
import { useShared } from '../../state/useShared'
import { useAnswer, type AnswerState } from '../../compute/useAnswer'

export type LoomBed = { bed: Bed; stands: StandOnCloth[]; windows: BedWindow[]; lights: LightWindow[] }

/** The days of the sheet. */
export type SheetDays = { firstDay: number; lastDay: number; today: number }

/** The sheet: its days, and its beds by section. Forecasts are asked for by each bed's own column. */
export type Loom = SheetDays & {
  sections: { id: string; name: string; beds: LoomBed[] }[]
  beds: LoomBed[]
}

export function useLoom(pageWeeks: number): Loom {
  const { expected, today } = useGarden()
  const firstDay = startOfWeek(today) - WEEKS_BEFORE_TODAY * 7 + pageWeeks * 7
  const lastDay = firstDay + LOOM_WEEKS * 7
  const beds = useShared(
    useMemo(
      () =>
        expected.beds.map((bed): LoomBed => ({
          bed,
          stands: standsOnCloth(expected.stands, bed, lastDay),
          windows: bareWindows(
            bed,
            expected.stands,
            Math.max(firstDay, recordsFrom(expected, bed.id, today)),
            lastDay,
          ),
          lights: lightWindows(bed, expected.stands, today, lastDay, expected.garden.rules),
        })),
      [expected, firstDay, lastDay, today],
    ),
  )
  return useMemo(() => {
    const sections = expected.garden.sections
      .map((section) => ({ ...section, beds: beds.filter((entry) => entry.bed.sectionId === section.id) }))
      .filter((section) => section.beds.length > 0)
    return { firstDay, lastDay, today, sections, beds }
  }, [expected.garden.sections, beds, firstDay, lastDay, today])
}

/** Frost and rain by week for the edge of the sheet: asked with its cloth. */
export function useOutlook({ firstDay }: Loom): AnswerState<WeekOutlook[]> {
  const { spec } = useGarden()
  return useAnswer('outlook', [spec, firstDay, LOOM_WEEKS], `outlook from ${firstDay}`, 'next')
}
