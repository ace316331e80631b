import type { Place } from '../termination/obstacles'
import { endFor, type Candidate } from '../termination/start'
import { isoDate } from '../foundations/day'
import { shareOf, quantilesOf } from '../foundations/statistics'
import type { Steps } from '../foundations/steps'
import { minutesOf } from './work'
import type { EndDetails } from '../garden/ending'
import { FIRST_WEEKS_DAYS } from '../planting/openDays'
import type { SeasonRun } from '../season/run'
import type { Common } from './criteria'
import {
  bareEnded,
  criteriaDays,
  endedBranchInSteps,
  failuresOf,
  firstFailure,
  FOLLOWED_DAYS,
  mostly,
} from './evaluate'
import { targetDay } from './plan'
import { seedsBy } from './seedFit'
import { HOPELESS, type TerminationStart } from './starts'
import { livingOf } from '../termination/living'
import { terminationOf, type Termination } from './termination'
import { OF_THE_DAY, type CriterionDays, type Scenario } from './types'

/** Where and with what a cover is ended. */
export const placeOf = (
  { standCase, means }: Pick<Scenario, 'standCase' | 'means'>,
  season: SeasonRun,
): Place => ({
  bed: standCase.bed,
  segment: standCase.stand.segment,
  tools: means.tools,
  keptOut: means.keptOut,
  livestock: means.livestock,
  rules: means.rules,
  plants: season.run.sown.map(({ plant }) => plant),
})

/** A stand whose endings are held against each other, and the ending that is planned for it, if any. */
export type Comparison = {
  scenario: Scenario
  season: SeasonRun
  common: Common
  /** Day from which each member bears seed fit to sprout. */
  fitDays: Float64Array
  planned?: EndDetails | null
}

/** A way tried on a day: the stand's life with it, by which it is judged. */
export type Tried = {
  candidate: Candidate
  day: number
  /** Chance that some of the stand bears seed fit to sprout by then. */
  seeds: number
  termination: Termination
  criteria: CriterionDays[]
  worth: number
}

/**
 * A way as it would be done on a day: as is usual here, or, if it is the planned one, as it was planned. Where the planned
 * sheet is to lie until the residue is thin, so is every other.
 */
function endOn({ scenario, season, planned }: Comparison, candidate: Candidate, day: number): EndDetails {
  const usual = endFor(candidate, day, placeOf(scenario, season))
  const same = planned?.method === usual.method && planned.passes === usual.passes
  if (same) return { ...planned, date: usual.date }
  return planned?.untilThin && candidate.method.sheet ? { ...usual, untilThin: true } : usual
}

/** Tries a way on a day by what of the plants lives on, all that their residue does left out. */
export function tryBarely(comparison: Comparison, candidate: Candidate, day: number): Tried {
  const { scenario, season, common } = comparison
  const end = endOn(comparison, candidate, day)
  const termination = terminationOf(scenario, season, end, bareEnded(scenario, season, end))
  const criteria = criteriaDays(scenario, season, termination, null, common)
  const seeds = seedsBy(comparison.fitDays, termination)
  return { candidate, day, seeds, termination, criteria, worth: worthOf(comparison, criteria) }
}

/** The same by the stand followed with it until some weeks after the planting; where nothing is to be hoped for, as tried. */
export function* closelyInSteps(comparison: Comparison, tried: Tried): Steps<Tried> {
  if (tried.worth <= HOPELESS) return tried
  const { scenario, season, common } = comparison
  const { end } = tried.termination
  const wanted = Number.isFinite(targetDay(scenario.follows))
  const ended = yield* endedBranchInSteps(scenario, season, end, wanted ? FIRST_WEEKS_DAYS : FOLLOWED_DAYS)
  const termination = terminationOf(scenario, season, end, livingOf(ended))
  const criteria = criteriaDays(scenario, season, termination, ended, common, 'on the day')
  const seeds = seedsBy(comparison.fitDays, termination)
  return { ...tried, seeds, termination, criteria, worth: worthOf(comparison, criteria) }
}

/** Members that must be left for a chance among them to mean something, as a share of all. */
const TELLING_SHARE = 0.1

const allHold = (criteria: readonly CriterionDays[], target: number) => (member: number) =>
  firstFailure(criteria, member, target) === null

/** Chance of a plan over the members in which the day itself can succeed; over all, the day set aside, where hardly any can. */
function worthOf({ scenario, season, common }: Comparison, criteria: readonly CriterionDays[]): number {
  const { members } = season.run
  const target = targetDay(scenario.follows)
  const dayHolds = allHold(common.day, target)
  const holds = allHold(
    criteria.filter(({ id }) => !OF_THE_DAY.includes(id)),
    target,
  )
  const ofDay = shareOf(members, dayHolds)
  return ofDay < TELLING_SHARE
    ? shareOf(members, holds)
    : shareOf(members, (member) => dayHolds(member) && holds(member)) / ofDay
}

/** An ending as it is planned: cold and heat are written down for the day they are expected to have done it. */
function asPlanned({ end, method, dead, day }: Termination, target: number): EndDetails {
  if (!method?.waits) return end
  const expected = quantilesOf(dead)?.p50 ?? (Number.isFinite(target) ? target : day + 1)
  return { ...end, date: isoDate(Math.max(day + 1, Math.round(expected))) }
}

/** What a way comes to that was tried on a day. */
export function startOf(
  comparison: Comparison,
  { termination, day, criteria, seeds, worth }: Tried,
): TerminationStart {
  const { scenario, season } = comparison
  const survivors = termination.endings.map(({ survival }) => survival)
  const { members } = season.run
  const target = targetDay(scenario.follows)
  const free = criteria.filter(({ id }) => id !== 'own-rule')
  return {
    day,
    end: asPlanned(termination, target),
    chance: shareOf(members, allHold(criteria, target)),
    worth,
    chanceFree: shareOf(members, allHold(free, target)),
    seeds,
    failures: failuresOf(criteria, members, target),
    dead: mostly(Float64Array.from(termination.dead)),
    survivors: quantilesOf(survivors) ?? { p10: 1, p50: 1, p90: 1 },
    minutes: minutesOf(scenario, season, termination),
  }
}
