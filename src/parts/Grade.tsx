import type { Repair } from '../core/scenario/repair'
import type { Scenario, ScenarioOutcome } from '../core/scenario/types'
import { likelyText, repairText, wrongText } from '../text/plan'

/** A plan graded in three lines: what most likely happens, what goes wrong how often, what would help. */
export function Grade({
  scenario,
  outcome,
  repair,
}: {
  scenario: Pick<Scenario, 'follows'>
  outcome: ScenarioOutcome
  /** Undefined where it was not asked for, null where nothing small helps. */
  repair?: Repair | null
}) {
  return (
    <ul className="mt-1 max-w-prose list-none" data-testid="grade" data-help="grade">
      <li>{likelyText(scenario, outcome)}</li>
      <li>{wrongText(outcome)}</li>
      {repair && <li className="font-semibold">{repairText(repair)}</li>}
      {repair === null && <li className="quiet">No small change helps much.</li>}
    </ul>
  )
}
