import { stableHash } from '../core/foundations/hash'
import type { Steps } from '../core/foundations/steps'
import { standRunInSteps } from '../core/bed/standRun'
import { PAST_MEMBERS } from '../core/bed/through'
import type { StandCase } from '../core/season/cases'
import { followedUntil, turningDays, weatherUntil } from '../core/season/horizon'
import type { SeasonRun } from '../core/season/run'
import { ensembleInSteps, type WeatherSpec } from '../core/season/weatherSpec'
import { NOTHING_OBSERVED, type WeatherRecord } from '../core/site/record'
import { firstMembers, type WeatherEnsemble } from '../core/site/weather'
import { RecordMissing } from './recordMissing'
import { WeatherRecords } from './records'

/**
 * Ensembles by all they depend on but the number of their members: the one that is there, and the work on one with more,
 * which every question that wants it takes a share in.
 */
type Made = { key: string; ensemble: WeatherEnsemble | null; making: Steps<WeatherEnsemble> | null }
const cached: Made[] = []
/** Ensembles kept: the garden's, and one or two of a changed day. */
const CACHE_SIZE = 3

/** Weather records that the page has sent, by their keys. */
export const records = new WeatherRecords()

export function recordFor(spec: WeatherSpec): WeatherRecord {
  if (spec.recordKey === '') return NOTHING_OBSERVED
  const record = records.get(spec.recordKey)
  if (!record) throw new RecordMissing(spec.recordKey)
  return record
}

/** What is made under a key, as the newest of those kept. */
function madeFor(key: string): Made {
  const place = cached.findIndex((entry) => entry.key === key)
  const [made] = place >= 0 ? cached.splice(place, 1) : [{ key, ensemble: null, making: null }]
  cached.unshift(made)
  cached.length = Math.min(cached.length, CACHE_SIZE)
  return made
}

export function* ensembleFor(spec: WeatherSpec): Steps<WeatherEnsemble> {
  const made = madeFor(stableHash({ ...spec, members: 0 }))
  while (!made.ensemble || made.ensemble.members.length < spec.members) {
    // The first few are made first, for questions that are content with them.
    const members = made.ensemble ? spec.members : Math.min(spec.members, PAST_MEMBERS)
    made.making ??= ensembleInSteps({ ...spec, members }, recordFor(spec), made.ensemble)
    yield* shareOf(made, made.making)
  }
  return firstMembers(made.ensemble, spec.members)
}

/** A step of work that several questions may take a share in; whoever takes the last one keeps what it came to. */
function* shareOf(made: Made, making: Steps<WeatherEnsemble>): Steps<void> {
  try {
    const step = making.next()
    if (!step.done) return void (yield)
    made.ensemble = step.value
    made.making = null
  } catch (error) {
    made.making = null
    throw error
  }
}

const grown: { key: string; ensemble: WeatherEnsemble; season: SeasonRun | null }[] = []
/** Stands kept as they were grown and learned: one asks for its forecast, its plan and its endings one after another. */
const SEASONS_KEPT = 4

/** All that a stand's growth depends on: how it is to be ended and what follows are not in it. */
const growthOf = ({ bed, stand, checks, upper, brought, before }: StandCase) => ({
  bed,
  stand: { ...stand, end: stand.end.actual },
  checks,
  upper,
  brought,
  before,
})

/** A stand grown under a weather, learned once for all that is asked about it. */
export function* seasonFor(standCase: StandCase, ensemble: WeatherEnsemble): Steps<SeasonRun | null> {
  const until = followedUntil(standCase)
  const key = stableHash([growthOf(standCase), until])
  const place = grown.findIndex((entry) => entry.key === key && entry.ensemble === ensemble)
  const entry =
    place >= 0
      ? grown.splice(place, 1)[0]
      : {
          key,
          ensemble,
          season: yield* standRunInSteps(standCase, weatherUntil(ensemble, until), turningDays(standCase)),
        }
  grown.unshift(entry)
  grown.length = Math.min(grown.length, SEASONS_KEPT)
  return entry.season
}
