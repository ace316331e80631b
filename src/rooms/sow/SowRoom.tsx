import { useParams } from 'react-router'
import { cameUpItself } from '../../actions/selfSown'
import { dayNumber } from '../../core/foundations/day'
import { isSelfSown } from '../../core/garden/timeline'
import { longDate } from '../../text/format'
import { standState } from '../../text/names'
import { PlanLine } from '../../parts/PlanLine'
import { StandHead } from '../../parts/StandHead'
import { WorkList } from '../../parts/WorkList'
import { single } from '../../parts/once'
import { useAct, useGarden } from '../../state/garden'
import { usePlan } from '../../state/usePlan'
import { useStand, type StandView } from '../../state/useStand'
import { Batch } from './Batch'
import { Recipe } from './Recipe'
import { useSow } from './useSow'

export function SowRoom() {
  const { standId } = useParams()
  const { data } = useGarden()
  const view = useStand(standId)
  if (view && view.stand.content.kind === 'cover')
    return <SowStand key={view.stand.id} view={view} units={data.garden.units} />
  const planned = data.stands.filter(
    (stand) =>
      stand.content.kind === 'cover' &&
      standState(stand) === 'planned' &&
      stand.start.plan &&
      !isSelfSown(stand),
  )
  return (
    <>
      <WorkList
        title="Sow"
        intro="Covers planned and not yet sown. Pick one for its recipe."
        empty="No sowing is planned. Pick a gap on the loom to choose a cover."
        items={planned.map((stand) => ({
          stand,
          note: `planned ${longDate(dayNumber(stand.start.plan!.date))}`,
          to: `/sow/${stand.id}`,
          day: dayNumber(stand.start.plan!.date),
        }))}
      />
      {planned.length > 1 && <Batch stands={planned} />}
    </>
  )
}

function SowStand({ view, units }: { view: StandView; units: 'metric' | 'imperial' }) {
  const sow = useSow(view)
  const plan = usePlan(view)
  const { stand, bed } = view
  return (
    <section>
      <StandHead stand={stand} bed={bed} units={units} step="sow" />
      <PlanLine plan={plan} />
      {sow.recorded && stand.start.plan && (
        <p className="mb-3">
          Sown {longDate(dayNumber(stand.start.actual!.date))}; planned for{' '}
          {longDate(dayNumber(stand.start.plan.date))}. Recording again corrects it.
        </p>
      )}
      {isSelfSown(stand) && !sow.recorded ? (
        <SelfSown view={view} />
      ) : (
        <Recipe view={view} sow={sow} units={units} plan={plan} />
      )}
    </section>
  )
}

/** Nothing is weighed of what sows itself; it is recorded when it has come. */
function SelfSown({ view: { stand } }: { view: StandView }) {
  const act = useAct()
  return (
    <p data-testid="self-sown">
      It sows itself from {longDate(dayNumber(stand.start.plan!.date))}: there is nothing to weigh. Where it
      comes up thin, sow by hand.{' '}
      <button className="btn btn-primary btn-sm" onClick={single(() => void act(cameUpItself(stand)))}>
        It has come up
      </button>
    </p>
  )
}
