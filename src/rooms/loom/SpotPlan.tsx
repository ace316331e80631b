import { usePlan } from '../../state/usePlan'
import { useSettled } from '../../state/useSettled'
import { useStand, type StandView } from '../../state/useStand'
import { chanceLine } from '../../text/plan'

/** How long the cursor rests on a cover until its plan is worked out. */
const REST_MS = 600

/** What the stored plan of a cover comes to, as on its plan line, once the cursor has rested on it. */
export function SpotPlan({ standId }: { standId: string | undefined }) {
  const rested = useSettled(standId, REST_MS, undefined)
  const view = useStand(standId)
  return rested === standId && view ? <PlanChance key={standId} view={view} /> : null
}

function PlanChance({ view }: { view: StandView }) {
  const { draft, answer, stored, scenario } = usePlan(view)
  const told = draft ? stored : answer
  if (!told || (scenario.follows.kind === 'crop' && scenario.follows.done)) return null
  return <>; its plan: {chanceLine(told.outcome)}</>
}
