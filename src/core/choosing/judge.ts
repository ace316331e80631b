import { compareEndings } from '../ending/compare'
import { SAFE_CHANCE, type EndingOption, type Target } from '../ending/weigh'
import { seedFromText } from '../foundations/random'
import { shareOf } from '../foundations/statistics'
import type { WeatherEnsemble } from '../site/weather'
import { runStand } from '../stand/kernel'
import { selfSowing } from '../stand/reseeding'
import { dateSpread, firstDays, stageDays } from '../stand/summary'
import { drawTraits } from '../stand/traits'
import { candidateOf, type Grown } from './candidate'
import { sowingOf } from './composition'
import { reachedHeight, REJECT_BELOW, standingLimitOf, winterVerdict } from './limits'
import {
  keyOf,
  type Candidate,
  type ChooseQuestion,
  type LimitName,
  type Part,
  type Rejection,
} from './types'

/** A cover counts as established at this share of ground. */
const ESTABLISHED_COVER = 0.3
/** Seeds per m² from which a cover counts as sowing itself. */
const SELF_SOWN = 5
/** A break without green that most seedling pests do not live through, days (extension, 14–21). */
const GREEN_BREAK_DAYS = 21

export type Judged =
  | { verdict: 'candidate'; candidate: Candidate }
  | { verdict: 'rejected'; rejection: Rejection; closeness: number }

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
  const grown: Grown = {
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
  const fits = (best: EndingOption | null, endDay: number): Judged => {
    const heightM = reachedHeight(run, endDay)
    if (limits.maxHeightM !== null && heightM > limits.maxHeightM)
      return reject(
        'too tall',
        0.2,
        `It grows to about ${heightM.toFixed(1)} m before it is ended; you allow ${limits.maxHeightM} m.`,
      )
    return { verdict: 'candidate', candidate: candidateOf(grown, best, endDay, heightM) }
  }
  if (!question.endNeeded) return fits(null, target.plantingDay)

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
  if (chance < REJECT_BELOW) return notEnded(grown, reject, surest, chance, target)
  const best = preferredEnding(open)!
  return fits(best, best.method === 'winter-kill' ? target.plantingDay : best.bestStartDay!)
}

type Reject = (limit: LimitName, closeness: number, text: string, ...days: number[]) => Judged

function notEnded(
  { established, flower, plants }: Grown,
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
