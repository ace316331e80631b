import { planEnd } from '../../actions/endStand'
import { findMethod } from '../../core/termination/methods'
import { thinResidueG } from '../../core/planting/openDays'
import { useAct, useGarden } from '../../state/garden'
import { useTold } from '../../state/useTold'
import { dryMatter } from '../../text/amounts'
import type { EndView } from './useEnd'

/** What a planned sheet is for besides killing, where plants follow; for seed it is asked for anyway. Nothing where no sheet is planned. */
export function UntilThin({ end }: { end: EndView }) {
  const { data } = useGarden()
  const act = useAct()
  const { stand, follows } = end
  const told = useTold(end.view.bed, stand.segment)
  const planned = stand.end.plan
  if (!planned || !findMethod(planned.method)?.sheet || follows.kind !== 'crop') return null
  if (follows.establishment === 'seed') return null
  const limitG = thinResidueG(follows.crop, follows.establishment)
  const set = (untilThin: boolean) =>
    act(planEnd(data, stand, { ...planned, untilThin: untilThin || undefined }, null))
  return (
    <label className="mb-2 flex min-h-11 max-w-prose items-center gap-2" data-testid="until-thin">
      <input
        type="checkbox"
        className="checkbox checkbox-sm"
        checked={planned.untilThin ?? false}
        onChange={(event) => void set(event.target.checked)}
      />
      <span>
        The sheet lies until the residue is thin enough for a drip line and a seeder, below{' '}
        {dryMatter(limitG, told)}; without this, until the plants are dead.
      </span>
    </label>
  )
}
