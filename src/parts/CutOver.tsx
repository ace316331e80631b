import { useMemo } from 'react'
import { Link } from 'react-router'
import { useAnswer } from '../compute/useAnswer'
import type { Stand } from '../core/garden/schema'
import { scenarioOf } from '../core/scenario/fromGarden'
import { standsCutOver, withCutOver } from '../core/seeding/dropOver'
import { useGarden } from '../state/garden'
import { planName } from '../state/usePlan'
import { chanceText } from '../text/format'
import { standName } from '../text/names'

/**
 * What a cover comes to that is cut over seed on a day: the same evaluation as in End and Rounds. Where it is not planned so
 * the answer has a name of its own, and never stands in for the plan.
 */
export function useCutOver(above: Stand, day: number, isPlanned: boolean) {
  const { expected, spec, today } = useGarden()
  const { actual } = above.end
  const args = useMemo(() => {
    const stands = standsCutOver(expected.stands, above.id, day)
    const scenario = actual ? null : scenarioOf({ ...expected, stands }, withCutOver(above, day), today)
    return scenario && ([spec, scenario] as [typeof spec, typeof scenario])
  }, [above, actual, day, expected, spec, today])
  return useAnswer(
    'evaluate',
    args,
    args ? `${planName(args[1])}${isPlanned ? '' : ', over seed'}` : undefined,
  )
}

/** Below this chance that the cut ends it, it is said that it stands again. */
const ENDS_IT = 0.5

/** Says that a cover which is cut too young grows again over what was sown into it; nothing where the cut ends it. */
export function StandsAgain({ above, cut }: { above: Stand; cut: ReturnType<typeof useCutOver> }) {
  const chance = cut.value?.outcome.chance.dead
  if (typeof chance !== 'number' || chance >= ENDS_IT) return null
  return (
    <strong>
      Cut that day the {standName(above).toLowerCase()} most likely stands again over the seed (dead of it:{' '}
      {chanceText(chance)}). See in{' '}
      <Link className="link" to={`/end/${above.id}`}>
        End
      </Link>{' '}
      from when one cut ends it, or end it another way first.
    </strong>
  )
}
