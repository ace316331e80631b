import { inHundred } from '../text/format'
import { chanceLine, onlyStands, wholeText } from '../text/plan'
import { usePlan } from '../state/usePlan'
import { useStand, type StandView } from '../state/useStand'

/** `short` leaves out what it fails by. */
type Props = { before: string; short?: boolean }

/** What the stored plan of a cover comes to, in the words of its plan line; nothing until it is known, where there is none, or once it is planted. */
export function PlanChance({ standId, before, short = false }: Props & { standId: string }) {
  const view = useStand(standId)
  return view && <Known key={standId} view={view} before={before} short={short} />
}

function Known({ view, before, short }: Props & { view: StandView }) {
  const { draft, answer, stored, scenario } = usePlan(view)
  const told = draft ? stored : answer
  if (!told || (scenario.follows.kind === 'crop' && scenario.follows.done)) return null
  if (onlyStands(scenario, told.outcome)) return null
  return (
    <span data-testid="stored-chance" data-chance={inHundred(told.outcome.chance.whole)}>
      {before}
      {(short ? wholeText : chanceLine)(scenario, told.outcome)}
    </span>
  )
}
