import { useParams } from 'react-router'
import { dayNumber } from '../../core/foundations/day'
import { longDate } from '../../text/format'
import { standState } from '../../text/names'
import { PlanLine } from '../../parts/PlanLine'
import { StandHead } from '../../parts/StandHead'
import { WorkList } from '../../parts/WorkList'
import { useGarden } from '../../state/garden'
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
    (stand) => stand.content.kind === 'cover' && standState(stand) === 'planned' && stand.start.plan,
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
      <Recipe view={view} sow={sow} units={units} plan={plan} />
    </section>
  )
}
