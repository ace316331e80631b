import { range } from 'es-toolkit/math'
import { obstacleOf, type Ahead, type Obstacle } from '../termination/obstacles'
import { CANDIDATES, ruledOut, type Candidate, type RuledOut } from '../termination/start'
import { findMethod, type MethodId } from '../termination/methods'
import { dayNumber } from '../foundations/day'
import { atOnce, type Steps } from '../foundations/steps'
import { shareOf } from '../foundations/statistics'
import type { EndDetails } from '../garden/ending'
import { FIRST_WEEKS_DAYS } from '../planting/openDays'
import type { SeasonRun } from '../season/run'
import { quantilesOn, stageDays } from '../stand/summary'
import type { StandRun } from '../stand/types'
import { aftermathOf, type Aftermath } from './after'
import { commonOf } from './criteria'
import { endedBranch, FOLLOWED_DAYS } from './evaluate'
import { targetDay } from './plan'
import { lastBeforeSeed, seedFitDays } from './seedFit'
import { bestStart, HOPELESS, latestSafe, refused, type TerminationStart } from './starts'
import { livingOf } from '../termination/living'
import { terminationOf } from './termination'
import { closelyInSteps, placeOf, startOf, tryBarely, type Comparison } from './tries'
import type { Scenario } from './types'

/** Start days looked at for one way at most: as far back as a year. */
export const MOST_STARTS = 24
/** Days looked ahead where nothing says when the ground is wanted and no seed comes; nearer than this seed counts as there. */
const OPEN_LOOK_DAYS = 120
const SEED_NEAR_DAYS = 7
/** Days looked at past the day that decides, and days between those on which its growth is asked. */
const PAST_DAYS = 21
const GROWS_STEP_DAYS = 7

/** A night or a day beyond these in a member counts as cold or heat that may end a stand, °C. */
const COLD_C = -5
const HEAT_C = 36
/** Days on the whole hotter than cool-season covers bear, °C, and how many of them thin a stand out (judgement). */
const HOT_MEAN_C = 26
const HOT_DAYS = 10

/** One way of ending a stand: what shuts it, or what it comes to over its start days. */
export type TerminationOption = {
  method: MethodId
  passes: number
  obstacle: Obstacle | null
  leftOut: RuledOut | null
  starts: TerminationStart[]
  /** The start that was asked for, else the best one; what it leaves, where the ground is wanted on a day. */
  shown: TerminationStart | null
  latestSafeDay: number | null
  after: Aftermath | null
}

/**
 * Where nothing says when the ground is wanted: the last day looked at, and the day after which nothing speaks for waiting, on
 * which the stand is at its most before it bears seed, in the middle course. Some weeks past both are looked at too, so that a
 * best day is never the last only because nobody looked further. Where seed urges already, it decides.
 */
function openEnd(run: StandRun, fromDay: number): { lookDay: number; growsDay: number } {
  const beforeSeed = lastBeforeSeed(seedFitDays(run))
  if (beforeSeed <= fromDay + SEED_NEAR_DAYS) return { lookDay: fromDay + OPEN_LOOK_DAYS, growsDay: Infinity }
  const massOn = (day: number) => quantilesOn(run, 'massG', day)?.p50 ?? 0
  const lastDay = Math.max(fromDay, Math.min(beforeSeed, run.startDay + run.days - 1))
  const growsDay = [...range(fromDay, lastDay, GROWS_STEP_DAYS), lastDay].reduce((most, day) =>
    massOn(day) > massOn(most) ? day : most,
  )
  const lookDay = Number.isFinite(beforeSeed) ? beforeSeed : Math.max(fromDay + OPEN_LOOK_DAYS, growsDay)
  return { lookDay: lookDay + PAST_DAYS, growsDay }
}

/** Day after which nothing speaks for waiting; Infinity where a day is wanted or seed decides. */
export const growsUntil = (scenario: Scenario, run: StandRun): number =>
  Number.isFinite(targetDay(scenario.follows))
    ? Infinity
    : openEnd(run, startSpan(scenario, run).fromDay).growsDay

/** Of starts those on days on which waiting still helps; all where there are none. */
export function whileItGrows<T>(
  starts: readonly T[],
  until: number,
  dayOf: (one: T) => number,
): readonly T[] {
  const growing = starts.filter((one) => dayOf(one) <= until)
  return growing.length > 0 ? growing : starts
}

/** First and last day on which an ending may begin, of a stand as far as it is known how it grows. */
export function startSpan(
  scenario: Scenario,
  run: Pick<StandRun, 'startDay' | 'days'> | StandRun,
): { fromDay: number; toDay: number } {
  const fromDay = Math.max(scenario.today, run.startDay + 1)
  const target = targetDay(scenario.follows)
  const last = run.startDay + run.days - 1 - FIRST_WEEKS_DAYS
  if (Number.isFinite(target)) return { fromDay, toDay: Math.min(target, last) }
  const until = 'species' in run ? openEnd(run, fromDay).lookDay : fromDay + OPEN_LOOK_DAYS
  return { fromDay, toDay: Math.min(until, last) }
}

/** Days between two start days grow by about this for each day further back from the day the ground is wanted. */
const SPACING_DAYS = 1.25

/**
 * Start days between two, reckoned back from the last, close together near it and wider apart the earlier; the same days
 * whatever day it is asked on. `most` of them at most, evenly left out.
 */
export function startDays(fromDay: number, toDay: number, most = MOST_STARTS): number[] {
  const days: number[] = []
  for (let k = 1; ; k++) {
    const day = toDay - Math.round((SPACING_DAYS * k * (k + 1)) / 2)
    if (day < fromDay) break
    days.push(day)
  }
  if (days.length === 0 && toDay >= fromDay) days.push(fromDay)
  const every = Math.max(1, Math.ceil(days.length / most))
  return days.filter((_, i) => i % every === 0).reverse()
}

/**
 * Days on which a stand's endings are tried; the first that can be and the last before seed, or on which it grows, among them.
 */
export function daysTried(
  scenario: Scenario,
  run: StandRun,
  fitDays: Float64Array,
  most = MOST_STARTS,
): number[] {
  const { fromDay, toDay } = startSpan(scenario, run)
  const ripest = [lastBeforeSeed(fitDays), growsUntil(scenario, run)]
  return [...new Set([fromDay, ...ripest, ...startDays(fromDay, toDay, most)])]
    .filter((day) => day >= fromDay && day <= toDay)
    .sort((a, b) => a - b)
}

/** The chance that cold or heat that kills comes between two days, and that the stand ripens. */
function aheadOf({ ensemble, run }: SeasonRun, fromDay: number, toDay: number): Ahead {
  const first = Math.max(0, fromDay - ensemble.startDay)
  const last = Math.min(ensemble.days, toDay - ensemble.startDay)
  const chance = (days: number, test: (member: number, i: number) => boolean) =>
    shareOf(ensemble.members.length, (member) => {
      let seen = 0
      for (let i = first; i < last && seen < days; i++) if (test(member, i)) seen++
      return seen >= days
    })
  const meanC = (member: number, i: number) =>
    (ensemble.members[member].tMinC[i] + ensemble.members[member].tMaxC[i]) / 2
  const ripe = run.sown.map((_, component) => stageDays(run, component, RIPE))
  return {
    ripe: shareOf(run.members, (member) => ripe.every((days) => days[member] <= toDay)),
    cold: chance(1, (member, i) => ensemble.members[member].tMinC[i] <= COLD_C),
    heat: Math.max(
      chance(1, (member, i) => ensemble.members[member].tMaxC[i] >= HEAT_C),
      chance(HOT_DAYS, (member, i) => meanC(member, i) > HOT_MEAN_C),
    ),
  }
}

/** BBCH from which a plant dies of age. */
const RIPE = 87

/** A way with what shuts it here, whatever the day. */
type ShutMethod = { candidate: Candidate; obstacle: Obstacle | null; leftOut: RuledOut | null }

/** All ways with what shuts each of them. */
export function shutMethods(scenario: Scenario, season: SeasonRun): ShutMethod[] {
  const place = placeOf(scenario, season)
  const { fromDay, toDay } = startSpan(scenario, season.run)
  const ahead = aheadOf(season, fromDay, toDay)
  return CANDIDATES.map((candidate) => ({
    candidate,
    obstacle: obstacleOf(candidate.method, place, ahead),
    leftOut: ruledOut(candidate.method, scenario.means.rules),
  }))
}

/** Days on which a way is tried: cold and heat do not wait for a start day, so that one says it all. */
export const daysFor = ({ method }: Candidate, days: readonly number[]) =>
  method.waits ? days.slice(0, 1) : days

/** A start day that every way is asked for, if one is, and the ending that is planned: tried on its day, as it was planned. */
export type Ask = { startDay: number | null; planned?: EndDetails | null }

/**
 * Every way of ending a stand, one after the other, over its start days; `told` hears the share done and what is known
 * so far. A start that is asked for is tried on its very day.
 */
export const compareTerminations = atOnce(compareInSteps)

/** The same with pauses. */
export function* compareInSteps(
  scenario: Scenario,
  season: SeasonRun,
  { startDay, planned = null }: Ask = { startDay: null },
  told?: (share: number, soFar: TerminationOption[]) => void,
): Steps<TerminationOption[]> {
  const { fromDay, toDay } = startSpan(scenario, season.run)
  const plannedDay = planned && !findMethod(planned.method)?.waits ? dayNumber(planned.date) : null
  const asked = [startDay, plannedDay].filter((day) => day !== null)
  const fitDays = seedFitDays(season.run)
  const days = [
    ...new Set([
      ...daysTried(scenario, season.run, fitDays),
      ...asked.filter((day) => day >= fromDay && day <= toDay),
    ]),
  ].sort((a, b) => a - b)
  const comparison = { scenario, season, common: commonOf(scenario, season), fitDays, planned }
  const methods = shutMethods(scenario, season)
  const until = growsUntil(scenario, season.run)
  const options: TerminationOption[] = []
  for (const [i, method] of methods.entries()) {
    options.push(yield* optionOf(comparison, method, days, startDay, until))
    told?.((i + 1) / methods.length, [...options])
  }
  return options
}

/** A stand followed through an ending until long after the planting. */
function leftBy(scenario: Scenario, season: SeasonRun, end: EndDetails) {
  const ended = endedBranch(scenario, season, end, FOLLOWED_DAYS)
  return { season, termination: terminationOf(scenario, season, end, livingOf(ended)), ended }
}

function* optionOf(
  comparison: Comparison,
  { candidate, obstacle, leftOut }: ShutMethod,
  days: readonly number[],
  asked: number | null,
  until: number,
): Steps<TerminationOption> {
  const { scenario, season } = comparison
  const starts: TerminationStart[] = []
  for (const day of obstacle ? [] : daysFor(candidate, days)) {
    const tried = yield* closelyInSteps(comparison, tryBarely(comparison, candidate, day))
    starts.push(startOf(comparison, tried))
    yield
  }
  const growing = bestStart(whileItGrows(starts, until, ({ day }) => day))
  // Where the rules refuse it as long as it grows, they decide when.
  const best = growing && refused(growing) > 0.5 ? bestStart(starts) : growing
  const shown = (asked === null ? null : starts.find(({ day }) => day === asked)) ?? best
  return {
    method: candidate.method.id,
    passes: candidate.passes,
    obstacle,
    leftOut,
    starts,
    shown,
    latestSafeDay: latestSafe(starts),
    after:
      shown && shown.worth > HOPELESS ? aftermathOf(scenario, leftBy(scenario, season, shown.end)) : null,
  }
}
