import { useMemo, useState } from 'react'
import { z } from 'zod'
import { moveTurns, planInTurns, withoutTurns } from '../../actions/endStand'
import { useAnswer } from '../../compute/useAnswer'
import { USUAL_SEQUENCES, type Sequence, type SequenceOutcome } from '../../core/scenario/inTurns'
import type { Units } from '../../text/format'
import { underSheet } from '../../core/termination/flattening'
import { SAFE_CHANCE } from '../../core/scenario/starts'
import { findMethod, METHODS, type MethodId } from '../../core/termination/methods'
import { SHIELDED_FACTOR } from '../../core/termination/sheets'
import { Caution } from '../../parts/Caution'
import { DayField } from '../../parts/DayField'
import { Chance } from '../../parts/Chance'
import { Fold } from '../../parts/Fold'
import { Form } from '../../parts/Form'
import { dayOrNone, quantity } from '../../parts/form/codecs'
import { TypedChoice, TypedDay, TypedText } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { single } from '../../parts/once'
import { Waiting } from '../../parts/Waiting'
import { useAct, useGarden } from '../../state/garden'
import { useSettled } from '../../state/useSettled'
import { failsText } from '../../text/criteria'
import { minutes, percent, shortDate } from '../../text/format'
import { dayNumber, isoDate } from '../../core/foundations/day'
import { cutsText, sequenceObstacle, sequenceText } from '../../text/inTurns'
import { unitOf, writeQuantity } from '../../text/quantity'
import type { EndView } from './useEnd'

/** Ways that can stand at the end of mowings: acts of one's own hands or a sheet. */
const LAST = METHODS.filter(({ waits, animals, id }) => !waits && !animals && id !== 'strips')

const PAST = 'That day is past. Choose today or later.'

const sequenceForm = (units: Units, today: number) =>
  z.object({
    firstDay: dayOrNone((day) => (day < today ? PAST : null)),
    mowings: z.enum(['1', '2', '3', '4']),
    everyDays: quantity('count', units, { name: 'Days between mowings', low: 3, high: 60, whole: true }),
    heightCm: quantity('height', units, { name: 'Height left', low: 0, high: 100 }),
    fate: z.enum(['dropped', 'carried off', 'grazed']),
    method: z.string(),
    lastAfterDays: quantity('count', units, { name: 'Days to the last act', low: 0, high: 90, whole: true }),
  })

/** Several acts as one plan: mown and mown again, then ended; the usual ones, and one’s own. */
export function InTurns({ end }: { end: EndView }) {
  return (
    <Fold title="In turns: mow, wait, mow again, then end it" testid="in-turns">
      {() => <Turns end={end} />}
    </Fold>
  )
}

function Turns({ end }: { end: EndView }) {
  const { stand, spec, garden } = end
  const { units } = garden
  const settled = useSettled(end.standing)
  const usual = useAnswer(
    'inTurns',
    useMemo(
      (): Parameters<typeof useAnswer<'inTurns'>>[1] => [spec, settled, [...USUAL_SEQUENCES]],
      [spec, settled],
    ),
    `turns ${stand.id}`,
  )
  const form = useTyped({
    schema: useMemo(() => sequenceForm(units, end.today), [units, end.today]),
    draft: { name: `turns ${stand.id}` },
    live: true,
    blank: {
      firstDay: '',
      mowings: '3',
      everyDays: '14',
      heightCm: writeQuantity(6, 'height', units),
      fate: 'dropped',
      method: 'chop',
      lastAfterDays: '14',
    },
  })
  const { value } = form
  const own = useMemo(
    (): Sequence | null =>
      value && {
        ...value,
        firstDay: value.firstDay ?? undefined,
        mowings: Number(value.mowings),
        method: value.method as MethodId,
      },
    [value],
  )
  const settledOwn = useSettled(own)
  const tried = useAnswer(
    'inTurns',
    useMemo(
      (): Parameters<typeof useAnswer<'inTurns'>>[1] => settledOwn && [spec, settled, [settledOwn]],
      [spec, settled, settledOwn],
    ),
    `own turns ${stand.id}`,
  )
  const shown = usual.value ?? usual.soFar ?? usual.last ?? []
  const [mine] = tried.value ?? tried.last ?? []
  return (
    <div>
      <Waiting
        what="Trying each sequence on every first day"
        running={usual.running}
        progress={usual.progress}
        error={usual.error}
        onCancel={usual.cancel}
        onRetry={usual.retry}
      />
      <ul className="divide-y divide-base-300 border-y border-base-300">
        {shown.map((outcome) => (
          <Row key={sequenceText(outcome.sequence, units)} outcome={outcome} end={end} />
        ))}
      </ul>
      <h3 className="mt-4">Your own</h3>
      <Form className="mt-2 flex flex-wrap items-start gap-3" aria-label="Your own sequence">
        <TypedChoice
          form={form}
          name="fate"
          label="What is done first"
          className="w-52"
          options={[
            ['dropped', 'mown, cuttings left'],
            ['carried off', 'mown, hay carried off'],
            ['grazed', 'grazed down'],
          ]}
        />
        <TypedText
          form={form}
          name="heightCm"
          label={`Height left, ${unitOf('height', units)}`}
          className="w-28"
          decimal
        />
        <TypedChoice
          form={form}
          name="mowings"
          label="How often"
          className="w-32"
          options={[
            ['1', 'once'],
            ['2', 'twice'],
            ['3', 'three times'],
            ['4', 'four times'],
          ]}
        />
        <TypedText form={form} name="everyDays" label="Days between" className="w-28" decimal />
        <TypedChoice
          form={form}
          name="method"
          label="Then"
          className="w-56"
          options={LAST.map(({ id, name }) => [id, name.toLowerCase()] as const)}
        />
        <TypedText form={form} name="lastAfterDays" label="Days later" className="w-28" decimal />
        <TypedDay form={form} name="firstDay" label="Start date" hint="empty: the best one" />
      </Form>
      <Waiting
        what="Trying your sequence"
        running={tried.running}
        progress={tried.progress}
        error={tried.error}
        onCancel={tried.cancel}
        onRetry={tried.retry}
      />
      {mine && own && (
        <ul className="mt-2 border-y border-base-300" data-testid="own-turns">
          <Row outcome={mine} end={end} />
        </ul>
      )}
    </div>
  )
}

/** A sequence with its days, its chance, its work, and the button that plans it. */
function Row({ outcome: { sequence, obstacle, plan }, end }: { outcome: SequenceOutcome; end: EndView }) {
  const { data } = useGarden()
  const act = useAct()
  const { units } = end.garden
  const name = sequenceText(sequence, units)
  const fails = plan && failsText(plan.outcome.failures, 1)
  const { bedPlan, stand } = end
  const keep = async () => {
    if (plan && (await act(planInTurns(data, stand, plan, bedPlan.draft)))) bedPlan.putBack()
  }
  return (
    <li className="grid gap-x-5 gap-y-1 py-2 sm:grid-cols-[1fr_11rem_auto]">
      <div className="min-w-0">
        <strong>{name}</strong>
        {obstacle && <p className="quiet">{sequenceObstacle(obstacle, end.plantingDay, units)}</p>}
        {plan && (
          <p className="text-sm">
            {cutsText(plan.cuts)}, end {shortDate(dayNumber(plan.end.date))}; {percent(plan.survivors.p50)}{' '}
            stand again, {minutes(plan.minutes)} of work{fails && `; ${fails}`}.
          </p>
        )}
        {plan?.shielded && <Shielding />}
        {plan && plan.dryChance !== null && plan.dryChance < HAY_CHANCE && (
          <Caution>
            Four dry days for hay are {percent(plan.dryChance)} likely then. Wait for a dry spell, or leave
            the cuttings.
          </Caution>
        )}
      </div>
      <div>{plan && <Chance share={plan.outcome.chance.whole} />}</div>
      {plan && (
        <button
          className="btn btn-sm self-start"
          aria-label={`Plan in turns: ${name}`}
          onClick={single(() => void keep())}
        >
          Plan it{plan.outcome.chance.whole < SAFE_CHANCE && ', not safe'}
        </button>
      )}
    </li>
  )
}

const Shielding = () => (
  <Caution>
    The cuttings lie between the plants and the sheet: counted at {SHIELDED_FACTOR} times the warmth. Raked
    off first, it lies shorter.
  </Caution>
)

/** Below this chance of dry days hay is warned of. */
const HAY_CHANCE = 0.4

/** Cuts that are planned before the ending, and a way to be rid of them. */
export function PlannedTurns({ end }: { end: EndView }) {
  const { data } = useGarden()
  const act = useAct()
  const [past, setPast] = useState(false)
  const shielded =
    underSheet(end.stand, dayNumber(end.stand.end.plan?.date ?? isoDate(end.today)), true) === 'shielded'
  const planned = end.stand.cuts.flatMap(({ cut }) => (cut.plan && !cut.actual ? [cut.plan] : []))
  if (planned.length === 0) return null
  const move = (date: string) => {
    const byDays = dayNumber(date) - dayNumber(planned[0].date)
    const isPast = dayNumber(date) < end.today
    setPast(isPast)
    if (byDays !== 0 && !isPast) void act(moveTurns(data, end.stand, byDays))
  }
  return (
    <div className="mb-2" data-testid="planned-turns">
      Before its end: {cutsText(planned)}. What follows takes that into account.{' '}
      <button className="btn btn-sm no-print" onClick={single(() => void act(withoutTurns(data, end.stand)))}>
        Take this out
      </button>
      <div className="no-print mt-1 w-48">
        <DayField label="Start date" date={planned[0].date} error={past ? PAST : undefined} onDate={move} />
      </div>
      {shielded && findMethod(end.stand.end.plan?.method ?? 'harvest')?.sheet && <Shielding />}
    </div>
  )
}
