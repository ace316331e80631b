import { standRunInSteps } from '../bed/standRun'
import { atOnce, type Steps } from '../foundations/steps'
import { bestTerminationInSteps } from '../scenario/best'
import { evaluateWith } from '../scenario/evaluate'
import { plannedEnd, weatherWanted } from '../scenario/plan'
import { repairInSteps, type Repair } from '../scenario/repair'
import { SAFE_CHANCE } from '../scenario/starts'
import type { Scenario, ScenarioOutcome } from '../scenario/types'
import type { SeasonRun } from '../season/run'
import type { WeatherEnsemble } from '../site/weather'
import { plantsOf, scenarioFor } from './composition'
import { coveringOn } from './covering'
import { judgeInSteps } from './judge'
import { screenInSteps } from './rank'
import { IN_EARNEST, SCREEN_MEMBERS, shorten } from './screening'
import { smotheredIn, type Smothered } from './smothered'
import { untilDay, type Candidate, type ChooseQuestion, type MixComponent, type Rejection } from './types'

/** A cover as it would be planned, whatever the ranking thinks of it. */
export type OwnPlan = Pick<Candidate, 'components' | 'sowDay' | 'covering' | 'ending'>

/** The grower's own cover: how the ranking judges it, the plan it would be, what comes of that, and what would help. */
export type OwnAnswer = {
  judged: Candidate | Rejection
  plan: OwnPlan
  outcome: ScenarioOutcome
  /** The change that helps with the least trouble; null where none is needed or none helps. */
  repair: Repair | null
  smothered: Smothered[]
}

/** The ending that serves a plan best with what the grower has; null where nothing follows or no way can be done. */
function* endingOf(scenario: Scenario, season: SeasonRun): Steps<Candidate['ending']> {
  if (scenario.follows.kind === 'nothing') return null
  const best = yield* bestTerminationInSteps(scenario, season)
  return best && { end: best.end, latestSafeDay: best.latestSafeDay }
}

const withEnding = (scenario: Scenario, ending: Candidate['ending']): Scenario => ({
  ...scenario,
  standCase: {
    ...scenario.standCase,
    stand: { ...scenario.standCase.stand, end: { plan: ending?.end ?? null, actual: null } },
  },
})

/** Days beyond the window that a later planting is looked for in. */
const LATER_DAYS = 30

/** What would help a plan, with weather enough to plant later. */
function* repairOf(
  scenario: Scenario,
  question: ChooseQuestion,
  ensemble: WeatherEnsemble,
): Steps<Repair | null> {
  const endDay = weatherWanted(untilDay(question)) + LATER_DAYS
  const longer = shorten(ensemble, ensemble.members.length, endDay)
  const season = yield* standRunInSteps(scenario.standCase, longer)
  return season && (yield* repairInSteps(scenario, season, longer))
}

/**
 * The grower's own cover or mix for the same window, judged with all members on its best sowing day. The ranking's limits
 * only advise: what does not fit is planned and graded all the same. Null where it cannot be grown in the weather known.
 */
export const ownCover = atOnce(ownCoverInSteps)

/** The same with pauses. */
export function* ownCoverInSteps(
  components: MixComponent[],
  question: ChooseQuestion,
  ensemble: WeatherEnsemble,
): Steps<OwnAnswer | null> {
  const horizon = weatherWanted(untilDay(question))
  const full = shorten(ensemble, ensemble.members.length, horizon)
  const quick = shorten(ensemble, SCREEN_MEMBERS, horizon)
  const [{ day }] = yield* screenInSteps(components, question, quick)
  const told = yield* judgeInSteps(components, day, question, full, { ...IN_EARNEST, offSeason: true })
  const judged = told.verdict === 'candidate' ? told.candidate : told.rejection
  const covering = coveringOn(plantsOf(components), day, question, full)
  const bare = scenarioFor(components, day, covering, question)
  const season = yield* standRunInSteps(bare.standCase, full)
  if (!season) return null
  const ending = 'ending' in judged ? judged.ending : yield* endingOf(bare, season)
  const scenario = withEnding(bare, ending)
  const { outcome } = evaluateWith(scenario, season, plannedEnd(scenario))
  const repair = outcome.chance.whole < SAFE_CHANCE ? yield* repairOf(scenario, question, ensemble) : null
  return {
    judged,
    plan: { components, sowDay: day, covering, ending },
    outcome,
    repair,
    smothered: smotheredIn(components, season.run, untilDay(question)),
  }
}
