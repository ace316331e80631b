import { useState } from 'react'
import { findMethod, METHODS, methodName, type MethodId } from '../../core/termination/methods'
import { dayNumber, isoDate, parseDay } from '../../core/foundations/day'
import { segmentSizeM } from '../../core/garden/area'
import { Caution } from '../../parts/Caution'
import { DateField } from '../../parts/DateField'
import { longDate } from '../../text/format'
import { SelectField } from '../../parts/SelectField'
import { useAnswer } from '../../compute/useAnswer'
import { planCaseOf, useStanding } from './planCase'
import { planOf } from './planWords'
import { MulchAfter } from './MulchAfter'
import { PlannedTurns } from './InTurns'
import { PlanDrawing } from './PlanDrawing'
import { RecordEnd } from './RecordEnd'
import type { EndView } from './useEnd'
import { Failed } from '../../parts/Waiting'
import { CreepingCaution } from '../../parts/CreepingCaution'
import { placeText } from '../../text/bed'

/** What is wrong with a day asked for. */
const dateProblem = (date: string, sownDay: number) => {
  const day = parseDay(date)
  if (day === null) return 'Enter a date that exists, such as 2026-05-18.'
  return day < sownDay ? `It was sown on ${isoDate(sownDay)}. The end must come after.` : undefined
}

/** Day a way begun on `day` is expected to be done, by the comparison; null where that day was not tried. */
function finishOf({ comparison }: EndView, method: MethodId, passes: number, day: number): number | null {
  const option = comparison?.options.find((one) => one.method === method && one.passes === passes)
  return option?.starts.find((start) => start.day === day)?.dead?.p50 ?? null
}

/** What to take along, how to go about it and a drawing to scale, for the planned way or another; prints on a page. */
export function WorkPlan({ end }: { end: EndView }) {
  const { stand, view, garden, forecast, spec } = end
  const { units } = garden
  const known = stand.end.actual ?? stand.end.plan
  const [method, setMethod] = useState<MethodId>(known && known.method !== 'harvest' ? known.method : 'chop')
  const entry = findMethod(method)!
  const same = known?.method === method ? known : null
  const passes = same?.passes ?? 1
  const [asked, setAsked] = useState<string | null>(null)
  const best = end.comparison?.options.find((one) => one.method === method && one.passes === passes)?.shown
  const date = asked ?? same?.date ?? best?.end.date ?? isoDate(Math.max(end.today, end.sownDay + 1))
  const problem = dateProblem(date, end.sownDay)
  const day = problem ? end.today : dayNumber(date)
  const { standing, failure } = useStanding(end)
  const sun = useAnswer('filmSun', entry.sheet === 'clear' ? [spec, day, 14] : null)
  const plan = planOf(
    planCaseOf(
      end,
      standing,
      { method, passes, day, lanes: same?.lanes, animals: same?.animals, untilThin: same?.untilThin },
      {
        film: sun.value,
        deadDay: same?.date === date ? forecast?.ended?.p50 : finishOf(end, method, passes, day),
      },
    ),
  )
  const ground = segmentSizeM(view.bed, stand.segment)
  return (
    <div className="max-w-4xl" data-testid="work-plan">
      <PlannedTurns end={end} />
      <div className="no-print flex flex-wrap items-start gap-4">
        <SelectField
          label="Plan for"
          className="w-72"
          value={method}
          onChange={(next) => {
            setMethod(next)
            setAsked(null)
          }}
          options={METHODS.filter((entry) => !entry.waits).map((entry) => [entry.id, entry.name] as const)}
        />
        <DateField label="On" value={date} onChange={setAsked} error={problem} />
        <button className="btn md:mt-6" onClick={() => window.print()}>
          Print
        </button>
      </div>
      <h2 className="mt-3">
        {methodName(entry, passes)} in {placeText(view.bed, view.stand.segment, end.garden.units)},{' '}
        {longDate(day)}
      </h2>
      <Failed what="Growing the stand to that day" failure={failure} />
      <Failed what="The sun under the film" failure={sun} />
      {plan.problem && (
        <p role="alert" className="my-2 font-semibold">
          {plan.problem}
        </p>
      )}
      <div className="mt-2 grid gap-x-8 gap-y-4 md:grid-cols-[1fr_18rem]">
        <div>
          <ol className="list-decimal pl-5">
            {plan.steps.map((step) => (
              <li key={step} className="py-0.5">
                {step}
              </li>
            ))}
          </ol>
          <MulchAfter end={end} />
        </div>
        <section aria-label="Materials">
          <h3 className="font-semibold">Take along</h3>
          <ul className="divide-y divide-base-300 border-y border-base-300" data-testid="materials">
            {plan.materials.map(({ what, amount }) => (
              <li key={what} className="flex justify-between gap-3 py-1">
                <span>{what}</span>
                <strong className="text-right">{amount}</strong>
              </li>
            ))}
          </ul>
        </section>
      </div>
      <div className="mt-4">
        <PlanDrawing plan={plan} ground={ground} units={units} bedKind={view.bed.kind} />
      </div>
      <div className="mt-3 flex flex-col gap-1">
        <CreepingCaution weeds={end.creeping} />
        {entry.cautions.map((caution) => (
          <Caution key={caution}>{caution}</Caution>
        ))}
      </div>
      {stand.start.actual && !stand.end.actual && <RecordEnd key={method} end={end} usual={method} />}
    </div>
  )
}
