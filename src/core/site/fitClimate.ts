import { dayNumber, dayOfYear, isoDate } from '../foundations/day'
import { mixSeed, randomStream } from '../foundations/random'
import { clamp, quantilesOf } from '../foundations/statistics'
import type { Steps } from '../foundations/steps'
import type { SiteClimate } from '../garden/site'
import { CLIMATE_TYPES, turned, type ClimateType } from './climateTypes'
import { SITE_SD } from './ensemble'
import { weatherGenerator } from './generator'

/**
 * What growers know of their climate. Frosts are days (MM-DD) that half the years have passed, null where most years have
 * none; temperatures °C; wet and dry months 0–11.
 */
export type ClimateAnswers = {
  latitude: number
  elevationM: number
  coastal: boolean
  lastFrost: string | null
  firstFrost: string | null
  /** Coldest night of a usual winter. */
  coldestNightC: number
  /** Usual high and low of the hottest month. */
  hottestHighC: number
  hottestLowC: number
  wetMonths: readonly number[]
  dryMonths: readonly number[]
}

/** What is wrong with answers, as a code: none of it can be fitted. */
export type AnswerProblem =
  | 'one frost only'
  | 'frosts the wrong way round'
  | 'high below low'
  | 'night above summer low'
  | 'frosts without a frosty night'
  | 'frosty night without frosts'
  | 'no summer'

/** Nearer the equator than this frosts may fall in any half of the year, degrees. */
const SEASONS_FROM = 10
/** A coldest night this far to the other side of 0 °C contradicts what is said of frosts. */
const CONTRADICTS_C = 1

/** Usual high of the hottest month below which nothing here ever covers the ground, °C (judgement, 6–10). */
const NO_SUMMER_C = 8

/** What is wrong with the answers; empty where they can be fitted. */
export function problemsOf(answers: ClimateAnswers): AnswerProblem[] {
  const { latitude, lastFrost, firstFrost, coldestNightC, hottestHighC, hottestLowC } = answers
  const problems: AnswerProblem[] = []
  const both = lastFrost !== null && firstFrost !== null
  if (!both && (lastFrost !== null || firstFrost !== null)) problems.push('one frost only')
  if (both && Math.abs(latitude) >= SEASONS_FROM && lastFrost < firstFrost !== latitude > 0)
    problems.push('frosts the wrong way round')
  if (!(hottestHighC > hottestLowC)) problems.push('high below low')
  if (hottestHighC < NO_SUMMER_C) problems.push('no summer')
  if (!(coldestNightC < hottestLowC)) problems.push('night above summer low')
  if (both && coldestNightC > CONTRADICTS_C) problems.push('frosts without a frosty night')
  if (lastFrost === null && firstFrost === null && coldestNightC < -CONTRADICTS_C)
    problems.push('frosty night without frosts')
  return problems
}

/** What the generator makes of a climate, in the terms of the answers; the mean of the hottest month by its normals. */
export type Reproduced = Pick<
  ClimateAnswers,
  'lastFrost' | 'firstFrost' | 'coldestNightC' | 'hottestHighC' | 'hottestLowC'
>

export type FittedClimate = { site: SiteClimate; reproduced: Reproduced; startedFrom: ClimateType }

const YEARS = 120
const ANY_YEAR = 2023
const FROST_C = 0

const hottestMonth = (site: Pick<SiteClimate, 'tMaxC' | 'tMinC'>) =>
  site.tMaxC.reduce(
    (best, max, month) => (max + site.tMinC[month] > site.tMaxC[best] + site.tMinC[best] ? month : best),
    0,
  )

/** Days from the middle of the hottest month to a day of the year, −182 to 183. */
function fromMidsummer(day: number, summerDay: number): number {
  const days = (((day - summerDay + 182) % 365) + 365) % 365
  return days - 182
}

type Simulated = { last: number; first: number; coldestC: number }

/** Medians of many generated years: last and first frost as days from midsummer, NaN where half the years have none; the coldest night. */
function simulate(site: SiteClimate, summerDay: number): Simulated {
  const generator = weatherGenerator(site)
  const start = dayNumber(`${ANY_YEAR}-01-01`) + summerDay - 182
  const last = new Float64Array(YEARS).fill(NaN)
  const first = new Float64Array(YEARS).fill(NaN)
  const coldest = new Float64Array(YEARS).fill(Infinity)
  for (let year = 0; year < YEARS; year++) {
    const random = randomStream(mixSeed(0x3c11, year))
    const unlike = SITE_SD.temperatureC * random.normal()
    const state = generator.start(random)
    for (let i = 0; i < 365; i++) {
      generator.next(state, start + i, random)
      const low = state.tMinC + unlike
      coldest[year] = Math.min(coldest[year], low)
      if (low > FROST_C) continue
      if (i < 182) last[year] = i - 182
      else if (Number.isNaN(first[year])) first[year] = i - 182
    }
  }
  const usual = (days: Float64Array) => {
    const known = days.filter((day) => !Number.isNaN(day))
    return known.length * 2 > YEARS ? (quantilesOf(known)?.p50 ?? NaN) : NaN
  }
  return { last: usual(last), first: usual(first), coldestC: quantilesOf(coldest)!.p50 }
}

/** What the fit moves: the coldest month's mean low, °C; how far spring and autumn lag, logarithms; how much days spread. */
type Shape = { coldC: number; spring: number; autumn: number; spread: number }

/** Normals of a type, bent until their lows run from the coldest month's to the hottest's. */
function siteOf(answers: ClimateAnswers, type: ClimateType, shape: Shape): SiteClimate {
  const { latitude, elevationM, coastal, hottestHighC, hottestLowC } = answers
  const lows = turned(type.tMinC, latitude)
  const highs = turned(type.tMaxC, latitude)
  const least = Math.min(...lows)
  const most = Math.max(...lows)
  const peak = lows.indexOf(most)
  const tMinC = lows.map((low, month) => {
    const warmth = most > least ? (low - least) / (most - least) : 1
    const before = (((peak - month) % 12) + 12) % 12
    const bent = warmth ** Math.exp(before > 0 && before <= 6 ? shape.spring : shape.autumn)
    return shape.coldC + (hottestLowC - shape.coldC) * bent
  })
  const ranges = highs.map((high, month) => high - lows[month])
  const peakRange = ranges[hottestMonth({ tMaxC: highs, tMinC: lows })]
  const raw = tMinC.map((low, month) => low + (ranges[month] * (hottestHighC - hottestLowC)) / peakRange)
  const over = Math.max(...raw) - hottestHighC
  const tMaxC = raw.map((high, month) => Math.max(tMinC[month] + 1, high - over))
  return {
    latitude,
    elevationM,
    coastal,
    tMaxC: tMaxC.map(tenth),
    tMinC: tMinC.map(tenth),
    ...rainOf(answers, type),
    warmingCPerDecade: 0,
    daySpread: Number(shape.spread.toFixed(2)),
  }
}

const tenth = (value: number) => Math.round(value * 10) / 10
const WET = 1.6
const DRY = 0.3

/** A type's rain, more of it in the months called wet and less in those called dry, the year's sum kept. */
function rainOf(
  { latitude, wetMonths, dryMonths }: ClimateAnswers,
  type: ClimateType,
): Pick<SiteClimate, 'rainMm' | 'wetDays'> {
  const rain = turned(type.rainMm, latitude)
  const days = turned(type.wetDays, latitude)
  const total = rain.reduce((sum, mm) => sum + mm, 0)
  if (wetMonths.length + dryMonths.length === 0) return { rainMm: rain, wetDays: days }
  // What is said of months stands over the type's own seasons.
  const level = total / 12
  const weights = rain.map((mm, month) =>
    wetMonths.includes(month)
      ? WET * Math.max(mm, level)
      : dryMonths.includes(month)
        ? DRY * Math.min(mm, level)
        : mm,
  )
  const scale = total / weights.reduce((sum, weight) => sum + weight, 0)
  return {
    rainMm: weights.map((mm) => Math.round(mm * scale)),
    wetDays: days.map((wet, month) =>
      tenth(clamp(wet * Math.sqrt((weights[month] * scale) / Math.max(1, rain[month])), 0.2, 28)),
    ),
  }
}

/** How unlike a type is to the answers. */
function unlikeness(answers: ClimateAnswers, type: ClimateType): number {
  const hottest = hottestMonth(type)
  const coldestC = Math.min(...type.tMinC)
  const rain = turned(type.rainMm, answers.latitude)
  const level = rain.reduce((sum, mm) => sum + mm, 0) / 12
  const wrongMonths =
    answers.wetMonths.filter((month) => rain[month] < level).length +
    answers.dryMonths.filter((month) => rain[month] > level).length
  return (
    ((type.tMaxC[hottest] - answers.hottestHighC) / 4) ** 2 +
    ((type.tMinC[hottest] - answers.hottestLowC) / 4) ** 2 +
    ((coldestC - 12 - answers.coldestNightC) / 6) ** 2 +
    ((type.latitude - Math.abs(answers.latitude)) / 12) ** 2 +
    (type.coastal === answers.coastal ? 0 : 1) +
    wrongMonths / 2
  )
}

const nearestType = (answers: ClimateAnswers): ClimateType =>
  CLIMATE_TYPES.reduce((best, type) => (unlikeness(answers, type) < unlikeness(answers, best) ? type : best))

const ROUNDS = 30
/** Near enough: a day or two of each frost and a few tenths of a degree. */
const CLOSE = 0.9
const MOST_BEND = 0.8

const dayOfAnswer = (monthDay: string) => dayOfYear(dayNumber(`${ANY_YEAR}-${monthDay}`)) - 1

/**
 * Fits normals and the spread of days until generated years reproduce the answers: spring and autumn are bent to the frosts,
 * the coldest month and the spread to the coldest night. Pauses between rounds.
 */
export function* fitClimate(answers: ClimateAnswers): Steps<FittedClimate> {
  const type = nearestType(answers)
  let shape: Shape = { coldC: answers.coldestNightC + 10, spring: 0, autumn: 0, spread: 1 }
  const start = siteOf(answers, type, shape)
  const summerDay = Math.round(hottestMonth(start) * 30.44 + 15)
  const want = {
    last: answers.lastFrost === null ? NaN : fromMidsummer(dayOfAnswer(answers.lastFrost), summerDay),
    first: answers.firstFrost === null ? NaN : fromMidsummer(dayOfAnswer(answers.firstFrost), summerDay),
  }
  const off = (got: Simulated) =>
    missedBy(got.last, want.last) / 4 +
    missedBy(got.first, want.first) / 4 +
    Math.abs(got.coldestC - answers.coldestNightC) / 1.5
  let best = { shape, got: simulate(start, summerDay) }
  for (let round = 0; round < ROUNDS; round++) {
    yield
    const got = simulate(siteOf(answers, type, shape), summerDay)
    if (off(got) < off(best.got)) best = { shape, got }
    if (off(best.got) < CLOSE) break
    shape = nextShape(shape, got, want, answers)
  }
  const site = siteOf(answers, type, best.shape)
  const hottest = hottestMonth(site)
  const dated = (day: number) =>
    Number.isNaN(day) ? null : isoDate(dayNumber(`${ANY_YEAR}-01-01`) + summerDay + Math.round(day)).slice(5)
  return {
    site,
    startedFrom: type,
    reproduced: {
      lastFrost: dated(best.got.last),
      firstFrost: dated(best.got.first),
      coldestNightC: tenth(best.got.coldestC),
      hottestHighC: site.tMaxC[hottest],
      hottestLowC: site.tMinC[hottest],
    },
  }
}

/** Days between a frost and the one asked for; a frost that should not be, or is not, counts for a month. */
const missedBy = (got: number, wanted: number) =>
  Number.isNaN(got) && Number.isNaN(wanted)
    ? 0
    : Number.isNaN(got) || Number.isNaN(wanted)
      ? 30
      : Math.abs(got - wanted)

function nextShape(
  shape: Shape,
  got: Simulated,
  want: { last: number; first: number },
  { coldestNightC, hottestLowC }: ClimateAnswers,
): Shape {
  // A frost that should not be asks for warmth as one a month too long would; one that is missing, for cold.
  const late = (of: number, wanted: number, missing: number) =>
    Number.isNaN(wanted) ? (Number.isNaN(of) ? 0 : -missing) : Number.isNaN(of) ? missing : of - wanted
  const springLate = Number.isNaN(want.last) ? 0 : late(got.last, want.last, -30)
  const autumnLate = Number.isNaN(want.first) ? 0 : late(got.first, want.first, 30)
  const colder = got.coldestC - coldestNightC
  const spring = clamp(shape.spring - 0.015 * springLate, -MOST_BEND, MOST_BEND)
  const autumn = clamp(shape.autumn + 0.015 * autumnLate, -MOST_BEND, MOST_BEND)
  // Both seasons bent alike say that the coldest month stands wrong, and the spread of days makes up for it.
  const alike = (spring + autumn) / 2
  return {
    spring,
    autumn,
    coldC: Math.min(hottestLowC - 0.5, shape.coldC - 0.5 * colder - 0.6 * alike),
    spread: clamp(shape.spread * Math.exp(0.03 * colder), 0.6, 1.7),
  }
}
