import { dayNumber } from '../foundations/day'
import { atOnce, type Steps } from '../foundations/steps'
import { shareOf, quantilesOf } from '../foundations/statistics'
import { bestTerminationInSteps } from '../scenario/best'
import { startDays, startSpan } from '../scenario/compare'
import { commonOf, sowingCriteria } from '../scenario/criteria'
import { failuresOf, firstFailure } from '../scenario/evaluate'
import { coveredDays, troublesOn, workableChance } from '../scenario/sowing'
import type { Scenario, ScenarioOutcome } from '../scenario/types'
import type { Termination } from '../scenario/termination'
import { standRunInSteps } from '../bed/standRun'
import type { SeasonRun } from '../season/run'
import type { WeatherEnsemble } from '../site/weather'
import { isGrain } from '../plants/crops'
import type { Species } from '../plants/parameters'
import { selfSowing } from '../stand/reseeding'
import { dateQuantiles, stageDays } from '../stand/summary'
import { candidateOf, GROWTH_LEFT, grownUntil, type Grown, type Judgement } from './candidate'
import { plantsOf, scenarioFor, seedCost } from './composition'
import { coveringOn } from './covering'
import { reachedHeight, REJECT_BELOW, standingLimitOf, winterVerdict } from './limits'
import { findPurpose, lessIsBetter } from './purposes'
import { amongGrain, seasonOfMix, seasonYear } from './season'
import {
  keyOf,
  untilDay,
  type Candidate,
  type ChooseQuestion,
  type LimitName,
  type MixComponent,
  type PurposeResult,
  type Reason,
  type Rejection,
} from './types'

/** Seeds per m² from which a cover counts as sowing itself. */
const SELF_SOWN = 5
/** A break without green for a grower who wishes none to cross: the long end of what is advised, days (extension, 14–21). */
const WISHED_BREAK_DAYS = 21

export type Judged =
  { verdict: 'candidate'; candidate: Candidate } | { verdict: 'rejected'; rejection: Rejection }

/**
 * How closely a composition is looked at: start days tried, whether the residue of the best endings is followed, and whether it
 * is grown though no grower would sow it then.
 */
export type Closeness = { starts: number; exact: boolean; offSeason?: boolean }

type Reject = (limit: LimitName, closeness: number, reason: Reason) => Judged

/** Grows a composition from one sowing day and holds it against every limit. */
export const judge = atOnce(judgeInSteps)

/** The same with pauses. */
export function* judgeInSteps(
  components: MixComponent[],
  sowDay: number,
  question: ChooseQuestion,
  ensemble: WeatherEnsemble,
  look: Closeness,
): Steps<Judged> {
  const key = keyOf(components)
  const reject: Reject = (limit, closeness, reason) => ({
    verdict: 'rejected',
    rejection: { key, components, limit, reason, closeness },
  })
  const standing = standingLimitOf(components, question)
  if (standing) return reject(standing.limit, 0, standing.reason)

  const plants = plantsOf(components)
  const suits = suitedTo(plants, sowDay, question)
  if (suits?.word === 'no' && suits.why && !look.offSeason)
    return reject('out of season', 0.1, { code: 'season', why: suits.why, sowDay })
  const covering = coveringOn(plants, sowDay, question, ensemble)
  const cost = seedCost(components, covering, question)
  const { bed, limits } = question
  if (limits.budget !== null && cost.mid > limits.budget)
    return reject('too dear', 0.2, { code: 'cost', cost: cost.mid, budget: limits.budget })

  const scenario = scenarioFor(components, sowDay, covering, question)
  const season = yield* grow(scenario, ensemble, look)
  const { run } = season
  const until = untilDay(question)
  const covered = coveredDays(run)
  const covered30 = dateQuantiles(covered)
  const established = shareOf(run.members, (m) => covered[m] <= until)
  if (established < REJECT_BELOW)
    return reject(
      'too little time',
      established * 0.3,
      covered30.quantiles && covered30.chance > 0.3 && covered30.quantiles.p50 > until
        ? { code: 'covers late', coverDay: covered30.quantiles.p50, byDay: until }
        : established > 0.05
          ? { code: 'covers seldom', chance: established, byDay: until }
          : { code: 'never covers', sowDay, byDay: until },
    )
  const worked = workableChance(ensemble, sowDay, bed.soil, covering)
  if (worked < REJECT_BELOW)
    return reject('ground cannot be worked', 0.25 * worked, {
      code: 'ground',
      chance: worked,
      sowDay,
      by: troublesOn(ensemble, sowDay, bed.soil, covering),
    })

  const winter = winterVerdict(run, ensemble, question)
  if (winter) return reject('winter', 0.35, winter)

  const flower = dateQuantiles(stageDays(run, 0, 61).map((day) => (day <= until ? day : NaN)))
  const grown: Grown = {
    key,
    components,
    sowDay,
    question,
    ensemble,
    run,
    covered,
    flower,
    covering,
    cost,
    plants,
  }
  const fits = (judgement: Judgement, endDay: number): Judged => {
    const heightM = reachedHeight(run, endDay)
    if (limits.maxHeightM !== null && heightM > limits.maxHeightM)
      return reject('too tall', 0.2, { code: 'tall', heightM, allowedM: limits.maxHeightM })
    const candidate = candidateOf(grown, judgement, endDay, heightM, suits)
    const { purposes } = candidate
    if (purposes.length > 0 && purposes.every(doesNothing) && !look.offSeason)
      return reject('does nothing for it', 0.15, {
        code: 'none of it',
        purposes: purposes.map(({ id }) => id),
      })
    return { verdict: 'candidate', candidate }
  }
  if (question.follows.kind === 'nothing') return fits(standingOn(scenario, season, established), until)

  const wished = wishesOf(question, season)
  const search = (keep: typeof wished) => bestTerminationInSteps(scenario, season, { ...look, keep })
  // Whoever wants it dead by winter wants no work with it where winter can be relied on.
  const byWinter =
    limits.winter === 'must die'
      ? yield* search((termination) => wished(termination) && termination.method?.waits === 'cold')
      : null
  const leaves = wantsGrowth(question)
    ? yield* search((termination) => wished(termination) && leavesGrowth(termination))
    : null
  const best = [byWinter, leaves].find((one) => one && one.worth >= REJECT_BELOW) ?? (yield* search(wished))
  if (!best && limits.neverReseeds) return reject('reseeds', 0.3, { code: 'reseeds' })
  if (!best || best.worth < REJECT_BELOW) return notEnded(grown, reject, best)
  const judgement = { ...best, established, best }
  return fits(judgement, grownUntil(best, sowDay, until))
}

/** Less of a purpose than this share of its goal is nothing. */
const NOTHING = 0.02
const doesNothing = ({ id, amount }: PurposeResult) =>
  !lessIsBetter(id) && amount.p50 < NOTHING * findPurpose(id).goal

/** How a sowing day suits a composition where the garden lies, and under what it stands. */
function suitedTo(plants: readonly Species[], sowDay: number, { climate, upper, bed }: ChooseQuestion) {
  if (!climate) return null
  const season = seasonOfMix(plants, sowDay, seasonYear(climate, bed.soil))
  return upper?.kind === 'crop' && isGrain(upper.cropId) ? amongGrain(plants, season) : season
}

/** The stand of a plan, with its states kept on the days an ending may begin where its residue will be followed. */
function* grow(
  scenario: Scenario,
  ensemble: WeatherEnsemble,
  { starts, exact }: Closeness,
): Steps<SeasonRun> {
  const { date } = scenario.standCase.stand.start.plan!
  const startDay = dayNumber(date)
  const { fromDay, toDay } = startSpan(scenario, {
    startDay,
    days: ensemble.startDay + ensemble.days - startDay,
  })
  const followed = exact && scenario.follows.kind === 'crop'
  const saveOn = followed ? startDays(fromDay, toDay, starts) : []
  const season = yield* standRunInSteps(scenario.standCase, ensemble, saveOn)
  if (!season) throw new Error(`Sown on ${date}, outside the weather.`)
  return season
}

/** Where nothing follows, the plan is to sow and let it stand. */
function standingOn(scenario: Scenario, season: SeasonRun, established: number): Judgement {
  const criteria = sowingCriteria(scenario, commonOf(scenario, season), null)
  const { members } = season.run
  const chance = shareOf(members, (member) => firstFailure(criteria, member, Infinity) === null)
  return { chance, worth: chance, established, failures: failuresOf(criteria, members, Infinity), best: null }
}

const wantsGrowth = ({ purposes }: ChooseQuestion) => purposes.some((id) => GROWTH_LEFT.includes(id))

/** Whether an ending leaves most of the growth in the bed. */
const leavesGrowth = ({ method }: Termination) => method === null || method.removed < 0.5

/** Endings that meet the grower's wishes: dead by a day, a break without green, no seed dropped. */
function wishesOf({ limits, follows }: ChooseQuestion, { run }: SeasonRun) {
  const deadBy = Math.min(
    limits.deadByDay ?? Infinity,
    limits.noGreenBridge && follows.kind !== 'nothing' && follows.establishment === 'seed'
      ? follows.day - WISHED_BREAK_DAYS
      : Infinity,
  )
  return ({ dead, day, method }: Termination): boolean => {
    if (deadBy < Infinity && shareOf(dead.length, (m) => dead[m] <= deadBy) < REJECT_BELOW) return false
    if (!limits.neverReseeds) return true
    const ends = method?.waits ? (quantilesOf(dead)?.p50 ?? Infinity) : day
    return selfSowing(run, ends, true).every((entry) => entry.viablePerM2.p50 <= SELF_SOWN)
  }
}

function notEnded(
  { flower, plants, question }: Grown,
  reject: Reject,
  best: { worth: number; failures: ScenarioOutcome['failures'] } | null,
): Judged {
  const worth = best?.worth ?? 0
  const failure = best?.failures[0] ?? null
  const byDay = untilDay(question)
  if (failure?.id === 'established' && best)
    return reject('too little time', 0.5 * worth, { code: 'covers seldom', chance: worth, byDay })
  return reject('cannot be ended', 0.4 + 0.3 * worth, {
    code: 'not ended',
    chance: worth,
    byDay,
    stage: plants[0].group === 'grass' ? 'pollen' : 'first flower',
    when: flower.quantiles,
    failure,
  })
}
