import { isoDate } from '../foundations/day'
import { shareOf, quantilesOf } from '../foundations/statistics'
import { findSpecies } from '../plants/catalogue'
import { isGrain } from '../plants/crops'
import { resistantSold, rootKnotOf } from '../plants/nematodes'
import type { Species } from '../plants/parameters'
import { isCereal } from '../plants/seasons'
import type { StandRun } from '../stand/types'
import type { WeatherEnsemble } from '../site/weather'
import { untilDay, type ChooseQuestion, type LimitName, type MixComponent, type Reason } from './types'
import { placeIn } from '../stand/series'

/** Chance below which a limit rejects. */
export const REJECT_BELOW = 0.5

/** Years that plants of a troubled family keep away from a bed (extension, 3–7). */
const TROUBLE_YEARS = 4

/** Why a cover does not set root-knot nematodes back, or may not; null where it does no harm. */
function nematodeReason(plant: Species, named: readonly string[]): Reason | null {
  const knot = rootKnotOf(plant, named)
  if (knot !== 'host' && knot !== 'depends on cultivar') return null
  return { code: resistantSold(plant) ? 'cultivar' : 'feeds nematodes' }
}

type Verdict = { limit: LimitName; reason: Reason }

/** Limits that need no growing: what a species is. Null when none stops it. */
export function standingLimit(plant: Species, question: ChooseQuestion): Verdict | null {
  const { limits, animals, purposes, seedAtHand, bed, means, today, upper } = question
  const harm = plant.harms.find(
    (entry) =>
      entry.level === 'avoid' && entry.fromBbch === undefined && animals.some((who) => who === entry.who),
  )
  if (harm) return { limit: 'harms animals', reason: { code: 'animal', why: harm.why, who: harm.who } }
  const trouble = bed.troubles.find(
    (entry) => entry.family === plant.family && entry.date >= isoDate(today - TROUBLE_YEARS * 365),
  )
  if (trouble)
    return {
      limit: 'trouble in this bed',
      reason: {
        code: 'trouble',
        family: plant.family,
        what: trouble.what,
        year: Number(trouble.date.slice(0, 4)),
        years: TROUBLE_YEARS,
      },
    }
  if (limits.noGrasses && plant.group === 'grass') return { limit: 'not wanted', reason: { code: 'grass' } }
  if (upper?.kind === 'crop' && isGrain(upper.cropId) && isCereal(plant))
    return { limit: 'not wanted', reason: { code: 'among grain' } }
  const nematodes =
    limits.notRootKnotHost || purposes.includes('nematodes') ? nematodeReason(plant, means.resistant) : null
  if (nematodes) return { limit: 'nematodes', reason: nematodes }
  if (limits.seedAtHandOnly && !seedAtHand.includes(plant.id))
    return { limit: 'no seed at hand', reason: { code: 'no seed' } }
  if (purposes.includes('kitchen') && purposes[0] === 'kitchen' && !plant.edible)
    return { limit: 'not eaten', reason: { code: 'not eaten' } }
  return null
}

/** The first standing limit of a composition, if any. */
export function standingLimitOf(
  components: readonly MixComponent[],
  question: ChooseQuestion,
): Verdict | null {
  for (const { speciesId } of components) {
    const plant = findSpecies(speciesId)
    const verdict = plant && standingLimit(plant, question)
    if (verdict)
      return components.length > 1 ? { ...verdict, reason: { ...verdict.reason, of: speciesId } } : verdict
  }
  return null
}

/** Share of members in which every species that came up is dead before it ripens, and when. */
function winterDeaths(run: StandRun, untilDay: number): Float64Array {
  const days = Math.min(run.days, untilDay - run.startDay)
  return Float64Array.from({ length: run.members }, (_, m) => {
    for (let day = 1; day < days; day++) {
      const at = placeIn(run, m, day)
      let up = false
      let dead = true
      for (const species of run.species) {
        if (species.bbch[at] < 9) continue
        up = true
        if (species.bbch[at] >= 85 || species.alive[at] >= 0.15) dead = false
      }
      if (up && dead) return day
    }
    return NaN
  })
}

/** Mass that a cover must have reached before cold may end it, g m⁻². */
const WORTH_GROWING_G = 80

/** Why cold or heat stands against a cover: taken while small, or not dealt with as wished; null where neither does. */
export function winterVerdict(
  run: StandRun,
  ensemble: WeatherEnsemble,
  question: ChooseQuestion,
): Reason | null {
  const killed = winterDeaths(run, untilDay(question))
  const chance = shareOf(run.members, (m) => !Number.isNaN(killed[m]))
  const small = shareOf(
    run.members,
    (m) => !Number.isNaN(killed[m]) && peakMass(run, m, killed[m]) < WORTH_GROWING_G,
  )
  const when = quantilesOf(killed.map((day) => run.startDay + day))
  const { winter } = question.limits
  if (small > REJECT_BELOW && when)
    return { code: 'killed small', by: killedBy(run, ensemble, killed), day: when.p50 }
  if (winter === 'must live' && chance > 0.4 && when) return { code: 'killed', day: when.p50, chance }
  if (winter === 'must die' && chance < 0.6)
    return { code: 'lives on', chance: 1 - chance, byDay: untilDay(question) }
  return null
}

/** Whether most deaths came in frost or in warmth. */
function killedBy(run: StandRun, ensemble: WeatherEnsemble, killed: Float64Array): 'cold' | 'heat' {
  const died = [...killed.keys()].filter((m) => !Number.isNaN(killed[m]))
  const frosty = died.filter((m) => {
    const at = run.startDay + killed[m] - ensemble.startDay
    const nights = ensemble.members[m].tMinC.slice(Math.max(0, at - 5), at + 1)
    return Math.min(...nights) <= 0
  })
  return 2 * frosty.length >= died.length ? 'cold' : 'heat'
}

function peakMass(run: StandRun, member: number, untilDay: number): number {
  let peak = 0
  for (let day = 0; day <= untilDay; day++) peak = Math.max(peak, run.massG[placeIn(run, member, day)])
  return peak
}

/** Height that the stand reaches before `endDay`, middle of the members, m. */
export function reachedHeight(run: StandRun, endDay: number): number {
  const days = Math.max(1, Math.min(run.days, endDay - run.startDay))
  const heights = Float64Array.from({ length: run.members }, (_, m) => {
    let tallest = 0
    for (let day = 0; day < days; day++) tallest = Math.max(tallest, run.heightM[placeIn(run, m, day)])
    return tallest
  })
  return quantilesOf(heights)?.p50 ?? 0
}
