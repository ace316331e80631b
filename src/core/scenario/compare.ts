import { obstacleOf, type Ahead, type Place } from '../ending/obstacles'
import { CANDIDATES, endFor, ruledOut, workMinutes, type Candidate } from '../ending/start'
import type { WayId } from '../ending/ways'
import { isoDate } from '../foundations/day'
import { shareOf, spreadOf } from '../foundations/statistics'
import { partAreaM2 } from '../garden/area'
import type { EndDetails } from '../garden/ending'
import { FIRST_WEEKS_DAYS, SEEDBED_RESIDUE_G, soilNitrogen, TIE_UP_SHARE } from '../planting/openDays'
import type { SeasonRun } from '../season/run'
import type { StandRun } from '../stand/types'
import { branchDay, commonOf, residueCriteria, type Common } from './criteria'
import { aftermathOf, type Aftermath } from './after'
import { bestStart, HOPELESS, latestSafe, type TerminationStart } from './starts'
import { criteriaDays, endedBranch, failuresOf, firstFailure, FOLLOWED_DAYS } from './evaluate'
import { targetDay } from './plan'
import { terminationOf, type Termination } from './termination'
import { CRITERIA, OF_THE_DAY, type CriterionDays, type Scenario } from './types'

/** Start days looked at for one way at most: as far back as a year; and days looked ahead where nothing says when the ground is wanted. */
export const MOST_STARTS = 24
const OPEN_LOOK_DAYS = 120

/** A night or a day beyond these in a member counts as cold or heat that may end a stand, °C. */
const COLD_C = -3
const HEAT_C = 34

/** One way of ending a stand: what shuts it, or what it comes to over its start days. */
export type TerminationOption = {
  method: WayId
  passes: number
  obstacle: string | null
  leftOut: string | null
  starts: TerminationStart[]
  /** The start that was asked for, else the best one; what it leaves, where the ground is wanted on a day. */
  shown: TerminationStart | null
  latestSafeDay: number | null
  after: Aftermath | null
}

/** Where and with what a cover is ended. */
export const placeOf = (
  { standCase, means }: Pick<Scenario, 'standCase' | 'means'>,
  season: SeasonRun,
): Place => ({
  bed: standCase.bed,
  part: standCase.stand.part,
  tools: means.tools,
  livestock: means.livestock,
  rules: means.rules,
  plants: season.run.sown.map(({ plant }) => plant),
})

/** First and last day on which an ending may begin. */
export function startSpan(
  scenario: Scenario,
  run: Pick<StandRun, 'startDay' | 'days'>,
): { fromDay: number; toDay: number } {
  const fromDay = Math.max(scenario.today, run.startDay + 1)
  const target = targetDay(scenario.follows)
  const last = run.startDay + run.days - 1 - FIRST_WEEKS_DAYS
  return { fromDay, toDay: Math.min(Number.isFinite(target) ? target : fromDay + OPEN_LOOK_DAYS, last) }
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

/** The chance that cold or heat that kills comes between two days. */
function aheadOf({ ensemble }: SeasonRun, fromDay: number, toDay: number): Ahead {
  const any = (test: (member: number, i: number) => boolean) =>
    shareOf(ensemble.members.length, (member) => {
      const last = Math.min(ensemble.days, toDay - ensemble.startDay)
      for (let i = Math.max(0, fromDay - ensemble.startDay); i < last; i++) if (test(member, i)) return true
      return false
    })
  return {
    cold: any((member, i) => ensemble.members[member].tMinC[i] <= COLD_C),
    heat: any((member, i) => ensemble.members[member].tMaxC[i] >= HEAT_C),
  }
}

/** A way with what shuts it here, whatever the day. */
type ShutWay = { candidate: Candidate; obstacle: string | null; leftOut: string | null }

/** All ways with what shuts each of them. */
export function shutWays(scenario: Scenario, season: SeasonRun): ShutWay[] {
  const place = placeOf(scenario, season)
  const { fromDay, toDay } = startSpan(scenario, season.run)
  const ahead = aheadOf(season, fromDay, toDay)
  return CANDIDATES.map((candidate) => ({
    candidate,
    obstacle: obstacleOf(candidate.way, place, ahead),
    leftOut: ruledOut(candidate.way, scenario.means.rules),
  }))
}

/** An ending judged by all but what its residue does: it is worth no more than `bound`. */
export type Bounded = {
  candidate: Candidate
  day: number
  termination: Termination
  criteria: CriterionDays[]
  bound: number
}

/** A stand whose endings are held against each other. */
export type Comparison = { scenario: Scenario; season: SeasonRun; common: Common }

export function boundOf(comparison: Comparison, candidate: Candidate, day: number): Bounded {
  const { scenario, season, common } = comparison
  const end = endFor(candidate, day, placeOf(scenario, season))
  const termination = terminationOf(scenario, season, end)
  const criteria = criteriaDays(scenario, season, termination, null, common)
  return { candidate, day, termination, criteria, bound: worthOf(comparison, criteria) }
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
    const at = member * run.days + i
    const massG = run.massG[at] + run.residueG[at]
    const nitrogen = (run.nitrogenG[at] + run.residueNitrogenG[at]) / Math.max(1e-9, massG)
    const starves =
      mostTaken(massG, nitrogen) >
      TIE_UP_SHARE * soilNitrogen(ensemble, member, follows.day, standCase.bed.fertility)
    if (starves || (follows.establishment === 'seed' && massG > SEEDBED_RESIDUE_G.small)) members.push(member)
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
  const waits = termination.way?.waits
  const ended = endedBranch(scenario, season, termination, FIRST_WEEKS_DAYS, waits ? undefined : members)
  const told = residueCriteria(scenario, season, ended, follows, waits ? null : members)
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
function asPlanned({ end, way, dead, day }: Termination, target: number): EndDetails {
  if (!way?.waits) return end
  const expected = spreadOf(dead)?.mid ?? (Number.isFinite(target) ? target : day + 1)
  return { ...end, date: isoDate(Math.max(day + 1, Math.round(expected))) }
}

export function startOf(
  comparison: Comparison,
  bounded: Bounded,
  criteria: CriterionDays[],
): TerminationStart {
  const { scenario, season } = comparison
  const { standCase, means } = scenario
  const { termination, day } = bounded
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
    failures: failuresOf(criteria, members, target),
    dead: spreadOf(termination.dead),
    survivors: spreadOf(survivors) ?? { low: 1, mid: 1, high: 1 },
    minutes: workMinutes(
      termination.end,
      termination.setup,
      survivors,
      partAreaM2(standCase.bed, standCase.stand.part),
      { run: season.run, tools: means.tools },
    ),
  }
}

/** Days on which a way is tried: cold and heat do not wait for a start day, so that one says it all. */
export const daysFor = ({ way }: Candidate, days: readonly number[]) => (way.waits ? days.slice(0, 1) : days)

/** How many start days are tried, and which day is asked for beside them. */
export type Ask = { startDay: number | null; alsoDays?: readonly number[] }

/**
 * Every way of ending a stand, one after the other, over its start days; `told` hears the share done and what is known
 * so far. A start that is asked for is tried on its very day.
 */
export function compareTerminations(
  scenario: Scenario,
  season: SeasonRun,
  { startDay, alsoDays = [] }: Ask = { startDay: null },
  told?: (share: number, soFar: TerminationOption[]) => void,
): TerminationOption[] {
  const { fromDay, toDay } = startSpan(scenario, season.run)
  const asked = [...alsoDays, ...(startDay === null ? [] : [startDay])]
  const days = [
    ...new Set([...startDays(fromDay, toDay), ...asked.filter((day) => day >= fromDay && day <= toDay)]),
  ].sort((a, b) => a - b)
  const comparison = { scenario, season, common: commonOf(scenario, season) }
  const ways = shutWays(scenario, season)
  const options: TerminationOption[] = []
  ways.forEach((way, i) => {
    options.push(optionOf(comparison, way, days, startDay))
    told?.((i + 1) / ways.length, [...options])
  })
  return options
}

/** A stand followed through an ending until long after the planting. */
function leftBy(scenario: Scenario, season: SeasonRun, end: EndDetails) {
  const termination = terminationOf(scenario, season, end)
  return { season, termination, ended: endedBranch(scenario, season, termination, FOLLOWED_DAYS) }
}

function optionOf(
  comparison: Comparison,
  { candidate, obstacle, leftOut }: ShutWay,
  days: readonly number[],
  asked: number | null,
): TerminationOption {
  const { scenario, season } = comparison
  const starts = obstacle
    ? []
    : daysFor(candidate, days).map((day) => {
        const bounded = boundOf(comparison, candidate, day)
        return startOf(comparison, bounded, exactOf(comparison, bounded))
      })
  const shown = (asked === null ? null : starts.find(({ day }) => day === asked)) ?? bestStart(starts)
  return {
    method: candidate.way.id,
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
