import { dayNumber } from '../foundations/day'
import { latest } from '../garden/timeline'
import { findMethod, leftOnTop } from '../termination/methods'
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
import { daysHeld, type Counting, type Held, type Window } from './counting'
import { nextSowing } from './nextSowing'
import { findPurpose, goalShare, lessIsBetter } from './purposes'
import {
  untilDay,
  type Candidate,
  type ChooseQuestion,
  type CoverCaution,
  type MixComponent,
  type PurposeResult,
} from './types'

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

/** Share of the standing growth that an ending leaves in the bed, and on top of it, 0–1. */
function leavings(best: BestTermination | null) {
  const method = best && findMethod(best.method)
  return method ? { left: 1 - method.removed, onTop: leftOnTop(method) } : { left: 1, onTop: 1 }
}

/** Last day on which something stands above what is sown under it; none in the open. */
function shadedUntil({ upper }: ChooseQuestion): number {
  if (upper?.kind === 'crop') return upper.goneDay ?? -Infinity
  const end = upper?.kind === 'cover' ? latest(upper.standCase.stand.end) : null
  return end ? dayNumber(end.date) : -Infinity
}

/** Days that a cover is to fill: from when the ground is bare, or would be, until it is wanted. */
const windowOf = (question: ChooseQuestion): Window => ({
  fromDay: Math.max(question.freeFromDay, question.today, shadedUntil(question)),
  untilDay: untilDay(question),
})

/** What each member's purposes are counted from. */
function countings(grown: Grown, endDay: number, best: BestTermination | null): Counting[] {
  const { run, ensemble, question } = grown
  const shared = {
    run,
    ensemble,
    endDay,
    ...leavings(best),
    window: windowOf(question),
    weeds: question.weeds,
    resistant: question.means.resistant,
  }
  return Array.from({ length: run.members }, (_, member) => ({ ...shared, member }))
}

/**
 * Amounts of each purpose, with the worth the rank gives them, 0–1; of purposes that live on what is left, what the ending
 * carries off counts less.
 */
function purposesOf({ question }: Grown, members: readonly Counting[]): PurposeResult[] {
  const served = 1 - LOST_AS_COMPOST * (1 - members[0].left)
  return question.purposes.map((id) => {
    const purpose = findPurpose(id)
    const amounts = Float64Array.from(members, purpose.amount)
    const chanceOfGoal = shareOf(members.length, (m) =>
      lessIsBetter(id) ? amounts[m] <= purpose.goal : amounts[m] >= purpose.goal,
    )
    const amount = quantilesOf(amounts)!
    const worth = 0.4 * chanceOfGoal + 0.6 * goalShare(purpose, amount.p50)
    const lessened = GROWTH_LEFT.includes(id) && !COUNTED_AS_LEFT.includes(id)
    return { id, amount, chanceOfGoal, worth: lessened ? served * worth : worth }
  })
}

/** Days of the window with bare ground before and after the cover, and those it holds, middle of the members. */
function heldBy(members: readonly Counting[]): Candidate['ground'] {
  const each = members.map(daysHeld)
  const middle = (of: (held: Held) => number) => Math.round(quantilesOf(Float64Array.from(each, of))!.p50)
  const bareBefore = middle(({ before }) => before)
  const bareAfter = middle(({ after }) => after)
  const { fromDay, untilDay } = members[0].window
  return { bareBefore, bareAfter, held: Math.max(0, untilDay - fromDay - bareBefore - bareAfter) }
}

/** Ground that lies bare for so long has room for another cover, days. */
const ROOM_DAYS = 42

/** What else is worth sowing where a cover leaves the ground bare for weeks. */
function roomBeside(
  question: ChooseQuestion,
  sowDay: number,
  { bareBefore, bareAfter }: Candidate['ground'],
): Candidate['room'] {
  const { climate, bed, upper } = question
  if (!climate || upper) return { before: null, after: null }
  const { fromDay, untilDay } = windowOf(question)
  const worthSowing = (bare: number, from: number, until: number) =>
    bare < ROOM_DAYS ? null : nextSowing(climate, bed.soil, from, until)
  return {
    before: worthSowing(bareBefore, fromDay, sowDay),
    after: worthSowing(bareAfter, untilDay - bareAfter, untilDay),
  }
}

/** What is left of a score where the ground lies bare for the whole window (judgement, 0.5–0.8): a cover is to cover. */
const ALL_BARE_WORTH = 0.65
const holding = ({ bareBefore, bareAfter, held }: Candidate['ground']): number => {
  const bare = bareBefore + bareAfter
  return 1 - (1 - ALL_BARE_WORTH) * (bare / Math.max(1, bare + held))
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
  const members = countings(grown, endDay, best)
  const purposes = purposesOf(grown, members)
  const ground = heldBy(members)
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
      use * (0.35 + 0.65 * worth) * holding(ground) * (sameFamily(plants, question) ? SAME_FAMILY_WORTH : 1),
      season,
    ),
    season,
    members: run.members,
    ending: best && { end: best.end, latestSafeDay: best.latestSafeDay },
    purposes,
    countedOn: endDay,
    ground,
    room: roomBeside(question, sowDay, ground),
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
