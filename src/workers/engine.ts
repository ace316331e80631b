import { compareEndings, type EndingOption } from '../core/ending/compare'
import { rankSpecies } from '../core/choosing/rank'
import type { ChooseAnswer, ChooseQuestion } from '../core/choosing/types'
import { stableHash } from '../core/foundations/hash'
import { partAreaM2 } from '../core/garden/area'
import type { EndDetails, Tool } from '../core/garden/schema'
import type { Crop } from '../core/plants/crops'
import { readiness, type Readiness } from '../core/planting/gates'
import { forecastOf, standRun, type StandCase, type StandForecast } from '../core/season/forecast'
import { ensembleOf, type WeatherSpec } from '../core/season/weatherSpec'
import { weeklyOutlook, type WeekOutlook } from '../core/site/frost'
import { NOTHING_OBSERVED, type WeatherRecord } from '../core/site/record'
import type { WeatherEnsemble } from '../core/site/weather'
import { summarizeWeather, type WeatherSummary } from '../core/site/weatherSummary'
import type { Target } from '../core/ending/compare'
import { readWeatherFile } from './weatherFile'

const cached: { key: string; ensemble: WeatherEnsemble }[] = []
/** Ensembles kept: the garden's, and one or two of a changed day. */
const CACHE_SIZE = 3

/** Weather records by key, as given; the newest last. */
const records = new Map<string, WeatherRecord>()
const RECORDS_KEPT = 4

function recordFor(spec: WeatherSpec): WeatherRecord {
  if (spec.recordKey === '') return NOTHING_OBSERVED
  const record = records.get(spec.recordKey)
  if (!record) throw new Error('The observed weather did not reach the calculation. Reload the page.')
  return record
}

function ensembleFor(spec: WeatherSpec): WeatherEnsemble {
  const key = stableHash(spec)
  const hit = cached.find((entry) => entry.key === key)
  if (hit) return hit.ensemble
  const ensemble = ensembleOf(spec, recordFor(spec))
  cached.unshift({ key, ensemble })
  cached.length = Math.min(cached.length, CACHE_SIZE)
  return ensemble
}

export type PlantQuestion = {
  standCase: StandCase
  end: EndDetails
  crop: Crop
  establishment: 'transplant' | 'seed'
  waitDays: number
  plantingDay: number
  flattened: boolean
}
export type EndQuestion = { standCase: StandCase; target: Target; tools: Tool[] }

/** The core behind a worker: each job is plain data in, plain data out. `progress` is told the share done. */
export const engine = {
  /** Takes in a weather record that later jobs name by its key. */
  keepRecord(key: string, record: WeatherRecord): void {
    records.delete(key)
    records.set(key, record)
    for (const old of [...records.keys()].slice(0, -RECORDS_KEPT)) records.delete(old)
  },
  outlook(spec: WeatherSpec, startDay: number, weeks: number): WeekOutlook[] {
    return weeklyOutlook(ensembleFor(spec), startDay, weeks)
  },
  weather(spec: WeatherSpec): WeatherSummary {
    return summarizeWeather(spec.site, ensembleFor(spec), spec.today, recordFor(spec))
  },
  forecast(spec: WeatherSpec, standCase: StandCase): StandForecast | null {
    const ensemble = ensembleFor(spec)
    const run = standRun(standCase, ensemble)
    const hasEnd = standCase.stand.end.plan !== null || standCase.stand.end.fact !== null
    return run && forecastOf(standCase, run, hasEnd ? standRun(standCase, ensemble, false) : null)
  },
  readWeatherFile,
  choose(spec: WeatherSpec, question: ChooseQuestion, progress?: (share: number) => void): ChooseAnswer {
    return rankSpecies(question, ensembleFor(spec), progress)
  },
  compare(spec: WeatherSpec, question: EndQuestion): EndingOption[] {
    const ensemble = ensembleFor(spec)
    const season = standRun(question.standCase, ensemble, false)
    if (!season) return []
    const { bed, stand } = question.standCase
    return compareEndings(
      season.run,
      season.ensemble,
      bed,
      partAreaM2(bed, stand.part),
      question.tools,
      question.target,
      spec.today,
    )
  },
  gates(spec: WeatherSpec, question: PlantQuestion): Readiness | null {
    const ensemble = ensembleFor(spec)
    const standing = standRun(question.standCase, ensemble, false)
    const ended = standRun({ ...question.standCase, nextStartDay: question.plantingDay }, ensemble)
    if (!standing || !ended) return null
    return readiness({
      ...question,
      standing: standing.run,
      ended: ended.run,
      ensemble: standing.ensemble,
      today: spec.today,
    })
  },
}

export type Engine = typeof engine
export type JobKind = Exclude<keyof Engine, 'keepRecord'>
