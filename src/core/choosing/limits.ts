import { isoDate } from '../foundations/day'
import { shareOf, spreadOf } from '../foundations/statistics'
import { findSpecies } from '../plants/catalogue'
import type { Species } from '../plants/parameters'
import type { StandRun } from '../stand/types'
import type { ChooseQuestion, DatedText, LimitName, Part } from './types'

/** Chance below which a limit rejects. */
export const REJECT_BELOW = 0.5

/** Years that plants of a troubled family keep away from a bed (extension, 3–7). */
const TROUBLE_YEARS = 4

/** Why a cover does not set root-knot nematodes back, or may not. */
const NEMATODE_TEXTS: Partial<Record<Species['rootKnot'], string>> = {
  host: 'Root-knot nematodes feed and multiply on it.',
  'depends on cultivar':
    'It depends on the cultivar: some set root-knot nematodes back, others feed them. Ask for one that is named as resistant.',
}

type Verdict = { limit: LimitName; text: string; days?: number[] }

/** Limits that need no growing: what a species is. Null when none stops it. */
export function standingLimit(plant: Species, question: ChooseQuestion): Verdict | null {
  const { limits, animals, purposes, seedAtHand, bed, today } = question
  const harm = plant.harms.find(
    (entry) =>
      entry.level === 'avoid' && entry.fromBbch === undefined && animals.some((who) => who === entry.who),
  )
  if (harm) return { limit: 'harms animals', text: `${harm.why} You keep ${harm.who}.` }
  const trouble = bed.troubles?.find(
    (entry) => entry.family === plant.family && entry.date >= isoDate(today - TROUBLE_YEARS * 365),
  )
  if (trouble)
    return {
      limit: 'trouble in this bed',
      text: `${plant.family}, as what had ${trouble.what} here in ${trouble.date.slice(0, 4)}; ${TROUBLE_YEARS} years apart is the usual rule.`,
    }
  if (limits.noGrasses && plant.group === 'grass')
    return { limit: 'not wanted', text: 'A grass, and you asked for none.' }
  const nematodes =
    limits.notRootKnotHost || purposes.includes('nematodes') ? NEMATODE_TEXTS[plant.rootKnot] : undefined
  if (nematodes) return { limit: 'nematodes', text: nematodes }
  if (limits.seedAtHandOnly && !seedAtHand.includes(plant.id))
    return { limit: 'no seed at hand', text: 'No seed of it is marked as at hand.' }
  if (purposes.includes('kitchen') && purposes[0] === 'kitchen' && !plant.edible)
    return { limit: 'not eaten', text: 'Not eaten by people.' }
  return null
}

/** The first standing limit of a composition, if any. */
export function standingLimitOf(parts: readonly Part[], question: ChooseQuestion): Verdict | null {
  for (const { speciesId } of parts) {
    const plant = findSpecies(speciesId)
    const verdict = plant && standingLimit(plant, question)
    if (verdict) return parts.length > 1 ? { ...verdict, text: `${plant.name}: ${verdict.text}` } : verdict
  }
  return null
}

/** Share of members in which every species that came up is dead before it ripens, and when. */
function winterDeaths(run: StandRun): Float64Array {
  return Float64Array.from({ length: run.members }, (_, m) => {
    for (let day = 1; day < run.days; day++) {
      const at = m * run.days + day
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

export type WinterVerdict = { killChance: number; verdict: DatedText | null }

/** Rejects covers that cold takes while small, or does not treat as wished. */
export function winterVerdict(run: StandRun, question: ChooseQuestion): WinterVerdict {
  const killed = winterDeaths(run)
  const killChance = shareOf(run.members, (m) => !Number.isNaN(killed[m]))
  const small = shareOf(
    run.members,
    (m) => !Number.isNaN(killed[m]) && peakMass(run, m, killed[m]) < WORTH_GROWING_G,
  )
  const when = spreadOf(killed.map((day) => run.startDay + day))
  const reject = (text: string, ...days: number[]) => ({ killChance, verdict: { text, days } })
  const { winter } = question.limits
  if (small > REJECT_BELOW && when)
    return reject('Cold kills it about {0}, while it is still small.', when.mid)
  if (winter === 'must live' && killChance > 0.4 && when)
    return reject(
      `Winter kills it about {0} in ${Math.round(killChance * 100)} of 100 years; you want it alive.`,
      when.mid,
    )
  if (winter === 'must die' && killChance < 0.6)
    return reject(
      `It lives through the winter in ${Math.round((1 - killChance) * 100)} of 100 years; you want it dead by {0}.`,
      question.target.plantingDay,
    )
  return { killChance, verdict: null }
}

function peakMass(run: StandRun, member: number, untilDay: number): number {
  let peak = 0
  for (let day = 0; day <= untilDay; day++) peak = Math.max(peak, run.massG[member * run.days + day])
  return peak
}

/** Height that the stand reaches before `endDay`, middle of the members, m. */
export function reachedHeight(run: StandRun, endDay: number): number {
  const days = Math.max(1, Math.min(run.days, endDay - run.startDay))
  const heights = Float64Array.from({ length: run.members }, (_, m) => {
    let tallest = 0
    for (let day = 0; day < days; day++) tallest = Math.max(tallest, run.heightM[m * run.days + day])
    return tallest
  })
  return spreadOf(heights)?.mid ?? 0
}
