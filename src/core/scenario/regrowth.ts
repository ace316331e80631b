import { pullMinutes } from '../termination/stragglers'
import {
  CRIMPS,
  cuttingTool,
  quickestTool,
  toolMinutes,
  workedGround,
  type CrimpingTool,
} from '../termination/workRates'
import { woodiness, type CuttingTool } from '../termination/woodiness'
import { isoDate } from '../foundations/day'
import { NOTHING, quantilesOf, type Quantiles } from '../foundations/statistics'
import type { EndDetails } from '../garden/ending'
import { COUNT_AFTER_DAYS, middleOn, plantsOn, releasedBetween } from './after'
import { evaluateWith } from './evaluate'
import { targetDay } from './plan'
import type { Scenario } from './types'
import { standRunInSteps } from '../bed/standRun'
import { atOnce, type Steps } from '../foundations/steps'
import type { SeasonRun } from '../season/run'
import type { WeatherEnsemble } from '../site/weather'
import { placeIn } from '../stand/series'

/** One cutting date tried: everything that moves with it. Per m² unless it says otherwise. */
export type CutOutcome = {
  day: number
  /** Stage of each plant of the stand, in the order of its mix. */
  bbch: number[]
  heightM: number
  hardness: number
  /** The quickest owned tool that still does it; null when none does. */
  tool: CuttingTool | CrimpingTool | null
  /** Stems expected to stand again three weeks later. */
  stems: Quantiles
  /** Minutes for the whole part: the cut itself, and pulling what stands again. */
  cutMinutes: number
  finishMinutes: number
  mulchG: number
  /** Nitrogen freed in ten weeks from planting. */
  nitrogenG: number
  /** Chance to plant in time. */
  chance: number
}

export type RegrowthQuestion = {
  scenario: Scenario
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

/** The work on a day as an ending. */
const endOn = (day: number, { method, passes, heightM }: RegrowthQuestion): EndDetails => ({
  date: isoDate(day),
  method,
  passes,
  note: '',
  ...(method === 'chop' && { stubbleCm: Math.round(heightM * 100) }),
})

/** The tool for the work; null when none owned does it. */
function toolFor(
  { method, scenario }: RegrowthQuestion,
  hardness: number,
): NonNullable<CutOutcome['tool']> | null {
  const { tools } = scenario.means
  const ground = workedGround(scenario.standCase.bed, scenario.standCase.stand.segment)
  if (method === 'chop') return cuttingTool(tools, hardness, ground)
  return tools.some(({ kind }) => CRIMPS.includes(kind))
    ? (quickestTool(CRIMPS, ground, tools) as CrimpingTool)
    : null
}

/** Days ahead looked at where nothing says when the ground is wanted. */
const OPEN_LOOK_DAYS = 60

/** What a cut comes to on each of some dates from today to the day the ground is wanted. */
export const regrowth = atOnce(regrowthInSteps)

/** The same with pauses. */
export function* regrowthInSteps(
  question: RegrowthQuestion,
  ensemble: WeatherEnsemble,
  progress?: (share: number) => void,
): Steps<CutOutcome[]> {
  const { scenario } = question
  const season = yield* standRunInSteps({ ...scenario.standCase, own: scenario.means.own }, ensemble)
  if (!season) return []
  const from = Math.max(scenario.today, season.run.startDay + 1)
  const wanted = targetDay(scenario.follows)
  const last = Math.min(
    Number.isFinite(wanted) ? wanted - 1 : from + OPEN_LOOK_DAYS,
    season.run.startDay + season.run.days - 1,
  )
  if (last < from) return []
  const count = Math.min(MOST_DATES, last - from + 1)
  const outcomes: CutOutcome[] = []
  for (let i = 0; i < count; i++) {
    const day = Math.round(from + (i * (last - from)) / Math.max(1, count - 1))
    outcomes.push(cutOn(day, question, season))
    progress?.((i + 1) / count)
    yield
  }
  return outcomes
}

function cutOn(day: number, question: RegrowthQuestion, season: SeasonRun): CutOutcome {
  const { scenario } = question
  const { bed, stand } = scenario.standCase
  const { run } = season
  const ground = workedGround(bed, stand.segment)
  const height = middleOn(run, run.heightM, day)
  const bbch = run.species.map((species) => middleOn(run, species.bbch, day))
  const hardness = Math.max(...run.sown.map(({ plant }, c) => woodiness(plant.endingClass, bbch[c], height)))
  const tool = toolFor(question, hardness)
  const evaluated = evaluateWith(scenario, season, endOn(day, question))
  const after = evaluated.ended!
  const wanted = targetDay(scenario.follows)
  const lookDay = Math.min(Number.isFinite(wanted) ? wanted : Infinity, after.startDay + after.days - 1)
  const countDay = Math.min(lookDay - 1, day + COUNT_AFTER_DAYS)
  const index = Math.max(0, countDay - after.startDay)
  const stems =
    quantilesOf(
      Float64Array.from({ length: after.members }, (_, member) =>
        after.species.reduce(
          (sum, species, c) =>
            sum +
            species.plantsPerM2[member] *
              species.alive[placeIn(after, member, index)] *
              STEMS_PER_PLANT[after.sown[c].plant.group],
          0,
        ),
      ),
    ) ?? NOTHING
  return {
    day,
    bbch,
    heightM: height,
    hardness,
    tool,
    stems,
    cutMinutes: tool ? toolMinutes(tool, ground, scenario.means.tools) * question.passes : 0,
    finishMinutes: pullMinutes(plantsOn(after, countDay) * ground.areaM2),
    mulchG: middleOn(after, after.residueG, lookDay),
    nitrogenG: releasedBetween(after, lookDay, lookDay + 70).p50,
    chance: tool ? evaluated.outcome.chance.whole : 0,
  }
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
      p10: mix(a.stems.p10, b.stems.p10),
      p50: mix(a.stems.p50, b.stems.p50),
      p90: mix(a.stems.p90, b.stems.p90),
    },
    heightM: mix(a.heightM, b.heightM),
    hardness: mix(a.hardness, b.hardness),
    finishMinutes: mix(a.finishMinutes, b.finishMinutes),
    mulchG: mix(a.mulchG, b.mulchG),
    nitrogenG: mix(a.nitrogenG, b.nitrogenG),
    chance: mix(a.chance, b.chance),
  }
}
