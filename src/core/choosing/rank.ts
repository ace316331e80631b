import { compareEndings, SAFE_CHANCE, type EndingOption } from '../ending/compare'
import { seedFromText } from '../foundations/random'
import { shareOf, spreadOf } from '../foundations/statistics'
import { seedSize, SPECIES } from '../plants/catalogue'
import { EMERGENCE_SHARE } from '../plants/establishment'
import type { Species } from '../plants/parameters'
import { sowingRecipe } from '../seeding/recipe'
import type { WeatherEnsemble } from '../site/weather'
import { runStand } from '../stand/kernel'
import { dateSpread, firstDays, stageDays, type DateSpread } from '../stand/summary'
import { drawTraits } from '../stand/traits'
import type { SownSpecies, StandRun } from '../stand/types'
import { preferredEnding, REJECT_BELOW, winterVerdict } from './limits'
import { findPurpose, goalShare, lessIsBetter } from './purposes'
import type { Candidate, ChooseAnswer, ChooseQuestion, DatedText, Rejection } from './types'

/** A cover counts as established at this share of ground. */
const ESTABLISHED_COVER = 0.3
const PURPOSE_WEIGHTS = [0.65, 0.35, 0.2]

/** The straight species at its full broadcast rate, raked in, with seed of ordinary germination. */
function sownAlone(plant: Species, areaM2: number): SownSpecies {
  const germination = 0.85
  const recipe = sowingRecipe({
    areaM2,
    covering: 'raked',
    passes: 2,
    scaleStepG: 0.1,
    components: [{ speciesId: plant.id, share: 1, germination }],
  })
  const seeds = recipe.ok ? recipe.value.lines[0].seedsPerM2 * germination : 0
  return { plant, seedsPerM2: seeds, emergenceShare: EMERGENCE_SHARE.raked[seedSize(plant)] }
}

/** Sowing days worth trying: as soon as the ground is free, then fortnightly through the first half of the window. */
function sowingDays(question: ChooseQuestion): number[] {
  const first = Math.max(question.freeFromDay, question.today)
  const last = first + (question.target.plantingDay - first) / 2
  const days: number[] = []
  for (let day = first; day <= last && days.length < 5; day += 14) days.push(day)
  return days.length > 0 ? days : [first]
}

function shorten(ensemble: WeatherEnsemble, members: number, endDay: number): WeatherEnsemble {
  const days = Math.min(ensemble.days, endDay - ensemble.startDay)
  return { ...ensemble, days, members: ensemble.members.slice(0, members) }
}

/** Screening members for the sowing date. */
const SCREEN_MEMBERS = 24

type Judged =
  | { verdict: 'candidate'; candidate: Candidate }
  | { verdict: 'rejected'; rejection: Rejection; closeness: number }

/** Judges all species for a window; `progress` is told the share done, 0–1. Empty windows give only rejections. */
export function rankSpecies(
  question: ChooseQuestion,
  ensemble: WeatherEnsemble,
  progress?: (share: number) => void,
): ChooseAnswer {
  const candidates: Candidate[] = []
  const rejections: Rejection[] = []
  SPECIES.forEach((plant, index) => {
    const judged = judgeSpecies(plant, question, ensemble)
    if (judged.verdict === 'candidate') candidates.push(judged.candidate)
    else rejections.push(judged.rejection)
    progress?.((index + 1) / SPECIES.length)
  })
  candidates.sort((a, b) => b.score - a.score)
  return { candidates, rejections }
}

function judgeSpecies(plant: Species, question: ChooseQuestion, ensemble: WeatherEnsemble): Judged {
  const horizon = question.target.plantingDay + 1
  const quick = shorten(ensemble, SCREEN_MEMBERS, horizon)
  const full = shorten(ensemble, ensemble.members.length, horizon)
  const value = (judged: Judged) =>
    judged.verdict === 'candidate' ? 1 + judged.candidate.score : judged.closeness
  const days = sowingDays(question)
  let bestDay = days[0]
  if (days.length > 1) {
    const screened = days.map((day) => ({ day, value: value(judge(plant, day, question, quick, 4)) }))
    bestDay = screened.reduce((a, b) => (b.value > a.value + 0.02 ? b : a)).day
  }
  return judge(plant, bestDay, question, full, 2)
}

function judge(
  plant: Species,
  sowDay: number,
  question: ChooseQuestion,
  ensemble: WeatherEnsemble,
  stepDays: number,
): Judged {
  const sown = [sownAlone(plant, question.areaM2)]
  const { bed, target } = question
  const run = runStand(
    {
      sown,
      sowDay,
      soil: bed.soil,
      fertility: bed.fertility,
      shade: bed.shade,
      canopyAbove: null,
      events: [],
    },
    ensemble,
    drawTraits(ensemble.members.length, seedFromText(plant.id)),
  )
  const reject = (limit: Rejection['limit'], closeness: number, text: string, ...days: number[]): Judged => ({
    verdict: 'rejected',
    closeness,
    rejection: { speciesId: plant.id, limit, reason: { text, days } },
  })

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

  const winter = winterVerdict(run, question)
  if (winter) return reject('winter', 0.35, winter.text, ...winter.days)

  const endings = compareEndings(
    run,
    ensemble,
    bed,
    question.areaM2,
    question.tools,
    target,
    Math.max(question.today, Math.round(covered30.spread?.mid ?? sowDay)),
    stepDays,
  )
  const best = preferredEnding(endings)
  const flower = dateSpread(stageDays(run, 0, 61))
  const chance = (best?.chance ?? 0) * established
  if (!best || chance < REJECT_BELOW) {
    if (best && established < best.chance)
      return reject(
        'too little time',
        0.5 * established,
        `Too little time: it covers 30 % of the ground before {0} in only ${Math.round(established * 100)} of 100 years.`,
        target.plantingDay,
      )
    const stage = plant.group === 'grass' ? 'pollen' : 'first flower'
    return flower.spread
      ? reject(
          'cannot be ended',
          0.4 + 0.3 * chance,
          `Not dead in time with your tools: ${stage} about {0}, you plant {1}. Best chance ${Math.round(chance * 100)} %.`,
          flower.spread.mid,
          target.plantingDay,
        )
      : reject(
          'cannot be ended',
          0.4 + 0.3 * chance,
          `Not dead in time with your tools: it does not reach ${stage} before {0}. Best chance ${Math.round(chance * 100)} %.`,
          target.plantingDay,
        )
  }
  return {
    verdict: 'candidate',
    candidate: candidateOf(plant, sowDay, question, run, best, established, covered30, flower),
  }
}

function candidateOf(
  plant: Species,
  sowDay: number,
  question: ChooseQuestion,
  run: StandRun,
  best: EndingOption,
  established: number,
  covered30: DateSpread,
  flower: DateSpread,
): Candidate {
  const endDay = best.bestStartDay ?? question.target.plantingDay
  const reckonDay = best.method === 'winter-kill' ? question.target.plantingDay : endDay
  const purposes = question.purposes.map((id) => {
    const purpose = findPurpose(id)
    const amounts = Float64Array.from({ length: run.members }, (_, m) => purpose.amount(run, m, reckonDay))
    const meets = (m: number) =>
      lessIsBetter(purpose) ? amounts[m] <= purpose.goal : amounts[m] >= purpose.goal
    return { id, amount: spreadOf(amounts)!, chanceOfGoal: shareOf(run.members, meets) }
  })
  const worth = purposes.reduce(
    (sum, entry, i) =>
      sum +
      PURPOSE_WEIGHTS[i] *
        (0.4 * entry.chanceOfGoal + 0.6 * goalShare(findPurpose(entry.id), entry.amount.mid)),
    0,
  )
  const weights = purposes.reduce((sum, _, i) => sum + PURPOSE_WEIGHTS[i], 0)
  const chance = best.chance * established
  const cautions = [...plant.cautions]
  if (question.nextFamily === plant.family)
    cautions.push('Same family as the next crop: pests and diseases may carry over.')
  if (plant.allelopathy >= 0.5 && question.target.establishment === 'seed')
    cautions.push('Its residue holds back small seed for some weeks.')
  return {
    speciesId: plant.id,
    sowDay,
    chance,
    score: (worth / (weights || 1)) * (0.35 + 0.65 * chance),
    ending: {
      method: best.method,
      passes: best.passes,
      name: best.name,
      startDay: endDay,
      latestSafeDay: best.latestSafeDay,
    },
    purposes,
    firstFlower: flower,
    covered30,
    reason: endingReason(best, endDay),
    cautions,
  }
}

function endingReason(best: EndingOption, endDay: number): DatedText {
  const sure = best.chance >= SAFE_CHANCE ? '' : ', which is not sure'
  if (best.method === 'winter-kill')
    return { text: `Winter ends it for you in ${Math.round(best.chance * 100)} of 100 years.`, days: [] }
  return {
    text: `Ended by ${best.name.toLowerCase()}, best begun by {0}${sure}.`,
    days: [best.latestSafeDay ?? endDay],
  }
}
