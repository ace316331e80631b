import type { Place } from '../termination/obstacles'
import { endFor, type Candidate } from '../termination/start'
import { isoDate } from '../foundations/day'
import { shareOf, quantilesOf } from '../foundations/statistics'
import { minutesOf } from './work'
import type { EndDetails } from '../garden/ending'
import { FIRST_WEEKS_DAYS, SEEDBED_RESIDUE_G, freedBySoil, TIE_UP_SHARE } from '../planting/openDays'
import type { SeasonRun } from '../season/run'
import { branchDay, residueCriteria, wantsThin, type Common } from './criteria'
import { criteriaDays, endedBranch, failuresOf, firstFailure, mostly } from './evaluate'
import { targetDay } from './plan'
import { seedsBy } from './seedFit'
import { HOPELESS, type TerminationStart } from './starts'
import { terminationOf, type Termination } from './termination'
import { CRITERIA, OF_THE_DAY, type CriterionDays, type Scenario } from './types'
import { placeIn } from '../stand/series'

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

/** An ending judged by all but what its residue does: it is worth no more than `bound`. */
export type Bounded = {
  candidate: Candidate
  day: number
  /** Chance that some of the stand bears seed fit to sprout by then. */
  seeds: number
  termination: Termination
  criteria: CriterionDays[]
  bound: number
}

/** A stand whose endings are held against each other, and the ending that is planned for it, if any. */
export type Comparison = {
  scenario: Scenario
  season: SeasonRun
  common: Common
  /** Day from which each member bears seed fit to sprout. */
  fitDays: Float64Array
  planned?: EndDetails | null
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

export function boundOf(comparison: Comparison, candidate: Candidate, day: number): Bounded {
  const { scenario, season, common } = comparison
  const termination = terminationOf(scenario, season, endOn(comparison, candidate, day))
  const criteria = criteriaDays(scenario, season, termination, null, common)
  return {
    candidate,
    day,
    seeds: seedsBy(comparison.fitDays, termination),
    termination,
    criteria,
    bound: worthOf(comparison, criteria),
  }
}

/**
 * Most nitrogen that growth of a mass and a nitrogen content can take in four weeks, g m⁻²: microbes that rot poor matter
 * want 1.63 % of it; of its cellulose at most half rots in that time, of its lignin a quarter (see residue/pools).
 */
const mostTaken = (massG: number, nitrogenShare: number) =>
  massG * (0.5 * Math.max(0, 0.0163 - 0.9 * nitrogenShare) + 0.05 * Math.max(0, 0.0163 - 0.4 * nitrogenShare))

/**
 * Members in which what lies after an ending has to be followed, to know whether it starves the crop or lies too thick for
 * seed: those that fail by nothing before, with enough poor growth, or with more of it than a seedbed bears.
 */
function followedMembers(
  { scenario: { follows, standCase }, season: { run, ensemble } }: Comparison,
  { termination, criteria }: Bounded,
): number[] {
  if (follows.kind !== 'crop') return []
  const i = Math.min(run.days - 1, Math.max(0, branchDay(termination) - run.startDay))
  const before = criteria.filter(({ id }) => CRITERIA.indexOf(id) < CRITERIA.indexOf('tie-up'))
  const members: number[] = []
  for (let member = 0; member < run.members; member++) {
    if (firstFailure(before, member, follows.day) !== null) continue
    const at = placeIn(run, member, i)
    const massG = run.massG[at] + run.residueG[at]
    const nitrogen = (run.nitrogenG[at] + run.residueNitrogenG[at]) / Math.max(1e-9, massG)
    const starves =
      mostTaken(massG, nitrogen) >
      TIE_UP_SHARE * freedBySoil(ensemble, member, follows.day, standCase.bed.fertility)
    if (starves || (wantsThin(follows, termination.end) && massG > SEEDBED_RESIDUE_G.small))
      members.push(member)
  }
  return members
}

/** All criteria of a bounded ending, what its residue does among them in the members in which that can still matter. */
export function exactOf(comparison: Comparison, bounded: Bounded): CriterionDays[] {
  const { scenario, season } = comparison
  const { termination, bound, criteria } = bounded
  const { follows } = scenario
  const members = bound <= HOPELESS ? [] : followedMembers(comparison, bounded)
  if (follows.kind !== 'crop' || members.length === 0) return criteria
  const waits = termination.method?.waits
  const ended = endedBranch(scenario, season, termination, FIRST_WEEKS_DAYS, waits ? undefined : members)
  const told = residueCriteria(scenario, season, ended, follows, termination.end, waits ? null : members)
  return [...criteria, ...told].sort((a, b) => CRITERIA.indexOf(a.id) - CRITERIA.indexOf(b.id))
}

/** Members that must be left for a chance among them to mean something, as a share of all. */
const TELLING_SHARE = 0.1

const allHold = (criteria: readonly CriterionDays[], target: number) => (member: number) =>
  firstFailure(criteria, member, target) === null

/** Chance of a plan over the members in which the day itself can succeed; over all, the day set aside, where hardly any can. */
export function worthOf(
  { scenario, season, common }: Comparison,
  criteria: readonly CriterionDays[],
): number {
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

export function startOf(
  comparison: Comparison,
  bounded: Bounded,
  criteria: CriterionDays[],
): TerminationStart {
  const { scenario, season } = comparison
  const { termination, day, seeds } = bounded
  const survivors = termination.endings.map(({ survival }) => survival)
  const { members } = season.run
  const target = targetDay(scenario.follows)
  const free = criteria.filter(({ id }) => id !== 'own-rule')
  return {
    day,
    end: asPlanned(termination, target),
    chance: shareOf(members, allHold(criteria, target)),
    worth: worthOf(comparison, criteria),
    chanceFree: shareOf(members, allHold(free, target)),
    seeds,
    failures: failuresOf(criteria, members, target),
    dead: mostly(Float64Array.from(termination.dead)),
    survivors: quantilesOf(survivors) ?? { p10: 1, p50: 1, p90: 1 },
    minutes: minutesOf(scenario, season, termination),
  }
}
