import { SAFE_CHANCE, type EndingOption } from '../ending/weigh'
import { shareOf, spreadOf, type Spread } from '../foundations/statistics'
import type { Covering } from '../garden/schema'
import { harmTexts } from '../plants/catalogue'
import { notAllFood } from '../plants/food'
import type { Species } from '../plants/parameters'
import type { WeatherEnsemble } from '../site/weather'
import type { DateSpread } from '../stand/summary'
import type { StandRun } from '../stand/types'
import { findPurpose, goalShare, lessIsBetter } from './purposes'
import type { Candidate, ChooseQuestion, DatedText, Part, PurposeResult } from './types'

/** Weight of the first, second and third purpose. */
const PURPOSE_WEIGHTS = [0.5, 0.3, 0.2]
/** A composition grown from one day, with what it came to. */
export type Grown = {
  key: string
  parts: Part[]
  sowDay: number
  question: ChooseQuestion
  ensemble: WeatherEnsemble
  run: StandRun
  established: number
  covered30: DateSpread
  flower: DateSpread
  covering: Covering
  cost: Spread
  plants: Species[]
  killChance: number
}
/** Amounts of each purpose, with the worth the rank gives them, 0–1. */
function purposesOf({ run, ensemble, question }: Grown, endDay: number): PurposeResult[] {
  return question.purposes.map((id) => {
    const purpose = findPurpose(id)
    const amounts = Float64Array.from({ length: run.members }, (_, member) =>
      purpose.amount({ run, ensemble, member, endDay, weeds: question.weeds }),
    )
    const chanceOfGoal = shareOf(run.members, (m) =>
      lessIsBetter(id) ? amounts[m] <= purpose.goal : amounts[m] >= purpose.goal,
    )
    const amount = spreadOf(amounts)!
    return { id, amount, chanceOfGoal, worth: 0.4 * chanceOfGoal + 0.6 * goalShare(purpose, amount.mid) }
  })
}

/** A composition that fits, as it is ranked and explained; `best` is its ending, null where none is needed. */
export function candidateOf(
  grown: Grown,
  best: EndingOption | null,
  endDay: number,
  heightM: number,
): Candidate {
  const {
    key,
    parts,
    sowDay,
    question,
    run,
    established,
    covered30,
    flower,
    covering,
    cost,
    plants,
    killChance,
  } = grown
  const purposes = purposesOf(grown, endDay)
  const weights = purposes.map((_, i) => PURPOSE_WEIGHTS[i] ?? 0.1)
  const worth =
    purposes.reduce((sum, entry, i) => sum + weights[i] * entry.worth, 0) /
    (weights.reduce((a, b) => a + b, 0) || 1)
  const endChance = best?.chance ?? 1
  const chance = endChance * established
  const mustLive = question.limits.winter === 'must live'
  const risks: Candidate['risk'][] = [
    { of: 'ending', chance: 1 - endChance },
    { of: 'establishing', chance: 1 - established },
    { of: 'winter', chance: mustLive || best?.method !== 'winter-kill' ? killChance : 1 - killChance },
  ]
  return {
    key,
    parts,
    sowDay,
    covering,
    chance,
    established,
    endChance,
    score: worth * (0.35 + 0.65 * chance),
    members: run.members,
    ending: best && {
      method: best.method,
      passes: best.passes,
      name: best.name,
      startDay: best.bestStartDay!,
      latestSafeDay: best.latestSafeDay,
    },
    purposes,
    firstFlower: flower,
    covered30,
    heightM,
    cost,
    reason: endingReason(best, endDay),
    risk: risks.reduce((a, b) => (b.chance > a.chance ? b : a)),
    overSingle: null,
    againstNext: null,
    cautions: cautionsFor(plants, question),
  }
}

/** Nitrogen a crop takes up from which it counts as hungry, g m⁻². */
const HUNGRY_G = 16

function cautionsFor(plants: readonly Species[], question: ChooseQuestion): string[] {
  const { next, target, animals } = question
  const cautions = plants.flatMap((plant) => [
    ...plant.cautions,
    ...harmTexts(plant, (who) => who === 'people' || animals.some((kept) => kept === who)),
  ])
  const sameFamily = next && plants.find((plant) => plant.family === next.family)
  if (sameFamily)
    cautions.push(`Same family as the next crop (${next.family}): pests and diseases may carry over.`)
  if (target.establishment === 'seed' && next?.smallSeed && plants.some((plant) => plant.allelopathy >= 0.5))
    cautions.push('Its residue holds back small seed for two to four weeks.')
  if (next && next.nitrogenG >= HUNGRY_G && plants.every((plant) => plant.group === 'grass'))
    cautions.push(`Strawy residue ties up nitrogen just when ${next.name.toLowerCase()} wants it.`)
  if (question.purposes.includes('nematodes'))
    cautions.push(
      'Ask a laboratory which nematode it is: lesion nematodes feed on rye, oats and buckwheat as well.',
    )
  const food = question.purposes.includes('kitchen') ? notAllFood(plants) : null
  if (food) cautions.push(food)
  return [...new Set(cautions)]
}

function endingReason(best: EndingOption | null, endDay: number): DatedText {
  if (!best) return { text: 'Nothing takes this ground after it; it can stay.', days: [] }
  const sure = best.chance >= SAFE_CHANCE ? '' : ', which is not sure'
  if (best.method === 'winter-kill')
    return { text: `Winter ends it for you in ${Math.round(best.chance * 100)} of 100 years.`, days: [] }
  return {
    text: `Ended by ${best.name.toLowerCase()}, best begun by {0}${sure}.`,
    days: [best.latestSafeDay ?? endDay],
  }
}
