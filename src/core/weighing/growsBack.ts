import { shareOf, spreadOf, type Spread } from '../foundations/statistics'
import { partAreaM2 } from '../garden/area'
import type { Tool } from '../garden/schema'
import { ownCount, withOwn, type OwnResults } from '../ending/ownResults'
import type { EndingClass, Species } from '../plants/parameters'
import type { SeasonRun, StandCase } from '../season/run'
import { actsSurvival, DEAD_SHARE, endingOf, HAND_FINISH_SHARE, pullMinutes } from '../ending/outcome'
import { chopSurvival, chopSurvivalAt, furtherPass } from '../ending/survival'
import { takenOver } from '../ending/kill'
import { findWay } from '../ending/ways'
import { CUTTING_TOOLS, cuttingTool, woodiness, type CuttingTool } from '../ending/woodiness'
import type { Target } from '../ending/weigh'
import { valuesOn } from '../stand/summary'
import type { StandEvent } from '../stand/types'
import { AFTERMATH_MEMBERS, COUNT_AFTER_DAYS, middleOn, plantsOn } from './aftermath'

/** One cutting date tried: everything that moves with it. Per m² unless it says otherwise. */
export type CutOutcome = {
  day: number
  /** Stage of each plant of the stand, in the order of its mix. */
  bbch: number[]
  heightM: number
  hardness: number
  /** The quickest owned tool that still does it; null when none does. */
  tool: CuttingTool | 'crimp board' | null
  /** Stems expected to stand again three weeks later. */
  stems: Spread
  /** Minutes for the whole part: the cut itself, and pulling what stands again. */
  cutMinutes: number
  finishMinutes: number
  mulchG: number
  /** Nitrogen freed in ten weeks from planting. */
  nitrogenG: number
  /** Chance to plant in time. */
  chance: number
}

export type GrowsBackQuestion = {
  standCase: StandCase
  target: Target
  tools: readonly Tool[]
  /** What is done on the date, and how often, a week apart. */
  method: 'chop' | 'crimp'
  passes: 1 | 2
  /** Height a cut leaves, m; a crimp presses all of it down. */
  heightM: number
}

/** Dates tried. */
const MOST_DATES = 14
/** Stems that a plant standing again puts up: grasses tiller (judgement). */
const STEMS_PER_PLANT = { grass: 3, legume: 1.6, broadleaf: 1.2 } as const

/** Survival of a chop at a height, own counts taken in. */
const chopped = (kind: EndingClass, bbch: number, heightM: number, own: OwnResults) =>
  chopSurvivalAt(kind, bbch, heightM, withOwn(chopSurvival(kind, bbch), ownCount(own, 'chop', kind, bbch)))

/** Share of a plant that outlives the work on the date. */
function survivalOf(question: GrowsBackQuestion, plant: Species, bbch: number, heightM = question.heightM) {
  const { method, passes, standCase } = question
  const own = standCase.own ?? {}
  if (method === 'crimp')
    return actsSurvival(findWay('crimp')!, plant, bbch, passes, { own, bedKind: standCase.bed.kind })
  const kind = plant.endingClass
  return chopped(kind, bbch, heightM, own) * furtherPass('chop', kind).leaves ** (passes - 1)
}

/** Share of the survivors' growth that the work leaves standing (judgement): stubble, or stems that rise again. */
const topLeft = ({ method, heightM }: GrowsBackQuestion) =>
  method === 'crimp' ? 0.6 : heightM > 0.02 ? 0.12 : 0.06

const workEvent = (day: number, question: GrowsBackQuestion): StandEvent => ({
  day,
  kind: 'end',
  topLeft: topLeft(question),
  survival: (_member, _c, bbch, plant) => survivalOf(question, plant, bbch),
})

/** The tool for the work, and minutes for each m² of one pass; null when none owned does it. */
function toolFor(
  { method, tools }: GrowsBackQuestion,
  hardness: number,
): { kind: NonNullable<CutOutcome['tool']>; minutesPerM2: number } | null {
  if (method === 'crimp')
    return tools.some((tool) => tool.kind === 'crimp board')
      ? { kind: 'crimp board', minutesPerM2: findWay('crimp')!.minutesPerM2 }
      : null
  const kind = cuttingTool(tools, hardness)
  return kind && { kind, minutesPerM2: CUTTING_TOOLS[kind].minutesPerM2 }
}

/** What a cut comes to on each of some dates from today to the planting day. */
export function growsBack(
  question: GrowsBackQuestion,
  season: SeasonRun,
  today: number,
  progress?: (share: number) => void,
): CutOutcome[] {
  const { plantingDay } = question.target
  const from = Math.max(today, season.run.startDay)
  const last = Math.min(plantingDay - 1, season.run.startDay + season.run.days - 1)
  if (last < from) return []
  const count = Math.min(MOST_DATES, last - from + 1)
  return Array.from({ length: count }, (_, i) => {
    const day = Math.round(from + (i * (last - from)) / Math.max(1, count - 1))
    const outcome = cutOn(day, question, season)
    progress?.((i + 1) / count)
    return outcome
  })
}

function cutOn(day: number, question: GrowsBackQuestion, season: SeasonRun): CutOutcome {
  const { standCase, target } = question
  const { run } = season
  const areaM2 = partAreaM2(standCase.bed, standCase.stand.part)
  const height = middleOn(run, run.heightM, day)
  const bbch = run.species.map((species) => middleOn(run, species.bbch, day))
  const hardness = Math.max(...run.sown.map(({ plant }, c) => woodiness(plant.endingClass, bbch[c], height)))
  const tool = toolFor(question, hardness)
  const after = season.again(
    [workEvent(day, question), ...takenOver(target.plantingDay, true)],
    AFTERMATH_MEMBERS,
  )
  const countDay = Math.min(target.plantingDay - 1, day + COUNT_AFTER_DAYS)
  const index = Math.max(0, countDay - after.startDay)
  const stems = spreadOf(
    Float64Array.from({ length: after.members }, (_, member) =>
      after.species.reduce(
        (sum, species, c) =>
          sum +
          species.plantsPerM2[member] *
            species.alive[member * after.days + index] *
            STEMS_PER_PLANT[after.sown[c].plant.group],
        0,
      ),
    ),
  ) ?? { low: 0, mid: 0, high: 0 }
  return {
    day,
    bbch,
    heightM: height,
    hardness,
    tool: tool?.kind ?? null,
    stems,
    cutMinutes: (tool?.minutesPerM2 ?? 0) * areaM2 * question.passes,
    finishMinutes: pullMinutes(plantsOn(after, countDay) * areaM2),
    mulchG: middleOn(after, after.residueG, target.plantingDay),
    nitrogenG: freed(after, target.plantingDay),
    chance: tool ? chanceOf(day, question, season) : 0,
  }
}

function freed(run: SeasonRun['run'], plantingDay: number): number {
  const from = valuesOn(run, run.releasedG, plantingDay)
  const to = valuesOn(run, run.releasedG, Math.min(run.startDay + run.days - 1, plantingDay + 70))
  return spreadOf(from.map((value, member) => to[member] - value))?.mid ?? 0
}

/** Chance of dead and waited by the planting day; stubble left higher keeps more plants alive than the table's cut. */
function chanceOf(day: number, question: GrowsBackQuestion, { run, ensemble }: SeasonRun): number {
  const { target, standCase, method, passes } = question
  const setup = {
    passes,
    flattened: true,
    target: DEAD_SHARE[target.establishment],
    own: standCase.own ?? {},
    bedKind: standCase.bed.kind,
  }
  return shareOf(run.members, (member) => {
    const ending = endingOf(method, run, ensemble, member, day, setup)
    if (!(ending.deadDay + target.waitDays <= target.plantingDay)) return false
    const at = member * run.days + day - run.startDay
    const total = run.species.reduce((sum, species) => sum + species.massG[at], 0)
    const more = run.species.reduce((sum, species, c) => {
      const { plant } = run.sown[c]
      const bbch = species.bbch[at]
      const saved = survivalOf(question, plant, bbch) - survivalOf(question, plant, bbch, 0)
      return sum + (species.massG[at] / total) * saved
    }, 0)
    return ending.survival + more - HAND_FINISH_SHARE <= setup.target
  })
}

/** Between the dates that were run, everything is drawn straight. */
export function cutOutcomeOn(points: readonly CutOutcome[], day: number): CutOutcome {
  const next = points.findIndex((point) => point.day >= day)
  if (next <= 0) return points[next < 0 ? points.length - 1 : 0]
  const [a, b] = [points[next - 1], points[next]]
  const share = (day - a.day) / Math.max(1, b.day - a.day)
  const mix = (x: number, y: number) => x + (y - x) * share
  return {
    ...(share < 0.5 ? a : b),
    day,
    stems: {
      low: mix(a.stems.low, b.stems.low),
      mid: mix(a.stems.mid, b.stems.mid),
      high: mix(a.stems.high, b.stems.high),
    },
    heightM: mix(a.heightM, b.heightM),
    hardness: mix(a.hardness, b.hardness),
    finishMinutes: mix(a.finishMinutes, b.finishMinutes),
    mulchG: mix(a.mulchG, b.mulchG),
    nitrogenG: mix(a.nitrogenG, b.nitrogenG),
    chance: mix(a.chance, b.chance),
  }
}
