import { mixSeed, randomStream } from '../foundations/random'
import type { StandRun } from '../stand/types'
import type { MemberTraits } from '../stand/traits'

/** One look at a stand in core terms: day number, BBCH, cover 0–1, height m; null where not judged. */
export type Look = { day: number; bbch: number | null; cover: number | null; heightM: number | null }

/** Errors of looks by eye, one standard deviation (judgement). */
export const LOOK_ERROR = { bbch: 4, cover: 0.1, heightShare: 0.2, heightM: 0.05 } as const

/** Log-likelihood of a look for one member; 0 for days outside the run. */
function logLikelihood(run: StandRun, lead: number, member: number, look: Look): number {
  const index = look.day - run.startDay
  if (index < 0 || index >= run.days) return 0
  const at = member * run.days + index
  let sum = 0
  const gauss = (difference: number, sd: number) => -0.5 * (difference / sd) ** 2
  if (look.bbch !== null) sum += gauss(run.species[lead].bbch[at] - look.bbch, LOOK_ERROR.bbch)
  if (look.cover !== null) sum += gauss(run.cover[at] - look.cover, LOOK_ERROR.cover)
  if (look.heightM !== null)
    sum += gauss(run.heightM[at] - look.heightM, LOOK_ERROR.heightM + LOOK_ERROR.heightShare * look.heightM)
  return sum
}

/** Weights of the members by how well they agree with the looks, raised to `power`; they sum to 1. */
export function memberWeights(run: StandRun, lead: number, looks: readonly Look[], power = 1): Float64Array {
  const logs = Float64Array.from(
    { length: run.members },
    (_, member) => power * looks.reduce((sum, look) => sum + logLikelihood(run, lead, member, look), 0),
  )
  const top = Math.max(...logs)
  const weights = logs.map((value) => Math.exp(value - top))
  const total = weights.reduce((sum, weight) => sum + weight, 0)
  return weights.map((weight) => weight / total)
}

/** Width of the smoothing when members are drawn again, as a share of their own spread (Liu and West 2001). */
const SMOOTHING = 0.3

/** Which old member each new one is drawn from (systematic resampling). */
function systematicPicks(weights: Float64Array, start: number): number[] {
  const members = weights.length
  const picks: number[] = []
  let cumulative = weights[0]
  let source = 0
  for (let member = 0; member < members; member++) {
    const target = (start + member) / members
    while (cumulative < target && source < members - 1) cumulative += weights[++source]
    picks.push(source)
  }
  return picks
}

/** Values drawn again with a jitter whose width is made good by shrinking towards the mean, so that spread is kept. */
function smoothed(values: ArrayLike<number>, picks: readonly number[], normal: () => number): Float64Array {
  const mean = picks.reduce((sum, pick) => sum + values[pick], 0) / picks.length
  const variance = picks.reduce((sum, pick) => sum + (values[pick] - mean) ** 2, 0) / picks.length
  const shrink = Math.sqrt(1 - SMOOTHING * SMOOTHING)
  return Float64Array.from(
    picks,
    (pick) => mean + shrink * (values[pick] - mean) + SMOOTHING * Math.sqrt(variance) * normal(),
  )
}

/** Draws members again by weight; traits are jittered so that no two are alike. */
export function resampleTraits(
  traits: MemberTraits,
  weights: Float64Array,
  seed: number,
): { traits: MemberTraits; picks: number[] } {
  const random = randomStream(mixSeed(seed, 0x4e5a))
  const picks = systematicPicks(weights, random.uniform())
  const onLogs = (values: Float64Array) => smoothed(values.map(Math.log), picks, random.normal).map(Math.exp)
  const drawn = {
    development: onLogs(traits.development),
    growth: onLogs(traits.growth),
    emergence: onLogs(traits.emergence),
    hardinessC: smoothed(traits.hardinessC, picks, random.normal),
  }
  return { traits: drawn, picks }
}

/** Runs a stand with these traits; `order` says whose weather each member has, null for its own. */
type Runner = (traits: MemberTraits, order: readonly number[] | null) => StandRun

/**
 * Members that agree with the looks: two rounds of weighting, drawing again and running, each with half of the
 * evidence so that few looks do not leave few members. `pairWeather` keeps a member's weather with its traits; needed
 * where the days of the looks were not observed. Returns the last run, its traits and whose weather its
 * members have.
 */
export function learn(
  runWith: Runner,
  prior: MemberTraits,
  lead: number,
  looks: readonly Look[],
  seed: number,
  pairWeather: boolean,
): { run: StandRun; traits: MemberTraits; order: readonly number[] | null } {
  let traits = prior
  let order: readonly number[] | null = null
  let run = runWith(traits, order)
  if (looks.length === 0) return { run, traits, order }
  for (let round = 0; round < 2; round++) {
    const drawn = resampleTraits(traits, memberWeights(run, lead, looks, 0.5), mixSeed(seed, round))
    traits = drawn.traits
    const last: readonly number[] | null = order
    if (pairWeather) order = drawn.picks.map((pick) => last?.[pick] ?? pick)
    run = runWith(traits, order)
  }
  return { run, traits, order }
}
