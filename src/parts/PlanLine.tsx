import { useMemo, useState, type ReactNode } from 'react'
import { dayNumber } from '../core/foundations/day'
import { takesAllOf } from '../core/garden/ground'
import type { GardenData } from '../core/garden/schema'
import { isSelfSown, latest } from '../core/garden/timeline'
import type { PlanProblem } from '../core/scenario/problems'
import { plannedEnd } from '../core/scenario/plan'
import { SAFE_CHANCE } from '../core/scenario/starts'
import type { Scenario, ScenarioOutcome } from '../core/scenario/types'
import { useGarden } from '../state/garden'
import { useAnswer } from '../compute/useAnswer'
import { useAhead } from '../state/useAhead'
import type { PlanView } from '../state/usePlan'
import { adviceText } from '../text/criteria'
import { segmentText } from '../text/bed'
import { earlierDayText, inHundred, shortDate } from '../text/format'
import { chanceLine, endWords, planData, problemText } from '../text/plan'
import { cutsText } from '../text/inTurns'
import { Grade } from './Grade'
import { DraftOffer } from './DraftOffer'
import { PlansBeside } from './PlansBeside'
import { standName } from '../text/names'
import { SheetTaken } from './SheetTaken'

/** What the plan line shows of a plan. */
export type LineProps = {
  scenario: Scenario
  state: 'computing' | 'ready' | 'failed'
  outcome: ScenarioOutcome | undefined
  /** Shown in its place, dimmed, while a changed plan is computed. */
  last?: ScenarioOutcome
  /** Day number that it was worked out for. */
  lastDay?: number | null
  problems?: readonly PlanProblem[]
  children?: ReactNode
}

const Knot = ({ done }: { done: boolean }) => (
  <svg width={13} height={13} viewBox="0 0 13 13" aria-hidden="true" className="shrink-0">
    <path
      d="M6.5 1 L12 6.5 L6.5 12 L1 6.5 Z"
      fill={done ? 'var(--color-secondary)' : 'var(--color-base-100)'}
      stroke="var(--color-secondary)"
      strokeWidth={1.4}
    />
  </svg>
)

function Step({ done, children }: { done: boolean; children: ReactNode }) {
  return (
    <li className="flex items-center gap-1.5">
      <Knot done={done} />
      <span>
        {children}
        <span className="sr-only">{done ? ' (done)' : ' (planned)'}</span>
      </span>
    </li>
  )
}

/** The plan of a bed's stretch on one thread, with its dates and its one chance; the same in every room. */
export function PlanThread({
  scenario,
  state,
  outcome,
  last,
  lastDay = null,
  problems = [],
  children,
}: LineProps) {
  const { stand } = scenario.standCase
  const { follows } = scenario
  const { data, today } = useGarden()
  const of = outcome ? null : earlierDayText(lastDay, today)
  const ids = planData(scenario)
  const end = plannedEnd(scenario)
  const shown = outcome ?? (last && ofSame(scenario, last) ? last : null)
  const cuts = stand.cuts.map(({ cut }) => cut).filter(({ plan, actual }) => plan || actual)
  const impossible = problems.length > 0
  const sown = latest(stand.start)
  return (
    <section
      aria-label="The plan"
      className="my-2 border-y border-base-300 bg-base-200/50 px-3 py-2"
      data-testid="plan-line"
      data-help="plan-line"
      data-state={state}
      data-chance={state === 'ready' && !impossible && outcome ? inHundred(outcome.chance.whole) : ''}
      data-sown={ids.sown}
      data-end={ids.end}
      data-plant={ids.plant}
      data-method={ids.method}
      data-crop={ids.crop}
    >
      <div className="flex flex-wrap items-baseline justify-between gap-x-8 gap-y-1">
        <ol className="flex flex-wrap items-center gap-x-4 gap-y-1">
          <Step done={stand.start.actual !== null}>
            <strong>{standName(stand)}</strong>
            {sown &&
              ` ${sown.selfSown ? 'sows itself' : 'sown'} ${sown.sownBetween ? 'about ' : ''}${shortDate(dayNumber(sown.date))}`}
          </Step>
          {cuts.length > 0 && (
            <Step done={stand.end.actual !== null || cuts.every(({ actual }) => actual)}>
              {cutsText(cuts.map(({ plan, actual }) => (actual ?? plan)!))}
            </Step>
          )}
          <Step done={stand.end.actual !== null}>
            {end ? endWords(end, shown?.dead ?? null, stand.end.actual !== null) : 'no end planned'}
          </Step>
          <Step done={follows.kind === 'crop' && follows.done}>{followsWords(scenario, data)}</Step>
        </ol>
        <p
          className={outcome ? 'font-semibold' : 'quiet font-semibold'}
          aria-live="polite"
          data-testid="plan-chance"
          data-help="plan-chance"
        >
          {impossible
            ? 'This cannot be done as it stands'
            : state === 'failed'
              ? ''
              : shown
                ? `${chanceLine(scenario, shown)}${of ? ` (as of ${of})` : ''}`
                : 'Working it out'}
        </p>
      </div>
      {problems.map((problem) => (
        <p key={problem.code} role="alert" className="mt-1 font-semibold text-error">
          {problemText(problem, data.garden.units)}
        </p>
      ))}
      {outcome?.advice.map((advice) => {
        const { name, why } = adviceText(advice, follows.kind === 'crop' ? follows.crop.name : 'what follows')
        return (
          <details key={advice.id} className="mt-1 text-sm">
            <summary className="cursor-pointer">{name}: not by this plan</summary>
            {why}
          </details>
        )
      })}
      {children}
    </section>
  )
}

function followsWords(
  { follows, standCase: { bed, stand } }: Scenario,
  { garden, stands }: GardenData,
): string {
  if (follows.kind === 'crop') {
    const { on, crop, day } = follows
    const part = on && !takesAllOf(on, stand.segment, bed) ? `, ${segmentText(on, garden.units, bed)},` : ''
    return `${crop.name.toLowerCase()}${part} ${shortDate(day)}`
  }
  if (follows.kind === 'deadline') return `ground wanted ${shortDate(follows.day)}`
  const seedlings = stands.find((one) => one.underStandId === stand.id && isSelfSown(one))
  if (seedlings) return 'its own seed comes up after it'
  return stand.follows?.kind === 'stays' ? 'it may stay' : 'nothing decided after it'
}

/** The plan line of a stand's rooms: what is tried on the plan, what that does to its chance, and keeping or putting it back. */
export function PlanLine({ plan }: { plan: PlanView }) {
  const { answer, stored, draft, keep, putBack, offer, error, retry } = plan
  useAhead(plan)
  return (
    <PlanThread
      scenario={plan.scenario}
      state={plan.state}
      outcome={answer?.outcome}
      last={plan.last?.outcome}
      lastDay={plan.lastDay}
      problems={plan.problems}
    >
      {error && (
        <p role="alert" className="mt-1">
          The plan could not be worked out: {error}{' '}
          <button className="btn btn-xs" onClick={retry}>
            Try again
          </button>
        </p>
      )}
      <SheetTaken cover={plan.scenario.standCase.stand} next={plan.view.next?.stand ?? null} />
      <PlansBeside plan={plan} />
      <Helps plan={plan} />
      <DraftOffer offer={offer} />
      {draft && (
        <div className="no-print mt-1 flex flex-wrap items-center gap-3" data-testid="plan-change">
          <span>{changeText(plan.scenario, stored?.outcome, answer?.outcome)}</span>
          <button
            className="btn btn-primary btn-sm"
            disabled={plan.problems.length > 0}
            onClick={() => void keep()}
          >
            Keep
          </button>
          <button className="btn btn-sm" onClick={putBack}>
            Put back
          </button>
        </div>
      )}
    </PlanThread>
  )
}

/**
 * What goes wrong with a plan, and, where it cannot be relied on, the change that helps with the least trouble, to be tried.
 * Its line is there before the answer is, so that nothing below moves.
 */
function Helps({ plan }: { plan: PlanView }) {
  const { spec } = useGarden()
  const [open, setOpen] = useState(false)
  const { scenario, answer } = plan
  const shown = answer ?? plan.last ?? null
  const safe = shown !== null && shown.outcome.chance.whole >= SAFE_CHANCE
  const wanted = open && plan.state === 'ready' && !safe
  const job = useMemo(
    (): [typeof spec, Scenario] | null => (wanted ? [spec, scenario] : null),
    [wanted, spec, scenario],
  )
  const repair = useAnswer('repair', job)
  if (plan.problems.length > 0 || plan.error) return null
  return (
    <details
      className={`no-print mt-1 ${shown ? '' : 'invisible'}`}
      onToggle={(event) => setOpen(event.currentTarget.open)}
      data-testid="plan-helps"
    >
      <summary className="cursor-pointer">
        {safe ? 'What could go wrong' : 'What goes wrong, and what would help'}
      </summary>
      {answer && <Grade scenario={scenario} outcome={answer.outcome} repair={repair.value} />}
      {repair.running && <p role="status">Trying small changes …</p>}
      {repair.error && (
        <p role="alert">
          What would help could not be worked out: {repair.error}{' '}
          <button className="btn btn-xs" onClick={repair.retry}>
            Try again
          </button>
        </p>
      )}
      {repair.value && (
        <button className="btn btn-sm mt-1" onClick={() => plan.tryChange(repair.value!.change)}>
          Try it on the plan
        </button>
      )}
    </details>
  )
}

/** Whether an answer is of a plan with an end where this one has one: without, its chance is another. */
const ofSame = (scenario: Scenario, { chance }: ScenarioOutcome) =>
  (plannedEnd(scenario) === null) === (chance.dead === null)

/** What a change does to the chance, by how much, where it is the chance of the same: of an end in time, or of coming up. */
function changeText(
  { follows }: Scenario,
  before: ScenarioOutcome | undefined,
  after: ScenarioOutcome | undefined,
): string {
  const ends = [before, after].map((outcome) => outcome !== undefined && outcome.chance.dead !== null)
  const same = ends[0] === ends[1] && (ends[1] || follows.kind === 'nothing')
  if (!before || !after || !same) return 'Changed, not kept yet.'
  const [was, is] = [before, after].map(({ chance }) => inHundred(chance.whole))
  const points = Math.abs(is - was)
  return is === was
    ? `Changed, not kept yet: the chance stays at ${is} in 100.`
    : `Changed, not kept yet: ${points} in 100 ${is > was ? 'more' : 'less'} than the plan (${was}).`
}
