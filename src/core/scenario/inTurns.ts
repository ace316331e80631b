import { range } from 'es-toolkit/math'
import { standRunInSteps } from '../bed/standRun'
import { dayNumber, isoDate } from '../foundations/day'
import { quantilesOf, type Quantiles } from '../foundations/statistics'
import { atOnce, type Steps } from '../foundations/steps'
import type { EndDetails } from '../garden/ending'
import type { LivestockKind } from '../garden/rules'
import type { CutDetails } from '../garden/schema'
import { findSpecies } from '../plants/catalogue'
import { firstMembers, type WeatherEnsemble } from '../site/weather'
import { findMethod, type MethodId } from '../termination/methods'
import { obstacleOf, type Obstacle } from '../termination/obstacles'
import { endFor } from '../termination/start'
import { MOWS, quickestTool, toolMinutes, workedGround } from '../termination/workRates'
import type { StandRun } from '../stand/types'
import { quantilesOn } from '../stand/summary'
import { growsUntil, startSpan } from './compare'
import { dryStarts } from './cutting'
import { evaluateInSteps, type Evaluated } from './evaluate'
import { targetDay } from './plan'
import { EQUAL_CHANCE } from './starts'
import { minutesOf } from './work'
import type { Scenario, ScenarioOutcome } from './types'

/** Mowings, then an ending: how often and how far apart, how low, where the cuttings go, and the last act with the days before it. */
export type Sequence = {
  mowings: number
  everyDays: number
  heightCm: number
  fate: Extract<CutDetails['fate'], 'dropped' | 'carried off' | 'grazed'>
  method: MethodId
  lastAfterDays: number
  /** Day it is to begin on; the best of the days it can begin on where left out. */
  firstDay?: number
}

/**
 * Sequences as they are usually done: mow, wait, mow again and sheet; starve by mowing and chop the rest; hay off, and the
 * stubble finished or covered; grazed down, then covered (extension).
 */
export const USUAL_SEQUENCES: readonly Sequence[] = [
  { mowings: 2, everyDays: 18, heightCm: 8, fate: 'dropped', method: 'tarp', lastAfterDays: 0 },
  { mowings: 2, everyDays: 14, heightCm: 5, fate: 'dropped', method: 'chop', lastAfterDays: 14 },
  { mowings: 1, everyDays: 14, heightCm: 10, fate: 'carried off', method: 'chop', lastAfterDays: 14 },
  { mowings: 1, everyDays: 14, heightCm: 10, fate: 'carried off', method: 'tarp', lastAfterDays: 7 },
  { mowings: 1, everyDays: 14, heightCm: 6, fate: 'grazed', method: 'tarp', lastAfterDays: 5 },
]

/** Animals that graze and let it grow again. */
const GRAZERS: readonly LivestockKind[] = ['sheep', 'goats', 'rabbits', 'ducks']
/** Height above the stubble, m, and growth, g m⁻², from which there is something to mow (judgement, 0.05–0.12 and 20–60). */
const TO_MOW_M = 0.08
const TO_MOW_G = 30
/** Least days between the last act and the planting. */
const BEFORE_PLANTING_DAYS = 3
/** First days tried at first, how often those beside the best are tried then, and members they are tried with. */
const MOST_FIRST_DAYS = 6
const CLOSER = 3
const TRIED_MEMBERS = 40

/** What a sequence comes to as a plan; `plan` null where it cannot be done. */
export type SequenceOutcome = {
  sequence: Sequence
  obstacle: Obstacle | 'nothing mows' | 'nothing grazes' | 'nothing to mow' | 'no time' | null
  plan: {
    cuts: CutDetails[]
    end: EndDetails
    outcome: ScenarioOutcome
    /** Plants alive afterwards, share. */
    survivors: Quantiles
    minutes: number
    /** Whether cuttings lie between the plants and a sheet, so that it lies half as long again. */
    shielded: boolean
    /** Chance of the dry days that hay wants from the first mowing on; null where nothing is carried off. */
    dryChance: number | null
  } | null
}

const lengthDays = ({ mowings, everyDays, lastAfterDays }: Sequence) =>
  (mowings - 1) * everyDays + lastAfterDays

/** The mowings of a sequence that begins on a day. */
export const cutsFrom = ({ mowings, everyDays, heightCm, fate }: Sequence, firstDay: number): CutDetails[] =>
  Array.from({ length: mowings }, (_, i) => ({
    date: isoDate(firstDay + i * everyDays),
    heightCm,
    groundShare: 1,
    fate,
    note: '',
  }))

/** The day on which a cut brings manure, in a list. */
const grazedOn = (cut: CutDetails | null): number[] => (cut?.fate === 'grazed' ? [dayNumber(cut.date)] : [])

/** The scenario with a sequence in the place of its planned cuts and its ending. */
function scenarioWith(scenario: Scenario, cuts: readonly CutDetails[], end: EndDetails): Scenario {
  const { standCase } = scenario
  const { stand } = standCase
  const planned = cuts.map((plan, i) => ({ id: `turn ${i}`, cut: { plan, actual: null } }))
  const done = stand.cuts.filter(({ cut }) => cut.actual)
  const dropped = stand.cuts.flatMap(({ cut }) => (cut.actual ? [] : grazedOn(cut.plan)))
  const grazed = cuts.flatMap(grazedOn).map((day) => ({ day, from: 'animals' as const }))
  const kept = scenario.ground.manure.filter(({ day, from }) => from === 'feed' || !dropped.includes(day))
  return {
    ...scenario,
    ground: { ...scenario.ground, manure: [...kept, ...grazed] },
    standCase: {
      ...standCase,
      stand: { ...stand, cuts: [...done, ...planned], end: { plan: end, actual: null } },
    },
  }
}

/** The stand as it grows where nothing more is done to it, and until when it may wait. */
type Left = { run: StandRun; untilDay: number }

function* leftAlone({ standCase, ...scenario }: Scenario, ensemble: WeatherEnsemble): Steps<Left | null> {
  const { stand } = standCase
  const cuts = stand.cuts.filter(({ cut }) => cut.actual)
  const left = { ...standCase, stand: { ...stand, cuts, end: { plan: null, actual: null } } }
  const season = yield* standRunInSteps(left, ensemble)
  if (!season) return null
  const open = { ...scenario, standCase: left }
  const wanted = targetDay(scenario.follows)
  const grows = Math.min(growsUntil(open, season.run), startSpan(open, season.run).toDay)
  return { run: season.run, untilDay: Number.isFinite(wanted) ? wanted - BEFORE_PLANTING_DAYS : grows }
}

/**
 * Days on which a sequence may begin: there is something to mow, and its last act comes before the ground is wanted, or, where
 * nobody says when, before seed and while it still grows.
 */
function firstDays(
  { today }: Pick<Scenario, 'today'>,
  sequence: Sequence,
  { run, untilDay }: Left,
): number[] {
  const from = Math.max(today, run.startDay + 1)
  const middle = (name: 'heightM' | 'massG', day: number) => quantilesOn(run, name, day)?.p50 ?? 0
  return range(from, Math.max(from, untilDay - lengthDays(sequence) + 1)).filter(
    (day) => middle('heightM', day) >= sequence.heightCm / 100 + TO_MOW_M && middle('massG', day) >= TO_MOW_G,
  )
}

/** Of some days so many, evenly, the last among them. */
const evenly = (days: readonly number[], most: number): number[] =>
  days.length <= most
    ? [...days]
    : Array.from({ length: most }, (_, i) => days[Math.round((i * (days.length - 1)) / (most - 1))])

/** Sequences tried on a plan, each at its own best first day: the same evaluation as everywhere. */
export const inTurns = atOnce(inTurnsInSteps)

/** The same with pauses. */
export function* inTurnsInSteps(
  scenario: Scenario,
  sequences: readonly Sequence[],
  ensemble: WeatherEnsemble,
  told?: (share: number, soFar: SequenceOutcome[]) => void,
): Steps<SequenceOutcome[]> {
  const outcomes: SequenceOutcome[] = []
  const some = firstMembers(ensemble, TRIED_MEMBERS)
  const left = yield* leftAlone(scenario, some)
  for (const [i, sequence] of sequences.entries()) {
    outcomes.push(yield* bestOf(scenario, sequence, ensemble, some, left))
    told?.((i + 1) / sequences.length, [...outcomes])
  }
  return outcomes
}

function* bestOf(
  scenario: Scenario,
  sequence: Sequence,
  ensemble: WeatherEnsemble,
  some: WeatherEnsemble,
  left: Left | null,
): Steps<SequenceOutcome> {
  const { standCase, means } = scenario
  const { bed, stand } = standCase
  const method = findMethod(sequence.method)!
  const components = stand.content.kind === 'cover' ? stand.content.components : []
  const obstacle = obstacleOf(method, {
    bed,
    segment: stand.segment,
    tools: means.tools,
    keptOut: means.keptOut,
    livestock: means.livestock,
    rules: means.rules,
    plants: components.flatMap(({ speciesId }) => findSpecies(speciesId) ?? []),
  })
  if (obstacle) return { sequence, obstacle, plan: null }
  if (sequence.fate !== 'grazed' && !means.tools.some(({ kind }) => MOWS.includes(kind)))
    return { sequence, obstacle: 'nothing mows', plan: null }
  if (sequence.fate === 'grazed' && !means.livestock.some(({ kind }) => GRAZERS.includes(kind)))
    return { sequence, obstacle: 'nothing grazes', plan: null }
  if (!left || left.untilDay - lengthDays(sequence) < scenario.today)
    return { sequence, obstacle: 'no time', plan: null }
  const all = firstDays(scenario, sequence, left)
  const days = sequence.firstDay === undefined ? all : all.filter((day) => day === sequence.firstDay)
  if (days.length === 0) return { sequence, obstacle: 'nothing to mow', plan: null }
  const planOn = (day: number) => {
    const cuts = cutsFrom(sequence, day)
    const place = { bed, segment: stand.segment, livestock: means.livestock }
    const end = endFor({ method, passes: 1 }, day + lengthDays(sequence), place)
    return { cuts, end, scenario: scenarioWith(scenario, cuts, end) }
  }
  const chances = new Map<number, number>()
  function* tryOn(these: readonly number[]): Steps<void> {
    for (const day of these) {
      if (chances.has(day)) continue
      const tried = yield* evaluateInSteps(planOn(day).scenario, some)
      chances.set(day, tried?.outcome.chance.whole ?? -1)
    }
  }
  // Of days as good the latest: the cover grows on.
  const bestDay = () => {
    const top = Math.max(...chances.values())
    return Math.max(...[...chances].flatMap(([day, chance]) => (chance >= top - EQUAL_CHANCE ? [day] : [])))
  }
  yield* tryOn(evenly(days, MOST_FIRST_DAYS))
  for (let round = 0; round < CLOSER; round++) {
    const tried = [...chances.keys()].sort((a, b) => a - b)
    const at = tried.indexOf(bestDay())
    const beside = [tried[at - 1], tried[at + 1]].flatMap((other) => {
      const between = days.filter((day) => (day - tried[at]) * (day - other) < 0)
      return between.length > 0 ? [between[between.length >> 1]] : []
    })
    yield* tryOn(beside)
  }
  const day = bestDay()
  const { cuts, end, scenario: planned } = planOn(day)
  const evaluated = yield* evaluateInSteps(planned, ensemble)
  if (!evaluated?.termination) return { sequence, obstacle: 'no time', plan: null }
  return { sequence, obstacle: null, plan: planTold(planned, evaluated, cuts, end, day) }
}

/** What is told of an evaluated sequence. */
function planTold(
  scenario: Scenario,
  { season, termination, outcome }: Evaluated,
  cuts: CutDetails[],
  end: EndDetails,
  day: number,
): NonNullable<SequenceOutcome['plan']> {
  const { standCase, means } = scenario
  const ground = workedGround(standCase.bed, standCase.stand.segment)
  const tool = quickestTool(MOWS, ground, means.tools)
  const mowed = cuts.filter(({ fate }) => fate !== 'grazed').length
  const mowing = tool ? mowed * toolMinutes(tool, ground, means.tools) : 0
  const carried = cuts.some(({ fate }) => fate === 'carried off')
  return {
    cuts,
    end,
    outcome,
    survivors: quantilesOf(termination!.endings.map(({ survival }) => survival)) ?? {
      p10: 0,
      p50: 0,
      p90: 0,
    },
    minutes: mowing + minutesOf(scenario, season, termination!),
    shielded: termination!.setup.under === 'shielded' && termination!.method?.sheet !== null,
    dryChance: carried ? (dryStarts(season.ensemble, day)[0]?.chance ?? null) : null,
  }
}
