import { dayNumber } from '../foundations/day'
import { seedFromText } from '../foundations/random'
import { shareOf, spreadOf, type Spread } from '../foundations/statistics'
import type { Check } from '../garden/check'
import type { Bed, Stand } from '../garden/schema'
import { latest } from '../garden/timeline'
import { cutSurvival, endEvent } from '../ending/kill'
import { DEAD_SHARE, endingOf } from '../ending/outcome'
import { firstUnknownDay, type WeatherEnsemble } from '../site/weather'
import { runStand } from '../stand/kernel'
import type { StandEvent, StandRun } from '../stand/types'
import { selfSowing, type SelfSowing } from '../stand/reseeding'
import { carbonKept, type OrganicInput } from '../residue/organicMatter'
import {
  bandsOf,
  bandsOfSeries,
  dateSpread,
  firstDays,
  spreadOn,
  stageDays,
  valuesOn,
  type Bands,
  type DateSpread,
} from '../stand/summary'
import { drawTraits } from '../stand/traits'
import { learn } from '../tracking/learn'
import { looksOf, type Look } from '../tracking/looks'
import { canopyAbove, sownSpecies, wateringOf } from './input'

/** Everything one stand's forecast depends on besides the weather. */
export type StandCase = {
  bed: Bed
  stand: Stand
  /** The stand above, if it was sown under one. */
  upper: Stand | null
  checks: Check[]
  /** First day the whole bed is taken by what follows, if planned. */
  nextStartDay: number | null
}

/** BBCH codes that are reported as dates. */
export const REPORTED_STAGES = [9, 31, 51, 61, 65, 71, 75, 85] as const

/** When stages are reached, by BBCH code, ascending. */
export type StageDates = { bbch: number; date: DateSpread }[]

export type StandForecast = {
  standId: string
  cover: Bands
  massG: Bands
  heightM: Bands
  residueG: Bands
  nitrogenG: Bands
  /** BBCH of the leading species. */
  bbch: Bands
  /** Wetness of the top 5 cm, share of what it holds. */
  seedLayer: Bands
  /** When each species comes up, in order of the mix. */
  up: DateSpread[]
  /** Share of the plants that came up still alive today and later, by species. */
  alive: Bands[]
  /** Plants per m² that come up, all species together. */
  plantsPerM2: Spread
  /** Dates of the leading species' stages, and those of every species in order of the mix. */
  stages: StageDates
  stagesByPart: StageDates[]
  /** First day with 30 % of the ground covered. */
  covered30: DateSpread
  /** Day on which 90 % of the plants are dead, from winter or from the ending. */
  dead: DateSpread
  /** Day the stand is dead after its planned or done ending, stragglers pulled; null without an ending. */
  ended: Spread | null
  /** What its species sow by themselves until it ends; only those that set viable seed. */
  selfSowing: SelfSowing[]
  /** Carbon of it that stays in the soil after a year, g m⁻². */
  carbonG: Spread
  /** Chance that the winter or heat, not the grower, killed it before the planned end. */
  diesAlone: number
}

const STEP_DAYS = 3

/** The species that makes the stand: the largest share of the mix. */
export function leadComponent(stand: Stand): number {
  if (stand.content.kind !== 'cover') return 0
  const shares = stand.content.components.map((part) => part.share)
  return shares.indexOf(Math.max(...shares))
}

/** Plants that were seen lost are lost in every member, unless its own weather took as many already. */
const lossesOf = (looks: readonly Look[]): StandEvent[] =>
  looks.flatMap(({ day, alive }) =>
    alive.map(({ share, component }): StandEvent => ({
      day,
      kind: 'end',
      topLeft: 1,
      survival: (_member, c, _bbch, _plant, before) =>
        component !== null && component !== c
          ? 1
          : Math.min(1, Math.max(0.01, share) / Math.max(0.01, before)),
    })),
  )

function eventsOf(
  standCase: StandCase,
  ensemble: WeatherEnsemble,
  looks: readonly Look[],
  withEnd: boolean,
): StandEvent[] {
  const { stand, nextStartDay } = standCase
  const cuts: StandEvent[] = stand.cuts.flatMap(({ cut }) => {
    const done = latest(cut)
    return done
      ? [
          {
            day: dayNumber(done.date),
            kind: 'cut' as const,
            heightM: done.heightCm / 100,
            groundShare: done.groundShare,
            left: done.fate === 'dropped',
            survival: cutSurvival(done.heightCm / 100),
          },
        ]
      : []
  })
  const events = [...cuts, ...lossesOf(looks)]
  const end = latest(stand.end)
  if (end && withEnd) {
    const event = endEvent(end, dayNumber(end.date), nextStartDay, ensemble)
    if (event) events.push(event)
  }
  if (nextStartDay !== null && withEnd)
    events.push({ day: nextStartDay, kind: 'end', topLeft: 0, survival: () => 0 })
  return events
}

/** A run and the weather its members had, which learning may have put in another order. */
export type SeasonRun = { run: StandRun; ensemble: WeatherEnsemble }

/**
 * Runs a cover with its cuts, its ending and what was seen of it. `withEnd: false` leaves the ending out, for
 * asking what it would come to if it stood on. Returns null for crops and unknown species.
 */
export function standRun(standCase: StandCase, ensemble: WeatherEnsemble, withEnd = true): SeasonRun | null {
  const { stand, bed, checks, upper } = standCase
  const start = latest(stand.start)
  const sown = sownSpecies(stand, bed)
  if (!start || sown.length === 0) return null
  const sowDay = dayNumber(start.date)
  if (sowDay < ensemble.startDay || sowDay >= ensemble.startDay + ensemble.days) return null
  const seed = seedFromText(stand.id)
  const looks = looksOf(
    stand.id,
    checks,
    sown.map(({ plant }) => plant.id),
  )
  const input = {
    sown,
    sowDay,
    soil: bed.soil,
    fertility: bed.fertility,
    shade: bed.shade,
    canopyAbove: canopyAbove(stand, upper ? [upper] : []),
    watering: wateringOf(stand),
    events: eventsOf(standCase, ensemble, looks, withEnd),
  }
  const prior = drawTraits(ensemble.members.length, seed)
  const inOrder = (order: readonly number[] | null) =>
    order ? { ...ensemble, members: order.map((member) => ensemble.members[member]) } : ensemble
  const unknownFrom = firstUnknownDay(ensemble, sowDay)
  const unseen = looks.some((look) => look.day > unknownFrom)
  // What was seen is set against the stand as it stood: an ending that is only planned has not touched it yet.
  const asSeen =
    stand.end.fact || looks.length === 0
      ? input
      : { ...input, events: eventsOf(standCase, ensemble, looks, false) }
  const learned = learn(
    (traits, order) => runStand(asSeen, inOrder(order), traits),
    prior,
    leadComponent(stand),
    looks,
    seed,
    unseen,
  )
  const weather = inOrder(learned.order)
  const run = asSeen === input ? learned.run : runStand(input, weather, learned.traits)
  return { run, ensemble: weather }
}

function endedSpread(standCase: StandCase, standing: SeasonRun | null): Spread | null {
  const end = latest(standCase.stand.end)
  if (!end || end.method === 'harvest' || !standing) return null
  const { method } = end
  const { run, ensemble } = standing
  const setup = { passes: end.passes, flattened: true, target: DEAD_SHARE.transplant }
  return spreadOf(
    Float64Array.from(
      { length: run.members },
      (_, member) => endingOf(method, run, ensemble, member, dayNumber(end.date), setup).deadDay,
    ),
  )
}

/** Series, dates and chances of a run; `standing` is the run without its ending, or null when it has none. */
export function forecastOf(
  standCase: StandCase,
  { run, ensemble }: SeasonRun,
  standing: SeasonRun | null,
): StandForecast {
  const lead = Math.min(leadComponent(standCase.stand), run.species.length - 1)
  const stagesByPart = run.species.map((_, part): StageDates =>
    REPORTED_STAGES.map((bbch) => ({ bbch, date: dateSpread(stageDays(run, part, bbch)) })),
  )
  const dead = firstDays(run, (at) =>
    run.species.every((species) => species.bbch[at] >= 9 && species.alive[at] <= 0.1),
  )
  const end = latest(standCase.stand.end)
  const endDay = end ? dayNumber(end.date) : Infinity
  const ends = Math.min(endDay, standCase.nextStartDay ?? Infinity, run.startDay + run.days - 1)
  return {
    standId: standCase.stand.id,
    cover: bandsOf(run, 'cover', STEP_DAYS),
    massG: bandsOf(run, 'massG', STEP_DAYS),
    heightM: bandsOf(run, 'heightM', STEP_DAYS),
    residueG: bandsOf(run, 'residueG', STEP_DAYS),
    nitrogenG: bandsOf(run, 'nitrogenG', STEP_DAYS),
    bbch: bandsOfSeries(run, run.species[lead].bbch, STEP_DAYS),
    seedLayer: bandsOfSeries(run, run.seedLayer, STEP_DAYS),
    up: run.species.map((_, c) => dateSpread(stageDays(run, c, 9))),
    alive: run.species.map((species) => bandsOfSeries(run, species.alive, STEP_DAYS)),
    plantsPerM2: spreadOf(
      Float64Array.from({ length: run.members }, (_, member) =>
        run.species.reduce((sum, species) => sum + species.plantsPerM2[member], 0),
      ),
    ) ?? { low: 0, mid: 0, high: 0 },
    stages: stagesByPart[lead],
    stagesByPart,
    covered30: dateSpread(firstDays(run, (at) => run.cover[at] >= 0.3)),
    dead: dateSpread(dead),
    ended: endedSpread(standCase, standing),
    selfSowing: selfSowing(run, ensemble, ends, end?.method !== 'harvest'),
    carbonG: carbonKept([organicInput(run, ends)]),
    diesAlone: shareOf(run.members, (member) => dead[member] < endDay),
  }
}

/** Dry matter that a stand leaves in its bed when it ends: shoots with what has fallen already, and roots. */
function organicInput(run: StandRun, endDay: number): OrganicInput {
  const mid = (name: 'massG' | 'residueG') => spreadOn(run, name, endDay - 1)?.mid ?? 0
  const shootG = mid('massG') + mid('residueG')
  const shoots = run.species.map((species) => spreadOf(valuesOn(run, species.massG, endDay - 1))?.mid ?? 0)
  const total = shoots.reduce((sum, mass) => sum + mass, 0)
  const rootShare = run.sown.reduce(
    (sum, { plant }, c) =>
      sum + (total > 0 ? shoots[c] / total : 1 / shoots.length) * plant.parameters.rootShare,
    0,
  )
  return { shootG, rootG: (shootG * rootShare) / (1 - rootShare), yearsAgo: 0 }
}

/** Value of bands on a day, straight between steps; null outside. */
export function bandOn(bands: Bands, day: number): Spread | null {
  const position = (day - bands.startDay) / bands.stepDays
  const index = Math.floor(position)
  if (index < 0 || index >= bands.mid.length) return null
  const next = Math.min(index + 1, bands.mid.length - 1)
  const share = position - index
  const mixOf = (series: number[]) => series[index] + (series[next] - series[index]) * share
  return { low: mixOf(bands.low), mid: mixOf(bands.mid), high: mixOf(bands.high) }
}

/** Share of the plants alive on a day in the worst-hit species of the mix, by the middle of the forecast; 1 before it is up. */
export function aliveShareOn(forecast: StandForecast, day: number): number {
  const shares = forecast.up.flatMap(({ spread }, part) => {
    const band = spread && day > spread.high ? bandOn(forecast.alive[part], day) : null
    return band ? [band.mid] : []
  })
  return Math.min(1, ...shares)
}
