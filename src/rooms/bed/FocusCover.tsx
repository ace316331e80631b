import { Link } from 'react-router'
import type { Stand } from '../../core/garden/schema'
import { bandOn, type StandForecast } from '../../core/season/forecast'
import { BandsChart } from '../../parts/BandsChart'
import { dryMatter, nitrogen, percent, type Units } from '../../parts/format'
import { leadGroup, leadName, standName } from '../../parts/names'
import { StageLadder } from '../../parts/StageLadder'
import { Why } from '../../parts/Why'

type Look = { day: number; cover: number | null; heightCm: number | null }
type Props = {
  stand: Stand
  forecast: StandForecast
  today: number
  untilDay: number
  looks: Look[]
  units: Units
}

/** The cover in focus: where it stands today, its stages, and cover, mass, height and nitrogen over time. */
export function FocusCover({ stand, forecast, today, untilDay, looks, units }: Props) {
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
      {cover && mass && taken && mass.mid > 0.5 && (
        <p className="mt-1">
          Today {percent(cover.mid)} of the ground green, {dryMatter(mass.mid, units)} dry matter (
          {dryMatter(mass.low, units)} to {dryMatter(mass.high, units)}), {nitrogen(taken.mid, units)}{' '}
          nitrogen in the growth.
        </p>
      )}
      <div className="mt-3 grid grid-cols-1 gap-x-6 gap-y-4 md:grid-cols-2">
        <BandsChart
          {...shared}
          bands={forecast.cover}
          name="Green cover"
          unit="%"
          scale={100}
          max={100}
          points={seen((look) => look.cover)}
        />
        <BandsChart
          {...shared}
          bands={forecast.massG}
          name="Dry matter"
          unit={units === 'imperial' ? 'lb/acre' : 't/ha'}
          scale={units === 'imperial' ? 8.92 : 0.01}
          points={[]}
        />
        <BandsChart
          {...shared}
          bands={forecast.heightM}
          name="Height"
          unit={units === 'imperial' ? 'in' : 'cm'}
          scale={units === 'imperial' ? 39.37 : 100}
          points={seen((look) => (look.heightCm === null ? null : look.heightCm / 100))}
        />
        <BandsChart
          {...shared}
          bands={forecast.nitrogenG}
          name="Nitrogen in the growth"
          unit={units === 'imperial' ? 'lb/acre' : 'kg/ha'}
          scale={units === 'imperial' ? 8.92 : 10}
          points={[]}
        />
      </div>
      <StageLadder
        forecast={forecast}
        group={leadGroup(stand)}
        today={today}
        species={mix ? leadName(stand) : null}
      />
      <Why>
        Lines are the middle of a hundred seasons, bands the range of 8 in 10; your checks stand as points and
        have re-weighted the seasons. Growth from light caught, temperature, water and nitrogen (Spitters
        1990; Lemaire and Gastal 1997); stages from thermal time, cold and daylength. Parameters with their
        ranges: docs/model.md.
      </Why>
    </section>
  )
}
