import { plantYearInSteps, type SowingOutlook } from '../core/choosing/plantYear'
import { ownCoverInSteps, type OwnAnswer } from '../core/choosing/own'
import { quickCrops, type QuickCrop } from '../core/choosing/quickCrops'
import { rankInSteps } from '../core/choosing/rank'
import type { ChooseAnswer, ChooseQuestion, MixComponent } from '../core/choosing/types'
import { doseBetween } from '../core/termination/doses'
import { dayNumber } from '../core/foundations/day'
import { quantilesOf, type Quantiles } from '../core/foundations/statistics'
import type { Steps } from '../core/foundations/steps'
import type { Bed, CutDetails, GroundSheetKind, SheetAim } from '../core/garden/schema'
import { findSpecies } from '../core/plants/catalogue'
import { aftermathOf, type Aftermath } from '../core/scenario/after'
import { bestOption, type BestTermination } from '../core/scenario/best'
import { portraitInSteps, type Portrait } from '../core/portrait/portrait'
import { compareInSteps, type Ask, type TerminationOption } from '../core/scenario/compare'
import { evaluateWithInSteps } from '../core/scenario/evaluate'
import { plannedEnd } from '../core/scenario/plan'
import { sowingOutlookInSteps, type SowingOutlookDay } from '../core/scenario/sowingDays'
import { repairInSteps, type Repair } from '../core/scenario/repair'
import { traysInSteps, type TrayDates } from '../core/scenario/trays'
import { minutesOf } from '../core/scenario/work'
import type { Scenario, ScenarioOutcome } from '../core/scenario/types'
import { latest } from '../core/garden/timeline'
import { forecastInSteps } from '../core/season/forecast'
import { asItStands } from '../core/season/standCase'
import type { StandForecast } from '../core/season/standForecast'
import { groundSummary, type GroundSummary } from '../core/bed/groundSummary'
import { standRunInSteps } from '../core/bed/standRun'
import type { EarlierUse, StandCase } from '../core/season/cases'
import { simulatePattern, type PatternOutcome, type Throw } from '../core/seeding/pattern'
import { sowingDaysInSteps, type SowingDay } from '../core/seeding/water'
import type { WeatherSpec } from '../core/season/weatherSpec'
import { whereOf, type Point } from '../core/site/neighbours'
import { usualYear, type Corrections, type UsualYear } from '../core/site/usualYear'
import { weeklyOutlook, type WeekOutlook } from '../core/site/frost'
import { summarizeWeather, type WeatherSummary } from '../core/site/weatherSummary'
import { sowAgain, type SowAgain } from '../core/tracking/sowAgain'
import { aisleMowings, type AisleMowing, type Neighbour } from '../core/scenario/aisle'
import { AISLE_YEARS, AISLE_YEARS_MEMBERS, aisleYears, type AisleYear } from '../core/scenario/aisleYears'
import { groundSheet, type GroundSheetAnswer } from '../core/termination/groundSheet'
import { cutting, type CutAnswer } from '../core/scenario/cutting'
import { regrowthInSteps, type CutOutcome, type RegrowthQuestion } from '../core/scenario/regrowth'
import { inTurnsInSteps, type Sequence, type SequenceOutcome } from '../core/scenario/inTurns'
import { letSeedInSteps, type SeedDay } from '../core/scenario/letSeed'
import { moving, type MovingAnswer, type MovingQuestion } from '../core/scenario/moving'
import { ensembleFor, recordFor, seasonFor } from './grown'
import { readWeatherFile } from './weatherFile'

/** Share of the work between two answers that are shown while the rest is computed. */
const PARTIAL_STEP = 0.05

/** Told the share done, 0–1, and now and then what is known so far. */
type Progress<T> = (share: number, soFar?: T) => void

/** What a plan comes to, what it leaves for the planting day, and when the trays of its crop are sown. */
export type PlanAnswer = {
  outcome: ScenarioOutcome
  /** Work of its ending, minutes; null without one. */
  minutes: number | null
  after: Aftermath | null
  trays: TrayDates | null
}

/** Every way of ending a stand held against the others, and the one to plan. */
export type Comparison = { options: TerminationOption[]; best: BestTermination | null }

/** The core behind a worker: each job is plain data in, plain data out. `progress` is called with the share done. */
export const jobs = {
  /** Makes the weather that all else is asked of. */
  *prepare(spec: WeatherSpec): Steps<null> {
    yield* ensembleFor(spec)
    return null
  },
  *outlook(spec: WeatherSpec, startDay: number, weeks: number): Steps<WeekOutlook[]> {
    return weeklyOutlook(yield* ensembleFor(spec), startDay, weeks)
  },
  *weather(spec: WeatherSpec): Steps<WeatherSummary> {
    const ensemble = yield* ensembleFor(spec)
    yield
    return summarizeWeather(spec.site, ensemble, spec.today, recordFor(spec))
  },
  *forecast(spec: WeatherSpec, standCase: StandCase): Steps<StandForecast | null> {
    const shown = asItStands(standCase, spec.today)
    const season = yield* seasonFor(shown, yield* ensembleFor(spec), 'as planned')
    return season && (yield* forecastInSteps(shown, season, latest(standCase.stand.end), spec.today))
  },
  *portrait(spec: WeatherSpec, standCase: StandCase): Steps<Portrait | null> {
    const season = yield* seasonFor(standCase, yield* ensembleFor(spec), 'as planned')
    return season && (yield* portraitInSteps(standCase, season))
  },
  *ground(spec: WeatherSpec, before: EarlierUse[], bed: Bed, day: number): Steps<GroundSummary | null> {
    return groundSummary(before, bed, yield* ensembleFor(spec), day)
  },
  *sowAgain(spec: WeatherSpec, standCase: StandCase): Steps<SowAgain | null> {
    return sowAgain(standCase, yield* ensembleFor(spec), spec.today)
  },
  *plantYear(spec: WeatherSpec, speciesId: string, sowDays: number[]): Steps<SowingOutlook[]> {
    const plant = findSpecies(speciesId)
    return plant ? yield* plantYearInSteps(plant, yield* ensembleFor(spec), sowDays) : []
  },
  *sowingDays(spec: WeatherSpec, soil: Bed['soil'], fromDay: number, days: number): Steps<SowingDay[]> {
    return yield* sowingDaysInSteps(yield* ensembleFor(spec), soil, fromDay, days)
  },
  *sowingOutlook(
    spec: WeatherSpec,
    scenario: Scenario,
    days: number[],
    progress?: Progress<SowingOutlookDay[]>,
  ): Steps<SowingOutlookDay[]> {
    return yield* sowingOutlookInSteps(scenario, yield* ensembleFor(spec), days, progress)
  },
  castPattern(widthM: number, seedsPerM2: number, how: Throw): PatternOutcome[] {
    return [1, 2, 3].map((passes) => simulatePattern(widthM, seedsPerM2, how, passes, 11))
  },
  readWeatherFile,
  usualYear: (point: Point, corrections: Corrections): UsualYear => usualYear(whereOf(point), corrections),
  *choose(
    spec: WeatherSpec,
    question: ChooseQuestion,
    progress?: Progress<ChooseAnswer>,
  ): Steps<ChooseAnswer> {
    let shown = 0
    return yield* rankInSteps(question, yield* ensembleFor(spec), (share, soFar) => {
      const worthShowing = share - shown >= PARTIAL_STEP
      if (worthShowing) shown = share
      progress?.(share, worthShowing ? soFar : undefined)
    })
  },
  *ownMix(spec: WeatherSpec, question: ChooseQuestion, components: MixComponent[]): Steps<OwnAnswer | null> {
    return yield* ownCoverInSteps(components, question, yield* ensembleFor(spec))
  },
  *quickCrops(spec: WeatherSpec, sowDay: number, wantedDay: number): Steps<QuickCrop[]> {
    return quickCrops(yield* ensembleFor(spec), sowDay, wantedDay)
  },
  *aisle(
    spec: WeatherSpec,
    standCase: StandCase,
    neighbours: Neighbour[],
    today: number,
  ): Steps<AisleMowing[]> {
    const season = yield* seasonFor(standCase, yield* ensembleFor(spec))
    return season ? aisleMowings(standCase, season, neighbours, today) : []
  },
  *groundSheet(
    spec: WeatherSpec,
    sheet: GroundSheetKind,
    aim: SheetAim,
    fromDay: number,
    untilDay: number,
  ): Steps<GroundSheetAnswer> {
    return groundSheet(yield* ensembleFor(spec), sheet, aim, fromDay, untilDay)
  },
  *aisleYears(
    spec: WeatherSpec,
    standCase: StandCase,
    neighbours: Neighbour[],
    today: number,
  ): Steps<AisleYear[]> {
    // The years after the garden’s own weather are made for this alone.
    const days = today + (AISLE_YEARS + 1) * 366 - spec.startDay
    const ensemble = yield* ensembleFor({ ...spec, days, members: AISLE_YEARS_MEMBERS })
    const season = yield* standRunInSteps(standCase, ensemble)
    return season ? aisleYears(standCase, season, neighbours, today) : []
  },
  *letSeed(spec: WeatherSpec, scenario: Scenario): Steps<SeedDay[]> {
    const ensemble = yield* ensembleFor(spec)
    const season = yield* seasonFor({ ...scenario.standCase, own: scenario.means.own }, ensemble)
    return season ? yield* letSeedInSteps(scenario, season) : []
  },
  *inTurns(
    spec: WeatherSpec,
    scenario: Scenario,
    sequences: Sequence[],
    progress?: Progress<SequenceOutcome[]>,
  ): Steps<SequenceOutcome[]> {
    return yield* inTurnsInSteps(scenario, sequences, yield* ensembleFor(spec), progress)
  },
  *repair(spec: WeatherSpec, scenario: Scenario): Steps<Repair | null> {
    const ensemble = yield* ensembleFor(spec)
    const season = yield* seasonFor({ ...scenario.standCase, own: scenario.means.own }, ensemble)
    return season && (yield* repairInSteps(scenario, season, ensemble))
  },
  *evaluate(spec: WeatherSpec, scenario: Scenario): Steps<PlanAnswer | null> {
    const season = yield* seasonFor(
      { ...scenario.standCase, own: scenario.means.own },
      yield* ensembleFor(spec),
      'as planned',
    )
    const evaluated = season && (yield* evaluateWithInSteps(scenario, season, plannedEnd(scenario)))
    if (!evaluated) return null
    yield
    const after = aftermathOf(scenario, evaluated)
    yield
    const { outcome, termination } = evaluated
    const minutes = termination && minutesOf(scenario, evaluated.season, termination)
    return { outcome, minutes, after, trays: yield* traysInSteps(scenario, evaluated) }
  },
  *compare(
    spec: WeatherSpec,
    scenario: Scenario,
    ask: Ask,
    progress?: Progress<Comparison>,
  ): Steps<Comparison> {
    const { standCase, means } = scenario
    const season = yield* seasonFor({ ...standCase, own: means.own }, yield* ensembleFor(spec))
    if (!season) return { options: [], best: null }
    const options = yield* compareInSteps(scenario, season, ask, (share, soFar) =>
      progress?.(share, { options: soFar, best: null }),
    )
    return { options, best: bestOption(scenario, options) }
  },
  *regrowth(
    spec: WeatherSpec,
    question: RegrowthQuestion,
    progress?: Progress<CutOutcome[]>,
  ): Steps<CutOutcome[]> {
    return yield* regrowthInSteps(question, yield* ensembleFor(spec), (share) => progress?.(share))
  },
  *cutting(spec: WeatherSpec, standCase: StandCase, cut: CutDetails): Steps<CutAnswer | null> {
    const season = yield* seasonFor(standCase, yield* ensembleFor(spec))
    const day = dayNumber(cut.date)
    return season && day > season.run.startDay ? cutting(season, standCase, cut, day) : null
  },
  *moving(spec: WeatherSpec, question: MovingQuestion): Steps<MovingAnswer | null> {
    return moving(question, yield* ensembleFor(spec))
  },
  *filmSun(spec: WeatherSpec, fromDay: number, days: number): Steps<Quantiles | null> {
    const ensemble = yield* ensembleFor(spec)
    return quantilesOf(
      ensemble.members.map((_, member) => doseBetween(ensemble, 'clear', member, fromDay, fromDay + days)),
    )
  },
}

export type Jobs = typeof jobs
