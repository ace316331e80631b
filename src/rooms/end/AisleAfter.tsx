import { Link } from 'react-router'
import { planInAisle } from '../../actions/planCover'
import { aisleNext } from '../../core/choosing/aisleAfter'
import { dayNumber } from '../../core/foundations/day'
import { latest } from '../../core/garden/timeline'
import { useOnce } from '../../parts/once'
import { Why } from '../../parts/Why'
import { useAct, useGarden } from '../../state/garden'
import { longDate } from '../../text/format'
import { compositionName, standName } from '../../text/names'
import type { EndView } from './useEnd'

/** What follows in an aisle whose plants do not live on, so that it goes on for years: sown into the stubble of what ends. */
export function AisleAfter({ end: { stand, view, today, garden, bedPlan } }: { end: EndView }) {
  const { data } = useGarden()
  const act = useAct()
  // Until the plan is worked out nothing is known of it.
  const known = bedPlan.answer ?? bedPlan.last
  const dead = known?.outcome.dead
  const readyDay = dead ? Math.ceil(dead.p90) + garden.waitDays.seed : null
  const next = known ? aisleNext(data, stand, readyDay, today) : null
  const { run: plan } = useOnce(() =>
    next?.kind === 'sow' ? act(planInAisle(view.bed, stand, next)) : undefined,
  )
  if (!next) return null
  const start = next.kind === 'planned' ? latest(next.stand.start) : null
  return (
    <div className="mb-3" data-testid="aisle-after">
      {next.kind === 'planned' ? (
        <>
          Then{' '}
          <Link className="link" to={`/sow/${next.stand.id}`}>
            {standName(next.stand).toLowerCase()}
          </Link>
          {start && `, sown ${longDate(dayNumber(start.date))}`}.
        </>
      ) : (
        <>
          {standName(stand)} does not live on. For an aisle of years{' '}
          {compositionName(next.components).toLowerCase()}{' '}
          {next.kind === 'sow'
            ? `can follow from ${longDate(next.day)}`
            : 'can follow once an end is planned that kills it'}
          .{' '}
          <Why>
            White clover lives on longest while it is mown; after a grain ryegrass is sown with it, which
            covers the stubble at once and is gone after its second winter (judgement). By that day the plan
            has the stand dead in nine seasons of ten, and your wait before sowing is over.
          </Why>
        </>
      )}
      {next.kind === 'sow' && (
        <button className="btn btn-sm mt-1 block" onClick={plan}>
          Plan the sowing
        </button>
      )}
    </div>
  )
}
