import { useMemo } from 'react'
import { plannedEnd } from '../core/scenario/plan'
import type { Scenario } from '../core/scenario/types'
import { withoutEnd } from '../core/season/standCase'
import { useAllAnswers, type Named } from '../compute/useAnswer'
import type { JobArgs } from '../compute/protocol'
import { useGarden } from './garden'
import type { PlanView } from './usePlan'
import { useSettled } from './useSettled'

/** The plan without its ending: what every way is tried on. */
export const openPlan = (scenario: Scenario): Scenario => ({
  ...scenario,
  standCase: withoutEnd(scenario.standCase),
})

/** Under what name the last comparison of a stand's ways is kept. */
export const compareName = (standId: string) => `compare ${standId}`

/** How long a plan has stood on the screen, worked out, until what is asked next of it is worked out behind, ms. */
const AHEAD_AFTER_MS = 1500
const NOTHING: readonly Named<'compare'>[] = []

/** The ways of ending a cover are held against each other behind, before End is opened. */
export function useAhead({ view, scenario, draft, state }: PlanView): void {
  const { spec } = useGarden()
  const { stand } = view
  const wanted = state === 'ready' && !draft && !stand.end.actual
  const now = useSettled(wanted, AHEAD_AFTER_MS, false) && wanted
  const questions = useMemo((): readonly Named<'compare'>[] => {
    if (!now) return NOTHING
    const args: JobArgs<'compare'> = [spec, openPlan(scenario), { startDay: null, planned: plannedEnd(view) }]
    return [{ name: compareName(stand.id), args, priority: 'rest' }]
  }, [now, spec, scenario, view, stand.id])
  useAllAnswers('compare', questions)
}
