import { chanceLine } from '../text/plan'
import { usePlan } from '../state/usePlan'
import { useStand, type StandView } from '../state/useStand'

/** What the stored plan of a cover comes to, in the words of its plan line; nothing until it is known or once it is planted. */
export function PlanChance({ standId, before }: { standId: string; before: string }) {
  const view = useStand(standId)
  return view && <Known key={standId} view={view} before={before} />
}

function Known({ view, before }: { view: StandView; before: string }) {
  const { draft, answer, stored, scenario } = usePlan(view)
  const told = draft ? stored : answer
  if (!told || (scenario.follows.kind === 'crop' && scenario.follows.done)) return null
  return (
    <span data-testid="stored-chance" data-chance={Math.round(told.outcome.chance.whole * 100)}>
      {before}
      {chanceLine(told.outcome)}
    </span>
  )
}
