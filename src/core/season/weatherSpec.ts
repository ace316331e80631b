import { finish, type Steps } from '../foundations/steps'
import type { SiteClimate } from '../garden/site'
import { buildEnsembleInSteps } from '../site/ensemble'
import type { WeatherRecord } from '../site/record'
import type { WeatherEnsemble } from '../site/weather'

/**
 * Everything an ensemble depends on; small, so that it can be sent to a worker and hashed with every job. What was
 * observed stands in it only by its key.
 */
export type WeatherSpec = {
  site: SiteClimate
  /** Key of the weather record: equal keys mean equal days. */
  recordKey: string
  /** Days before this one are past. */
  today: number
  startDay: number
  days: number
  members: number
  seed: number
}

/** The ensemble of a spec, worked out with pauses; gone on from one with fewer members where there is one. */
export function ensembleInSteps(
  spec: WeatherSpec,
  record: WeatherRecord,
  begun: WeatherEnsemble | null = null,
): Steps<WeatherEnsemble> {
  return buildEnsembleInSteps(
    spec.site,
    record,
    spec.today,
    spec.startDay,
    spec.days,
    spec.members,
    spec.seed,
    begun,
  )
}

/** The same at one go. */
export const ensembleOf = (spec: WeatherSpec, record: WeatherRecord): WeatherEnsemble =>
  finish(ensembleInSteps(spec, record))
