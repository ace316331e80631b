import type { ReactNode } from 'react'
import type { Quantiles } from '../../core/foundations/statistics'
import type { WeatherSummary } from '../../core/site/weatherSummary'
import { BandsChart } from '../../parts/BandsChart'
import { chanceText, percent, rain, shortDate, temperature, type Units, centimetres } from '../../text/format'
import { Reserved } from '../../parts/Reserved'
import { Waiting } from '../../parts/Waiting'
import { Why } from '../../parts/Why'
import { useGarden } from '../../state/garden'
import { useAnswer } from '../../compute/useAnswer'
import { ImportDays } from './ImportDays'
import { ObservedDays } from './ObservedDays'
import { HomeForm } from './HomeForm'
import { PlaceForm } from './PlaceForm'
import { Station } from './Station'
import { FrostYear } from './FrostYear'
import { monthOfYear, NormalsTable } from './NormalsTable'
import { WarmthColumns, type WarmthColumn } from './WarmthColumns'

/** The place's weather: frosts, the days ahead, soil warmth, normals beside what was observed. */
export function WeatherRoom() {
  const { data, today, spec } = useGarden()
  const { garden } = data
  const answer = useAnswer('weather', [spec])
  return (
    <section className="py-3">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1>Weather</h1>
        <p className="quiet">
          {Math.abs(garden.site.latitude)}° {garden.site.latitude < 0 ? 'S' : 'N'},{' '}
          {garden.site.coastal ? 'coastal' : 'inland'}
        </p>
      </div>
      <Reserved waiting={answer.running}>
        <Waiting
          what="Reading two hundred seasons of weather"
          running={answer.running}
          progress={answer.progress}
          error={answer.error}
          onCancel={answer.cancel}
          onRetry={answer.retry}
        />
        {answer.value && <Summary summary={answer.value} units={garden.units} today={today} />}
      </Reserved>
      <h2 className="mt-6">Where it comes from</h2>
      <Station />
      {answer.value && <p className="mt-1 max-w-3xl">{knownText(answer.value, garden.demo !== null)}</p>}
      <Fold title="Observed days">
        <ObservedDays key={`${garden.id} ${today}`} />
      </Fold>
      <Fold title="Import daily weather">
        <ImportDays key={garden.id} />
      </Fold>
      <Fold title="Place and usual year">
        <HomeForm key={garden.id} />
      </Fold>
      <Fold title="Normals by hand">
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
    <>
      <section aria-label="Days ahead" className="mt-3">
        <h2>Ten days ahead</h2>
        <p className="mt-1 max-w-3xl">
          At least {rain(10, units)} within seven days: {chanceText(summary.goodRainChance)}. Three hot days
          in a row ({temperature(30, units)} or more): {chanceText(summary.hotSpellChance)}.
        </p>
        <WarmthColumns label="Ten days" units={units} testid="days-ahead" columns={dayColumns(summary)} />
        <p className="quiet text-sm">
          Thick: from the usual low to the usual high; pale: how far they may lie off (8 in 10). The dashes
          are freezing. Below: the chance of some rain.
        </p>
        <Why>
          {summary.forecastDays > 0
            ? `Chances are shares of two hundred seasons that start from the forecast of ${summary.forecastDays} days. They agree with it today and spread until after ten days they are as different as years are. `
            : 'Chances are shares of two hundred seasons; there is no forecast in them, so they tell what is usual for these days. '}
          {summary.resampled
            ? `Days ahead are drawn from ${summary.observedYears} observed years.`
            : 'Days ahead are generated: a Markov chain of wet days, gamma rain, and correlated temperatures about the normals (Richardson 1981).'}
        </Why>
      </section>
      <div className="mt-6 grid grid-cols-1 gap-x-10 gap-y-6 lg:grid-cols-2">
        <section aria-label="Frost" className="min-w-0">
          <h2>Free of frost</h2>
          <FrostYear summary={summary} units={units} />
          <Why>
            The last such night before, and the first after, the middle of summer, in each of two hundred
            seasons; middle and range of 8 in 10, drawn firm where nine in ten are free. Air temperature in a
            screen; low ground and clear nights are colder.
          </Why>
        </section>
        <section aria-label="Soil" className="min-w-0">
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
            Air temperature followed with a lag of some days and warmed by the sun, slowed under snow (a
            quarter of the gap each day, 0.15 to 0.4; judgement). Cover, residue and a sheet change it; this
            is bare ground.
          </Why>
        </section>
      </div>
      <section aria-label="Normals" className="mt-6 min-w-0">
        <h2>The usual year{summary.coverage.observed > 0 ? ' and the last twelve months' : ''}</h2>
        <WarmthColumns
          label="Warmth and rain by month"
          units={units}
          testid="months"
          columns={monthColumns(summary, units)}
        />
        {summary.coverage.observed > 0 && (
          <p className="quiet text-sm">Thick: normals. The black lines are what was seen here.</p>
        )}
        <details className="mt-1">
          <summary className="cursor-pointer">In numbers</summary>
          <NormalsTable months={summary.months} units={units} />
        </details>
      </section>
    </>
  )
}

const dayColumns = ({ days }: WeatherSummary): WarmthColumn[] =>
  days.map(({ day, tMinC, tMaxC, wetChance }) => ({
    key: day,
    name: shortDate(day),
    lowC: tMinC.p50,
    highC: tMaxC.p50,
    range: { lowC: tMinC.p10, highC: tMaxC.p90 },
    rainShare: wetChance,
    rainText: percent(wetChance),
  }))

function monthColumns({ months }: WeatherSummary, units: Units): WarmthColumn[] {
  const wettest = Math.max(1, ...months.map(({ rainMm }) => rainMm))
  return months.map(({ month, tMinC, tMaxC, rainMm, observed }) => ({
    key: month,
    name: monthOfYear(month),
    lowC: tMinC,
    highC: tMaxC,
    seen: observed && { lowC: observed.tMinC, highC: observed.tMaxC },
    rainShare: rainMm / wettest,
    rainText: rain(rainMm, units),
  }))
}
