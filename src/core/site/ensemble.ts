import { dayNumber, yearOf } from '../foundations/day'
import { atOnce, type Steps } from '../foundations/steps'
import { mixSeed, randomStream, type RandomStream } from '../foundations/random'
import type { SiteClimate } from '../garden/site'
import type { ObservedDay } from '../garden/weatherDays'
import { blendForecast } from './forecast'
import { weatherGenerator } from './generator'
import {
  bridgedDays,
  completeYears,
  dayInYear,
  NOTHING_OBSERVED,
  YEARS_TO_RESAMPLE,
  type WeatherRecord,
} from './record'
import {
  beginsWith,
  daylightSeries,
  deriveWeather,
  emptyMember,
  sunSeries,
  type MemberWeather,
  type WeatherEnsemble,
} from './weather'

/** Days by which a drawn year is moved at most, so that few years still give many members. */
const SHIFT_DAYS = 7

/**
 * What normals of the nearest station or a map tell wrongly of a garden and of one of its years: standard deviations of
 * °C, and of the logarithm of rain (judgement, 0.4–1 and 0.1–0.25).
 */
export const SITE_SD = { temperatureC: 0.6, rain: 0.15 } as const
/** Middle of the years that normals are taken from (1991–2020). */
const NORMALS_YEAR = 2005

/** Degrees that a year's days are warmer than the normals say. */
const warmingOf = ({ warmingCPerDecade }: SiteClimate, day: number) =>
  (warmingCPerDecade * (yearOf(day) - NORMALS_YEAR)) / 10

/** Members that are worked out between two pauses. */
const MEMBERS_A_STEP = 10

type ObservedByDay = Map<number, Pick<ObservedDay, 'tMinC' | 'tMaxC' | 'rainMm'>>

/**
 * Draws the days of a member from the observed years: one year after another, each moved by up to a week. Asked for
 * a day, gives the observed one that stands in for it, or nothing where that is not known.
 */
function yearDrawer(years: readonly number[], byDay: ObservedByDay, random: RandomStream) {
  const shift = Math.round((random.uniform() * 2 - 1) * SHIFT_DAYS)
  const drawn = new Map<number, number>()
  const draw = () => years[Math.min(years.length - 1, Math.floor(random.uniform() * years.length))]
  return (day: number) => {
    const target = yearOf(day)
    let source = drawn.get(target)
    if (source === undefined) {
      const last = drawn.get(target - 1)
      // A winter goes on into the year that really followed, where there is one.
      source = last !== undefined && years.includes(last + 1) ? last + 1 : draw()
      drawn.set(target, source)
    }
    return byDay.get(dayInYear(day, dayNumber(`${source}-01-01`)) + shift)
  }
}

/**
 * Members of daily weather from `startDay` on: the days before `today` as observed, then the forecast with a spread
 * that grows by the day, then days drawn from ten or more observed years, or generated where there are fewer.
 * Values that were not observed are generated for each member. The same arguments give the same ensemble.
 * @param today first day that is not past; observed days from it on are used only as years to draw from
 * @param members 1–1000  @param days 1–3000
 * @param begun the same ensemble with fewer members: it is gone on from
 */
export const buildEnsemble = atOnce(buildEnsembleInSteps)

/** The same with pauses. */
export function* buildEnsembleInSteps(
  site: SiteClimate,
  record: WeatherRecord,
  today: number,
  startDay: number,
  days: number,
  members: number,
  seed: number,
  begun: WeatherEnsemble | null = null,
): Steps<WeatherEnsemble> {
  const generator = weatherGenerator(site)
  const past = record.days.filter((entry) => entry.day < today)
  const byDay: ObservedByDay = new Map(past.map((entry) => [entry.day, entry]))
  for (const [day, entry] of bridgedDays(past, (at) => generator.usual(at).rainMm)) byDay.set(day, entry)
  const forecast = new Map(
    record.forecast.filter(({ day }) => day >= today).map((entry) => [entry.day, entry]),
  )
  const years = completeYears(record.days)
  const resampled = years.length >= YEARS_TO_RESAMPLE
  const allByDay: ObservedByDay = resampled ? new Map(record.days.map((entry) => [entry.day, entry])) : byDay

  const known = Uint8Array.from({ length: days }, (_, i) => {
    const seen = byDay.get(startDay + i)
    return seen && seen.tMinC !== null && seen.tMaxC !== null && seen.rainMm !== null ? 1 : 0
  })

  const sun = sunSeries(site, startDay, days)
  const predictedOn = Array.from({ length: days }, (_, i) => forecast.get(startDay + i))
  const seenOn = Array.from({ length: days }, (_, i) => byDay.get(startDay + i))

  const all: MemberWeather[] = begun ? [...begun.members] : []
  for (let index = all.length; index < members; index++) {
    const random = randomStream(mixSeed(seed, index))
    const drawnDay = resampled ? yearDrawer(years, allByDay, random) : null
    const member = emptyMember(days)
    const state = generator.start(random)
    const unlike = randomStream(mixSeed(mixSeed(seed, 0x517e), index))
    const warmerC = warmingOf(site, startDay) + SITE_SD.temperatureC * unlike.normal()
    const rainier = Math.exp(SITE_SD.rain * unlike.normal())
    for (let i = 0; i < days; i++) {
      const day = startDay + i
      generator.next(state, day, random)
      const predicted = predictedOn[i]
      const seen = seenOn[i] ?? (predicted ? undefined : drawnDay?.(day))
      if (seen) {
        const tMax = seen.tMaxC ?? Math.max(state.tMaxC, (seen.tMinC ?? -Infinity) + 1)
        state.tMinC = seen.tMinC ?? Math.min(state.tMinC, tMax - 1)
        state.tMaxC = tMax
        state.rainMm = seen.rainMm ?? state.rainMm
        state.wet = state.rainMm >= 1
      } else if (predicted) blendForecast(state, predicted, day - today, generator, random)
      const told = seen ?? predicted
      member.tMinC[i] = state.tMinC + (told ? 0 : warmerC)
      member.tMaxC[i] = state.tMaxC + (told ? 0 : warmerC)
      member.rainMm[i] = state.rainMm * (told ? 1 : rainier)
    }
    deriveWeather(member, site, sun)
    all.push(member)
    if (index % MEMBERS_A_STEP === 0) yield
  }
  const ensemble = {
    startDay,
    days,
    seed,
    known,
    daylightHours: daylightSeries(site, startDay, days),
    members: all,
  }
  if (begun) beginsWith(ensemble, begun)
  return ensemble
}

/** An ensemble of generated weather alone, nothing observed. */
export function generatedEnsemble(
  site: SiteClimate,
  startDay: number,
  days: number,
  members: number,
  seed: number,
): WeatherEnsemble {
  return buildEnsemble(site, NOTHING_OBSERVED, startDay, startDay, days, members, seed)
}
