import { stableHash } from '../core/foundations/hash'
import type { Steps } from '../core/foundations/steps'
import { standRunInSteps } from '../core/bed/standRun'
import { PAST_MEMBERS } from '../core/bed/through'
import type { StandCase } from '../core/season/cases'
import { followedAlone, followedUntil, turningDays, weatherUntil } from '../core/season/horizon'
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

/** A stand as it was grown and learned, followed alone to its end of the weather or to a day, and its bytes. */
type Grown = {
  key: string
  ensemble: WeatherEnsemble
  season: SeasonRun | null
  aloneUntil: number
  bytes: number
}
const grown: Grown[] = []
/** Most bytes of stands kept: one asks for its forecast, its plan and its endings one after another. */
const KEPT_BYTES = 120e6

/** All that a stand's growth depends on: how it is to be ended and what follows are not in it. */
const growthOf = ({ bed, stand, checks, upper, brought, before }: StandCase) => ({
  bed,
  stand: { ...stand, end: stand.end.actual },
  checks,
  upper,
  brought,
  before,
})

/** Bytes of the series of a run and of the states saved with it, nearly. */
const bytesOf = ({ run }: SeasonRun): number =>
  run.members * (4 * run.days * (11 + 4 * run.species.length) + 8 * SAVED_COLUMNS * (1 + run.species.length))
/** Columns of saved states for each species and for the ground, over both turning days. */
const SAVED_COLUMNS = 80

/** What is asked of a stand: its ending as it is planned, or any. */
export type Asked = 'as planned' | 'any ending'

/** A stand grown under a weather, learned once for all that is asked about it. */
export function* seasonFor(
  standCase: StandCase,
  ensemble: WeatherEnsemble,
  asked: Asked = 'any ending',
): Steps<SeasonRun | null> {
  const until = followedUntil(standCase)
  const alone = asked === 'as planned' ? followedAlone(standCase, ensemble) : null
  const aloneUntil = alone ?? Infinity
  const key = stableHash([growthOf(standCase), until])
  const place = grown.findIndex(
    (entry) => entry.key === key && entry.ensemble === ensemble && entry.aloneUntil >= aloneUntil,
  )
  let [entry] = place >= 0 ? grown.splice(place, 1) : []
  if (!entry) {
    const weather = weatherUntil(ensemble, until)
    const season = yield* standRunInSteps(standCase, weather, turningDays(standCase), alone)
    entry = { key, ensemble, season, aloneUntil, bytes: season ? bytesOf(season) : 0 }
  }
  grown.unshift(entry)
  prune()
  return entry.season
}

/** Drops what was asked for longest ago where more is kept than may be; the newest stays. */
function prune(): void {
  let bytes = 0
  const most = grown.findIndex((entry, i) => (bytes += entry.bytes) > KEPT_BYTES && i > 0)
  if (most > 0) grown.length = most
}
