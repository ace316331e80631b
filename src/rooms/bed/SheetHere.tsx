import { useMemo } from 'react'
import { laySheet, sheetDone, sheetStand } from '../../actions/groundSheet'
import { removeStand } from '../../actions/keepBed'
import { useAnswer } from '../../compute/useAnswer'
import type { JobArgs } from '../../compute/protocol'
import { dayNumber, isoDate } from '../../core/foundations/day'
import { segmentSizeM } from '../../core/garden/area'
import { creepingWeeds } from '../../core/garden/creepingWeeds'
import type { Bed, Stand } from '../../core/garden/schema'
import { freeFrom, layingProblems, offBy, type LayingProblem } from '../../core/scenario/layingProblems'
import { COMES_BACK, halfTime } from '../../core/termination/groundSheet'
import { OWNED_SHEET } from '../../core/termination/sheets'
import { sheetPlan } from '../../core/termination/workPlan'
import { Caution } from '../../parts/Caution'
import { Form } from '../../parts/Form'
import { TypedChoice, TypedDay } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { GroundFields } from '../../parts/ground/GroundFields'
import { segmentFrom, WHOLE_GROUND } from '../../parts/ground/groundForm'
import { single } from '../../parts/once'
import { Waiting } from '../../parts/Waiting'
import { Why } from '../../parts/Why'
import { useAct, useGarden } from '../../state/garden'
import { placeText } from '../../text/bed'
import { chanceText, inHundred, litres, longDate, shortDate, temperature } from '../../text/format'
import { SHEET_AIMS, SHEET_NAMES, standName } from '../../text/names'
import { sheetForm, type LayingForm } from './forms'

/** How long a sheet is planned to lie where nothing says when the ground is wanted, days. */
const USUAL_DAYS = 28

/** A sheet or film on weedy or bare ground, sod, or a bed made ready: how long it takes, and what is in its way. */
export function SheetHere({ bed }: { bed: Bed }) {
  const { data, expected, today } = useGarden()
  const { units } = data.garden
  const act = useAct()
  const lying = expected.stands.filter(
    (stand) => stand.bedId === bed.id && stand.content.kind === 'sheet' && !stand.end.actual,
  )
  const free = freeFrom(expected.stands, bed.id, today)
  const form = useTyped({
    schema: useMemo(() => sheetForm(bed, today, units), [bed, today, units]),
    draft: { name: `sheet ${bed.id}`, version: 2 },
    live: true,
    blank: {
      sheet: 'black',
      aim: 'weeds',
      ...WHOLE_GROUND,
      from: isoDate(free),
      until: isoDate(offBy(expected, bed.id, free) ?? free + USUAL_DAYS),
    },
  })
  const { value } = form
  const stand = useMemo(() => {
    const segment = value && segmentFrom(value, bed)
    return segment && sheetStand(bed, 'sheet to be laid', { ...value, segment }, today)
  }, [bed, value, today])
  const problems = stand ? layingProblems(expected, stand, today) : []
  const barred = problems.some(({ kind }) => kind === 'stands' || kind === 'begins' || kind === 'kept')
  return (
    <details className="mt-6" data-testid="sheet-here">
      <summary className="cursor-pointer font-display text-[1.2rem] font-semibold">
        A sheet on bare or weedy ground{' '}
        {lying.length > 0 && <span className="quiet font-sans text-sm">{lying.length}</span>}
      </summary>
      <ul className="mt-1">
        {lying.map((one) => (
          <Lying key={one.id} stand={one} />
        ))}
      </ul>
      <Form
        className="mt-2 flex flex-wrap items-start gap-3"
        aria-label="A sheet on this bed"
        onSubmit={form.submit(({ value: laid }) =>
          act(laySheet(bed, { ...laid, segment: segmentFrom(laid, bed)! }, today)),
        )}
      >
        <TypedChoice
          form={form}
          name="sheet"
          label="Sheet"
          className="w-36"
          options={(['black', 'clear'] as const).map((sheet) => [sheet, SHEET_NAMES[sheet]] as const)}
        />
        <TypedChoice
          form={form}
          name="aim"
          label="On"
          className="w-56"
          options={(Object.keys(SHEET_AIMS) as LayingForm['aim'][]).map(
            (aim) => [aim, SHEET_AIMS[aim]] as const,
          )}
        />
        <div className="max-sm:w-full sm:w-44 sm:has-[svg]:w-full">
          <GroundFields bed={bed} form={form} day={value?.from ?? today} />
        </div>
        <TypedDay form={form} name="from" label="Laid on" />
        <TypedDay form={form} name="until" label="Off on" />
        <button className="btn mt-6" disabled={barred}>
          {value && value.from <= today ? 'Record as laid' : 'Plan it'}
        </button>
      </Form>
      {value && stand && <Outlook bed={bed} laying={value} stand={stand} />}
      {problems.map((problem) => (
        <Caution key={`${problem.kind} ${'stand' in problem ? problem.stand.id : ''}`}>
          <ProblemText problem={problem} />
        </Caution>
      ))}
    </details>
  )
}

/** A sheet that lies there, or is to. */
function Lying({ stand }: { stand: Stand }) {
  const { data, today } = useGarden()
  const act = useAct()
  const { start, end } = stand
  const off = end.plan ? `off ${shortDate(dayNumber(end.plan.date))}` : ''
  const kept = data.stands.find(({ id }) => id === stand.id)
  if (!kept) return null
  return (
    <li className="flex flex-wrap items-center gap-3">
      <span>
        {standName(stand)}, {start.actual ? 'lies since' : 'to be laid'}{' '}
        {longDate(dayNumber((start.actual ?? start.plan)!.date))}, {off}
      </span>
      <button
        className="btn btn-sm"
        onClick={single(() => act(sheetDone(kept, start.actual ? 'taken off' : 'laid', today)))}
      >
        {start.actual ? 'Taken off today' : 'Laid today'}
      </button>
      <button className="btn btn-ghost btn-sm" onClick={single(() => act(removeStand(data, kept)))}>
        Remove
      </button>
    </li>
  )
}

/** By when it has done its work, how sure that is by the day it comes off, and what laying it takes. */
function Outlook({ bed, laying, stand }: { bed: Bed; laying: LayingForm; stand: Stand }) {
  const { data, expected, spec } = useGarden()
  const { units } = data.garden
  const { sheet, aim, from, until } = laying
  const answer = useAnswer(
    'groundSheet',
    useMemo((): JobArgs<'groundSheet'> => [spec, sheet, aim, from, until], [spec, sheet, aim, from, until]),
    `ground sheet ${bed.id}`,
  )
  const told = answer.value ?? answer.last
  const half = halfTime(from, until)
  const { waterL, weights } = sheetPlan(
    segmentSizeM(bed, stand.segment),
    data.garden.tools.filter(({ kind }) => kind === OWNED_SHEET[sheet]),
    sheet,
  )
  const comesBack = COMES_BACK.includes(aim)
  const creeping = creepingWeeds(bed, expected.stands, expected.checks)
  return (
    <div className="mt-2 max-w-prose" data-testid="sheet-outlook">
      <Waiting
        what="Counting its warmth"
        running={answer.running}
        progress={answer.progress}
        error={answer.error}
        onCancel={answer.cancel}
        onRetry={answer.retry}
      />
      {told && (
        <div>
          <strong>
            {comesBack ? 'Weakened' : 'Done'} by {longDate(until)}: {chanceText(told.chance)}.
          </strong>{' '}
          {told.done
            ? `About ${longDate(told.done.p50)}, ${shortDate(told.done.p10)} to ${shortDate(told.done.p90)}${told.ever < 0.9 ? `; in ${inHundred(1 - told.ever)} of 100 not within the months ahead` : ''}.`
            : 'Not within the months ahead.'}{' '}
          <Why>
            Counted by the warmth{' '}
            {sheet === 'black'
              ? `above ${temperature(0, units)} under the sheet`
              : `above ${temperature(40, units)} under the film`}{' '}
            in the weather of this place. What each ground wants is a range (judgement, after trials of tarps
            on weeds and sod), spread over the weathers.
          </Why>
        </div>
      )}
      {comesBack && (
        <p>
          It comes back from roots below and from the edges: cover a stride beyond it, and look again each
          month.
        </p>
      )}
      {!comesBack && creeping.length > 0 && (
        <Caution>
          {creeping.join(' and ')}, named for this bed, outlasts it. Count on creeping weeds coming back.
        </Caution>
      )}
      <p className="quiet text-sm">
        Wet the ground with {litres(waterL, units)} where it is dry, then lay it flat; {weights} weights hold
        it.
        {half !== null && ` Look under it and wet it at half time, ${shortDate(half)}.`}
      </p>
    </div>
  )
}

function ProblemText({ problem }: { problem: LayingProblem }) {
  const { expected } = useGarden()
  const { units } = expected.garden
  const placeOf = ({ stand }: { stand: Stand }) =>
    placeText(
      expected.beds.find(({ id }) => id === stand.bedId)!,
      stand.segment,
      units,
    )
  switch (problem.kind) {
    case 'stands': {
      const { stand, untilDay } = problem
      const until = untilDay === null ? '' : ` until ${longDate(untilDay)}`
      return stand.content.kind === 'cover'
        ? `${standName(stand)} stands there${until}. End it with a sheet in End, or lay this one afterwards.`
        : `${standName(stand)} ${stand.content.kind === 'sheet' ? 'lies' : 'stands'} there${until}. Lay the sheet afterwards.`
    }
    case 'begins':
      return `${standName(problem.stand)} begins there on ${longDate(problem.day)}. Take the sheet off before, or move what begins.`
    case 'kept':
      return `${problem.labels.join(', ')} would die under it. Lay it on a part beside that.`
    case 'none fits':
      return `None of your sheets covers it. Write down its size in the Shed, or lay it on a part.`
    case 'elsewhere':
      return `Your sheet lies on ${problem.with.map(placeOf).join(', ')}. Lay it after ${longDate(problem.freeDay)}, or write down another in the Shed.`
    case 'old':
      return `The ${problem.tool.kind} of ${problem.tool.boughtIn} is ${problem.years} ${problem.years === 1 ? 'year' : 'years'} past what such sheets last in the sun: look at it against the light. Where it shines through or tears, weeds live on under it, and shreds stay in the soil.`
  }
}
