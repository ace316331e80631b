import { shareOf, spreadOf } from '../foundations/statistics'
import { partSizeM } from '../garden/area'
import { USUAL_RULES, type Livestock, type Rules } from '../garden/rules'
import type { Bed, BedPart, Tool } from '../garden/schema'
import type { WeatherEnsemble } from '../site/weather'
import type { StandRun } from '../stand/types'
import { stopsOf, usualPlan } from './animals'
import { burns, frostedLately, harmNow, obstacleOf, stockFor, type Ahead, type Place } from './obstacles'
import {
  DEAD_SHARE,
  endingOf,
  lastActAfter,
  stragglerMinutes,
  type EndingSetup,
  type MemberEnding,
} from './outcome'
import type { OwnResults } from './ownResults'
import { drawsSeedFlies, seedFlyDay } from './seedFlies'
import { CUTTING_TOOLS, cuttingTool, woodiness } from './woodiness'
import { weigh, type EndingOption, type JudgedWay, type StartOutcome, type Target } from './weigh'
import { WAYS, wayName, type Way, type WayId } from './ways'

/** A night or a day beyond these in a member counts as cold or heat that may end a stand, °C. */
const COLD_C = -3
const HEAT_C = 34
/** BBCH from which a cover has set seed fit to sprout. */
const SEED_FIT = 85
const LEGUME_FROM = { 'any stage': 0, bloom: 61, 'first pods': 71 } as const

/** All that judging the ways for one stand depends on. */
export type EndingCase = {
  run: StandRun
  ensemble: WeatherEnsemble
  bed: Bed
  part: BedPart
  areaM2: number
  tools: readonly Tool[]
  livestock: readonly Livestock[]
  rules: Rules
  own: OwnResults
  establishment: Target['establishment']
  /** First and last day a way may start on, and the days between two that are tried. */
  fromDay: number
  toDay: number
  stepDays: number
  /** Ranks of the members that are passed on. */
  ranks: number
}

/** A way and how often it is done. */
export type Candidate = { way: Way; passes: number }

/** All ways and those done twice, in the order of the list. */
export const CANDIDATES: readonly Candidate[] = WAYS.flatMap((way) =>
  way.twice ? [1, 2].map((passes) => ({ way, passes })) : [{ way, passes: 1 }],
)

/** The chance that cold or heat that kills comes between two days. */
function aheadOf({ ensemble, fromDay, toDay }: EndingCase): Ahead {
  const any = (test: (member: number, i: number) => boolean) =>
    shareOf(ensemble.members.length, (member) => {
      const last = Math.min(ensemble.days, toDay - ensemble.startDay)
      for (let i = Math.max(0, fromDay - ensemble.startDay); i < last; i++) if (test(member, i)) return true
      return false
    })
  return {
    cold: any((member, i) => ensemble.members[member].tMinC[i] <= COLD_C),
    heat: any((member, i) => ensemble.members[member].tMaxC[i] >= HEAT_C),
  }
}

export const placeOf = (
  question: Pick<EndingCase, 'bed' | 'part' | 'tools' | 'livestock' | 'rules' | 'run'>,
): Place => ({
  ...question,
  plants: question.run.sown.map((sown) => sown.plant),
})

/** How a way is carried out here. */
export function setupOf(
  way: Way,
  passes: number,
  question: Omit<EndingCase, 'run' | 'ensemble'>,
): EndingSetup {
  const plot = partSizeM(question.bed, question.part)
  const stock = stockFor(way, question.livestock, question)
  return {
    passes,
    flattened: question.tools.some((tool) => CAN_FLATTEN.includes(tool.kind)),
    target: DEAD_SHARE[question.establishment],
    bedKind: question.bed.kind,
    own: question.own,
    plot,
    animals: stock ? planFor(stock, plot.lengthM * plot.widthM) : undefined,
  }
}

const planFor = ({ kind, head, penLengthM, penWidthM }: Livestock, plotM2: number) =>
  usualPlan({ kind, head, penLengthM, penWidthM }, plotM2)

const CAN_FLATTEN: readonly Tool['kind'][] = ['hand shears', 'scythe', 'mower', 'trimmer', 'crimp board']

/** Days from the start until the animals of a way have left the ground; null where there are none. */
function manureAfter({ animals, plot }: EndingSetup): number | null {
  if (!animals || !plot) return null
  return Math.ceil(stopsOf(animals, plot.lengthM, plot.widthM, 0).at(-1)!.endDay)
}

/** The rule that leaves a way out whatever the day, or null. */
const ruledOut = (way: Way, rules: Rules) =>
  rules.turning === 'never' && way.disturbance === 3 ? 'You never turn the ground.' : null

/** Judges one way over its start days. */
export function judgeWay({ way, passes }: Candidate, question: EndingCase): JudgedWay {
  const obstacle = obstacleOf(way, placeOf(question), aheadOf(question))
  return {
    method: way.id,
    passes,
    name: wayName(way, passes),
    obstacle,
    leftOut: ruledOut(way, question.rules),
    ranks: question.ranks,
    settleDays: way.settleDays,
    disturbance: way.disturbance,
    manureAfterDays: manureAfter(setupOf(way, passes, question)),
    needs:
      way.id === 'chop' && passes > 1 ? [...way.needs, 'a second cut a week later'] : needsOf(way, question),
    byStart: obstacle ? [] : startsOf(way, passes, question),
  }
}

function needsOf(way: Way, { tools }: EndingCase): readonly string[] {
  if (way.id !== 'tarp') return way.needs
  const flattened = tools.some((tool) => CAN_FLATTEN.includes(tool.kind))
  return [
    flattened
      ? 'growth flattened or mown first'
      : 'nothing owned to flatten it: the sheet lies higher and takes longer',
    ...way.needs,
  ]
}

function startsOf(way: Way, passes: number, question: EndingCase): StartOutcome[] {
  const { run, ensemble, areaM2, fromDay, toDay, stepDays } = question
  const setup = setupOf(way, passes, question)
  const plants = run.sown.reduce((sum, sown) => sum + sown.seedsPerM2 * sown.emergenceShare, 0)
  const last = Math.min(toDay, run.startDay + run.days - 1)
  // Cold and heat do not wait for a start day; one evaluation says it all.
  const days: number[] = []
  for (let day = fromDay; day <= (way.waits ? fromDay : last); day += stepDays) days.push(day)
  return days.map((day) => {
    const endings = Array.from({ length: run.members }, (_, member) =>
      endingOf(way.id, run, ensemble, member, day, setup),
    )
    const cut = cuttingOn(way, question, day)
    const possible = cut !== 'too hard'
    const free = endings.map((ending, member) =>
      possible &&
      safeForStock(way, question, setup, member, day) &&
      !(burns(way) && dryUnder(question, member, day))
        ? ending.deadDay
        : NaN,
    )
    const ruled = free.map((dead, member) =>
      allowed(way, question, member, day, endings[member]) ? dead : NaN,
    )
    const survivors = spreadOf(endings.map((ending) => ending.survival)) ?? { low: 1, mid: 1, high: 1 }
    const byHand = way.sheet || way.waits || way.animals ? 0 : stragglerMinutes(survivors.mid, plants, areaM2)
    const perM2 =
      typeof cut === 'object' && cut ? way.minutesPerM2 - 0.9 + cut.minutesPerM2 : way.minutesPerM2
    return {
      day,
      dead: ranked(ruled, question.ranks),
      deadFree: ruled.some((dead, member) => dead !== free[member] && !Number.isNaN(free[member]))
        ? ranked(free, question.ranks)
        : null,
      survivors,
      minutes: perM2 * areaM2 * (way.waits ? 0 : passes) + byHand + movesMinutes(setup),
      flies: drawsSeedFlies(way)
        ? ranked(
            endings.map((_, member) => seedFlyDay(ensemble, member, day + lastActAfter(way, setup))),
            question.ranks,
          )
        : null,
    }
  })
}

/** Dead matter on the ground from which a flame would set it alight, g m⁻² (judgement, 100–300). */
const TINDER_G = 200

/** Whether there is enough dry residue under the growth to catch fire: a flame is refused over it. */
function dryUnder({ run }: EndingCase, member: number, day: number): boolean {
  const index = Math.min(run.days - 1, Math.max(0, day - run.startDay))
  return run.residueG[member * run.days + index] > TINDER_G
}

/** Minutes to move, feed and look after animals on each stop (judgement, 5–15). */
const MINUTES_PER_STOP = 10

function movesMinutes({ animals, plot }: EndingSetup): number {
  if (!animals || !plot) return 0
  return stopsOf(animals, plot.lengthM, plot.widthM, 0).length * MINUTES_PER_STOP
}

/** The owned tool that cuts on a day; 'too hard' when none does, null when nothing is cut. */
function cuttingOn(way: Way, { run, tools }: EndingCase, day: number) {
  if (!way.acts.includes('chop')) return null
  const at = day - run.startDay
  if (at < 0 || at >= run.days) return null
  const hardness = Math.max(
    ...run.sown.map(({ plant }, c) => woodiness(plant.endingClass, run.species[c].bbch[at], run.heightM[at])),
  )
  const tool = cuttingTool(tools, hardness)
  return tool ? CUTTING_TOOLS[tool] : ('too hard' as const)
}

/** Whether the grower's rules allow this start in this member. */
function allowed(way: Way, question: EndingCase, member: number, day: number, ending: MemberEnding): boolean {
  const { run, rules } = question
  if (rules.longestSheetDays !== null && way.sheet && ending.sheetDays > rules.longestSheetDays) return false
  if (way.waits) return true
  const at = member * run.days + Math.min(run.days - 1, Math.max(0, day - run.startDay))
  return run.sown.every(({ plant }, c) => {
    const bbch = run.species[c].bbch[at]
    if (plant.group === 'legume' && bbch < LEGUME_FROM[rules.legumeFrom]) return false
    return rules.seedSet !== 'never' || bbch < SEED_FIT
  })
}

/** Whether the animals of a way are safe on what stands, from the day they come to the day they leave, in this member. */
function safeForStock(
  way: Way,
  question: EndingCase,
  setup: EndingSetup,
  member: number,
  day: number,
): boolean {
  const kind = setup.animals?.kind
  if (!way.animals || !kind) return true
  const { run, ensemble } = question
  const leaves = day + (manureAfter(setup) ?? 0)
  const frosted = frostedLately(ensemble, member, day, leaves)
  return [day, leaves].every((on) => {
    const at = member * run.days + Math.min(run.days - 1, Math.max(0, on - run.startDay))
    const heightM = run.heightM[at]
    return run.sown.every(
      ({ plant }, c) => harmNow(kind, plant, { bbch: run.species[c].bbch[at], heightM, frosted }) === null,
    )
  })
}

/** Values at the middle of `ranks` even steps through the members, ascending, without those that are no number. */
function ranked(values: readonly number[], ranks: number): number[] {
  const sorted = values.map((value) => (Number.isNaN(value) ? Infinity : value)).sort((a, b) => a - b)
  return Array.from(
    { length: ranks },
    (_, i) => sorted[Math.min(sorted.length - 1, Math.floor(((i + 0.5) / ranks) * sorted.length))],
  ).filter((value) => Number.isFinite(value))
}

/** Ways tried while a cover is being chosen: what most growers have. */
const USUAL_WAYS: readonly WayId[] = ['chop', 'crimp', 'tarp', 'winter-kill']

/**
 * Judges the usual ways for a stand over start days from `today` to the planting day, every `stepDays`-th of them.
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
  const question: EndingCase = {
    run,
    ensemble,
    bed,
    part: { kind: 'whole' },
    areaM2,
    tools,
    livestock: [],
    rules: USUAL_RULES,
    own: {},
    establishment: target.establishment,
    fromDay: Math.max(today, run.startDay),
    toDay: target.plantingDay,
    stepDays,
    ranks: run.members,
  }
  return CANDIDATES.filter(({ way }) => USUAL_WAYS.includes(way.id)).map((candidate) =>
    weigh(judgeWay(candidate, question), target),
  )
}
