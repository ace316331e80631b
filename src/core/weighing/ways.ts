import { CANDIDATES, judgeWay, setupOf, type EndingCase } from '../ending/compare'
import { weigh, type JudgedWay, type Target } from '../ending/weigh'
import type { OwnResults } from '../ending/ownResults'
import { partAreaM2 } from '../garden/area'
import type { Livestock, Rules } from '../garden/rules'
import type { Tool } from '../garden/schema'
import type { SeasonRun, StandCase } from '../season/run'
import { aftermathOf, type Aftermath } from './aftermath'

/** What is asked of the comparison: one stand, what follows it, and what there is to end it with. */
export type WaysQuestion = {
  standCase: StandCase
  target: Target
  tools: readonly Tool[]
  livestock: readonly Livestock[]
  rules: Rules
  own: OwnResults
}

/** A way judged over its start days, and what it leaves when started on some of them. */
export type WeighedWay = { judged: JudgedWay; after: Aftermath[] }

/** Most start days that are tried for each way, and most on which its aftermath is run. */
const MOST_STARTS = 36
const AFTER_STARTS = 4
/** Ranks of the members passed on: chances come in steps of 2.5 in 100. */
const RANKS = 40
/** Starts are looked at this long past the planting day asked for, so that it can be moved without asking anew. */
const BEYOND_DAYS = 42

/**
 * Every way of ending a stand, one after the other; `progress` is told the share done and what is known so far, so
 * that the list can grow while the rest is computed.
 */
export function compareWays(
  question: WaysQuestion,
  season: SeasonRun,
  today: number,
  progress?: (share: number, soFar: WeighedWay[]) => void,
): WeighedWay[] {
  const { bed, stand } = question.standCase
  const { run, ensemble } = season
  const fromDay = Math.max(today, run.startDay)
  const toDay = Math.min(question.target.plantingDay + BEYOND_DAYS, run.startDay + run.days - 80)
  const ending: EndingCase = {
    run,
    ensemble,
    bed,
    part: stand.part,
    areaM2: partAreaM2(bed, stand.part),
    tools: question.tools,
    livestock: question.livestock,
    rules: question.rules,
    own: question.own,
    establishment: question.target.establishment,
    fromDay,
    toDay,
    stepDays: Math.max(1, Math.ceil((toDay - fromDay) / MOST_STARTS)),
    ranks: RANKS,
  }
  const weighed: WeighedWay[] = []
  CANDIDATES.forEach((candidate, i) => {
    const judged = judgeWay(candidate, ending)
    const option = weigh(judged, question.target)
    const { animals, lanes } = setupOf(candidate.way, candidate.passes, ending)
    const end = { method: candidate.way.id, passes: candidate.passes, animals, lanes }
    const starts = judged.obstacle ? [] : startsFor(judged, option.bestStartDay, question.target.plantingDay)
    weighed.push({
      judged,
      after: starts.map((day) =>
        aftermathOf(season, question.standCase, end, day, question.target.plantingDay),
      ),
    })
    progress?.((i + 1) / CANDIDATES.length, [...weighed])
  })
  return weighed
}

/** A few start days from the first to the planting day, and the best among them. */
function startsFor({ byStart }: JudgedWay, best: number | null, plantingDay: number): number[] {
  const days = byStart.map((start) => start.day).filter((day) => day < plantingDay)
  if (days.length === 0) return []
  const every = Math.max(1, (days.length - 1) / (AFTER_STARTS - 1))
  const some = Array.from(
    { length: AFTER_STARTS },
    (_, i) => days[Math.min(days.length - 1, Math.round(i * every))],
  )
  return [...new Set([...some, ...(best === null ? [] : [best])])].sort((a, b) => a - b)
}
