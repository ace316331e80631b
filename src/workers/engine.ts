import { lastSeen } from '../core/ending/counted'
import { plantYear, type SowingOutlook } from '../core/choosing/plantYear'
import { judgeOwn, rankCovers } from '../core/choosing/rank'
import type { Candidate, ChooseAnswer, ChooseQuestion, Part, Rejection } from '../core/choosing/types'
import { sheetDose } from '../core/ending/sheets'
import { dayNumber } from '../core/foundations/day'
import { spreadOf, type Spread } from '../core/foundations/statistics'
import { stableHash } from '../core/foundations/hash'
import type { Bed, CutDetails } from '../core/garden/schema'
import type { EndDetails } from '../core/garden/ending'
import { findSpecies } from '../core/plants/catalogue'
import type { Crop } from '../core/plants/crops'
import { readiness, type Readiness } from '../core/planting/gates'
import type { manureGate } from '../core/planting/manure'
import { DEAD_SHARE } from '../core/ending/outcome'
import { forecastOf, setupFor, type StandForecast } from '../core/season/forecast'
import { standRun, type StandCase } from '../core/season/run'
import { simulatePattern, type PatternOutcome, type Throw } from '../core/seeding/pattern'
import { rankSowingDays, type SowingDay } from '../core/seeding/water'
import { sowingWindow, type SowingWindow } from '../core/seeding/when'
import { ensembleOf, type WeatherSpec } from '../core/season/weatherSpec'
import { weeklyOutlook, type WeekOutlook } from '../core/site/frost'
import { NOTHING_OBSERVED, type WeatherRecord } from '../core/site/record'
import type { WeatherEnsemble } from '../core/site/weather'
import { summarizeWeather, type WeatherSummary } from '../core/site/weatherSummary'
import { sowAgain, type SowAgain } from '../core/tracking/sowAgain'
import { cutting, type CutAnswer } from '../core/weighing/cutting'
import { growsBack, type CutOutcome, type GrowsBackQuestion } from '../core/weighing/growsBack'
import { moving, type MovingAnswer, type MovingQuestion } from '../core/weighing/moving'
import { compareWays, type WaysQuestion, type WeighedWay } from '../core/weighing/ways'
import { RecordMissing } from './recordMissing'
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
  if (!record) throw new RecordMissing()
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

/** Members that the best covers of a window are judged with. */
const CHOOSING_MEMBERS = 200
/** Share of the work between two answers that are shown while the rest is computed. */
const PARTIAL_STEP = 0.05

/** Told the share done, 0–1, and now and then what is known so far. */
type Progress<T> = (share: number, soFar?: T) => void

export type PlantQuestion = {
  standCase: StandCase
  end: EndDetails
  crop: Crop
  establishment: 'transplant' | 'seed'
  waitDays: number
  plantingDay: number
  flattened: boolean
  manure: ReturnType<typeof manureGate>
  nematodes: boolean
  creeping: readonly string[]
}

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
  sowAgain(spec: WeatherSpec, standCase: StandCase): SowAgain | null {
    return sowAgain(standCase, ensembleFor(spec), spec.today)
  },
  plantYear(spec: WeatherSpec, speciesId: string, sowDays: number[]): SowingOutlook[] {
    const plant = findSpecies(speciesId)
    return plant ? plantYear(plant, ensembleFor(spec), sowDays) : []
  },
  sowingDays(spec: WeatherSpec, soil: Bed['soil'], fromDay: number, days: number): SowingDay[] {
    return rankSowingDays(ensembleFor(spec), soil, fromDay, days)
  },
  sowingWindows(spec: WeatherSpec, speciesIds: string[]): Record<string, SowingWindow> {
    const ensemble = ensembleFor(spec)
    return Object.fromEntries(
      speciesIds.flatMap((speciesId) => {
        const plant = findSpecies(speciesId)
        return plant ? [[speciesId, sowingWindow(plant, ensemble, spec.today)]] : []
      }),
    )
  },
  castPattern(widthM: number, seedsPerM2: number, how: Throw): PatternOutcome[] {
    return [1, 2, 3].map((passes) => simulatePattern(widthM, seedsPerM2, how, passes, 11))
  },
  readWeatherFile,
  choose(spec: WeatherSpec, question: ChooseQuestion, progress?: Progress<ChooseAnswer>): ChooseAnswer {
    let shown = 0
    return rankCovers(question, ensembleFor({ ...spec, members: CHOOSING_MEMBERS }), (share, soFar) => {
      const worthShowing = share - shown >= PARTIAL_STEP
      if (worthShowing) shown = share
      progress?.(share, worthShowing ? soFar : undefined)
    })
  },
  ownMix(spec: WeatherSpec, question: ChooseQuestion, parts: Part[]): Candidate | Rejection {
    return judgeOwn(parts, question, ensembleFor({ ...spec, members: CHOOSING_MEMBERS }))
  },
  ways(spec: WeatherSpec, question: WaysQuestion, progress?: Progress<WeighedWay[]>): WeighedWay[] {
    const season = standRun(question.standCase, ensembleFor(spec), false)
    return season ? compareWays(question, season, spec.today, progress) : []
  },
  growsBack(spec: WeatherSpec, question: GrowsBackQuestion, progress?: Progress<CutOutcome[]>): CutOutcome[] {
    const season = standRun(question.standCase, ensembleFor(spec), false)
    return season ? growsBack(question, season, spec.today, (share) => progress?.(share)) : []
  },
  cutting(spec: WeatherSpec, standCase: StandCase, cut: CutDetails): CutAnswer | null {
    const season = standRun(standCase, ensembleFor(spec), false)
    const day = dayNumber(cut.date)
    return season && day > season.run.startDay ? cutting(season, standCase, cut, day) : null
  },
  moving(spec: WeatherSpec, question: MovingQuestion): MovingAnswer | null {
    const season = standRun(question.standCase, ensembleFor(spec), false)
    return season && moving(question, season)
  },
  filmSun(spec: WeatherSpec, fromDay: number, days: number): Spread | null {
    const ensemble = ensembleFor(spec)
    return spreadOf(
      ensemble.members.map((_, member) => sheetDose(ensemble, member, fromDay, fromDay + days, 'clear')),
    )
  },
  gates(spec: WeatherSpec, question: PlantQuestion): Readiness | null {
    const ensemble = ensembleFor(spec)
    const standing = standRun(question.standCase, ensemble, false)
    const ended = standRun({ ...question.standCase, nextStartDay: question.plantingDay }, ensemble)
    if (!standing || !ended) return null
    const target = DEAD_SHARE[question.establishment]
    const setup = setupFor(question.end, question.standCase, target, question.flattened)
    return readiness({
      ...question,
      setup,
      seen: lastSeen(question.standCase.stand, setup.plot),
      fertility: question.standCase.bed.fertility,
      standing: standing.run,
      ended: ended.run,
      ensemble: standing.ensemble,
      today: spec.today,
    })
  },
}

export type Engine = typeof engine
export type JobKind = Exclude<keyof Engine, 'keepRecord'>
