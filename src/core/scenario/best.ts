import { CANDIDATES, type Candidate } from '../termination/start'
import { leftOnTop, type MethodId } from '../termination/methods'
import { segmentAreaM2 } from '../garden/area'
import type { SeasonRun } from '../season/run'
import { boundOf, exactOf, startOf, type Bounded } from './bounds'
import { daysFor, daysTried, MOST_STARTS, shutMethods, type TerminationOption } from './compare'
import {
  beforeSeed,
  enough,
  HOPELESS,
  lastSafe,
  latestSafe,
  near,
  preferred,
  reach,
  SAFE_CHANCE,
  type TerminationStart,
} from './starts'
import { atOnce, type Steps } from '../foundations/steps'
import { commonOf } from './criteria'
import { seedFitDays } from './seedFit'
import type { Termination } from './termination'
import type { Scenario } from './types'

/** Work that is told apart, minutes per m². */
const EFFORT_STEP = 0.1

type Ranked = {
  method: MethodId
  order: number
  day: number
  seeded: boolean
  effort: number
  onTop: number
  reach: number
  dead: number
}

/**
 * Of endings that count as equal the one with the least work stands first, then what leaves more mulch, then the later;
 * once there is seed the sooner.
 */
const byWork = (a: Ranked, b: Ranked) =>
  a.effort - b.effort ||
  b.onTop - a.onTop ||
  (a.seeded && b.seeded ? a.day - b.day : b.day - a.day) ||
  a.order - b.order

/** Where no ending has a chance, the one that gets furthest stands first, then the soonest dead: no work at all would else win. */
const inOrder = (top: number) => (a: Ranked, b: Ranked) =>
  (top <= HOPELESS ? b.reach - a.reach || a.dead - b.dead : 0) || byWork(a, b)

const effortOf = (minutes: number, areaM2: number) =>
  Math.round(minutes / (EFFORT_STEP * Math.max(0.1, areaM2)))

const rankedOf = (scenario: Scenario, { method, passes }: Candidate, start: TerminationStart): Ranked => ({
  method: method.id,
  order: CANDIDATES.findIndex((one) => one.method.id === method.id && one.passes === passes),
  day: start.day,
  seeded: !beforeSeed(start),
  effort: effortOf(start.minutes, segmentAreaM2(scenario.standCase.bed, scenario.standCase.stand.segment)),
  onTop: leftOnTop(method),
  reach: reach(start),
  dead: start.dead?.p50 ?? Number.MAX_VALUE,
})

/** The ending to plan, and the last day on which the same way still gives a chance to rely on; null where none does. */
export type BestTermination = TerminationStart & {
  method: MethodId
  passes: number
  latestSafeDay: number | null
}

/** The best of options that have been compared; null where none can be done. */
export function bestOption(
  scenario: Scenario,
  options: readonly TerminationOption[],
): BestTermination | null {
  const open = options.filter(({ obstacle, leftOut }) => obstacle === null && leftOut === null)
  const all = preferred(
    open.flatMap((option) => option.starts.map((start) => ({ option, start }))),
    ({ start }) => start,
  )
  if (all.length === 0) return null
  const top = Math.max(...all.map(({ start }) => start.worth))
  const { option, start } = all
    .filter(({ start }) => near(start.worth, top))
    .map((one) => {
      const { method, passes } = one.option
      const candidate = CANDIDATES.find(
        ({ method: other, passes: times }) => other.id === method && passes === times,
      )!
      return { ...one, ranked: rankedOf(scenario, candidate, one.start) }
    })
    .sort((a, b) => inOrder(top)(a.ranked, b.ranked))[0]
  const { method, passes, starts } = option
  return { ...start, method, passes, latestSafeDay: latestSafe(starts) }
}

/** How closely endings are looked for: start days tried, whether the residue of the best is followed, and which are wanted. */
export type Search = { starts?: number; exact?: boolean; keep?: (termination: Termination) => boolean }

/**
 * The same as the best of all compared, found without following the residue of every one: what cannot reach the best is
 * not followed. Not `exact`, no residue is followed, and the chance is one that is not passed.
 */
export const bestTermination = atOnce(bestTerminationInSteps)

/** The same with pauses. */
export function* bestTerminationInSteps(
  scenario: Scenario,
  season: SeasonRun,
  { starts = MOST_STARTS, exact = true, keep = () => true }: Search = {},
): Steps<BestTermination | null> {
  const fitDays = seedFitDays(season.run)
  const days = daysTried(scenario, season.run, fitDays, starts)
  const comparison = { scenario, season, common: commonOf(scenario, season), fitDays }
  const bounded: Bounded[] = []
  for (const { candidate, obstacle, leftOut } of shutMethods(scenario, season)) {
    if (obstacle !== null || leftOut !== null) continue
    for (const day of daysFor(candidate, days)) {
      const one = boundOf(comparison, candidate, day)
      if (keep(one.termination)) bounded.push(one)
      yield
    }
  }
  bounded.sort((a, b) => b.bound - a.bound)
  const before = bounded.filter(beforeSeed)
  const known = new Map<Bounded, TerminationStart>()
  const startAt = (one: Bounded) => {
    let start = known.get(one)
    if (!start) {
      start = startOf(comparison, one, exact ? exactOf(comparison, one) : one.criteria)
      known.set(one, start)
    }
    return start
  }
  function* topOf(some: readonly Bounded[]): Steps<number> {
    let top = -1
    for (const one of some) {
      if (one.bound <= top) break
      top = Math.max(top, startAt(one).worth)
      yield
    }
    return top
  }
  const topBefore = yield* topOf(before)
  const topAll = topBefore >= SAFE_CHANCE ? topBefore : yield* topOf(bounded)
  const isEnough = before.length > 0 && enough(topBefore, topAll)
  const [among, top] = isEnough ? [before, topBefore] : [bounded, topAll]
  const ranked = among
    .filter(({ bound }) => near(bound, top))
    .map((one) => ({
      one,
      ranked: rankedOf(scenario, one.candidate, startOf(comparison, one, one.criteria)),
    }))
    .sort((a, b) => inOrder(top)(a.ranked, b.ranked))
  const found = ranked.find(({ one }) => near(startAt(one).worth, top))?.one
  if (!found) return null
  const { method, passes } = found.candidate
  const isSafe = (one: Bounded) => one.bound >= SAFE_CHANCE * 0.99 && startAt(one).chance >= SAFE_CHANCE
  const same = bounded.filter(({ candidate }) => candidate === found.candidate).sort((a, b) => a.day - b.day)
  return { ...startAt(found), method: method.id, passes, latestSafeDay: lastSafe(same, isSafe) }
}
