import { useMemo } from 'react'
import { chosenCover, type CoverChoice } from '../../actions/planCover'
import type { Candidate, ChooseQuestion } from '../../core/choosing/types'
import { scenarioFor } from '../../core/choosing/composition'
import type { Scenario, ScenarioOutcome } from '../../core/scenario/types'
import { PlanThread } from '../../parts/PlanLine'

/** The plan that the best cover of the list would be, on the plan line; its chance is the candidate's. */
export function CandidateLine({
  candidate,
  choice,
  question,
  running,
  failed,
}: {
  candidate: Candidate | null
  choice: CoverChoice
  question: ChooseQuestion
  running: boolean
  failed: boolean
}) {
  const scenario = useMemo((): Scenario | null => {
    if (!candidate) return null
    const plan = scenarioFor(candidate.parts, candidate.sowDay, candidate.covering, question)
    return { ...plan, standCase: { ...plan.standCase, stand: chosenCover(candidate, choice, 'tried') } }
  }, [candidate, choice, question])
  if (!candidate || !scenario) return null
  return (
    <PlanThread
      scenario={scenario}
      state={failed ? 'failed' : running ? 'computing' : 'ready'}
      outcome={outcomeOf(candidate)}
    />
  )
}

/** What the line shows of a candidate: it was evaluated as the plan it would be. */
const outcomeOf = ({ chance, failures, members, covered30, established }: Candidate): ScenarioOutcome => ({
  members,
  chance: { whole: chance, established, dead: null, ready: null },
  failures,
  criteria: [],
  advice: [],
  covered30,
  dead: null,
  ready: null,
})
