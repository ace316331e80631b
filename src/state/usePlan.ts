import { useCallback, useEffect, useMemo } from 'react'
import { draftOfChange } from '../actions/planRepair'
import { draftOn, planStretch, standsWith, type PlanDraft } from '../actions/planStretch'
import { cropFollows, scenarioOf } from '../core/scenario/fromGarden'
import type { Garden, Stand } from '../core/garden/schema'
import { planProblems, type PlanProblem } from '../core/scenario/problems'
import type { PlanChange } from '../core/scenario/repair'
import type { Scenario } from '../core/scenario/types'
import { newId } from '../data/ids'
import type { Answer } from '../compute/protocol'
import { useCommit, useGarden } from './garden'
import { useDraft, type Offer } from './useDraft'
import { useAnswer, useLatest } from '../compute/useAnswer'
import { useSettled } from './useSettled'
import type { StandView } from './useStand'

/** The id a crop has while it is only tried. */
const TRIED_ID = 'tried'

export type PlanAnswer = Answer<'evaluate'>

/** A bed's plan as every room sees it: the plan with what is being tried on it, and what it comes to. */
export type PlanView = {
  view: StandView
  /** The plan with the draft on it. */
  scenario: Scenario
  draft: PlanDraft | null
  problems: PlanProblem[]
  answer: PlanAnswer | undefined
  state: 'computing' | 'ready' | 'failed'
  /** The last answer, while a changed plan is computed. */
  last: PlanAnswer | undefined
  /** Day number that the last answer was worked out for. */
  lastDay: number | null
  /** What the plan comes to as it is stored, while something is tried on it. */
  stored: PlanAnswer | undefined
  error: string | null
  retry: () => void
  change: (part: PlanDraft) => void
  /** Lays a change that would help over the draft. */
  tryChange: (change: PlanChange) => void
  keep: () => Promise<boolean>
  putBack: () => void
  /** A change to it that was begun in a tab that is closed. */
  offer: Offer | null
}

/** Under what name the draft of changes to a stand's plan is kept. */
const draftName = (standId: string) => `plan ${standId}`

/** Under what name the last answer about a stand's plan is kept: one for each crop it may go on to, so that none stands in for another. */
export function planName({ standCase, follows }: Scenario): string {
  const goesOn = follows.kind === 'crop' ? ` ${follows.crop.id} ${JSON.stringify(follows.on ?? null)}` : ''
  return `plan ${standCase.stand.id}${goesOn}`
}

/** A crop tried on a day before the cover is sown follows nothing in the garden; the plan still names it, to say what is wrong. */
function followedByDraft(
  scenario: Scenario,
  { crop }: PlanDraft,
  stands: readonly Stand[],
  garden: Garden,
): Scenario {
  if (!crop || scenario.follows.kind === 'crop') return scenario
  const { bed } = scenario.standCase
  const tried = stands.find(
    ({ bedId, content, start }) =>
      bedId === bed.id &&
      content.kind === 'crop' &&
      content.cropId === crop.cropId &&
      start.plan?.date === crop.date,
  )
  const follows = tried && cropFollows(tried, bed, garden)
  return follows ? { ...scenario, follows } : scenario
}

/** Problems with how, not with when. */
const NOT_OF_DATES: readonly PlanProblem['code'][] = ['cannot be ended so', 'rule', 'cannot be planted so']

/** The plan of the stretch that a cover belongs to; computed once for all rooms. */
export function usePlan(view: StandView): PlanView {
  const { data, expected, today, spec } = useGarden()
  const commit = useCommit()
  const { stand } = view
  const { draft: kept, keep: keepDraft, drop: putBack, offer } = useDraft<PlanDraft>(draftName(stand.id))
  const next = view.next?.stand ?? null
  // A draft that says what is stored anyway is none.
  const draft = useMemo(() => {
    const on = kept && draftOn(kept, next)
    return on && planStretch(data, stand, on, TRIED_ID).length > 0 ? on : null
  }, [kept, next, data, stand])
  useEffect(() => {
    if (kept && !draft) putBack()
  }, [kept, draft, putBack])
  const awaited = view.standCase.stand
  const storedScenario = useMemo(() => scenarioOf(expected, awaited, today)!, [expected, awaited, today])
  const scenario = useMemo(() => {
    if (!draft) return storedScenario
    const stands = standsWith(expected, awaited, draft, TRIED_ID)
    const cover = stands.find(({ id }) => id === awaited.id)!
    return followedByDraft(scenarioOf({ ...expected, stands }, cover, today)!, draft, stands, expected.garden)
  }, [draft, storedScenario, expected, awaited, today])
  const horizonDay = spec.startDay + spec.days
  const problems = useMemo(() => planProblems(scenario, horizonDay), [scenario, horizonDay])
  const settled = useSettled(scenario)
  const right = problems.length === 0
  // Dates in their order can be worked out, whatever else stands against the plan: amounts are still of use.
  const inOrder = problems.every(({ code }) => NOT_OF_DATES.includes(code))
  const evaluated = useAnswer(
    'evaluate',
    useMemo(
      (): [typeof spec, Scenario] | null => (inOrder ? [spec, settled] : null),
      [inOrder, spec, settled],
    ),
    planName(settled),
  )
  const name = planName(scenario)
  const latest = useLatest<PlanAnswer>(name)
  const stored = useAnswer(
    'evaluate',
    useMemo(
      (): [typeof spec, Scenario] | null => (draft ? [spec, storedScenario] : null),
      [draft, spec, storedScenario],
    ),
  )
  const change = useCallback(
    (part: PlanDraft) =>
      keepDraft({
        ...(kept && draftOn(kept, next)),
        ...part,
        ...(part.crop && { cropOf: next?.id ?? null }),
      }),
    [keepDraft, kept, next],
  )
  const tryChange = useCallback(
    (small: PlanChange) => {
      const part = draftOfChange(small, awaited, next)
      if (part) change(part)
    },
    [change, awaited, next],
  )
  const keep = useCallback(async () => {
    if (!draft) return true
    const writes = planStretch(data, stand, draft, newId('stand'))
    const done = await commit('Changed the plan', writes)
    if (done.ok) putBack()
    return done.ok
  }, [draft, data, stand, commit, putBack])
  const current = settled === scenario ? evaluated.value : undefined
  return {
    view,
    scenario,
    draft,
    problems,
    answer: current,
    state: evaluated.error !== null || !right ? 'failed' : current === undefined ? 'computing' : 'ready',
    last: planName(settled) === name ? (evaluated.value ?? evaluated.last) : latest,
    lastDay: planName(settled) === name ? evaluated.lastDay : null,
    stored: stored.value,
    error: evaluated.error,
    retry: evaluated.retry,
    change,
    tryChange,
    keep,
    putBack,
    offer,
  }
}
