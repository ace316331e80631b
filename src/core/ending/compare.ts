import { shareOf, spreadOf, type Spread } from '../foundations/statistics'
import type { Bed, Tool } from '../garden/schema'
import type { WeatherEnsemble } from '../site/weather'
import type { StandRun } from '../stand/types'
import { valuesOn } from '../stand/summary'
import { weedSuppression } from '../residue/pools'
import { END_METHODS, methodObstacle, type EndMethod } from './methods'
import { DEAD_SHARE, endingOf, stragglerMinutes, type EndingSetup } from './outcome'

/** What follows the cover and when: the date everything is reckoned back from. */
export type Target = { plantingDay: number; establishment: 'transplant' | 'seed'; waitDays: number }

/** One method judged for this stand and planting date. */
export type EndingOption = {
  method: EndMethod['id']
  name: string
  passes: number
  /** Why it cannot be done here, or null. */
  obstacle: string | null
  /** Best start day found and its chance of dead, waited and plantable on the planting day. */
  bestStartDay: number | null
  chance: number
  /** Last start day that still gives at least the wanted chance; null when none does. */
  latestSafeDay: number | null
  /** Days from the best start to dead. */
  days: Spread | null
  /** Share of plants left alive before hand-finishing. */
  survivors: Spread | null
  minutes: number
  /** Dry matter left as mulch, g m⁻², and the share of weeds it holds back at first. */
  mulchG: number
  weedsHeld: number
  needs: string[]
  risk: string
  /** Chance by start day, for the strip chart: pairs of day and chance. */
  byStart: { day: number; chance: number }[]
}

/** Chance a grower can rely on. */
export const SAFE_CHANCE = 0.8

/** Below this chance a way is shown as not worth planning. */
const HOPELESS = 0.03

const CANDIDATES: { id: EndMethod['id']; passes: number }[] = [
  { id: 'chop', passes: 1 },
  { id: 'chop', passes: 2 },
  { id: 'crimp', passes: 1 },
  { id: 'tarp', passes: 1 },
  { id: 'winter-kill', passes: 1 },
]

/** Share of members dead and waited out by the planting day when the method starts on `startDay`. */
function chanceFor(
  method: EndMethod['id'],
  run: StandRun,
  ensemble: WeatherEnsemble,
  startDay: number,
  target: Target,
  setup: EndingSetup,
) {
  const endings = Array.from({ length: run.members }, (_, member) =>
    endingOf(method, run, ensemble, member, startDay, setup),
  )
  const chance = shareOf(run.members, (m) => endings[m].deadDay + target.waitDays <= target.plantingDay)
  return { chance, endings }
}

/**
 * Judges every method for a stand over start days from `today` to the planting day, every `stepDays`-th of them.
 */
export function compareEndings(
  run: StandRun,
  ensemble: WeatherEnsemble,
  bed: Bed,
  areaM2: number,
  tools: readonly Tool[],
  target: Target,
  today: number,
  stepDays = 1,
): EndingOption[] {
  const flattened = tools.some((tool) => tool.kind !== 'black tarp' && tool.kind !== 'rake')
  return CANDIDATES.map(({ id, passes }) => {
    const method = END_METHODS.find((entry) => entry.id === id)!
    const setup: EndingSetup = { passes, flattened, target: DEAD_SHARE[target.establishment] }
    const obstacle = methodObstacle(method, bed, tools)
    return judge(
      method,
      run,
      ensemble,
      areaM2,
      target,
      Math.max(today, run.startDay),
      setup,
      stepDays,
      obstacle,
    )
  })
}

function judge(
  method: EndMethod,
  run: StandRun,
  ensemble: WeatherEnsemble,
  areaM2: number,
  target: Target,
  from: number,
  setup: EndingSetup,
  stepDays: number,
  obstacle: string | null,
): EndingOption {
  const lastDay = Math.min(target.plantingDay, run.startDay + run.days - 1)
  const byStart: { day: number; chance: number }[] = []
  // Winter does not wait for a start day; one evaluation says it all.
  const lastStart = method.id === 'winter-kill' ? from : lastDay
  for (let day = from; day <= lastStart; day += stepDays)
    byStart.push({ day, chance: chanceFor(method.id, run, ensemble, day, target, setup).chance })

  const chance = Math.max(0, ...byStart.map((point) => point.chance))
  const best = byStart.filter((point) => point.chance >= chance - 1e-9).at(-1) ?? null
  const safe = byStart.filter((point) => point.chance >= SAFE_CHANCE).at(-1) ?? null
  const start = safe ?? best
  const endings = start ? chanceFor(method.id, run, ensemble, start.day, target, setup).endings : []
  const plants = run.sown.reduce((sum, sown) => sum + sown.seedsPerM2 * sown.emergenceShare, 0)
  const survivors = spreadOf(endings.map((ending) => ending.survival))
  const mulchG = start ? (spreadOf(valuesOn(run, run.massG, start.day))?.mid ?? 0) * method.mulchKept : 0
  const byHand = method.id === 'tarp' || !survivors ? 0 : stragglerMinutes(survivors.mid, plants, areaM2)
  return {
    method: method.id,
    name: setup.passes === 2 ? `${method.name}, twice` : method.name,
    passes: setup.passes,
    obstacle,
    bestStartDay: start && chance > HOPELESS ? start.day : null,
    chance: start?.chance ?? 0,
    latestSafeDay: method.id === 'winter-kill' ? null : (safe?.day ?? null),
    days: start && chance > HOPELESS ? spreadOf(endings.map((ending) => ending.deadDay - start.day)) : null,
    survivors,
    minutes: method.id === 'winter-kill' ? 0 : method.minutesPerM2 * areaM2 * setup.passes + byHand,
    mulchG,
    weedsHeld: weedSuppression(mulchG),
    needs: needsOf(method, setup),
    risk: riskOf(method, setup, chance, survivors),
    byStart,
  }
}

function needsOf(method: EndMethod, setup: EndingSetup): string[] {
  if (method.id === 'chop')
    return [
      'a sharp low cut',
      ...(setup.passes === 2 ? ['a second cut a week later'] : []),
      'stragglers pulled by hand',
    ]
  if (method.id === 'crimp') return ['even steps under 30 cm', 'stragglers along the edges finished by hand']
  if (method.id === 'tarp')
    return [
      setup.flattened
        ? 'growth flattened or mown first'
        : 'nothing owned to flatten it: the sheet lies higher and takes longer',
      'weights all round',
      'damp soil underneath',
    ]
  return ['a cold enough winter']
}

function riskOf(method: EndMethod, setup: EndingSetup, chance: number, survivors: Spread | null): string {
  const standAgain = survivors ? Math.round(survivors.mid * 100) : 100
  if (method.id === 'winter-kill')
    return chance >= SAFE_CHANCE
      ? 'In a mild winter part of it may live on.'
      : 'It will most likely be alive on the planting day.'
  if (method.id === 'tarp')
    return chance >= SAFE_CHANCE
      ? 'A cool or dry spell under the sheet takes longer.'
      : 'Too little warmth under the sheet before planting.'
  if (chance >= SAFE_CHANCE) return `About ${standAgain} % may stand again; pull those.`
  return setup.passes === 2
    ? `Even after two passes about ${standAgain} % stand again.`
    : `About ${standAgain} % would stand again at this stage.`
}
