import { sortBy } from 'es-toolkit/array'
import { randomStream } from '../../foundations/random'
import { findSpecies } from '../../plants/catalogue'
import {
  ARCHETYPE_NAMES,
  FACTOR_NAMES,
  FACTORS,
  withCalibration,
  type ArchetypeName,
  type Calibration,
  type Factors,
} from '../../plants/calibration'
import { physics, SHARED_NAMES, SHARED_PHYSICS } from '../../stand/physics'
import type { Case, Verdict } from '../cases/judge'

/**
 * Calibration against published cases: shared physics first, then kinds of plants, then species, each value tried a step up
 * and a step down, in an order drawn from a seed, and kept where the whole comes out better. It begins with what is stated,
 * never with what was found before.
 */

const speciesOf = (one: Case): string[] =>
  'checks' in one ? (one.species ? [one.species] : one.mix!.map(([id]) => id)) : []

/** One number that the search moves. */
type Knob = {
  name: string
  /** Where it lies now, in steps of its standard deviation from what is stated. */
  at: number
  most: number
  affects: (one: Case) => boolean
  set: (at: number) => void
}

/** A calibration under way: its factors in place, and set in the catalogue and the physics that the engine grows by. */
type Draft = {
  shared: Record<string, number>
  archetypes: Record<string, Factors>
  species: Record<string, Factors>
}

/** Puts a calibration's factors of some species into the catalogue. */
function putSpecies(draft: Calibration, ids: readonly string[]): void {
  for (const id of ids) {
    const plant = findSpecies(id)!
    Object.assign(
      plant.parameters,
      withCalibration(plant.stated, plant.archetype as ArchetypeName, id, draft),
    )
  }
}

function sharedKnobs(draft: Draft): Knob[] {
  return SHARED_NAMES.map((name) => {
    const { stated, low, high } = SHARED_PHYSICS[name]
    return {
      name,
      at: 0,
      most: 1,
      affects: (one) => 'checks' in one,
      set: (at) => {
        draft.shared[name] = stated + (at > 0 ? at * (high - stated) : at * (stated - low))
        physics[name] = draft.shared[name]
      },
    }
  })
}

const MOST_SD = 3

function factorKnobs(
  draft: Draft,
  level: 'archetype' | 'species',
  of: string,
  ids: readonly string[],
): Knob[] {
  const factors = (level === 'archetype' ? draft.archetypes : draft.species)[of] ?? {}
  ;(level === 'archetype' ? draft.archetypes : draft.species)[of] = factors
  return FACTOR_NAMES.map((name) => ({
    name: `${of} ${name}`,
    at: 0,
    most: MOST_SD,
    affects: (one) => speciesOf(one).some((id) => ids.includes(id)),
    set: (at) => {
      if (at === 0) delete factors[name]
      else factors[name] = at * FACTORS[name].sd[level]
      putSpecies(draft, ids)
    },
  }))
}

/** With few members a median errs by as much as the rest of half a width. */
const SURELY_INSIDE = 0.92
/** What it costs to lie outside at all. */
const JUST_OUTSIDE = 0.4

/** What one check costs: little inside, more towards the ends, and not without bound outside. */
export function costOf({ off }: Pick<Verdict, 'off'>): number {
  const within = 0.1 * off * off
  const near = 2 * Math.max(0, off - 0.8) ** 2
  const outside = off - SURELY_INSIDE
  return outside <= 0
    ? within + near
    : within + Math.min(near, 2.5) + JUST_OUTSIDE + 1.5 * Math.min(1, outside)
}

/** What a value costs that lies this many standard deviations from what is stated. */
const AWAY = 0.12
const awayCost = (at: number) => AWAY * at * at

const STEPS = [1, 0.5, 0.25] as const

/**
 * Searches for the calibration under which the cases cost least. The engine's catalogue and physics hold it afterwards.
 * @param seed of the order in which values are tried
 */
export function calibrate(
  cases: readonly Case[],
  judge: (one: Case) => Verdict[],
  seed: number,
): Calibration {
  const draft: Draft = { shared: {}, archetypes: {}, species: {} }
  const random = randomStream(seed)
  const grown = [...new Set(cases.flatMap(speciesOf))].sort()
  const ofKind = (name: ArchetypeName) => grown.filter((id) => findSpecies(id)!.archetype === name)
  // Each a group of knobs that make up for one another.
  const stages: Knob[][][] = [
    sharedKnobs(draft).map((knob) => [knob]),
    ARCHETYPE_NAMES.map((name) => factorKnobs(draft, 'archetype', name, ofKind(name))),
    grown.map((id) => factorKnobs(draft, 'species', id, [id])),
  ]
  for (const knob of stages.flat(2)) knob.set(0)
  const costs = new Map(cases.map((one) => [one, costOfCase(one, judge)]))
  for (const step of STEPS)
    for (const groups of stages)
      for (const group of sortBy(groups, [() => random.uniform()])) {
        for (const knob of sortBy(group, [() => random.uniform()])) improve([knob], step, costs, judge)
        for (const pair of pairsOf(group)) improve(pair, step, costs, judge)
      }
  return tidy(draft)
}

/** What is better known counts for more; most of all what must hold. */
const WEIGHT = { must: 8, h: 1.5, m: 1, l: 0.5 } as const

const costOfCase = (one: Case, judge: (one: Case) => Verdict[]) =>
  WEIGHT[one.confidence ?? 'm'] * judge(one).reduce((sum, verdict) => sum + costOf(verdict), 0)

/** Factors that are moved together too: each makes up for the other in some checks and not in others. */
const PAIRS = [
  ['lightUse', 'leafGrowth'],
  ['lightUse', 'thermalTime'],
  ['thermalTime', 'daylength'],
] as const

const pairsOf = (group: readonly Knob[]): Knob[][] =>
  PAIRS.map((pair) => group.filter(({ name }) => pair.some((factor) => name.endsWith(` ${factor}`)))).filter(
    ({ length }) => length === 2,
  )

/** Moves one value, or two together, up or down as long as it helps. */
function improve(
  knobs: readonly Knob[],
  step: number,
  costs: Map<Case, number>,
  judge: (one: Case) => Verdict[],
): void {
  const affected = [...costs.keys()].filter((one) => knobs.some((knob) => knob.affects(one)))
  if (affected.length === 0) return
  const away = (ats: readonly number[]) => ats.reduce((sum, at) => sum + awayCost(at), 0)
  const ways = knobs.length === 1 ? [[1], [-1]] : [1, -1].flatMap((a) => [1, -1].map((b) => [a, b]))
  for (const way of ways)
    for (;;) {
      const now = knobs.map(({ at }) => at)
      const next = knobs.map(({ at, most }, i) => at + way[i] * step * Math.min(1, most))
      if (knobs.some(({ most }, i) => Math.abs(next[i]) > most + 1e-9)) break
      const before = affected.reduce((sum, one) => sum + costs.get(one)!, away(now))
      knobs.forEach((knob, i) => knob.set(next[i]))
      const tried = new Map(affected.map((one) => [one, costOfCase(one, judge)]))
      const after = [...tried.values()].reduce((sum, cost) => sum + cost, away(next))
      if (after > before - 1e-3) {
        knobs.forEach((knob) => knob.set(knob.at))
        break
      }
      knobs.forEach((knob, i) => (knob.at = next[i]))
      for (const [one, cost] of tried) costs.set(one, cost)
    }
}

const rounded = (value: number) => Number(value.toPrecision(4))
const roundedFactors = (factors: Factors): Factors =>
  Object.fromEntries(Object.entries(factors).map(([name, value]) => [name, rounded(value)]))

/** The calibration without what it left as stated. */
function tidy({ shared, archetypes, species }: Draft): Calibration {
  const filled = (of: Record<string, Factors>) =>
    Object.fromEntries(
      Object.entries(of)
        .filter(([, factors]) => Object.keys(factors).length > 0)
        .map(([name, factors]) => [name, roundedFactors(factors)]),
    )
  return {
    shared: Object.fromEntries(
      Object.entries(shared)
        .filter(([name, value]) => value !== SHARED_PHYSICS[name as keyof typeof SHARED_PHYSICS].stated)
        .map(([name, value]) => [name, rounded(value)]),
    ),
    archetypes: filled(archetypes),
    species: filled(species),
  }
}

/** Puts a calibration, rounded as it is written down, into the catalogue and the physics. */
export function put(calibration: Calibration, ids: readonly string[]): void {
  for (const name of SHARED_NAMES) physics[name] = calibration.shared[name] ?? SHARED_PHYSICS[name].stated
  putSpecies(calibration, ids)
}
