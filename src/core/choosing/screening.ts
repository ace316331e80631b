import { sortBy } from 'es-toolkit/array'
import { MOST_STARTS } from '../scenario/compare'
import type { Species } from '../plants/parameters'
import { weatherUntil } from '../season/horizon'
import { firstMembers, type WeatherEnsemble } from '../site/weather'
import type { Closeness, Judged } from './judge'
import { isUnusual, seasonOfMix, seasonRank, seasonYear } from './season'
import { untilDay, type ChooseQuestion } from './types'

/** Members that screen every species. */
export const SCREEN_MEMBERS = 40
/** Start days of endings looked at while screening; judged in earnest as many as anywhere. */
export const SCREEN: Closeness = { starts: 7, exact: false }
export const IN_EARNEST: Closeness = { starts: MOST_STARTS, exact: true }
/** Sowing days tried at most, and days between them. */
const SOWING_DAYS = 5
const SOWING_STEP_DAYS = 14
/** A day so near to the last one is none of its own: a cover above is cut over the seed on its day, not days after it. */
const NEXT_DAY_DAYS = 5

/** Share of a window in which sowing is tried: the first half, or where seasons are known as long as a cover may still grow. */
const TRIED_SHARE = { blind: 1 / 2, bySeason: 2 / 3 }

/**
 * Sowing days worth trying: as soon as the ground is free, then fortnightly through the first half of the window; under what
 * stands, all through the time for it and on its last day, on which a cover above is cut over the seed. Where it is known when
 * covers are sown, those in the season of these come before others: under snow the window's spring is looked at.
 */
export function sowingDays(question: ChooseQuestion, plants: readonly Species[] = []): number[] {
  const { sowDay, sowUntilDay, climate } = question
  const first = Math.max(question.freeFromDay, question.today)
  if (sowDay !== null) return [Math.max(first, sowDay)]
  const share = TRIED_SHARE[climate ? 'bySeason' : 'blind']
  const last = sowUntilDay ?? first + share * (untilDay(question) - first)
  const step =
    sowUntilDay === null
      ? SOWING_STEP_DAYS
      : Math.max(SOWING_STEP_DAYS, Math.floor((last - first) / (SOWING_DAYS - 1)))
  const all: number[] = []
  for (let day = first; day <= last; day += step) all.push(day)
  if (all.length === 0) return [first]
  if (sowUntilDay !== null) {
    const before = all.slice(0, SOWING_DAYS).filter((day) => last - day >= NEXT_DAY_DAYS)
    return inTheirSeason([...before, last], SOWING_DAYS + 1, plants, question)
  }
  return inTheirSeason(all, SOWING_DAYS, plants, question)
}

/** Where nothing waits for the ground a cover is sown soon after its season begins, and not so that it is fresh on some far day, days. */
const SOON_DAYS = 28

/** The days to try: those in the covers' season first, and unusual ones only where there are no others. */
function inTheirSeason(
  days: number[],
  most: number,
  plants: readonly Species[],
  { climate, bed, follows, sowUntilDay }: ChooseQuestion,
): number[] {
  if (!climate) return days.slice(0, most)
  const year = seasonYear(climate, bed.soil)
  const ranked = days.map((day) => ({ day, season: seasonOfMix(plants, day, year) }))
  const fitting = ranked.filter((one) => !isUnusual(one))
  const inOrder = sortBy(fitting.length > 0 ? fitting : ranked, [({ season }) => seasonRank(season), 'day'])
  const soon = follows.kind === 'nothing' && sowUntilDay === null ? inOrder[0].day + SOON_DAYS : Infinity
  return inOrder
    .filter(({ day }) => day <= soon)
    .slice(0, most)
    .map(({ day }) => day)
    .sort((a, b) => a - b)
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
