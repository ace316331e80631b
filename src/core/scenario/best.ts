import { CANDIDATES, type Candidate } from '../termination/start'
import { leftOnTop, type MethodId } from '../termination/methods'
import { segmentAreaM2 } from '../garden/area'
import type { SeasonRun } from '../season/run'
import { daysTried, growsUntil, MOST_STARTS, whileItGrows, type TerminationOption } from './compare'
import {
  beforeSeed,
  HOPELESS,
  near,
  preferred,
  reach,
  SAFE_CHANCE,
  SEEDS_BORNE,
  type TerminationStart,
} from './starts'
import { closelyInSteps, startOf } from './tries'
import { atOnce, type Steps } from '../foundations/steps'
import { commonOf } from './criteria'
import { seedFitDays } from './seedFit'
import { triedBarely, type Barely, type Rival } from './rough'
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

/** The best of some starts; null where there is none. */
function bestOf<T extends Rival>(scenario: Scenario, rivals: readonly T[]): T | null {
  const all = preferred(rivals, (rival) => rival)
  if (all.length === 0) return null
  const top = Math.max(...all.map(({ worth }) => worth))
  return all
    .filter(({ worth }) => near(worth, top))
    .map((one) => ({ one, ranked: rankedOf(scenario, one.candidate, one.start()) }))
    .sort((a, b) => inOrder(top)(a.ranked, b.ranked))[0].one
}

const rivalOf = (candidate: Candidate, start: TerminationStart): Rival => ({
  candidate,
  day: start.day,
  worth: start.worth,
  seeds: start.seeds,
  start: () => start,
})

const asPlanned = ({ candidate, start }: Rival, latestSafeDay: number | null): BestTermination => ({
  ...start(),
  method: candidate.method.id,
  passes: candidate.passes,
  latestSafeDay,
})

const candidateOf = ({ method, passes }: TerminationOption): Candidate =>
  CANDIDATES.find((one) => one.method.id === method && one.passes === passes)!

/** The best of options that have been compared; null where none can be done. */
export function bestOption(
  scenario: Scenario,
  options: readonly TerminationOption[],
): BestTermination | null {
  const open = options.filter(({ obstacle, leftOut }) => obstacle === null && leftOut === null)
  const best = bestOf(
    scenario,
    open.flatMap((option) => option.starts.map((start) => rivalOf(candidateOf(option), start))),
  )
  return best && asPlanned(best, open.find((option) => candidateOf(option) === best.candidate)!.latestSafeDay)
}

/** How closely endings are looked for: start days tried, whether the stand is followed with them, and which are wanted. */
export type Search = { starts?: number; exact?: boolean; keep?: (termination: Termination) => boolean }

/**
 * The best of all ways and days that are wanted, found without following the stand with every one: they are tried barely
 * first, and only what can still be the best is followed. Not `exact`, none is.
 */
export const bestTermination = atOnce(bestTerminationInSteps)

/** The same with pauses. */
export function* bestTerminationInSteps(
  scenario: Scenario,
  season: SeasonRun,
  { starts = MOST_STARTS, exact = true, keep = () => true }: Search = {},
): Steps<BestTermination | null> {
  const fitDays = seedFitDays(season.run)
  const comparison = { scenario, season, common: commonOf(scenario, season), fitDays }
  const tried = daysTried(scenario, season.run, fitDays, starts)
  const days = whileItGrows(tried, growsUntil(scenario, season.run), (day) => day)
  const barely = yield* triedBarely(comparison, days, keep, exact ? ROUGH_MEMBERS : Infinity)
  const followed = new Map<Barely, TerminationStart>()
  function* follow(one: Barely): Steps<TerminationStart> {
    let start = followed.get(one)
    if (!start) {
      start = startOf(comparison, exact ? yield* closelyInSteps(comparison, one.tried) : one.tried)
      followed.set(one, start)
      yield
    }
    return start
  }
  // What is best barely is followed; where that shows it worse, the next best may be it.
  const known = (one: Barely): Rival & { barely: Barely } => {
    const start = followed.get(one)
    return { ...(start ? rivalOf(one.candidate, start) : one), barely: one }
  }
  let best = bestOf(scenario, barely.map(known))?.barely
  for (let round = 0; best && !followed.has(best) && round < MOST_FOLLOWED; round++) {
    yield* follow(best)
    best = bestOf(scenario, barely.map(known))?.barely
  }
  if (best && !followed.has(best)) best = bestOf(scenario, [...followed.keys()].map(known))?.barely
  if (!best) return null
  const { candidate } = best
  const same = barely.filter((one) => one.candidate === candidate)
  const safe = ({ seeds }: { seeds: number }, chance: number) =>
    chance >= SAFE_CHANCE && seeds <= SEEDS_BORNE + firstSeeds
  const firstSeeds = Math.min(...same.map(({ seeds }) => seeds))
  let latestSafeDay: number | null = null
  for (const one of [...same].reverse())
    if (latestSafeDay === null && safe(one, one.worth) && safe(one, (yield* follow(one)).chance))
      latestSafeDay = one.day
  return asPlanned({ ...best, start: () => followed.get(best)! }, latestSafeDay)
}

/** Members that all ways and days are tried in before those that may be the best are in all of them. */
const ROUGH_MEMBERS = 40

/** Starts that are followed closely at most: what comes after so many that were beaten is not the best. */
const MOST_FOLLOWED = 24
