import { dayNumber } from '../../foundations/day'
import { mixSeed, randomStream } from '../../foundations/random'
import { quantilesOf, type Quantiles } from '../../foundations/statistics'
import { findSpecies } from '../../plants/catalogue'
import { buildEnsemble } from '../../site/ensemble'
import { runStand } from '../../stand/kernel'
import { drawMemberParameters } from '../../stand/memberParameters'
import { stageDays, valuesOn } from '../../stand/summary'
import type { StandRun } from '../../stand/types'
import { assimilate } from '../../tracking/assimilate'
import { EMPTY_OBSERVATION, OBSERVATION_ERROR, type Observation } from '../../tracking/observations'
import { TEST_SITES } from '../sites'
import { plainInput } from '../../season/plainInput'
import { raked } from '../stands'
import { hiddenStand, type Errors, type HiddenStand, type Source } from './hiddenStand'
import { placeIn } from '../../stand/series'

/** Stages of the hidden stand at which it is looked at. */
const LOOKED_AT = [21, 31, 45] as const
const BLOOM = 61
const CASES = [
  ['maryland', 'hairy-vetch', '2025-09-20'],
  ['pennsylvania', 'cereal-rye', '2025-09-25'],
  ['alabama', 'crimson-clover', '2025-10-20'],
  ['netherlands', 'phacelia', '2026-04-20'],
  ['maryland', 'buckwheat', '2026-06-01'],
  ['netherlands', 'oats', '2026-03-25'],
] as const

const LEAD = 40
const DAYS = 340
/** Seasons of the same bed that a forecast without any model has seen. */
const PAST_SEASONS = 10
/** Days after the last look on which mass, nitrogen and cover are forecast. */
const AHEAD = 14

/** What is forecast, and the least that two of it are told apart by: half a day, half a gram, a twentieth of one, half a point of cover. */
const QUANTITIES = { flower: 0.5, mass: 0.5, nitrogen: 0.05, cover: 0.005 } as const
export type Quantity = keyof typeof QUANTITIES
export const QUANTITY_NAMES = Object.keys(QUANTITIES) as Quantity[]

type Values = Record<Quantity, Float64Array>

/** Day of a stage with its part, so that errors below a day are told apart. */
function crossing(run: StandRun, bbch: number): Float64Array {
  const stage = run.species[0].bbch
  return stageDays(run, 0, bbch).map((day, member) => {
    const at = placeIn(run, member, day - run.startDay)
    return day > run.startDay
      ? day - (stage[at] - bbch) / Math.max(1e-6, stage[at] - stage[at - run.members])
      : day
  })
}

const valuesOf = (run: StandRun, day: number): Values => ({
  flower: crossing(run, BLOOM),
  mass: valuesOn(run, run.massG, day),
  nitrogen: valuesOn(run, run.nitrogenG, day),
  cover: valuesOn(run, run.cover, day),
})

/** Three looks at this season of a hidden stand, with the errors of a careful eye; null where a stage is not reached. */
function looksAt({ run }: HiddenStand, { looks: sd }: Errors, seed: number): Observation[] | null {
  const random = randomStream(mixSeed(seed, 7))
  const days = LOOKED_AT.map((bbch) => stageDays(run, 0, bbch)[0])
  if (days.some(Number.isNaN)) return null
  return days.map((day) => {
    const at = placeIn(run, 0, day - run.startDay)
    return {
      ...EMPTY_OBSERVATION,
      day,
      bbch: run.species[0].bbch[at] + sd.bbchSd * random.normal(),
      cover: Math.min(1, Math.max(0, run.cover[at] + sd.coverSd * random.normal())),
      coverError: OBSERVATION_ERROR.cover,
      heightM: Math.max(0.01, run.heightM[at] * (1 + sd.heightShareSd * random.normal())),
    }
  })
}

/** One range against the truth: whether it holds it, its width, and its interval score (Gneiting and Raftery 2007, eq 43, α = 0.2). */
type Held = { inside: boolean; width: number; score: number; error: number }

function held(range: Quantiles, truth: number, least: number): Held {
  const below = Math.max(0, range.p10 - truth)
  const above = Math.max(0, truth - range.p90)
  return {
    inside: below <= least && above <= least,
    width: range.p90 - range.p10,
    score: range.p90 - range.p10 + (2 / 0.2) * (below + above),
    error: Math.abs(range.p50 - truth),
  }
}

/** A forecast without looks, with three, and from past seasons alone. */
type Forecasts = { before: Held; after: Held; past: Held }
type Season = Record<Quantity, Forecasts>

/** One hidden season followed by the model; null where it has no three looks before it flowers. */
function followed(index: number, source: Source, errors: Errors, members: number): Season | null {
  const [siteName, speciesId, sownOn] = CASES[index % CASES.length]
  const told = { site: TEST_SITES[siteName], plant: findSpecies(speciesId)!, sowDay: dayNumber(sownOn) }
  const seed = mixSeed(0x7247, index)
  const hidden = hiddenStand(told, source, errors, seed, {
    seasons: 1 + PAST_SEASONS,
    lead: LEAD,
    days: DAYS,
  })
  const looks = looksAt(hidden, errors, seed)
  const bloom = crossing(hidden.run, BLOOM)[0]
  if (!looks || !(bloom >= looks[2].day + 1)) return null
  const today = looks[2].day + 1
  const startDay = told.sowDay - LEAD
  const [member] = hidden.weather.members
  const days = Array.from({ length: today - startDay }, (_, i) => ({
    day: startDay + i,
    source: 'station' as const,
    tMinC: member.tMinC[i],
    tMaxC: member.tMaxC[i],
    rainMm: member.rainMm[i],
  }))
  const record = { days, forecast: [] }
  const ensemble = buildEnsemble(told.site, record, today, startDay, DAYS, members, mixSeed(seed, 4))
  const input = plainInput(raked(told.plant), told.sowDay)
  const prior = drawMemberParameters(input.sown, members, mixSeed(seed, 5))
  const forecast = (seen: readonly Observation[]) =>
    valuesOf(
      assimilate((own) => runStand(input, ensemble, own), prior, 0, seen, seed, false).run,
      today + AHEAD,
    )
  const truth = valuesOf(hidden.run, today + AHEAD)
  const [before, after] = [forecast([]), forecast(looks)]
  const all = QUANTITY_NAMES.map((name) => {
    const ranges = [before[name], after[name], truth[name].subarray(1)].map((values) => quantilesOf(values))
    const [without, with3, past] = ranges.map(
      (range) => range && held(range, truth[name][0], QUANTITIES[name]),
    )
    return without && with3 && past ? ([name, { before: without, after: with3, past }] as const) : null
  })
  return all.some((one) => one === null) ? null : (Object.fromEntries(all.map((one) => one!)) as Season)
}

/** How the ranges of one quantity did: shares that held the truth, median widths and errors, mean scores. */
export type Coverage = {
  quantity: Quantity
  seasons: number
  inside: Record<keyof Forecasts, number>
  width: Record<keyof Forecasts, number>
  score: Record<keyof Forecasts, number>
  error: Record<keyof Forecasts, number>
}

const WHEN = ['before', 'after', 'past'] as const

/** Coverage of the 80 % range over so many hidden seasons of one source of error. */
export function coverageOf(source: Source, errors: Errors, seasons: number, members = 100): Coverage[] {
  const all = Array.from({ length: seasons }, (_, index) => followed(index, source, errors, members)).filter(
    (season) => season !== null,
  )
  const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length
  const median = (values: readonly number[]) => quantilesOf(values)?.p50 ?? NaN
  return QUANTITY_NAMES.map((quantity) => {
    const each = (of: (values: readonly Held[]) => number) =>
      Object.fromEntries(
        WHEN.map((when) => [when, of(all.map((season) => season[quantity][when]))]),
      ) as Record<keyof Forecasts, number>
    return {
      quantity,
      seasons: all.length,
      inside: each((values) => mean(values.map(({ inside }) => (inside ? 1 : 0)))),
      width: each((values) => median(values.map(({ width }) => width))),
      score: each((values) => mean(values.map(({ score }) => score))),
      error: each((values) => median(values.map(({ error }) => error))),
    }
  })
}
