import { obstacleText } from '../../text/obstacles'
import { DraftOffer } from '../../parts/DraftOffer'
import { Link } from 'react-router'
import { usualPlan } from '../../core/termination/animals'
import { stopsOf } from '../../core/termination/stops'
import { animalCautions, bloatNow, harmNow, obstacleOf, stockFor } from '../../core/termination/obstacles'
import { hurtBefore } from '../../core/termination/hurt'
import { findMethod, METHODS, type MethodId } from '../../core/termination/methods'
import { z } from 'zod'
import { dayNumber } from '../../core/foundations/day'
import { endMethodId, type AnimalPlan } from '../../core/garden/ending'
import { segmentSizeM } from '../../core/garden/area'
import { justBefore, stageReached } from '../../core/season/standForecast'
import { Caution } from '../../parts/Caution'
import { Form } from '../../parts/Form'
import { TypedChoice, TypedDay, TypedText } from '../../parts/form/fields'
import { useTyped } from '../../parts/form/useTyped'
import { plantsOf } from '../../text/names'
import { Waiting } from '../../parts/Waiting'
import { useAnswer } from '../../compute/useAnswer'
import { AnimalPlanView } from './AnimalPlanView'
import { Dates } from './Dates'
import { RecordEnd } from './RecordEnd'
import type { EndView } from './useEnd'
import { useStanding } from './planCase'
import { day } from '../../parts/form/codecs'
import { animalForm, animalValue, planFrom } from './animalForm'
import { useGarden } from '../../state/garden'
import { metres, shortDate } from '../../text/format'

/** Days from sowing until there is something to put animals on. */
const GROWN_DAYS = 45
const ANIMAL_WAYS = METHODS.filter((method) => method.animals)

/** The best start of a way by the comparison; null while that is not known. */
const bestStart = ({ comparison }: EndView, method: MethodId): number | null =>
  comparison?.options.find((option) => option.method === method)?.shown?.day ?? null

const wayForm = (sownOn: string | null) =>
  z.object({
    method: endMethodId,
    start: day((start) =>
      sownOn && start <= dayNumber(sownOn) ? `It was sown on ${sownOn}. The animals come after.` : null,
    ),
  })

/** Numbers in the fields where no animals are there to move. */
const NO_ANIMALS: AnimalPlan = {
  kind: 'hens',
  head: 1,
  penLengthM: null,
  penWidthM: null,
  daysPerStop: 1,
  rounds: 1,
  restDays: 0,
}

/** Hens in a moved pen, pigs or grazers: where they stand when, what they eat, what grows again, when it is done. */
export function Animals({ end }: { end: EndView }) {
  const { stand, view, garden, spec, today, standing, rules, forecast } = end
  const { data } = useGarden()
  const known = stand.end.actual ?? stand.end.plan
  const livestock = garden.livestock
  const sown = stand.start.actual ?? stand.start.plan
  const usualMethod: MethodId =
    (known?.animals && findMethod(known.method)?.animals ? findMethod(known.method)!.id : undefined) ??
    ANIMAL_WAYS.find((method) => stockFor(method, livestock))?.id ??
    'hens'
  const way = useTyped({
    schema: wayForm(sown?.date ?? null),
    draft: { name: `animals ${stand.id}`, version: 2 },
    live: true,
    record: known,
    valueOf: () => ({
      method: usualMethod,
      start:
        known?.method === usualMethod
          ? dayNumber(known.date)
          : (bestStart(end, usualMethod) ?? Math.max(today, end.sownDay + GROWN_DAYS)),
    }),
  })
  const method = (findMethod(way.text.method) ?? findMethod(usualMethod)!).id
  const entry = findMethod(method)!
  const plants = plantsOf(stand)
  const place = { bed: view.bed, segment: stand.segment, tools: garden.tools, livestock, plants, rules }
  const stock = stockFor(entry, livestock, place)
  const startDay = way.value?.start ?? null
  const before = stock && hurtBefore(data.stands, stock.kind)
  const stageDay = startDay ?? today
  // As it would stand on: a planned end must not hide what the animals meet.
  const grown = useStanding(end).standing ?? forecast
  const stageAt = (component: number, day = stageDay) => (grown ? stageReached(grown, component, day) : 0)
  const heightOn = (day: number) => (grown && justBefore(grown, day)?.heightM) ?? 1
  const now = plants.flatMap((plant, i) => bloatNow(entry, plant, stageAt(i)) ?? [])
  const plot = segmentSizeM(view.bed, stand.segment)
  const base =
    known?.method === method && known.animals
      ? known.animals
      : stock && usualPlan(stock, plot.lengthM * plot.widthM)
  const moves = useTyped({
    schema: animalForm,
    draft: { name: `animals ${stand.id} ${method}` },
    live: true,
    record: base ?? NO_ANIMALS,
    valueOf: animalValue,
  })
  const plan = base && moves.value ? planFrom(base, moves.value) : null
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
  const args: Parameters<typeof useAnswer<'moving'>>[1] =
    !plan || obstacle || startDay === null ? null : [spec, { scenario: standing, method, plan, startDay }]
  const answer = useAnswer('moving', args, `moving ${stand.id}`)
  const shown = answer.value ?? answer.last
  return (
    <div data-testid="animals">
      {!stand.end.actual && <Dates end={end} />}
      <DraftOffer offer={way.offer ?? moves.offer} />
      <Form className="no-print flex flex-wrap items-start gap-4" aria-label="The animals">
        <TypedChoice
          form={way}
          name="method"
          label="With"
          className="w-48"
          options={ANIMAL_WAYS.map((entry) => [entry.id, entry.name] as const)}
        />
        {base && (
          <>
            <TypedDay form={way} name="start" label="From" />
            <TypedText form={moves} name="daysPerStop" label="Days on a stop" className="w-28" decimal />
            {moves.value?.rounds !== 1 && (
              <TypedText
                form={moves}
                name="lastDaysPerStop"
                label="On the last round"
                className="w-32"
                decimal
              />
            )}
            <TypedText form={moves} name="rounds" label="Rounds" className="w-20" decimal />
            <TypedText form={moves} name="restDays" label="Rest between, days" className="w-32" decimal />
          </>
        )}
      </Form>
      {obstacle && (
        <p role="alert" className="my-3 font-semibold">
          {obstacle}{' '}
          {obstacle.includes('in the Shed') && (
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
        {before && stock && (
          <Caution>
            {`On ${shortDate(before.day)} ${before.hurt} of the ${stock.kind} ${before.hurt === 1 ? 'was' : 'were'} hurt or lost${before.note ? ` (${before.note})` : ''}. Look under the pen before each move.`}
          </Caution>
        )}
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
