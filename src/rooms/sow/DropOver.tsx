import { planDropOver } from '../../actions/dropOver'
import { useAnswer } from '../../compute/useAnswer'
import { dayNumber, parseDay } from '../../core/foundations/day'
import { segmentAreaM2 } from '../../core/garden/area'
import type { Stand } from '../../core/garden/schema'
import { mulchDepthM } from '../../core/residue/mulch'
import { betterDay } from '../../core/rounds/weatherBound'
import { bandOn } from '../../core/season/standForecast'
import {
  coverAbove,
  cutsDown,
  droppedOver,
  droppedWith,
  LEAST_OVER_SEED_G,
  MOST_OVER_SEED_G,
} from '../../core/seeding/dropOver'
import type { Recipe } from '../../core/seeding/recipe'
import { MOIST_DAYS } from '../../core/seeding/water'
import { single } from '../../parts/once'
import { Failed } from '../../parts/Waiting'
import { forecastName } from '../../parts/weave/useBedCloth'
import { Why } from '../../parts/Why'
import { useAct, useGarden } from '../../state/garden'
import { StandsAgain, useCutOver } from '../../parts/CutOver'
import { useStand, type StandView } from '../../state/useStand'
import { betterWords } from '../../text/betterDay'
import { centimetres, chanceText, kilos, minutes, percent, shortDate, type Units } from '../../text/format'
import { endingWords, standName } from '../../text/names'
import type { Sow } from './useSow'
import { waterText } from './waterText'

type Props = { view: StandView; recipe: Recipe; sow: Sow; units: Units }

/** Seed thrown into what stands, which is cut down over it: one card for seed, cut, mulch, water and the day for it. */
export function DropOver({ view, recipe, sow, units }: Props) {
  const { data, today } = useGarden()
  const { stand, bed } = view
  const typed = parseDay(sow.form.text.date) ?? today
  const planned = stand.start.plan && parseDay(stand.start.plan.date)
  const day = sow.recorded ? typed : Math.max(typed, planned ?? typed)
  const above = coverAbove(data.stands, bed, stand, day)
  if (!above)
    return (
      <section aria-label="Sow and drop" className="mt-2 max-w-3xl">
        <p>
          Sow first, then cut what stands there down over the seed the same day, before rain. No cover is
          recorded there that day.
        </p>
      </section>
    )
  const name = standName(above).toLowerCase()
  return (
    <section aria-label="Sow and drop" className="mt-4 max-w-3xl border-y border-base-300 py-3">
      <h3 className="font-display text-[1.1rem] font-semibold">Sow and drop, {shortDate(day)}</h3>
      <ol className="mt-1 list-decimal space-y-1 pl-6">
        <li>Throw the seed into the standing {name}.</li>
        <li>
          <Cut view={view} above={above} day={day} />
        </li>
        <li>
          <Falls above={above} day={day} recipe={recipe} units={units} />
        </li>
        <li>
          <WaterAndDay view={view} above={above} day={day} units={units} recorded={sow.recorded} />
        </li>
      </ol>
    </section>
  )
}

/** Under a cover that is to be cut: its sowing may wait for that day, and lie under what falls. */
export function OrDropOver({ view: { stand } }: { view: StandView }) {
  const { data, today } = useGarden()
  const act = useAct()
  const above = data.stands.find(({ id }) => id === stand.underStandId)
  const plan = above && !above.end.actual && above.content.kind === 'cover' ? above.end.plan : null
  if (!above || !plan || !cutsDown(plan)) return null
  const day = Math.max(today, dayNumber(plan.date))
  return (
    <p className="mt-3 max-w-3xl">
      Or sow it as the {standName(above).toLowerCase()} is cut, and let that fall over the seed:{' '}
      <button className="btn btn-sm" onClick={single(() => act(planDropOver(stand, above, day)))}>
        Plan both for {shortDate(day)}
      </button>
    </p>
  )
}

/** The cut over the seed: with what, how long, and whether it is planned for that day. */
function Cut({ view: { stand, bed }, above, day }: { view: StandView; above: Stand; day: number }) {
  const { data } = useGarden()
  const act = useAct()
  const { plan, actual } = above.end
  const together = droppedWith(data.stands, bed, stand) !== null
  const took = useCutOver(above, day, together)
  return (
    <>
      Cut it down over the seed the same day, before rain
      {took.value?.minutes ? `: about ${minutes(took.value.minutes)}` : ''}.{' '}
      {actual
        ? `It was ended on ${shortDate(dayNumber(actual.date))}.`
        : together
          ? 'Planned so: Rounds has both as one.'
          : plan
            ? `Its end is planned otherwise: ${endingWords(plan)} on ${shortDate(dayNumber(plan.date))}.`
            : 'Its end is not planned.'}{' '}
      {!actual && !together && !stand.start.actual && (
        <button className="btn btn-sm" onClick={single(() => act(planDropOver(stand, above, day)))}>
          Plan both for {shortDate(day)}
        </button>
      )}{' '}
      <StandsAgain above={above} cut={took} />
    </>
  )
}

function Falls({ above, day, recipe, units }: { above: Stand; day: number; recipe: Recipe; units: Units }) {
  const { spec } = useGarden()
  const upper = useStand(above.id)
  const forecast = useAnswer('forecast', upper && [spec, upper.standCase], forecastName(above.id))
  // The day before: on the day itself it may be cut already.
  const massG = forecast.value && bandOn(forecast.value.massG, day - 1)
  if (!massG || !upper)
    return forecast.error ? (
      <Failed what="How much falls onto the seed" failure={forecast} />
    ) : (
      <span role="status">Working out how much falls …</span>
    )
  const areaM2 = segmentAreaM2(upper.bed, above.segment)
  const told = droppedOver(
    massG,
    recipe.lines.map(({ size }) => size),
  )
  const weigh = (g: number) => kilos((g * areaM2) / 1000, units)
  const depth = (g: number) => centimetres(mulchDepthM(g), units)
  return (
    <div data-testid="drop-over">
      Of the {standName(above).toLowerCase()} about {weigh(massG.p50)} dry growth falls ({weigh(massG.p10)} to{' '}
      {weigh(massG.p90)}), once it has settled {depth(massG.p50)} deep.{' '}
      <strong>
        {told.verdict === 'right'
          ? 'That suits this seed.'
          : told.verdict === 'too thin'
            ? `That is thin: add about ${weigh(told.topUpG)} of straw, soil still showing through.`
            : told.verdict === 'too thick'
              ? `Too thick for the smallest of this seed: rake about ${percent(told.rakeOffShare)} of it aside.`
              : 'It may be too thick for the smallest of this seed: look through it, and rake aside where no soil shows.'}
      </strong>{' '}
      <Why>
        Seedlings come up through about {weigh(MOST_OVER_SEED_G.tiny)} of dry mulch on this ground from tiny
        seed, {weigh(MOST_OVER_SEED_G.large)} from large (judgement, a third more or less), and want{' '}
        {weigh(LEAST_OVER_SEED_G)} to stay moist. How much falls is the forecast of what stands there for the
        day before.
      </Why>
    </div>
  )
}

/** Days about its own that are looked at for moisture. */
const LOOK_DAYS = 15

/** The water it wants on its day, and a day near it that is moister by itself. */
function WaterAndDay({
  view: { stand, bed },
  above,
  day,
  units,
  recorded,
}: {
  view: StandView
  above: Stand
  day: number
  units: Units
  recorded: boolean
}) {
  const { spec, today } = useGarden()
  const act = useAct()
  const days = useAnswer('sowingDays', [
    spec,
    bed.soil,
    Math.max(today, day - Math.floor(LOOK_DAYS / 2)),
    LOOK_DAYS,
  ])
  // By the same rule as in Rounds.
  const ahead = useAnswer('weather', [spec]).value?.days ?? []
  if (!days.value)
    return days.error ? (
      <Failed what="Looking at the coming days" failure={days} />
    ) : (
      <span role="status">Looking at the coming days …</span>
    )
  const own = days.value.find((entry) => entry.day === day)
  const better = recorded ? null : betterDay({ kind: 'sow', dueDay: day }, null, ahead, today)
  return (
    <div data-testid="drop-water">
      {own
        ? `Moist for ${MOIST_DAYS} days by itself: ${chanceText(own.moistChance)}; else water: ${waterText(own.needMm.p50, segmentAreaM2(bed, stand.segment), units)} in all.`
        : 'Water it until it is up; the mulch keeps it moist longer than bare soil.'}{' '}
      {better && (
        <>
          <strong>{betterWords(better)}</strong>{' '}
          {!above.end.actual && (
            <button
              className="btn btn-sm"
              onClick={single(() => act(planDropOver(stand, above, better.day)))}
            >
              Move both to {shortDate(better.day)}
            </button>
          )}
        </>
      )}{' '}
      <Why>
        Rain, evaporation and what this soil holds, followed for the top of the soil day by day through all
        seasons, as if it lay bare: under the mulch it dries more slowly.
      </Why>
    </div>
  )
}
