import { segmentAreaM2 } from '../../core/garden/area'
import { parseDay } from '../../core/foundations/day'
import { mulchDepthM } from '../../core/residue/mulch'
import { bandOn } from '../../core/season/standForecast'
import { coverAbove, droppedOver, LEAST_OVER_SEED_G, MOST_OVER_SEED_G } from '../../core/seeding/dropOver'
import type { Recipe } from '../../core/seeding/recipe'
import type { Stand } from '../../core/garden/schema'
import { forecastName } from '../../parts/weave/useBedCloth'
import { Failed } from '../../parts/Waiting'
import { Why } from '../../parts/Why'
import { useAnswer } from '../../compute/useAnswer'
import { useGarden } from '../../state/garden'
import { useStand, type StandView } from '../../state/useStand'
import { centimetres, kilos, percent, type Units } from '../../text/format'
import { standName } from '../../text/names'
import type { Sow } from './useSow'

/** Seed thrown into what stands, which is then cut down over it: how much falls, and what to do where that is too much. */
export function DropOver({
  view,
  recipe,
  sow,
  units,
}: {
  view: StandView
  recipe: Recipe
  sow: Sow
  units: Units
}) {
  const { data, today } = useGarden()
  const day = parseDay(sow.form.text.date) ?? today
  const planned = view.stand.start.plan && parseDay(view.stand.start.plan.date)
  const sowDay = sow.recorded ? day : Math.max(day, planned ?? day)
  const above = coverAbove(data.stands, view.bed, view.stand, sowDay)
  return (
    <section aria-label="Sow and drop" className="mt-2 max-w-3xl">
      <p>Sow first, then cut what stands there down over the seed the same day, before rain.</p>
      {above && <Falls above={above} day={sowDay} recipe={recipe} units={units} />}
    </section>
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
      <p role="status">Working out how much falls …</p>
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
        seed,
        {weigh(MOST_OVER_SEED_G.large)} from large (judgement, a third more or less), and want{' '}
        {weigh(LEAST_OVER_SEED_G)} to stay moist. How much falls is the forecast of what stands there for the
        day before.
      </Why>
    </div>
  )
}
