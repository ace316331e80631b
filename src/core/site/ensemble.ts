import { mixSeed, randomStream } from '../foundations/random'
import type { SiteClimate } from '../garden/schema'
import { weatherGenerator } from './generator'
import { daylightSeries, deriveWeather, emptyMember, type WeatherDay, type WeatherEnsemble } from './weather'

/** Default number of members of an ensemble. */
export const MEMBERS = 100

/**
 * Members of daily weather from `startDay` on: the observed days as they were, then generated ones.
 * Days missing from `observed` are generated per member. The same arguments give the same ensemble.
 * @param members 1–1000  @param days 1–3000
 */
export function buildEnsemble(
  site: SiteClimate,
  observed: readonly WeatherDay[],
  startDay: number,
  days: number,
  members: number,
  seed: number,
): WeatherEnsemble {
  const byDay = new Map(observed.map((entry) => [entry.day, entry]))
  const generator = weatherGenerator(site)
  let firstGeneratedDay = startDay
  while (byDay.has(firstGeneratedDay)) firstGeneratedDay++

  const all = Array.from({ length: members }, (_, index) => {
    const random = randomStream(mixSeed(seed, index))
    const member = emptyMember(days)
    const state = generator.start(random)
    for (let i = 0; i < days; i++) {
      generator.next(state, startDay + i, random)
      const seen = byDay.get(startDay + i)
      member.tMinC[i] = seen ? seen.tMinC : state.tMinC
      member.tMaxC[i] = seen ? seen.tMaxC : state.tMaxC
      member.rainMm[i] = seen ? seen.rainMm : state.rainMm
      if (seen) state.wet = seen.rainMm >= 1
    }
    deriveWeather(member, site, startDay)
    return member
  })
  return {
    startDay,
    days,
    firstGeneratedDay,
    daylightHours: daylightSeries(site, startDay, days),
    members: all,
  }
}

/** One made-up year after another: what a simulated station would have recorded, deterministic by seed. */
export function simulateObserved(
  site: SiteClimate,
  seed: number,
  startDay: number,
  endDay: number,
): WeatherDay[] {
  const random = randomStream(mixSeed(seed, 0x57a7))
  const generator = weatherGenerator(site)
  const state = generator.start(random)
  const days: WeatherDay[] = []
  for (let day = startDay; day < endDay; day++) {
    generator.next(state, day, random)
    days.push({
      day,
      tMinC: Math.round(state.tMinC * 10) / 10,
      tMaxC: Math.round(state.tMaxC * 10) / 10,
      rainMm: Math.round(state.rainMm * 10) / 10,
    })
  }
  return days
}
