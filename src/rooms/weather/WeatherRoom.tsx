import type { ReactNode } from 'react'
import type { Quantiles } from '../../core/foundations/statistics'
import { Scroll } from '../../parts/Scroll'
import type { WeatherSummary } from '../../core/site/weatherSummary'
import { BandsChart } from '../../parts/BandsChart'
import {
  chanceText,
  dateRangeText,
  percent,
  rain,
  shortDate,
  temperature,
  type Units,
  centimetres,
} from '../../text/format'
import { Reserved } from '../../parts/Reserved'
import { Waiting } from '../../parts/Waiting'
import { Why } from '../../parts/Why'
import { useGarden } from '../../state/garden'
import { useAnswer } from '../../compute/useAnswer'
import { ImportDays } from './ImportDays'
import { ObservedDays } from './ObservedDays'
import { PlaceForm } from './PlaceForm'
import { Station } from './Station'
import { NormalsTable } from './NormalsTable'

/** The place's weather: frosts, the days ahead, soil warmth, normals beside what was observed. */
export function WeatherRoom() {
  const { data, today, spec } = useGarden()
  const { garden } = data
  const answer = useAnswer('weather', [spec])
  return (
    <section className="py-3">
      <h1>Weather</h1>
      <p className="mt-1 max-w-3xl">
        {Math.abs(garden.site.latitude)}° {garden.site.latitude < 0 ? 'S' : 'N'},{' '}
        {garden.site.coastal ? 'coastal' : 'inland'}.
      </p>
      <Station />
      <Reserved waiting={answer.running}>
        <Waiting
          what="Reading two hundred seasons of weather"
          running={answer.running}
          progress={answer.progress}
          error={answer.error}
          onCancel={answer.cancel}
          onRetry={answer.retry}
        />
        {answer.value && <p className="mt-1 max-w-3xl">{knownText(answer.value, garden.demo !== null)}</p>}
        {answer.value && <Summary summary={answer.value} units={garden.units} today={today} />}
      </Reserved>
      <Fold title="Observed days">
        <ObservedDays key={`${garden.id} ${today}`} />
      </Fold>
      <Fold title="Import daily weather">
        <ImportDays key={garden.id} />
      </Fold>
      <Fold title="Place and normals by hand">
        <PlaceForm key={garden.id} />
      </Fold>
    </section>
  )
}

/** Where the days gone by and the days ahead come from, in a sentence or two. */
function knownText(summary: WeatherSummary, demo: boolean): string {
  const { observed, bridged, missing } = summary.coverage
  const ahead = summary.resampled
    ? `days ahead are drawn from ${summary.observedYears} observed years`
    : 'days ahead are generated from the normals'
  if (observed === 0) return `No day has been observed ${demo ? '' : 'here '}yet; ${ahead}.`
  const gaps = [
    bridged > 0 ? `${bridged} bridged` : null,
    missing > 0 ? `${missing} missing and generated` : null,
  ].filter(Boolean)
  return `Of the last twelve months ${observed} days were observed${gaps.length > 0 ? `, ${gaps.join(', ')}` : ''}; ${summary.forecastDays > 0 ? `a forecast reaches ${summary.forecastDays} days ahead, ` : ''}${ahead}.`
}

function Fold({ title, children }: { title: string; children: ReactNode }) {
  return (
    <details className="mt-4">
      <summary className="cursor-pointer font-display text-[1.2rem] font-semibold">{title}</summary>
      {children}
    </details>
  )
}

function Summary({ summary, units, today }: { summary: WeatherSummary; units: Units; today: number }) {
  const step = summary.soilC[1].day - summary.soilC[0].day
  const pick = (of: keyof Quantiles) =>
    summary.soilC.map((entry) =>
      units === 'imperial' ? entry.quantiles[of] * 1.8 + 32 : entry.quantiles[of],
    )
  return (
    <div className="mt-4 grid grid-cols-1 gap-x-10 gap-y-6 lg:grid-cols-2">
      <section aria-label="Frost">
        <h2>Frost</h2>
        <Frosts summary={summary} units={units} />
        <Why>
          The last such night before, and the first after, the middle of summer, in each of two hundred
          seasons; middle and range of 8 in 10. Air temperature in a screen; low ground and clear nights are
          colder.
        </Why>
      </section>
      <section aria-label="Soil">
        <BandsChart
          bands={{
            startDay: summary.soilC[0].day,
            stepDays: step,
            p10: pick('p10'),
            p50: pick('p50'),
            p90: pick('p90'),
          }}
          untilDay={summary.soilC[summary.soilC.length - 1].day}
          today={today}
          name={`Bare soil at ${centimetres(0.05, units)}`}
          unit={units === 'imperial' ? '°F' : '°C'}
          points={[]}
        />
        <Why>
          Air temperature followed with a lag of some days and warmed by the sun, slowed under snow (a quarter
          of the gap each day, 0.15 to 0.4; judgement). Cover, residue and a sheet change it; this is bare
          ground.
        </Why>
      </section>
      <section aria-label="Days ahead" className="min-w-0">
        <h2>Ten days ahead</h2>
        <p className="mt-1">
          At least {rain(10, units)} within seven days: {chanceText(summary.goodRainChance)}. Three hot days
          in a row ({temperature(30, units)} or more): {chanceText(summary.hotSpellChance)}.
        </p>
        <Days summary={summary} units={units} />
        <Why>
          {summary.forecastDays > 0
            ? `Chances are shares of two hundred seasons that start from the forecast of ${summary.forecastDays} days. They agree with it today and spread until after ten days they are as different as years are. `
            : 'Chances are shares of two hundred seasons; there is no forecast in them, so they tell what is usual for these days. '}
          {summary.resampled
            ? `Days ahead are drawn from ${summary.observedYears} observed years.`
            : 'Days ahead are generated: a Markov chain of wet days, gamma rain, and correlated temperatures about the normals (Richardson 1981).'}
        </Why>
      </section>
      <section aria-label="Normals" className="min-w-0">
        <h2>Normals{summary.coverage.observed > 0 ? ' and the last twelve months' : ''}</h2>
        <NormalsTable months={summary.months} units={units} />
      </section>
    </div>
  )
}

function Frosts({ summary, units }: { summary: WeatherSummary; units: Units }) {
  return (
    <table className="table table-sm mt-1 w-auto" data-testid="frosts" data-help="frosts">
      <thead>
        <tr>
          <th>Nights at or below</th>
          <th>Last before summer</th>
          <th>First after summer</th>
        </tr>
      </thead>
      <tbody>
        {summary.lastFrosts.map((last, i) => {
          const first = summary.firstFrosts[i]
          const text = (frost: typeof last) =>
            frost.date ? dateRangeText(frost.date) : `none in ${percent(1 - frost.chance)} of years`
          return (
            <tr key={last.limitC}>
              <td>{temperature(last.limitC, units)}</td>
              <td>{text(last)}</td>
              <td>{text(first)}</td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}

function Days({ summary, units }: { summary: WeatherSummary; units: Units }) {
  return (
    <Scroll label="Ten days">
      <table className="table table-sm mt-1 w-auto" data-testid="days-ahead">
        <thead>
          <tr>
            <th>Day</th>
            <th>Low</th>
            <th>High</th>
            <th>Some rain</th>
            <th>{rain(10, units)} or more</th>
          </tr>
        </thead>
        <tbody>
          {summary.days.map((day) => (
            <tr key={day.day}>
              <td>{shortDate(day.day)}</td>
              <td className="whitespace-nowrap">
                {temperature(day.tMinC.p10, units)} to {temperature(day.tMinC.p90, units)}
              </td>
              <td className="whitespace-nowrap">
                {temperature(day.tMaxC.p10, units)} to {temperature(day.tMaxC.p90, units)}
              </td>
              <td>{percent(day.wetChance)}</td>
              <td>{percent(day.heavyChance)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Scroll>
  )
}
