import type { SiteClimate } from '../garden/schema'
import { buildEnsemble, simulateObserved } from '../site/ensemble'
import type { WeatherEnsemble } from '../site/weather'

/** Everything an ensemble depends on; small, so that it can be sent to a worker and hashed. */
export type WeatherSpec = {
  site: SiteClimate
  /** The simulated station of a demo garden; null for real gardens. */
  station: { seed: number; fromDay: number } | null
  /** Days before this one have been observed, if there is a station. */
  today: number
  startDay: number
  days: number
  members: number
  seed: number
}

export function ensembleOf(spec: WeatherSpec): WeatherEnsemble {
  const observed = spec.station
    ? simulateObserved(spec.site, spec.station.seed, spec.station.fromDay, spec.today)
    : []
  return buildEnsemble(spec.site, observed, spec.startDay, spec.days, spec.members, spec.seed)
}
