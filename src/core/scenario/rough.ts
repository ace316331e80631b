import { once } from 'es-toolkit/function'
import type { SeasonRun } from '../season/run'
import { firstMembers } from '../site/weather'
import { firstMembersOf } from '../stand/series'
import type { Candidate } from '../termination/start'
import type { Steps } from '../foundations/steps'
import { daysFor, shutMethods } from './compare'
import { commonOf } from './criteria'
import { seedFitDays } from './seedFit'
import { near, type TerminationStart } from './starts'
import type { Termination } from './termination'
import { startOf, tryBarely, type Comparison, type Tried } from './tries'

/** A start of a way that is held against others; what it comes to in full is worked out where it is asked for. */
export type Rival = Pick<TerminationStart, 'day' | 'worth' | 'seeds'> & {
  candidate: Candidate
  start: () => TerminationStart
}

/** A start tried by what of the plants lives on. */
export type Barely = Rival & { tried: Tried }

/** Tried in some members, a way may be this much better in all of them, and a day of a way than its best. */
const ROUGH_GAP = 0.15
const DAY_GAP = 0.3
/** Work that is surely more, whatever day it is begun on. */
const MORE_WORK = 1.5

const topOf = (some: readonly Barely[]) => Math.max(-1, ...some.map(({ worth }) => worth))

/** The same question of the first members of a stand. */
function ofFirst(comparison: Comparison, count: number): Comparison {
  const { scenario, season } = comparison
  const run = firstMembersOf(season.run, count)
  const some: SeasonRun = { ...season, run, ensemble: firstMembers(season.ensemble, count) }
  return { ...comparison, season: some, common: commonOf(scenario, some), fitDays: seedFitDays(run) }
}

/**
 * The starts that may be the best, tried by what of the plants lives on: all in the first `rough` members, and in all members
 * those that come near the best.
 */
export function* triedBarely(
  comparison: Comparison,
  days: readonly number[],
  keep: (termination: Termination) => boolean,
  rough: number,
): Steps<Barely[]> {
  const ways = shutMethods(comparison.scenario, comparison.season)
    .filter(({ obstacle, leftOut }) => obstacle === null && leftOut === null)
    .map(({ candidate }) => ({ candidate, on: daysFor(candidate, days) }))
  function* tryOn(of: Comparison, candidate: Candidate, on: readonly number[]): Steps<Barely[]> {
    const found: Barely[] = []
    for (const day of on) {
      const tried = tryBarely(of, candidate, day)
      yield
      const { worth, seeds } = tried
      if (keep(tried.termination))
        found.push({ candidate, day, worth, seeds, tried, start: once(() => startOf(of, tried)) })
    }
    return found
  }
  const few = rough < comparison.season.run.members ? ofFirst(comparison, rough) : comparison
  const found: Barely[][] = []
  for (const { candidate, on } of ways) found.push(yield* tryOn(few, candidate, on))
  if (few === comparison) return found.flat()
  const open = found.filter((of) => of.length > 0)
  const top = Math.max(-1, ...open.map(topOf))
  const effort = (of: Barely[]) => of.reduce((a, b) => (b.worth > a.worth ? b : a)).start().minutes
  const least = Math.min(...open.filter((of) => near(topOf(of), top)).map(effort))
  const closely: Barely[][] = []
  for (const of of open) {
    const best = topOf(of)
    // Where all that counts as equal to the best is as good as sure, more work is never better.
    if (best < top - ROUGH_GAP || (near(top, 1) && effort(of) > MORE_WORK * least)) continue
    const days = of.filter(({ worth }) => worth >= best - DAY_GAP).map(({ day }) => day)
    closely.push(yield* tryOn(comparison, of[0].candidate, days))
  }
  return closely.flat()
}
