import { plantYear, type SowingOutlook } from '../core/choosing/plantYear'
import { ownCover, type OwnAnswer } from '../core/choosing/own'
import { quickCrops, type QuickCrop } from '../core/choosing/quickCrops'
import { rankCovers } from '../core/choosing/rank'
import type { ChooseAnswer, ChooseQuestion, MixComponent } from '../core/choosing/types'
import { doseBetween } from '../core/termination/doses'
import { dayNumber } from '../core/foundations/day'
import { quantilesOf, type Quantiles } from '../core/foundations/statistics'
import { stableHash } from '../core/foundations/hash'
import type { Bed, CutDetails } from '../core/garden/schema'
import { findSpecies } from '../core/plants/catalogue'
import { aftermathOf, type Aftermath } from '../core/scenario/after'
import { bestOption, type BestTermination } from '../core/scenario/best'
import { compareTerminations, type Ask, type TerminationOption } from '../core/scenario/compare'
import { evaluate } from '../core/scenario/evaluate'
import { sowingOutlook, type SowingOutlookDay } from '../core/scenario/sowingDays'
import { cheapestRepair, type Repair } from '../core/scenario/repair'
import { traysOf, type TrayDates } from '../core/scenario/trays'
import type { Scenario, ScenarioOutcome } from '../core/scenario/types'
import { forecastOf, type StandForecast } from '../core/season/forecast'
import { groundSummary, type GroundSummary } from '../core/bed/groundSummary'
import { standRun } from '../core/bed/standRun'
import type { EarlierUse, StandCase } from '../core/season/run'
import { simulatePattern, type PatternOutcome, type Throw } from '../core/seeding/pattern'
import { rankSowingDays, type SowingDay } from '../core/seeding/water'
import { ensembleOf, type WeatherSpec } from '../core/season/weatherSpec'
import { weeklyOutlook, type WeekOutlook } from '../core/site/frost'
import { NOTHING_OBSERVED, type WeatherRecord } from '../core/site/record'
import type { WeatherEnsemble } from '../core/site/weather'
import { summarizeWeather, type WeatherSummary } from '../core/site/weatherSummary'
import { sowAgain, type SowAgain } from '../core/tracking/sowAgain'
import { cutting, type CutAnswer } from '../core/scenario/cutting'
import { regrowth, type CutOutcome, type RegrowthQuestion } from '../core/scenario/regrowth'
import { moving, type MovingAnswer, type MovingQuestion } from '../core/scenario/moving'
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

/** Share of the work between two answers that are shown while the rest is computed. */
const PARTIAL_STEP = 0.05

/** Told the share done, 0–1, and now and then what is known so far. */
type Progress<T> = (share: number, soFar?: T) => void

/** What a plan comes to, what it leaves for the planting day, and when the trays of its crop are sown. */
export type PlanAnswer = { outcome: ScenarioOutcome; after: Aftermath | null; trays: TrayDates | null }

/** Every way of ending a stand held against the others, and the one to plan. */
export type Comparison = { options: TerminationOption[]; best: BestTermination | null }

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
    const season = standRun(standCase, ensemble)
    return season && forecastOf(standCase, season)
  },
  ground(spec: WeatherSpec, before: EarlierUse[], bed: Bed, day: number): GroundSummary | null {
    return groundSummary(before, bed, ensembleFor(spec), day)
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
  sowingOutlook(
    spec: WeatherSpec,
    scenario: Scenario,
    days: number[],
    progress?: Progress<SowingOutlookDay[]>,
  ): SowingOutlookDay[] {
    return sowingOutlook(scenario, ensembleFor(spec), days, progress)
  },
  castPattern(widthM: number, seedsPerM2: number, how: Throw): PatternOutcome[] {
    return [1, 2, 3].map((passes) => simulatePattern(widthM, seedsPerM2, how, passes, 11))
  },
  readWeatherFile,
  choose(spec: WeatherSpec, question: ChooseQuestion, progress?: Progress<ChooseAnswer>): ChooseAnswer {
    let shown = 0
    return rankCovers(question, ensembleFor(spec), (share, soFar) => {
      const worthShowing = share - shown >= PARTIAL_STEP
      if (worthShowing) shown = share
      progress?.(share, worthShowing ? soFar : undefined)
    })
  },
  ownMix(spec: WeatherSpec, question: ChooseQuestion, components: MixComponent[]): OwnAnswer | null {
    return ownCover(components, question, ensembleFor(spec))
  },
  quickCrops(spec: WeatherSpec, sowDay: number, wantedDay: number): QuickCrop[] {
    return quickCrops(ensembleFor(spec), sowDay, wantedDay)
  },
  repair(spec: WeatherSpec, scenario: Scenario): Repair | null {
    const ensemble = ensembleFor(spec)
    const season = standRun({ ...scenario.standCase, own: scenario.means.own }, ensemble)
    return season && cheapestRepair(scenario, season, ensemble)
  },
  evaluate(spec: WeatherSpec, scenario: Scenario): PlanAnswer | null {
    const evaluated = evaluate(scenario, ensembleFor(spec))
    return (
      evaluated && {
        outcome: evaluated.outcome,
        after: aftermathOf(scenario, evaluated),
        trays: traysOf(scenario, evaluated),
      }
    )
  },
  compare(spec: WeatherSpec, scenario: Scenario, ask: Ask, progress?: Progress<Comparison>): Comparison {
    const { standCase, means } = scenario
    const season = standRun({ ...standCase, own: means.own }, ensembleFor(spec))
    if (!season) return { options: [], best: null }
    const options = compareTerminations(scenario, season, ask, (share, soFar) =>
      progress?.(share, { options: soFar, best: null }),
    )
    return { options, best: bestOption(scenario, options) }
  },
  regrowth(spec: WeatherSpec, question: RegrowthQuestion, progress?: Progress<CutOutcome[]>): CutOutcome[] {
    return regrowth(question, ensembleFor(spec), (share) => progress?.(share))
  },
  cutting(spec: WeatherSpec, standCase: StandCase, cut: CutDetails): CutAnswer | null {
    const season = standRun(standCase, ensembleFor(spec))
    const day = dayNumber(cut.date)
    return season && day > season.run.startDay ? cutting(season, standCase, cut, day) : null
  },
  moving(spec: WeatherSpec, question: MovingQuestion): MovingAnswer | null {
    return moving(question, ensembleFor(spec))
  },
  filmSun(spec: WeatherSpec, fromDay: number, days: number): Quantiles | null {
    const ensemble = ensembleFor(spec)
    return quantilesOf(
      ensemble.members.map((_, member) => doseBetween(ensemble, 'clear', member, fromDay, fromDay + days)),
    )
  },
}

export type Engine = typeof engine
export type JobKind = Exclude<keyof Engine, 'keepRecord'>
