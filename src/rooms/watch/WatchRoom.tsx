import { isSelfSown } from '../../core/garden/timeline'
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
import { CheckPanel } from './CheckPanel'
import { Decisions } from './Decisions'
import { Outlook } from './Outlook'
import { NarrowFold } from '../../parts/NarrowFold'
import type { Check } from '../../core/garden/check'
import { UpYet } from './UpYet'
import { useChecking } from './useChecking'
import { useWatch } from './useWatch'

export function WatchRoom() {
  const { standId } = useParams()
  const { data } = useGarden()
  const view = useStand(standId)
  if (view && view.stand.content.kind === 'cover') return <WatchStand key={view.stand.id} view={view} />
  const growing = data.stands.filter(
    (stand) => stand.content.kind === 'cover' && standState(stand) === 'growing',
  )
  const lastCheck = (id: string) =>
    data.checks
      .filter((check) => check.standId === id)
      .map((check) => check.date)
      .sort()
      .at(-1)
  return (
    <WorkList
      title="Watch"
      intro="Covers that are growing. Pick one to check it; the longest unseen come first."
      empty="No cover is growing. Record a sowing first."
      items={growing.map((stand) => {
        const seen = lastCheck(stand.id)
        const sown = dayNumber(stand.start.actual!.date)
        return {
          stand,
          note: seen ? `seen ${longDate(dayNumber(seen))}` : `sown ${longDate(sown)}, not looked at yet`,
          to: `/watch/${stand.id}`,
          day: seen ? dayNumber(seen) : sown,
        }
      })}
    />
  )
}

function WatchStand({ view }: { view: StandView }) {
  const { data } = useGarden()
  const watch = useWatch(view)
  const plan = usePlan(view)
  const checking = useChecking(view, watch.forecast.value, 'watch')
  return (
    <section>
      <StandHead stand={view.stand} bed={view.bed} units={data.garden.units} step="watch" />
      <PlanLine plan={plan} />
      {view.stand.start.actual ? null : (
        <p className="mb-3">
          {isSelfSown(view.stand)
            ? 'It is to sow itself. Say in Sow when it has come up; the forecast below is for its seed.'
            : 'This is still a plan. Record the sowing before checking it; the forecast below is for the planned date.'}
        </p>
      )}
      <div className="grid grid-cols-1 gap-8 lg:grid-cols-[20rem_minmax(0,1fr)]">
        {view.stand.start.actual ? (
          <NarrowFold known={seenText(watch.checks)} open={checking.begun} action="Record a look">
            <CheckPanel view={view} watch={watch} checking={checking} />
          </NarrowFold>
        ) : (
          <div />
        )}
        <div className="min-w-0">
          {watch.forecast.value && (
            <>
              <Decisions view={view} checking={checking} forecast={watch.forecast.value} />
              <UpYet view={view} forecast={watch.forecast.value} />
            </>
          )}
          <Outlook view={view} watch={watch} />
        </div>
      </div>
    </section>
  )
}

/** When it was looked at last. */
function seenText(checks: readonly Check[]): string {
  const last = checks
    .map(({ date }) => date)
    .sort()
    .at(-1)
  return last ? `Last looked at ${longDate(dayNumber(last))}.` : 'Not looked at yet.'
}
