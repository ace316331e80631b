import { Link } from 'react-router'
import { removeStand } from '../../actions/keepBed'
import { asPlanned } from '../../actions/plantCrop'
import { dayNumber } from '../../core/foundations/day'
import type { Bed, Step, Stand } from '../../core/garden/schema'
import { groupsOf } from '../../core/plants/catalogue'
import { single } from '../../parts/once'
import { Swatch } from '../../parts/Swatch'
import { useAct, useGarden } from '../../state/garden'
import { segmentText } from '../../text/bed'
import { grams, longDate, type Units } from '../../text/format'
import { endingWords, standName, standState } from '../../text/names'

function stepText<T extends { date: string }>(step: Step<T>, done: string, planned: string): string | null {
  if (step.actual) {
    const late = step.plan ? dayNumber(step.actual.date) - dayNumber(step.plan.date) : 0
    return `${done} ${longDate(dayNumber(step.actual.date))}${late === 0 ? '' : `, ${Math.abs(late)} days ${late > 0 ? 'after' : 'before'} the plan`}`
  }
  return step.plan ? `${planned} ${longDate(dayNumber(step.plan.date))}` : null
}

/** How the beginning of each is told. */
const BEGUN = { cover: 'sown', crop: 'planted', sheet: 'laid' } as const

/** Something that stands, stood or is planned in a bed, with its dates and where it is worked on. */
export function StandEntry({ stand, bed, units }: { stand: Stand; bed: Bed; units: Units }) {
  const { data, today } = useGarden()
  const act = useAct()
  const cover = stand.content.kind === 'cover'
  const weighed = stand.start.actual?.components.filter((component) => component.grams !== null) ?? []
  const ending = stand.end.actual ?? stand.end.plan
  const cleared = stand.content.kind === 'sheet' ? 'taken off' : 'cleared'
  const endWord = ending ? endingWords(ending) : ''
  const lines = [
    stepText(stand.start, BEGUN[stand.content.kind], `to be ${BEGUN[stand.content.kind]}`),
    weighed.length > 0 ? weighed.map((component) => grams(component.grams ?? 0, units)).join(' + ') : null,
    stepText(
      stand.end,
      endWord === 'harvest' ? cleared : `ended by ${endWord}`,
      endWord === 'harvest' ? `to be ${cleared}` : `end planned by ${endWord},`,
    ),
  ].filter(Boolean)
  const remove = () => act(removeStand(data, stand))
  const { plan: startPlan, actual: startFact } = stand.start
  const { plan: endPlan, actual: endFact } = stand.end
  const isDue = (plan: { date: string } | null) => plan !== null && dayNumber(plan.date) <= today
  return (
    <li className="flex flex-wrap items-start gap-x-4 gap-y-1 py-3">
      {stand.content.kind === 'cover' ? (
        <Swatch groups={groupsOf(stand.content.components)} />
      ) : (
        <span className="h-6 w-12 bg-base-300" aria-hidden="true" />
      )}
      <div className="min-w-64 flex-1">
        <h2>
          {standName(stand)}{' '}
          <span className="quiet font-sans text-sm font-normal">
            {stand.segment.kind !== 'whole' && `${segmentText(stand.segment, units, bed)}, `}
            {standState(stand)}
          </span>
        </h2>
        <p>{lines.join('; ')}.</p>
      </div>
      <div className="flex flex-wrap gap-1">
        {cover && (
          <>
            <Link className="btn btn-sm" to={`/sow/${stand.id}`}>
              Sow
            </Link>
            <Link className="btn btn-sm" to={`/watch/${stand.id}`}>
              Watch
            </Link>
            <Link className="btn btn-sm" to={`/end/${stand.id}`}>
              End
            </Link>
            <Link className="btn btn-sm" to={`/plant/${stand.id}`}>
              Plant
            </Link>
          </>
        )}
        {stand.content.kind === 'crop' && !startFact && isDue(startPlan) && (
          <button className="btn btn-sm" onClick={single(() => act(asPlanned(stand, 'planted')))}>
            Planted as planned
          </button>
        )}
        {stand.content.kind === 'crop' && startFact && !endFact && isDue(endPlan) && (
          <button className="btn btn-sm" onClick={single(() => act(asPlanned(stand, 'cleared')))}>
            Cleared as planned
          </button>
        )}
        <button className="btn btn-ghost btn-sm" onClick={single(remove)}>
          Remove
        </button>
      </div>
    </li>
  )
}
