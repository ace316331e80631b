import { Link } from 'react-router'
import type { Stand } from '../../core/garden/schema'
import { bandOn, type StandForecast } from '../../core/season/standForecast'
import { ChangeSentence } from '../../parts/ChangeSentence'
import type { Learned } from '../../state/useLearned'
import { BandsChart } from '../../parts/BandsChart'
import { findSpecies } from '../../core/plants/catalogue'
import { dryMatter, dryMatterAxis, nitrogen, nitrogenAxis, type Told } from '../../text/amounts'
import { dateRangeText, density, percent, type Units } from '../../text/format'
import { leadGroup, leadName, standName } from '../../text/names'
import { StageLadder } from '../../parts/StageLadder'
import { SownOn } from '../../parts/SownOn'
import { Why } from '../../parts/Why'
import { Watering } from './Watering'

type Look = { day: number; cover: number | null; heightCm: number | null }
type Props = {
  stand: Stand
  forecast: StandForecast
  learned: Learned
  today: number
  untilDay: number
  looks: Look[]
  units: Units
  told: Told
}

/** What the cover leaves behind: seed of its own, and carbon in the soil. */
function Afterwards({ forecast, stand, units, told }: Pick<Props, 'forecast' | 'stand' | 'units' | 'told'>) {
  const components = stand.content.kind === 'cover' ? stand.content.components : []
  const { p10: low, p90: high } = forecast.carbonG
  return (
    <div className="mt-3">
      {forecast.selfSowing.map(({ component, sheds, viablePerM2, sproutsPerM2 }) => (
        <div key={component}>
          {findSpecies(components[component]?.speciesId ?? '')?.name ?? 'It'} sows itself
          {sheds.quantiles ? ` from ${dateRangeText(sheds.quantiles)}` : ' where it lies'}: about{' '}
          {density(viablePerM2.p50, units)} viable seeds ({density(viablePerM2.p10, units)} to{' '}
          {density(viablePerM2.p90, units)}) by its end
          {sproutsPerM2 && sproutsPerM2.p50 >= 1
            ? `, of which some ${density(sproutsPerM2.p50, units)} come up`
            : ''}
          .{' '}
          <Why>
            Ripe seed is a share of the growth, filled from milk ripeness to hard dough and shed after it;
            half is taken by birds and mice (judgement, 30 to 80 %), the rest sprouts from the surface in the
            first warm wet ten days unless it lies dormant.
          </Why>
        </div>
      ))}
      {forecast.selfSowing.length === 0 && <p>It sets no viable seed before its end.</p>}
      {high > 1 && (
        <div>
          Of its carbon {dryMatter(low, told)} to {dryMatter(high, told)} is still in the soil a year after.{' '}
          <Why>
            A tenth to a fifth of shoot carbon and a quarter to a half of root carbon stay for a year
            (extension); after that 1.5 to 4 % of it goes each year. A slow band over years, no promise.
          </Why>
        </div>
      )}
    </div>
  )
}

/** The cover in focus: where it stands today, its stages, and cover, mass, height and nitrogen over time. */
export function FocusCover({ stand, forecast, learned, today, untilDay, looks, units, told }: Props) {
  const mix = stand.content.kind === 'cover' && stand.content.components.length > 1
  const shared = { untilDay, today, small: true }
  const seen = (of: (look: Look) => number | null) =>
    looks.flatMap((look) => (of(look) === null ? [] : [{ day: look.day, value: of(look)! }]))
  const cover = bandOn(forecast.cover, today)
  const mass = bandOn(forecast.massG, today)
  const taken = bandOn(forecast.nitrogenG, today)
  return (
    <section aria-label={`Forecast of ${standName(stand)}`}>
      <h2>
        <Link className="link" to={`/watch/${stand.id}`}>
          {standName(stand)}
        </Link>
      </h2>
      {cover && mass && taken && mass.p50 > 0.5 && (
        <p className="mt-1">
          Today {percent(cover.p50)} of the ground green, {dryMatter(mass.p50, told)} dry matter (
          {dryMatter(mass.p10, told)} to {dryMatter(mass.p90, told)}), {nitrogen(taken.p50, told)} nitrogen in
          the growth.
        </p>
      )}
      <SownOn stand={stand} forecast={forecast} seen={looks.length > 0} />
      <ChangeSentence learned={learned} stand={stand} />
      <div className="mt-3 grid grid-cols-1 gap-x-6 gap-y-4 md:grid-cols-2">
        <BandsChart
          {...shared}
          bands={forecast.cover}
          before={learned.before?.cover}
          name="Green cover"
          unit="%"
          scale={100}
          max={100}
          points={seen((look) => look.cover)}
        />
        <BandsChart
          {...shared}
          bands={forecast.massG}
          before={learned.before?.massG}
          name="Dry matter"
          {...dryMatterAxis(told)}
          points={[]}
        />
        <BandsChart
          {...shared}
          bands={forecast.heightM}
          before={learned.before?.heightM}
          name="Height"
          unit={units === 'imperial' ? 'in' : 'cm'}
          scale={units === 'imperial' ? 39.37 : 100}
          points={seen((look) => (look.heightCm === null ? null : look.heightCm / 100))}
        />
        <BandsChart
          {...shared}
          bands={forecast.nitrogenG}
          before={learned.before?.nitrogenG}
          name="Nitrogen in the growth"
          {...nitrogenAxis(told)}
          points={[]}
        />
      </div>
      <StageLadder
        forecast={forecast}
        group={leadGroup(stand)}
        today={today}
        species={mix ? leadName(stand) : null}
      />
      <Afterwards forecast={forecast} stand={stand} units={units} told={told} />
      {stand.start.actual && !stand.end.actual && <Watering stand={stand} />}
      <Why label="where do the bands come from?">
        Lines are the middle of two hundred seasons, bands the range of 8 in 10; your checks stand as points
        and have re-weighted the seasons. Growth from light caught, temperature, water and nitrogen (Spitters
        1990; Lemaire and Gastal 1997); stages from thermal time, cold and daylength. Parameters with their
        ranges: docs/model.md.
      </Why>
    </section>
  )
}
