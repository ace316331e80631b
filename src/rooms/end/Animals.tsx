import { obstacleText } from '../../text/obstacles'
import { DraftOffer } from '../../parts/DraftOffer'
import { Link } from 'react-router'
import { usualPlan } from '../../core/termination/animals'
import { daysOnStop, stopsOf } from '../../core/termination/stops'
import { animalCautions, bloatNow, harmNow, obstacleOf, stockFor } from '../../core/termination/obstacles'
import { findMethod, METHODS, type MethodId } from '../../core/termination/methods'
import { dayNumber, isoDate, parseDay } from '../../core/foundations/day'
import { segmentSizeM } from '../../core/garden/area'
import { justBefore, stageReached } from '../../core/season/standForecast'
import { Caution } from '../../parts/Caution'
import { DateField } from '../../parts/DateField'
import { plantsOf } from '../../parts/names'
import { SelectField, TextField } from '../../parts/SelectField'
import { Waiting } from '../../parts/Waiting'
import { useAnswer } from '../../compute/useAnswer'
import { useDraft } from '../../state/useDraft'
import { AnimalPlanView } from './AnimalPlanView'
import { Dates } from './Dates'
import { RecordEnd } from './RecordEnd'
import type { EndView } from './useEnd'
import { useStanding } from './planCase'
import { NO_NUMBERS, planFrom, type AnimalDraft } from './animalForm'
import { Form } from '../../parts/Form'
import { metres } from '../../text/format'

/** Days from sowing until there is something to put animals on. */
const GROWN_DAYS = 45
const ANIMAL_WAYS = METHODS.filter((method) => method.animals)

/** The best start of a way by the comparison; null while that is not known. */
const bestStart = ({ comparison }: EndView, method: MethodId): number | null =>
  comparison?.options.find((option) => option.method === method)?.shown?.day ?? null

/** Hens in a moved pen, pigs or grazers: where they stand when, what they eat, what grows again, when it is done. */
export function Animals({ end }: { end: EndView }) {
  const { stand, view, garden, spec, today, standing, rules, forecast } = end
  const name = `animals ${stand.id}`
  const { draft = {}, keep, offer } = useDraft<AnimalDraft>(name)
  const change = (part: AnimalDraft) => keep({ ...draft, ...part })
  const known = stand.end.actual ?? stand.end.plan
  const livestock = garden.livestock ?? []
  const method: MethodId =
    draft.method ??
    (known?.animals && findMethod(known.method)?.animals ? findMethod(known.method)!.id : undefined) ??
    ANIMAL_WAYS.find((method) => stockFor(method, livestock))?.id ??
    'hens'
  const entry = findMethod(method)!
  const plants = plantsOf(stand)
  const place = { bed: view.bed, segment: stand.segment, tools: garden.tools, livestock, plants, rules }
  const startDate =
    draft.startDate ??
    (known?.method === method
      ? known.date
      : isoDate(bestStart(end, method) ?? Math.max(today, end.sownDay + GROWN_DAYS)))
  const startDay = parseDay(startDate)
  const stageDay = startDay ?? today
  // As it would stand on: a planned end must not hide what the animals meet.
  const grown = useStanding(end).standing ?? forecast
  const stageAt = (component: number, day = stageDay) => (grown ? stageReached(grown, component, day) : 0)
  const heightOn = (day: number) => (grown && justBefore(grown, day)?.heightM) ?? 1
  const stock = stockFor(entry, livestock, place)
  const now = plants.flatMap((plant, i) => bloatNow(entry, plant, stageAt(i)) ?? [])
  const plot = segmentSizeM(view.bed, stand.segment)
  const base =
    known?.method === method && known.animals
      ? known.animals
      : stock && usualPlan(stock, plot.lengthM * plot.widthM)
  const { plan, problem } = base ? planFrom(base, draft) : { plan: null, problem: null }
  // Safe on the day they come and on the day they leave.
  const leaves = plan
    ? Math.ceil(stopsOf(plan, plot.lengthM, plot.widthM, stageDay).at(-1)!.endDay)
    : stageDay
  const harm = [stageDay, leaves].flatMap((day) =>
    plants.flatMap(
      (plant, i) =>
        harmNow(stock?.kind ?? null, plant, {
          bbch: stageAt(i, day),
          heightM: heightOn(day),
          frosted: null,
        }) ?? [],
    ),
  )[0]
  const shut = obstacleOf(entry, place)
  const obstacle = (shut && obstacleText(shut, garden.units)) ?? harm ?? null
  const sown = stand.start.actual ?? stand.start.plan
  const startProblem =
    startDay === null
      ? 'Enter a date that exists, such as 2026-05-18.'
      : sown && startDay <= dayNumber(sown.date)
        ? `It was sown on ${sown.date}. The animals come after.`
        : undefined
  const args: Parameters<typeof useAnswer<'moving'>>[1] =
    !plan || obstacle || startProblem || startDay === null
      ? null
      : [spec, { scenario: standing, method, plan, startDay }]
  const answer = useAnswer('moving', args, `moving ${stand.id}`)
  const shown = answer.value ?? answer.last
  return (
    <div data-testid="animals">
      {!stand.end.actual && <Dates end={end} />}
      <DraftOffer offer={offer} />
      <Form className="no-print flex flex-wrap items-start gap-4" aria-label="The animals">
        <SelectField
          label="With"
          className="w-48"
          value={method}
          onChange={(next) => change({ ...NO_NUMBERS, method: next })}
          options={ANIMAL_WAYS.map((entry) => [entry.id, entry.name] as const)}
        />
        {base && (
          <>
            <DateField
              label="From"
              error={startProblem}
              value={startDate}
              onChange={(next) => change({ startDate: next })}
            />
            <TextField
              label="Days on a stop"
              className="w-28"
              decimal
              value={draft.daysPerStop ?? String(base.daysPerStop)}
              onChange={(daysPerStop) => change({ daysPerStop })}
            />
            {(draft.rounds ?? String(base.rounds)) !== '1' && (
              <TextField
                label="On the last round"
                className="w-32"
                decimal
                value={
                  draft.lastDaysPerStop ?? draft.daysPerStop ?? String(daysOnStop(base, base.rounds - 1))
                }
                onChange={(lastDaysPerStop) => change({ lastDaysPerStop })}
              />
            )}
            <TextField
              label="Rounds"
              className="w-20"
              decimal
              value={draft.rounds ?? String(base.rounds)}
              onChange={(rounds) => change({ rounds })}
            />
            <TextField
              label="Rest between, days"
              className="w-32"
              decimal
              value={draft.restDays ?? String(base.restDays)}
              onChange={(restDays) => change({ restDays })}
            />
          </>
        )}
      </Form>
      {(obstacle ?? problem) && (
        <p role="alert" className="my-3 font-semibold">
          {obstacle ?? problem}{' '}
          {obstacle?.includes('Garden room') && (
            <Link className="link" to="/garden">
              Garden
            </Link>
          )}
        </p>
      )}
      <Waiting
        what="Following the animals and the growth behind them"
        running={answer.running}
        progress={answer.progress}
        error={answer.error}
        onCancel={answer.cancel}
        onRetry={answer.retry}
      />
      {shown && plan && !obstacle && (
        <AnimalPlanView
          end={end}
          answer={shown}
          plan={plan}
          plot={plot}
          method={method}
          startDay={startDay ?? today}
        />
      )}
      <div className="mt-3 flex flex-col gap-1">
        {[
          ...entry.cautions,
          ...now,
          ...animalCautions(method, place, (i) => (grown ? stageAt(i) : null)).map(({ text, heightM }) =>
            heightM === null ? text : text.replace('{height}', metres(heightM, garden.units)),
          ),
        ].map((caution) => (
          <Caution key={caution}>{caution}</Caution>
        ))}
        <Caution>
          {`Manure: ${rules.manureDays.touching} days to the harvest of what touches soil or splash, ${rules.manureDays.clear} days otherwise, by your rule. Local rules decide.`}
        </Caution>
      </div>
      {stand.start.actual && !stand.end.actual && stand.end.plan?.method === method && (
        <RecordEnd end={end} method={method} />
      )}
    </div>
  )
}
