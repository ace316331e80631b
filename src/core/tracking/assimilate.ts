import { mixSeed, randomStream } from '../foundations/random'
import { finish, type Steps } from '../foundations/steps'
import type { StandRun } from '../stand/types'
import type { MemberParameters } from '../stand/memberParameters'
import { OBSERVATION_ERROR, type Observation } from './observations'
import { placeIn } from '../stand/series'

const gauss = (difference: number, sd: number) => -0.5 * (difference / sd) ** 2
/** How far what stands in a member may be from what was counted, in logarithms: where it has died it is another's season (judgement, 0.2–0.5). */
const COUNTED_LOG_SD = 0.35
/** A member whose plants are not up yet where plants were counted, or the other way round, is this many errors off. */
const NOT_UP_ERRORS = 3
/** Error of judging which share of the plants is alive (judgement). */
const ALIVE_ERROR = 0.15

/** Log-likelihood of a look for one member; 0 for days outside the run. */
function logLikelihood(run: StandRun, lead: number, member: number, look: Observation): number {
  const index = look.day - run.startDay
  if (index < 0 || index >= run.days) return 0
  const at = placeIn(run, member, index)
  let sum = 0
  const staged = run.species[look.component ?? lead] ?? run.species[lead]
  if (look.bbch !== null) sum += gauss(staged.bbch[at] - look.bbch, OBSERVATION_ERROR.bbch)
  if (look.cover !== null) sum += gauss(run.cover[at] - look.cover, look.coverError)
  if (look.heightM !== null)
    sum += gauss(
      run.heightM[at] - look.heightM,
      OBSERVATION_ERROR.heightM + OBSERVATION_ERROR.heightShare * look.heightM,
    )
  if (look.massG !== null) sum += gauss(run.massG[at] - look.massG, look.massError * Math.max(20, look.massG))
  if (look.plants) {
    const counted = run.species[look.plants.component ?? lead]
    const up = counted.bbch[at] >= 9
    if (up !== look.plants.perM2 > 0) sum += gauss(NOT_UP_ERRORS, 1)
    else if (up)
      sum += gauss(Math.log(Math.max(0.01, standingOf(run, member, at, look.plants))), COUNTED_LOG_SD)
  }
  for (const { share, component, byWeather } of look.alive)
    if (byWeather && index > 0)
      sum += gauss(run.species[component ?? lead].alive[at - run.members] - share, ALIVE_ERROR)
  return sum
}

/** Plants that stand in a member, of those that were counted. */
const standingOf = (
  { species }: StandRun,
  member: number,
  at: number,
  { component, perM2 }: NonNullable<Observation['plants']>,
): number =>
  (component === null ? species : [species[component]]).reduce(
    (sum, { plantsPerM2, alive }) => sum + plantsPerM2[member] * alive[at],
    0,
  ) / perM2

/** Weights of the members by how well they agree with the looks, raised to `power`; they sum to 1. */
export function memberWeights(
  run: StandRun,
  lead: number,
  looks: readonly Observation[],
  power = 1,
): Float64Array {
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

/** Draws members again by weight; their parameters are jittered so that no two are alike. */
export function resampleParameters(
  memberParameters: MemberParameters,
  weights: Float64Array,
  seed: number,
): { memberParameters: MemberParameters; picks: number[] } {
  const random = randomStream(mixSeed(seed, 0x4e5a))
  const picks = systematicPicks(weights, random.uniform())
  const onLogs = (values: Float64Array) => smoothed(values.map(Math.log), picks, random.normal).map(Math.exp)
  const drawn = {
    species: memberParameters.species.map(
      ({ development, growth, leaf, nitrogen, emergence, hardinessC }) => ({
        development: onLogs(development),
        growth: onLogs(growth),
        leaf: onLogs(leaf),
        nitrogen: onLogs(nitrogen),
        emergence: onLogs(emergence),
        hardinessC: smoothed(hardinessC, picks, random.normal),
      }),
    ),
    release: onLogs(memberParameters.release),
    ...(memberParameters.sownAfter && {
      sownAfter: Float64Array.from(picks, (pick) => memberParameters.sownAfter![pick]),
    }),
    ...(memberParameters.plants && {
      plants: memberParameters.plants.map((values) => Float64Array.from(picks, (pick) => values[pick])),
    }),
  }
  return { memberParameters: drawn, picks }
}

/**
 * Sets the plants of each member to what was counted: the newest count of each species, drawn within its error.
 * Counts are many and hit the number itself, so they are taken over rather than weighed.
 */
export function takeCounts(
  run: StandRun,
  memberParameters: MemberParameters,
  looks: readonly Observation[],
  seed: number,
): MemberParameters {
  const random = randomStream(mixSeed(seed, 0xc07))
  const plants = run.species.map(() => new Float64Array(run.members).fill(1))
  for (const { day, plants: count } of looks) {
    if (!count || count.perM2 <= 0) continue
    const index = Math.min(run.days - 1, Math.max(0, day - run.startDay))
    const spread = Math.min(0.5, count.error / count.perM2)
    for (let member = 0; member < run.members; member++) {
      const standing = run.species.map(
        (species) => species.plantsPerM2[member] * Math.max(0.05, species.alive[placeIn(run, member, index)]),
      )
      const before =
        count.component === null ? standing.reduce((a, b) => a + b, 0) : standing[count.component]
      if (before <= 0) continue
      const share = (count.perM2 / before) * Math.exp(spread * random.normal())
      plants.forEach((values, c) => {
        if (count.component === null || count.component === c) values[member] = share
      })
    }
  }
  return { ...memberParameters, plants }
}

/** Runs a stand with these parameters; `order` says whose weather each member has, null for its own. */
type Runner<Run> = (memberParameters: MemberParameters, order: readonly number[] | null) => Run

/** Members that must be left to carry a draw, as a share of all; below it the evidence is taken in smaller steps. */
const EFFECTIVE_SHARE = 0.25
/** Steps in which all evidence is taken in at the latest. */
const MOST_ROUNDS = 5

/** Members that the weights still rest on (Kong et al. 1994). */
const effectiveMembers = (weights: Float64Array) =>
  1 / weights.reduce((sum, weight) => sum + weight * weight, 0)

/** The largest part of the evidence that leaves enough members, up to `left`. */
function nextStep(run: StandRun, lead: number, looks: readonly Observation[], left: number): number {
  const enough = (power: number) =>
    effectiveMembers(memberWeights(run, lead, looks, power)) >= EFFECTIVE_SHARE * run.members
  if (enough(left)) return left
  let low = 0
  let high = left
  for (let i = 0; i < 8; i++) {
    const middle = (low + high) / 2
    if (enough(middle)) low = middle
    else high = middle
  }
  return Math.max(low, 0.02)
}

const tellsSomething = (look: Observation) =>
  [look.bbch, look.cover, look.heightM, look.massG, look.plants].some((part) => part !== null) ||
  look.alive.some(({ byWeather }) => byWeather)

/**
 * Members that agree with the looks. Plants counted are taken over; everything else weighs the members, which are
 * drawn again and run anew in as many steps as it takes to leave a quarter of them with a say each time.
 * `pairWeather` keeps a member's weather with its parameters; needed where the days of the looks were not observed.
 * Returns the last run, its parameters and whose weather its members have.
 */
export const assimilate = (
  runWith: Runner<StandRun>,
  ...rest: [MemberParameters, number, readonly Observation[], number, boolean]
) =>
  finish(
    assimilateInSteps(
      function* (...asked): Steps<StandRun> {
        yield
        return runWith(...asked)
      },
      ...rest,
    ),
  )

/** The same with pauses. */
export function* assimilateInSteps(
  runWith: Runner<Steps<StandRun>>,
  prior: MemberParameters,
  lead: number,
  seen: readonly Observation[],
  seed: number,
  pairWeather: boolean,
): Steps<{ run: StandRun; memberParameters: MemberParameters; order: readonly number[] | null }> {
  const looks = seen.filter(tellsSomething)
  let memberParameters = prior
  let order: readonly number[] | null = null
  let run = yield* runWith(memberParameters, order)
  if (looks.length === 0) return { run, memberParameters, order }
  if (looks.some((look) => look.plants && look.plants.perM2 > 0)) {
    memberParameters = takeCounts(run, memberParameters, looks, seed)
    run = yield* runWith(memberParameters, order)
  }
  let left = 1
  for (let round = 0; round < MOST_ROUNDS && left > 1e-9; round++) {
    const step = round === MOST_ROUNDS - 1 ? left : nextStep(run, lead, looks, left)
    left -= step
    const drawn = resampleParameters(
      memberParameters,
      memberWeights(run, lead, looks, step),
      mixSeed(seed, round),
    )
    memberParameters = drawn.memberParameters
    const last: readonly number[] | null = order
    if (pairWeather) order = drawn.picks.map((pick) => last?.[pick] ?? pick)
    run = yield* runWith(memberParameters, order)
  }
  return { run, memberParameters, order }
}
