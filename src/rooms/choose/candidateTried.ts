import type { OwnPlan } from '../../core/choosing/own'
import type { Candidate } from '../../core/choosing/types'
import type { ScenarioOutcome } from '../../core/scenario/types'

/** A cover that may be planned, with what it comes to. */
export type Tried = { plan: OwnPlan; outcome: ScenarioOutcome }

/** A candidate of the list as it would be planned: it was evaluated as that very plan. */
export const candidateTried = (candidate: Candidate): Tried => {
  const { chance, failures, members, covered30, established } = candidate
  return {
    plan: candidate,
    outcome: {
      members,
      chance: { whole: chance, established, dead: null, ready: null },
      failures,
      criteria: [],
      advice: [],
      covered30,
      dead: null,
      ready: null,
    },
  }
}
