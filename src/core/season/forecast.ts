import { deadDays } from './deadDays'
import type { StandCase } from './cases'
import { eventsOfEnd } from './events'
import { endedRunInSteps, type SeasonRun } from './run'
import { dayNumber } from '../foundations/day'
import { NOTHING, shareOf, quantilesOf, type Quantiles } from '../foundations/statistics'
import { atOnce, type Steps } from '../foundations/steps'
import type { EndDetails } from '../garden/ending'
import { leadComponent } from '../garden/lead'
import { latest } from '../garden/timeline'
import type { StandRun } from '../stand/types'
import { selfSowing } from '../stand/reseeding'
import { carbonKept, type OrganicInput } from '../residue/organicMatter'
import {
  bandsOfSeries,
  broughtBy,
  dateQuantiles,
  firstDays,
  quantilesOn,
  allStageDays,
  valuesOn,
  type Bands,
} from '../stand/summary'
import { REPORTED_STAGES, STEP_DAYS, type StageDates, type StandForecast } from './standForecast'

/** Day a stand is dead after its planned or recorded ending, over the members; null without one. `run` has the ending in it as it is shown. */
function* endedQuantiles(
  standCase: StandCase,
  season: SeasonRun,
  end: EndDetails | null,
  run: StandRun,
): Steps<Quantiles | null> {
  if (!end || end.method === 'harvest') return null
  const shown = latest(standCase.stand.end)
  const events = eventsOfEnd(standCase, end, standCase.nextStartDay)
  const ended =
    shown?.date === end.date || events.length === 0
      ? run
      : yield* season.branchInSteps(dayNumber(end.date), events)
  return quantilesOf(deadDays(standCase, season, end, ended))
}

/**
 * Series, dates and chances of a stand, from its run without its ending.
 * @param end the ending by which its dates are told, where its series are to show it later
 * @param exactOn day on which its series are told as they are, not between two steps
 */
export const forecastOf = atOnce(forecastInSteps)

/** The same with pauses. */
export function* forecastInSteps(
  standCase: StandCase,
  season: SeasonRun,
  end: EndDetails | null = latest(standCase.stand.end),
  exactOn?: number,
): Steps<StandForecast> {
  const run = yield* endedRunInSteps(standCase, season)
  const lead = Math.min(leadComponent(standCase.stand), run.species.length - 1)
  const stagesByComponent: StageDates[] = []
  // A planned ending moves no stage: they are told of the stand left to grow.
  const grows = standCase.stand.end.actual ? run : season.run
  const course = grows === season.run ? yield* season.course() : null
  for (const component of run.species.keys()) {
    yield
    const days = allStageDays(grows, component, REPORTED_STAGES)
    if (course)
      allStageDays(course, component, REPORTED_STAGES).forEach((later, i) =>
        later.forEach((day, member) => {
          if (Number.isNaN(days[i][member])) days[i][member] = day
        }),
      )
    stagesByComponent.push(REPORTED_STAGES.map((bbch, i) => ({ bbch, date: dateQuantiles(days[i]) })))
  }
  yield
  const dead = firstDays(run, (at) =>
    run.species.every((species) => species.bbch[at] >= 9 && species.alive[at] <= 0.1),
  )
  yield
  const ended = yield* endedQuantiles(standCase, season, end, run)
  const endDay = end ? dayNumber(end.date) : Infinity
  const ends = Math.min(endDay, standCase.nextStartDay ?? Infinity, run.startDay + run.days - 1)
  const shownEnd = latest(standCase.stand.end)
  const lastStanding = shownEnd ? dayNumber(shownEnd.date) - 1 : -Infinity
  const bands = function* (series: Float32Array): Steps<Bands> {
    yield
    const on = (day: number) => {
      const values = quantilesOf(valuesOn(run, series, day))
      return values ? { day, values } : undefined
    }
    const bands = bandsOfSeries(run, series, STEP_DAYS)
    return { ...bands, before: on(lastStanding), exact: exactOn === undefined ? undefined : on(exactOn) }
  }
  const alive: Bands[] = []
  for (const species of run.species) alive.push(yield* bands(species.alive))
  yield
  const sown = selfSowing(run, ends, end?.method !== 'harvest')
  return {
    standId: standCase.stand.id,
    sownOn: season.sownOn && quantilesOf(season.sownOn),
    cover: yield* bands(run.cover),
    massG: yield* bands(run.massG),
    heightM: yield* bands(run.heightM),
    residueG: yield* bands(run.residueG),
    nitrogenG: yield* bands(run.nitrogenG),
    bbch: yield* bands(run.species[lead].bbch),
    seedLayer: yield* bands(run.seedLayer),
    up: stagesByComponent.map((stages) => stages[0].date),
    alive,
    plantsPerM2: run.species.map(({ plantsPerM2, alive: living }) => {
      const onEve = valuesOn(run, living, lastStanding)
      const stood = plantsPerM2.map((up, m) => up * (Number.isNaN(onEve[m]) ? 1 : onEve[m]))
      return quantilesOf(stood) ?? NOTHING
    }),
    stages: stagesByComponent[lead],
    stagesByComponent,
    covered30: dateQuantiles(firstDays(run, (at) => run.cover[at] >= 0.3)),
    dead: dateQuantiles(dead),
    ended,
    selfSowing: sown,
    carbonG: carbonKept([organicInput(run, ends)]),
    diesAlone: shareOf(run.members, (member) => dead[member] < endDay),
  }
}

/** Dry matter that a stand leaves in its bed when it ends: shoots with what has fallen already, and roots. */
function organicInput(run: StandRun, endDay: number): OrganicInput {
  const mid = (name: 'massG' | 'residueG', day: number) => quantilesOn(run, name, day)?.p50 ?? 0
  // What lay there before it was sown, and what was laid onto it, is not its own.
  const notOwn = mid('residueG', run.startDay) + broughtBy(run, endDay - 1).massG
  const fallen = Math.max(0, mid('residueG', endDay - 1) - notOwn)
  const shootG = mid('massG', endDay - 1) + fallen
  const shoots = run.species.map((species) => quantilesOf(valuesOn(run, species.massG, endDay - 1))?.p50 ?? 0)
  const total = shoots.reduce((sum, mass) => sum + mass, 0)
  const rootShare = run.sown.reduce(
    (sum, { plant }, c) =>
      sum + (total > 0 ? shoots[c] / total : 1 / shoots.length) * plant.parameters.rootShare,
    0,
  )
  return { shootG, rootG: (shootG * rootShare) / (1 - rootShare), yearsAgo: 0 }
}
