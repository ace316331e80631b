import { findMethod } from '../termination/methods'
import { beginsOn } from '../season/deadDays'
import { shareOf, quantilesOf, type Range } from '../foundations/statistics'
import type { Covering } from '../garden/schema'
import { harmsOf } from '../plants/catalogue'
import { partlyFood } from '../plants/food'
import type { Species } from '../plants/parameters'
import type { BestTermination } from '../scenario/best'
import { lastToCover } from '../scenario/criteria'
import { coveredBefore } from '../scenario/sowing'
import type { ScenarioOutcome } from '../scenario/types'
import type { WeatherEnsemble } from '../site/weather'
import { dateQuantiles, type DateQuantiles } from '../stand/summary'
import type { StandRun } from '../stand/types'
import { inSeason, type SeasonJudgement } from './season'
import { findPurpose, goalShare, lessIsBetter } from './purposes'
import type { Candidate, ChooseQuestion, CoverCaution, MixComponent, PurposeResult } from './types'

/** Weight of the first, second and third purpose. */
const PURPOSE_WEIGHTS = [0.5, 0.3, 0.2]

/** A composition grown from one day, with what it came to. */
export type Grown = {
  key: string
  components: MixComponent[]
  sowDay: number
  question: ChooseQuestion
  ensemble: WeatherEnsemble
  run: StandRun
  /** Day each member covers; NaN where never. */
  covered: Float64Array
  flower: DateQuantiles
  covering: Covering
  cost: Range
  plants: Species[]
}

/** A plan's chance as the rank counts it. */
export type Judgement = {
  chance: number
  worth: number
  established: number
  failures: ScenarioOutcome['failures']
  best: BestTermination | null
}

/** Purposes that are served by what the cover leaves on or in the ground. */
export const GROWTH_LEFT: readonly ChooseQuestion['purposes'][number][] = ['feed', 'mass', 'mulch', 'raw']
/** Of these, those whose amount is already what is left. */
const COUNTED_AS_LEFT: readonly ChooseQuestion['purposes'][number][] = ['feed', 'mulch']
/** Share of what is carried off that is lost though it comes back as compost (judgement, 0.4–0.8). */
const LOST_AS_COMPOST = 0.6

/** Share of the standing growth that an ending leaves in the bed, 0–1. */
const leftBy = (best: BestTermination | null) => 1 - ((best && findMethod(best.method)?.removed) ?? 0)

/**
 * Amounts of each purpose, with the worth the rank gives them, 0–1; of purposes that live on what is left, what the ending
 * carries off counts less.
 */
function purposesOf({ run, ensemble, question }: Grown, endDay: number, left: number): PurposeResult[] {
  const served = 1 - LOST_AS_COMPOST * (1 - left)
  return question.purposes.map((id) => {
    const purpose = findPurpose(id)
    const amounts = Float64Array.from({ length: run.members }, (_, member) =>
      purpose.amount({
        run,
        ensemble,
        member,
        endDay,
        left,
        weeds: question.weeds,
        resistant: question.means.resistant,
      }),
    )
    const chanceOfGoal = shareOf(run.members, (m) =>
      lessIsBetter(id) ? amounts[m] <= purpose.goal : amounts[m] >= purpose.goal,
    )
    const amount = quantilesOf(amounts)!
    const worth = 0.4 * chanceOfGoal + 0.6 * goalShare(purpose, amount.p50)
    const lessened = GROWTH_LEFT.includes(id) && !COUNTED_AS_LEFT.includes(id)
    return { id, amount, chanceOfGoal, worth: lessened ? served * worth : worth }
  })
}

/** What is left of a cover's worth where its pests and diseases go on to the crop that follows (judgement, 0.8–1). */
const SAME_FAMILY_WORTH = 0.9

const sameFamily = (plants: readonly Species[], { follows }: Pick<ChooseQuestion, 'follows'>): boolean =>
  follows.kind === 'crop' && plants.some(({ family }) => family === follows.crop.family)

/** A composition that fits, as it is ranked and explained. */
export function candidateOf(
  grown: Grown,
  { chance, worth, established, failures, best }: Judgement,
  endDay: number,
  heightM: number,
  season: SeasonJudgement | null,
): Candidate {
  const { key, components, sowDay, question, run, covered, flower, covering, cost, plants } = grown
  const purposes = purposesOf(grown, endDay, leftBy(best))
  const weights = purposes.map((_, i) => PURPOSE_WEIGHTS[i] ?? 0.1)
  const use =
    purposes.reduce((sum, entry, i) => sum + weights[i] * entry.worth, 0) /
    (weights.reduce((a, b) => a + b, 0) || 1)
  return {
    key,
    components,
    sowDay,
    covering,
    chance,
    established,
    worth,
    failures,
    score: inSeason(
      use * (0.35 + 0.65 * worth) * (sameFamily(plants, question) ? SAME_FAMILY_WORTH : 1),
      season,
    ),
    season,
    members: run.members,
    ending: best && { end: best.end, latestSafeDay: best.latestSafeDay },
    purposes,
    firstFlower: flower,
    covered30: dateQuantiles(
      coveredBefore(covered, lastToCover(best && { ...best, method: findMethod(best.method) })),
    ),
    heightM,
    cost,
    overSingle: null,
    againstNext: null,
    cautions: cautionsFor(plants, question),
  }
}

/** Day until which a cover grows by its ending: the day of the work, or the whole window where cold or heat is waited for. */
export const grownUntil = (best: BestTermination, sowDay: number, until: number): number =>
  beginsOn(best.end, sowDay) === sowDay ? until : best.day

/** Nitrogen a crop takes up from which it counts as hungry, g m⁻². */
const HUNGRY_G = 16

function cautionsFor(plants: readonly Species[], question: ChooseQuestion): CoverCaution[] {
  const { follows, animals } = question
  const cautions = plants.flatMap((plant): CoverCaution[] => [
    ...plant.cautions.map((text) => ({ code: 'of the plant' as const, text })),
    ...harmsOf(plant, (who) => who === 'people' || animals.some((kept) => kept === who)).map((harm) => ({
      code: 'harm' as const,
      harm,
    })),
  ])
  const crop = follows.kind === 'crop' ? follows.crop : null
  if (crop && sameFamily(plants, question)) cautions.push({ code: 'same family', family: crop.family })
  if (crop && crop.nitrogenG >= HUNGRY_G && plants.every((plant) => plant.group === 'grass'))
    cautions.push({ code: 'ties up', cropId: crop.id })
  if (question.purposes.includes('nematodes')) cautions.push({ code: 'which nematode' })
  const food = question.purposes.includes('kitchen') ? partlyFood(plants) : null
  if (food) cautions.push({ code: 'partly food', food })
  return cautions
}
