import { dayNumber } from '../foundations/day'
import { mixSeed, randomStream } from '../foundations/random'
import { quantilesOf } from '../foundations/statistics'
import { findSpecies } from '../plants/catalogue'
import { buildEnsemble, generatedEnsemble } from '../site/ensemble'
import { runStand } from '../stand/kernel'
import { stageDays } from '../stand/summary'
import { drawMemberParameters } from '../stand/memberParameters'
import type { StandRun } from '../stand/types'
import { assimilate } from '../tracking/assimilate'
import { EMPTY_OBSERVATION, type Observation } from '../tracking/observations'
import { TEST_SITES } from './sites'
import { plainInput, raked } from './stands'

/** A hidden stand’s parameters spread this much wider than the members that try to follow it. */
const WIDER = 1.5
/** Noise of the three looks: what a careful eye gets wrong, one standard deviation. */
export const STATED_NOISE = { bbch: 3, cover: 0.08 } as const
/** Stages of the hidden stand at which it is looked at. */
export const LOOKED_AT = [31, 45, 55] as const
const BLOOM = 61

const CASES = [
  ['maryland', 'hairy-vetch', '2025-09-20'],
  ['pennsylvania', 'cereal-rye', '2025-09-25'],
  ['alabama', 'crimson-clover', '2025-10-20'],
  ['netherlands', 'phacelia', '2026-04-20'],
] as const

/** When a species' stage is reached, with the part of the day, so that errors below a day are told apart. */
function crossing(run: StandRun, bbch: number): Float64Array {
  const stage = run.species[0].bbch
  return stageDays(run, 0, bbch).map((day, member) => {
    const at = member * run.days + day - run.startDay
    return day > run.startDay ? day - (stage[at] - bbch) / Math.max(1e-6, stage[at] - stage[at - 1]) : day
  })
}

type Season = { errorBefore: number; errorAfter: number; inside: boolean }

/**
 * One season with a hidden truth: its own weather and parameters drawn wider than the filter's. What was observed of both
 * up to the third look is given to the filter, which then predicts the day of first flower with and without the looks.
 * Null where the hidden stand never flowers.
 */
function hiddenSeason(index: number, members: number): Season | null {
  const [siteName, speciesId, sownOn] = CASES[index % CASES.length]
  const site = TEST_SITES[siteName]
  const plant = findSpecies(speciesId)!
  const seed = mixSeed(0x7247, index)
  const random = randomStream(seed)
  const sowDay = dayNumber(sownOn)
  const startDay = sowDay - 40
  const days = 340
  const input = plainInput(raked(plant), sowDay)
  const weather = generatedEnsemble(site, startDay, days, 1, mixSeed(seed, 1))
  const hidden = runStand(input, weather, drawMemberParameters(1, mixSeed(seed, 2), WIDER))
  const bloom = crossing(hidden, BLOOM)[0]
  const looks = LOOKED_AT.map((bbch): Observation => {
    const day = stageDays(hidden, 0, bbch)[0]
    return {
      ...EMPTY_OBSERVATION,
      day,
      bbch: hidden.species[0].bbch[day - sowDay] + STATED_NOISE.bbch * random.normal(),
      cover: Math.min(1, Math.max(0, hidden.cover[day - sowDay] + STATED_NOISE.cover * random.normal())),
    }
  })
  const today = looks[2].day + 1
  if (!(today > sowDay) || !(bloom >= today)) return null
  const [member] = weather.members
  const observed = Array.from({ length: today - startDay }, (_, i) => ({
    day: startDay + i,
    source: 'station' as const,
    tMinC: member.tMinC[i],
    tMaxC: member.tMaxC[i],
    rainMm: member.rainMm[i],
  }))
  const record = { days: observed, forecast: [] }
  const ensemble = buildEnsemble(site, record, today, startDay, days, members, mixSeed(seed, 3))
  const prior = drawMemberParameters(members, mixSeed(seed, 4))
  const predict = (seen: readonly Observation[]) =>
    quantilesOf(
      crossing(
        assimilate(
          (memberParameters) => runStand(input, ensemble, memberParameters),
          prior,
          0,
          seen,
          seed,
          false,
        ).run,
        BLOOM,
      ),
    )
  const before = predict([])
  const after = predict(looks)
  if (!before || !after) return null
  return {
    errorBefore: Math.abs(before.p50 - bloom),
    errorAfter: Math.abs(after.p50 - bloom),
    inside: bloom >= after.p10 && bloom <= after.p90,
  }
}

/** What three looks are worth over many hidden seasons: median errors in days, and how often the 80 % range holds. */
export type WorthOfLooks = { seasons: number; before: number; after: number; coverage: number }

export function worthOfLooks(seasons: number, members = 100): WorthOfLooks {
  const all = Array.from({ length: seasons }, (_, index) => hiddenSeason(index, members)).filter(
    (season) => season !== null,
  )
  const median = (of: (season: Season) => number) => quantilesOf(all.map(of))?.p50 ?? NaN
  return {
    seasons: all.length,
    before: median((season) => season.errorBefore),
    after: median((season) => season.errorAfter),
    coverage: all.filter((season) => season.inside).length / all.length,
  }
}
