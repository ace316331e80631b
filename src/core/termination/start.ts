import { usualPlan } from './animals'
import { stopsOf } from './stops'
import { burns, frostedLately, harmNow, stockFor, type Place } from './obstacles'
import type { EndingSetup, MemberEnding } from './life'
import { stragglerMinutes } from './stragglers'
import { lastActAfter, USUAL_LANES } from './lastAct'
import { canCut, woodiness } from './woodiness'
import {
  cuttingTool,
  passMinutes,
  quickestTool,
  type OwnMinutes,
  type WorkedGround,
  type WorkTool,
} from './workRates'
import { findMethod, METHODS, type Method } from './methods'
import { dayNumber, isoDate } from '../foundations/day'
import { quantilesOf } from '../foundations/statistics'
import { segmentSizeM } from '../garden/area'
import type { EndDetails } from '../garden/ending'
import type { Rules } from '../garden/rules'
import type { Tool, ToolKind } from '../garden/tool'
import type { WeatherEnsemble } from '../site/weather'
import { SEED_FIT } from '../stand/stage'
import type { StandRun } from '../stand/types'
import { placeIn } from '../stand/series'

/** A way and how often it is done. */
export type Candidate = { method: Method; passes: number }

/** All ways and those done twice, in the order of the list. */
export const CANDIDATES: readonly Candidate[] = METHODS.flatMap((method) =>
  method.twice ? [1, 2].map((passes) => ({ method, passes })) : [{ method, passes: 1 }],
)

/** A way as it would be done here from a day on: the garden's animals moved as is usual for them, strips as is usual. */
export function endFor(
  { method, passes }: Candidate,
  day: number,
  place: Pick<Place, 'bed' | 'segment' | 'livestock'>,
): EndDetails {
  const plot = segmentSizeM(place.bed, place.segment)
  const stock = stockFor(method, place.livestock, place)
  return {
    date: isoDate(day),
    method: method.id,
    passes,
    note: '',
    ...(stock && { animals: usualPlan(stock, plot.lengthM * plot.widthM) }),
    ...(method.id === 'strips' && { lanes: { ...USUAL_LANES } }),
  }
}

/** Days from the start of an ending until its animals have left the ground; null where there are none. */
export function animalsLeaveAfter({ animals, plot }: Pick<EndingSetup, 'animals' | 'plot'>): number | null {
  if (!animals || !plot) return null
  return Math.ceil(stopsOf(animals, plot.lengthM, plot.widthM, 0).at(-1)!.endDay)
}

/** Why an ending cannot be done on its day in a season: ground frozen or too wet for it, stems too hard, animals in danger, dry matter under flame, own rules. */
export type Blocked = 'unworkable' | 'stems' | 'stock' | 'tinder' | 'own-rule'

/** What it is asked with. */
export type StartQuestion = {
  run: StandRun
  ensemble: WeatherEnsemble
  tools: readonly Tool[]
  rules: Rules
}

const LEGUME_FROM = { 'any stage': 0, bloom: 61, 'first pods': 71 } as const
/** Dead matter on the ground from which a flame would set it alight, g m⁻² (judgement, 100–300). */
const TINDER_G = 200

const indexOn = (run: StandRun, member: number, day: number) =>
  placeIn(run, member, Math.min(run.days - 1, Math.max(0, day - run.startDay)))

/** Hardness of the hardest stems of a member's stand on a day, 0–1. */
const hardnessOn = (run: StandRun, at: number) =>
  Math.max(
    ...run.sown.map(({ plant }, c) => woodiness(plant.endingClass, run.species[c].bbch[at], run.heightM[at])),
  )

/** Why an ending cannot be done on its day in one member; null where it can. */
export function blockedOn(
  method: Method,
  setup: EndingSetup,
  day: number,
  member: number,
  ending: MemberEnding,
  question: StartQuestion,
): Blocked | null {
  const { run, tools } = question
  const at = indexOn(run, member, day)
  if (method.acts.includes('chop') && !canCut(tools, hardnessOn(run, at))) return 'stems'
  if (method.animals && !safeForStock(setup, day, member, question)) return 'stock'
  if (burns(method) && run.residueG[at] > TINDER_G) return 'tinder'
  return allowed(method, at, ending, question) ? null : 'own-rule'
}

/** Whether the animals are safe on what stands, from the day they come to the day they leave. */
function safeForStock(
  setup: EndingSetup,
  day: number,
  member: number,
  { run, ensemble }: StartQuestion,
): boolean {
  const kind = setup.animals?.kind
  if (!kind) return true
  const leaves = day + (animalsLeaveAfter(setup) ?? 0)
  const frosted = frostedLately(ensemble, member, day, leaves)
  return [day, leaves].every((on) => {
    const at = indexOn(run, member, on)
    const heightM = run.heightM[at]
    return run.sown.every(
      ({ plant }, c) => harmNow(kind, plant, { bbch: run.species[c].bbch[at], heightM, frosted }) === null,
    )
  })
}

/** Whether the grower's own rules allow it. */
function allowed(method: Method, at: number, ending: MemberEnding, { run, rules }: StartQuestion): boolean {
  if (rules.longestSheetDays !== null && method.sheet && ending.sheetDays > rules.longestSheetDays)
    return false
  if (method.waits) return true
  return run.sown.every(({ plant }, c) => {
    const bbch = run.species[c].bbch[at]
    if (plant.group === 'legume' && bbch < LEGUME_FROM[rules.legumeFrom]) return false
    return rules.seedSet !== 'never' || bbch < SEED_FIT
  })
}

/** A rule of the grower's that leaves a way out whatever the day. */
export type RuledOut = 'never turned'

/** The rule of the grower's that leaves a way out whatever the day, or null. */
export const ruledOut = (method: Method, rules: Rules): RuledOut | null =>
  rules.turning === 'never' && method.disturbance === 3 ? 'never turned' : null

/** Minutes to move, feed and look after animals on each stop (judgement, 5–15). */
const MINUTES_PER_STOP = 10
/** What the time of an ending is reckoned from. */
type WorkQuestion = Pick<StartQuestion, 'run' | 'tools'> & { ownMinutes: OwnMinutes }

/**
 * Minutes of work of an ending on its ground, by the middle of the members: each tool at its rate with getting ready at
 * each bed, animals moved, stragglers pulled; or as the garden's own endings by this way took. Finishing by hand never
 * counts for more than another pass, which would be made instead.
 * @param survivors share alive before hand-finishing, by member
 */
export function workMinutes(
  end: EndDetails,
  setup: EndingSetup,
  survivors: readonly number[],
  ground: WorkedGround,
  question: WorkQuestion,
): number {
  const method = findMethod(end.method)
  if (!method || method.waits) return 0
  const own = question.ownMinutes[method.id]
  if (own !== undefined && !method.animals) return own * ground.areaM2 * setup.passes
  const { run } = question
  const plants = run.sown.reduce((sum, sown) => sum + sown.seedsPerM2 * sown.emergenceShare, 0)
  const middle = quantilesOf(survivors)?.p50 ?? 1
  const day = dayNumber(end.date)
  const pass = passMinutes(method, ground, question.tools, (group) =>
    workTool(group, method, day, ground, question),
  )
  const byHand = method.sheet || method.animals ? 0 : stragglerMinutes(middle, plants, ground.areaM2)
  return pass * setup.passes + Math.min(pass, byHand) + movesMinutes(setup)
}

/** The tool of a group that is taken: for cutting, one that the stems of the middle member on the day ask for. */
function workTool(
  group: readonly ToolKind[],
  method: Method,
  day: number,
  ground: WorkedGround,
  { run, tools }: WorkQuestion,
): WorkTool | null {
  if (!group.includes('scythe') || !method.acts.includes('chop')) return quickestTool(group, ground, tools)
  const hardness = quantilesOf(
    Float64Array.from({ length: run.members }, (_, member) => hardnessOn(run, indexOn(run, member, day))),
  )
  return cuttingTool(tools, hardness?.p50 ?? 0, ground) ?? quickestTool(group, ground, [])
}

function movesMinutes({ animals, plot }: EndingSetup): number {
  if (!animals || !plot) return 0
  return stopsOf(animals, plot.lengthM, plot.widthM, 0).length * MINUTES_PER_STOP
}

/** Day of the last act of an ending. */
export const lastActDay = (method: Method, setup: EndingSetup, day: number) =>
  day + lastActAfter(method, setup)
