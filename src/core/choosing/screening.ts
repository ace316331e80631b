import { MOST_STARTS } from '../scenario/compare'
import { weatherUntil } from '../season/horizon'
import { firstMembers, type WeatherEnsemble } from '../site/weather'
import type { Closeness, Judged } from './judge'
import { untilDay, type ChooseQuestion } from './types'

/** Members that screen every species. */
export const SCREEN_MEMBERS = 40
/** Start days of endings looked at while screening; judged in earnest as many as anywhere. */
export const SCREEN: Closeness = { starts: 7, exact: false }
export const IN_EARNEST: Closeness = { starts: MOST_STARTS, exact: true }
/** Sowing days tried at most, and days between them. */
const SOWING_DAYS = 5
const SOWING_STEP_DAYS = 14
/**
 * Sowing days worth trying: as soon as the ground is free, then fortnightly through the first half of the window; under what
 * stands, all through the time for it and on its last day, on which a cover above is cut over the seed.
 */
export function sowingDays(question: ChooseQuestion): number[] {
  const first = Math.max(question.freeFromDay, question.today)
  if (question.sowDay !== null) return [Math.max(first, question.sowDay)]
  const half = first + (untilDay(question) - first) / 2
  const last = question.sowUntilDay ?? half
  const step =
    question.sowUntilDay === null
      ? SOWING_STEP_DAYS
      : Math.max(SOWING_STEP_DAYS, Math.floor((last - first) / (SOWING_DAYS - 1)))
  const days: number[] = []
  for (let day = first; day <= last && days.length < SOWING_DAYS; day += step) days.push(day)
  if (days.length === 0) return [first]
  return question.sowUntilDay !== null && days.at(-1)! < last ? [...days, last] : days
}

export const shorten = (ensemble: WeatherEnsemble, members: number, endDay: number): WeatherEnsemble =>
  weatherUntil(firstMembers(ensemble, members), endDay)

const valueOf = (judged: Judged) =>
  judged.verdict === 'candidate' ? 1 + judged.candidate.score : judged.rejection.closeness

/** Sowing days whose value differs by less count as equal; of equal days the earliest stands first. A total order. */
const VALUE_STEP = 0.02
type DayJudged = { day: number; judged: Judged }
const stepOf = ({ judged }: DayJudged) => Math.round(valueOf(judged) / VALUE_STEP)
export const byWorth = (a: DayJudged, b: DayJudged) => stepOf(b) - stepOf(a) || a.day - b.day
