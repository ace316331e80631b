import { Link } from 'react-router'
import { dayNumber } from '../../core/foundations/day'
import { coverDays, nextStep, type NextStep } from '../../core/termination/followUp'
import { setupFor } from '../../core/season/endingSetup'
import type { StandCase } from '../../core/season/cases'
import { actsSurvival } from '../../core/termination/acts'
import { DEAD_SHARE } from '../../core/termination/lastAct'
import { lastWorkDay, looksAfter } from '../../core/termination/counted'
import { countedSpecies, stageAtEnd } from '../../core/termination/pooling'
import { findMethod } from '../../core/termination/methods'
import { segmentAreaM2, segmentSizeM } from '../../core/garden/area'
import type { FollowUp } from '../../core/garden/ending'
import type { Stand } from '../../core/garden/schema'
import { area, longDate, minutes, percent, shortDate } from '../../text/format'
import { endingWords, plantsOf } from '../../text/names'
import { Scroll } from '../../parts/Scroll'
import { takeOutCount } from '../../actions/countAgain'
import { useAct } from '../../state/garden'
import { CountForm } from './CountForm'
import { Finishings } from './Finishings'
import { OwnTable } from './OwnTable'
import { SheetOff } from './SheetOff'
import { RecordEnd } from './RecordEnd'
import type { EndView } from './useEnd'
import { single } from '../../parts/once'
import { CreepingCaution } from '../../parts/CreepingCaution'

/** After the end: counts of what stands again, what to do about it, and what own counts say beside the tables. */
export function After({ end }: { end: EndView }) {
  const { stand, view, today } = end
  const actual = stand.end.actual
  if (!actual)
    return (
      <>
        <p>Once the end is recorded, what stands again is counted here after 7, 14 and 21 days.</p>
        {stand.start.actual && <RecordEnd end={end} />}
        <OwnTable end={end} />
      </>
    )
  const ended = dayNumber(actual.date)
  const plot = segmentSizeM(view.bed, stand.segment)
  const worked = lastWorkDay(actual, plot)
  const counts = [...stand.followUps].sort((a, b) => (a.date < b.date ? -1 : 1))
  const newest = counts.at(-1)
  const due = looksAfter(stand, plot).find(
    ({ day }) => !counts.some((count) => dayNumber(count.date) >= day - 3),
  )?.day
  const planting = end.plantingDay ?? Infinity
  const establishment = end.follows.kind === 'nothing' ? 'transplant' : end.follows.establishment
  const step =
    newest && !view.next?.stand.start.actual
      ? nextStep(
          newest.standing / newest.before,
          newest.standing / newest.groundM2,
          segmentAreaM2(view.bed, stand.segment),
          actual.method === 'harvest' ? 'chop' : actual.method,
          dayNumber(newest.date) - (worked ?? ended),
          planting - today,
          establishment,
          coverDays(stoodAgain(stand), end.garden.site, today),
        )
      : null
  const worksSince = newest && stand.finishings.some(({ date }) => date >= newest.date)
  return (
    <div data-testid="after">
      <p>
        {actual.by ? `Done by ${actual.by}. ` : ''}
        {actual.minutes !== undefined ? `${actual.minutes} minutes. ` : ''}
        {actual.materials ? `Used: ${actual.materials}. ` : ''}
        {due !== undefined && !findMethod(actual.method)?.waits
          ? due <= today
            ? `A count is due since ${shortDate(due)}.`
            : `Count next about ${shortDate(due)}.`
          : ''}{' '}
        <Link className="link" to={`/plant/${stand.id}`}>
          When can it be planted?
        </Link>
      </p>
      {step && newest && (
        <>
          {!worksSince && <Advice step={step} expected={expectedShare(view.standCase, newest)} />}
          <Finishings
            end={end}
            newest={newest}
            advised={step.act === 'cut' || step.act === 'cover' ? step.act : 'pull'}
          />
        </>
      )}
      {findMethod(actual.method)?.sheet && <SheetOff end={end} actual={actual} />}
      {counts.length > 0 && <Counts counts={counts} ended={worked ?? ended} end={end} />}
      <CreepingCaution weeds={end.creeping} />
      <CountForm end={end} />
      <OwnTable end={end} />
      <p className="quiet mt-3 text-sm">
        Ended by {endingWords(actual)} on {longDate(ended)}. A stand counts as dead at{' '}
        {percent(DEAD_SHARE[establishment])} alive, stragglers pulled.
      </p>
    </div>
  )
}

/** Stage taken for a plant of which none was recorded at its end: grown, which wants the most. */
const GROWN_BBCH = 55

/** The plants of an ended stand that may stand again, at the stage they were ended. */
const stoodAgain = (stand: Stand) =>
  plantsOf(stand).map((plant) => ({ plant, bbch: stageAtEnd(stand, plant.id) ?? GROWN_BBCH }))

/** What the tables alone let expect of the plants counted, at the stage they were ended; null where they say nothing. */
function expectedShare(standCase: StandCase, count: FollowUp): number | null {
  const { stand } = standCase
  const actual = stand.end.actual
  const method = actual && findMethod(actual.method)
  const plant = countedSpecies(stand, count)
  const bbch = plant ? stageAtEnd(stand, plant.id) : undefined
  if (!method || !plant || bbch === undefined || method.animals || method.waits) return null
  return method.sheet
    ? 0.05
    : actsSurvival(method, plant, bbch, actual.passes, {
        ...setupFor(actual, standCase),
        own: undefined,
      })
}

const ADVICE = {
  leave: 'Leave it.',
  pull: 'Pull them.',
  cut: 'Cut them low.',
  cover: 'Cover them.',
  wait: 'Wait.',
} as const

function Advice({ step, expected }: { step: NextStep; expected: number | null }) {
  return (
    <p className="my-3 border-l-4 border-secondary pl-3" role="status" data-testid="next-step">
      <strong>{ADVICE[step.act]}</strong> {step.reason}
      {step.minutes > 0 ? ` About ${minutes(step.minutes)}.` : ''}
      {expected !== null ? ` The tables let ${percent(expected)} expect.` : ''}
    </p>
  )
}

function Counts({ counts, ended, end }: { counts: FollowUp[]; ended: number; end: EndView }) {
  const act = useAct()
  const { stand } = end
  return (
    <Scroll label="Counts">
      <table className="table table-sm max-w-2xl" aria-label="Counts after the end">
        <thead>
          <tr>
            <th>Day</th>
            <th>After</th>
            <th>Standing again</th>
            <th>Share</th>
            <th>Note</th>
            <th>
              <span className="sr-only">Take out</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {counts.map((count) => (
            <tr key={count.id}>
              <td>{shortDate(dayNumber(count.date))}</td>
              <td>{dayNumber(count.date) - ended} days</td>
              <td>
                {count.standing} of {Math.round(count.before)} on {area(count.groundM2, end.garden.units)}
              </td>
              <td>
                <strong>{percent(count.standing / count.before)}</strong>
              </td>
              <td>{count.note}</td>
              <td>
                <button
                  className="btn btn-ghost btn-xs"
                  onClick={single(() => act(takeOutCount(stand, count.id)))}
                >
                  Take out
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Scroll>
  )
}
