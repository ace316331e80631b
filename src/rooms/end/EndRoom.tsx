import { Link, useParams } from 'react-router'
import { dayNumber } from '../../core/foundations/day'
import type { Stand } from '../../core/garden/schema'
import { longDate } from '../../text/format'
import { endingWords, standState } from '../../text/names'
import { SplitStand } from '../../parts/SplitStand'
import { StandHead } from '../../parts/StandHead'
import { WorkList } from '../../parts/WorkList'
import { useGarden } from '../../state/garden'
import { useStand, type StandView } from '../../state/useStand'
import { After } from './After'
import { Animals } from './Animals'
import { Cuts } from './Cuts'
import { GrowsBack } from './GrowsBack'
import { PlanLine } from '../../parts/PlanLine'
import { useEnd } from './useEnd'
import { Failed } from '../../parts/Waiting'
import { Methods } from './Methods'
import { WorkPlan } from './WorkPlan'

/** Days after an end in which it is listed for its counts. */
const COUNTED_DAYS = 35

const VIEWS = [
  ['ways', 'Ways', Methods],
  ['plan', 'Work plan', WorkPlan],
  ['regrowth', 'Regrowth', GrowsBack],
  ['animals', 'Animals', Animals],
  ['cut', 'Cut without ending', Cuts],
  ['after', 'Afterwards', After],
] as const

/** Views that hold the ways against each other, or start from the best of them. */
const COMPARING: readonly string[] = ['ways', 'plan', 'animals']

export function EndRoom() {
  const { standId, view: name } = useParams()
  const { data, today } = useGarden()
  const view = useStand(standId)
  if (view && view.stand.content.kind === 'cover')
    return <EndStand key={view.stand.id} view={view} name={name} />
  const recent = (stand: Stand) =>
    stand.end.actual !== null && dayNumber(stand.end.actual.date) > today - COUNTED_DAYS
  const open = data.stands.filter(
    (stand) => stand.content.kind === 'cover' && (standState(stand) === 'growing' || recent(stand)),
  )
  return (
    <WorkList
      title="End"
      intro="Covers that are growing, by the date planned for their end, and those just ended. Pick one to compare the ways."
      empty="No cover is growing, so there is nothing to end."
      items={open.map((stand) => ({
        stand,
        note: stand.end.actual
          ? `ended ${longDate(dayNumber(stand.end.actual.date))}, count what stands again`
          : stand.end.plan
            ? `${endingWords(stand.end.plan)}, ${longDate(dayNumber(stand.end.plan.date))}`
            : 'no end planned',
        to: `/end/${stand.id}`,
        day: stand.end.actual
          ? dayNumber(stand.end.actual.date)
          : stand.end.plan
            ? dayNumber(stand.end.plan.date)
            : Infinity,
      }))}
    />
  )
}

function EndStand({ view, name }: { view: StandView; name: string | undefined }) {
  const { stand } = view
  const asked = name ?? (stand.end.actual ? 'after' : 'ways')
  const [path, , Shown] = VIEWS.find(([path]) => path === asked) ?? VIEWS[0]
  const end = useEnd(view, COMPARING.includes(path))
  return (
    <section>
      <StandHead stand={stand} bed={view.bed} units={end.garden.units} step="end" />
      <PlanLine plan={end.bedPlan} />
      <nav aria-label="End" className="no-print mb-3 flex flex-wrap gap-x-1 border-b border-base-300">
        {VIEWS.map(([to, title]) => (
          <Link
            key={to}
            to={`/end/${stand.id}/${to}`}
            aria-current={to === path ? 'page' : undefined}
            className={`px-3 py-1 ${to === path ? 'border-b-2 border-secondary font-semibold' : 'link link-hover'}`}
          >
            {title}
          </Link>
        ))}
      </nav>
      <Failed what="Growing this stand" failure={end.forecasts} />
      <Shown end={end} />
      {path === 'ways' && <SplitStand stand={stand} bed={view.bed} />}
    </section>
  )
}
