import { compareEndings, SAFE_CHANCE, type EndingOption, type Target } from '../ending/compare'
import { seedFromText } from '../foundations/random'
import { shareOf, spreadOf, type Spread } from '../foundations/statistics'
import type { Covering } from '../garden/schema'
import { findSpecies, seedSize } from '../plants/catalogue'
import { EMERGENCE_SHARE } from '../plants/establishment'
import type { Species } from '../plants/parameters'
import { sowingRecipe } from '../seeding/recipe'
import type { WeatherEnsemble } from '../site/weather'
import { runStand } from '../stand/kernel'
import { selfSowing } from '../stand/reseeding'
import { dateSpread, firstDays, stageDays, type DateSpread } from '../stand/summary'
import { drawTraits } from '../stand/traits'
import type { SownSpecies, StandRun } from '../stand/types'
import { reachedHeight, REJECT_BELOW, standingLimitOf, winterVerdict } from './limits'
import { findPurpose, goalShare, lessIsBetter } from './purposes'
import {
  keyOf,
  type Candidate,
  type ChooseQuestion,
  type DatedText,
  type LimitName,
  type Part,
  type PurposeResult,
  type Rejection,
} from './types'

/** A cover counts as established at this share of ground. */
const ESTABLISHED_COVER = 0.3
/** Weight of the first, second and third purpose. */
export const PURPOSE_WEIGHTS = [0.5, 0.3, 0.2]
/** Seed of ordinary quality. */
const GERMINATION = 0.85
/** Organic or untreated seed over the usual price (judgement, 1.3–2). */
const ORGANIC_PRICE = 1.6
/** Seeds per m² from which a cover counts as sowing itself. */
const SELF_SOWN = 5
/** A break without green that most seedling pests do not live through, days (extension, 14–21). */
const GREEN_BREAK_DAYS = 21

export type Judged =
  | { verdict: 'candidate'; candidate: Candidate }
  | { verdict: 'rejected'; rejection: Rejection; closeness: number }

/** How the seed of a composition is covered: under a crop it lies or is raked in lightly, small seed is tamped. */
export function coveringFor(plants: readonly Species[], underCrop: boolean): Covering {
  const small = plants.every((plant) => seedSize(plant) === 'tiny' || seedSize(plant) === 'small')
  if (underCrop) return small ? 'surface' : 'raked'
  return small ? 'raked and tamped' : 'raked'
}

type Sowing = { sown: SownSpecies[]; plants: Species[]; covering: Covering; cost: Spread }

/** Seeds, covering and price of a composition at broadcast rates. */
function sowingOf(parts: readonly Part[], question: ChooseQuestion): Sowing {
  const plants = parts.map((part) => findSpecies(part.speciesId)!)
  const covering = coveringFor(plants, question.canopyAbove !== null)
  const recipe = sowingRecipe({
    areaM2: question.areaM2,
    covering,
    passes: 2,
    scaleStepG: 0.1,
    components: parts.map((part) => ({ ...part, germination: GERMINATION })),
  })
  if (!recipe.ok) throw new Error(recipe.problems[0].message)
  const factor = question.organicSeed ? ORGANIC_PRICE : 1
  const cost = { low: 0, mid: 0, high: 0 }
  const sown = plants.map((plant, i) => {
    const { grams, seedsPerM2 } = recipe.value.lines[i]
    const { low, high } = plant.pricePerKg
    cost.low += (grams / 1000) * low * factor
    cost.high += (grams / 1000) * high * factor
    return {
      plant,
      seedsPerM2: seedsPerM2 * GERMINATION,
      emergenceShare: EMERGENCE_SHARE[covering][seedSize(plant)],
    }
  })
  cost.mid = (cost.low + cost.high) / 2
  return { sown, plants, covering, cost }
}

/** The planting the endings are judged by, moved up by limits on when it must be dead. */
function targetOf({ target, limits }: ChooseQuestion): Target {
  const waitDays =
    limits.noGreenBridge && target.establishment === 'seed'
      ? Math.max(GREEN_BREAK_DAYS, target.waitDays)
      : target.waitDays
  const plantingDay =
    limits.deadByDay === null ? target.plantingDay : Math.min(target.plantingDay, limits.deadByDay + waitDays)
  return { ...target, waitDays, plantingDay }
}

/** The ending that leaves the cover standing longest among the safe ones; the most certain one where none is safe. */
function preferredEnding(open: readonly EndingOption[]): EndingOption | undefined {
  const safe = open.filter((option) => option.chance >= SAFE_CHANCE)
  if (safe.length > 0)
    return safe.reduce((a, b) => ((b.latestSafeDay ?? -1) > (a.latestSafeDay ?? -1) ? b : a))
  return open.length > 0 ? open.reduce((a, b) => (b.chance > a.chance ? b : a)) : undefined
}

/** Grows a composition from one sowing day and holds it against every limit. */
export function judge(
  parts: Part[],
  sowDay: number,
  question: ChooseQuestion,
  ensemble: WeatherEnsemble,
  stepDays: number,
): Judged {
  const key = keyOf(parts)
  const reject = (limit: LimitName, closeness: number, text: string, ...days: number[]): Judged => ({
    verdict: 'rejected',
    closeness,
    rejection: { key, parts, limit, reason: { text, days } },
  })
  const standing = standingLimitOf(parts, question)
  if (standing) return reject(standing.limit, 0, standing.text, ...(standing.days ?? []))

  const { sown, plants, covering, cost } = sowingOf(parts, question)
  const { bed, limits } = question
  if (limits.budget !== null && cost.mid > limits.budget)
    return reject(
      'too dear',
      0.2,
      `Seed for this ground costs about ${cost.mid.toFixed(cost.mid < 10 ? 1 : 0)}; you allow ${limits.budget}.`,
    )

  const target = targetOf(question)
  const run = runStand(
    {
      sown,
      sowDay,
      soil: bed.soil,
      fertility: bed.fertility,
      shade: bed.shade,
      canopyAbove: question.canopyAbove,
      events: [],
    },
    ensemble,
    drawTraits(ensemble.members.length, seedFromText(parts[0].speciesId)),
  )
  const covered = firstDays(run, (at) => run.cover[at] >= ESTABLISHED_COVER)
  const established = shareOf(run.members, (m) => covered[m] + 7 <= target.plantingDay)
  const covered30 = dateSpread(covered)
  if (established < REJECT_BELOW)
    return covered30.spread && covered30.chance > 0.3
      ? reject(
          'too little time',
          established * 0.3,
          'Too little time: it covers 30 % of the ground only about {0}; the bed is needed {1}.',
          covered30.spread.mid,
          target.plantingDay,
        )
      : reject(
          'too little time',
          established * 0.3,
          'Too little time: sown {0}, it does not cover 30 % of the ground before {1}.',
          sowDay,
          target.plantingDay,
        )

  const { verdict: winter, killChance } = winterVerdict(run, question)
  if (winter) return reject('winter', 0.35, winter.text, ...winter.days)

  const flower = dateSpread(stageDays(run, 0, 61))
  const common: Common = {
    key,
    parts,
    sowDay,
    question,
    ensemble,
    run,
    established,
    covered30,
    flower,
    covering,
    cost,
    plants,
    killChance,
  }
  if (!question.endNeeded) return finish(common, null, target.plantingDay)

  const endings = compareEndings(
    run,
    ensemble,
    bed,
    question.areaM2,
    question.tools,
    target,
    Math.max(question.today, Math.round(covered30.spread?.mid ?? sowDay)),
    stepDays,
  ).filter((option) => option.obstacle === null && option.bestStartDay !== null)
  const seeds = (option: EndingOption) =>
    selfSowing(run, ensemble, option.bestStartDay!, true).some((entry) => entry.viablePerM2.mid > SELF_SOWN)
  const open = limits.neverReseeds ? endings.filter((option) => !seeds(option)) : endings
  const surest = Math.max(0, ...open.map((option) => option.chance))
  if (limits.neverReseeds && open.length === 0 && endings.length > 0)
    return reject('reseeds', 0.3, 'It would ripen and drop seed before it can be ended; you want none.')
  const chance = surest * established
  if (chance < REJECT_BELOW) return notEnded(common, reject, surest, chance, target)
  const best = preferredEnding(open)!
  return finish(common, best, best.method === 'winter-kill' ? target.plantingDay : best.bestStartDay!)
}

type Common = {
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
type Reject = (limit: LimitName, closeness: number, text: string, ...days: number[]) => Judged

function notEnded(
  { established, flower, plants }: Common,
  reject: Reject,
  surest: number,
  chance: number,
  target: Target,
): Judged {
  if (established < surest)
    return reject(
      'too little time',
      0.5 * established,
      `Too little time: it covers 30 % of the ground before {0} in only ${Math.round(established * 100)} of 100 years.`,
      target.plantingDay,
    )
  const stage = plants[0].group === 'grass' ? 'pollen' : 'first flower'
  const best = `Best chance ${Math.round(chance * 100)} %.`
  if (!flower.spread)
    return reject(
      'cannot be ended',
      0.4 + 0.3 * chance,
      `Not dead in time with your tools: it does not reach ${stage} before {0}. ${best}`,
      target.plantingDay,
    )
  const range = Math.round((flower.spread.high - flower.spread.low) / 2)
  return reject(
    'cannot be ended',
    0.4 + 0.3 * chance,
    `Not dead in time with your tools: ${stage} {0} ± ${range} days, you plant {1}. ${best}`,
    flower.spread.mid,
    target.plantingDay,
  )
}

/** Amounts of each purpose, with the worth the rank gives them, 0–1. */
function purposesOf({ run, ensemble, question }: Common, endDay: number): PurposeResult[] {
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

function finish(common: Common, best: EndingOption | null, endDay: number): Judged {
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
  } = common
  const heightM = reachedHeight(run, endDay)
  const { maxHeightM } = question.limits
  if (maxHeightM !== null && heightM > maxHeightM)
    return {
      verdict: 'rejected',
      closeness: 0.2,
      rejection: {
        key,
        parts,
        limit: 'too tall',
        reason: {
          text: `It grows to about ${heightM.toFixed(1)} m before it is ended; you allow ${maxHeightM} m.`,
          days: [],
        },
      },
    }
  const purposes = purposesOf(common, endDay)
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
    verdict: 'candidate',
    candidate: {
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
    },
  }
}

/** Nitrogen a crop takes up from which it counts as hungry, g m⁻². */
const HUNGRY_G = 16

function cautionsFor(plants: readonly Species[], question: ChooseQuestion): string[] {
  const { next, target, animals } = question
  const cautions = plants.flatMap((plant) => [
    ...plant.cautions,
    ...plant.harms
      .filter((harm) => harm.who === 'people' || animals.some((who) => who === harm.who))
      .map((harm) => `${plant.name}: ${harm.why} ${harm.who === 'people' ? '' : 'Ask a vet.'}`.trim()),
  ])
  const sameFamily = next && plants.find((plant) => plant.family === next.family)
  if (sameFamily)
    cautions.push(`Same family as the next crop (${next.family}): pests and diseases may carry over.`)
  if (target.establishment === 'seed' && next?.smallSeed && plants.some((plant) => plant.allelopathy >= 0.5))
    cautions.push('Its residue holds back small seed for two to four weeks.')
  if (next && next.nitrogenG >= HUNGRY_G && plants.every((plant) => plant.group === 'grass'))
    cautions.push(`Strawy residue ties up nitrogen just when ${next.name.toLowerCase()} wants it.`)
  if (
    next?.rootKnotHost &&
    plants.some((plant) => plant.rootKnot === 'host') &&
    question.purposes.includes('nematodes')
  )
    cautions.push('Root-knot nematodes multiply on part of it.')
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
