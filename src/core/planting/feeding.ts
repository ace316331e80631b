import { MULCH_KG_PER_M3 } from '../residue/mulch'
import { NOTHING, quantilesOf, type Quantiles, type Range } from '../foundations/statistics'
import type { NitrogenSource } from '../garden/rules'
import type { Bed } from '../garden/schema'
import type { Crop } from '../plants/crops'
import type { WeatherEnsemble } from '../site/weather'
import { RELEASE_AT_20C_G, soilRelease } from '../soil/nitrogen'
import { valuesOn } from '../stand/summary'
import type { StandRun } from '../stand/types'
import { placeIn } from '../stand/series'

/** Nitrogen by week after planting, g m⁻² since planting: what the crop has taken up, what residue and soil have freed. */
export type NitrogenWeek = { week: number; needG: number; residue: Quantiles; soilG: number }

/** Share of mineral nitrogen in the soil that a crop's roots get (judgement, 0.5–0.8). */
export const CAUGHT = 0.65
const MOST_WEEKS = 16

/**
 * Nitrogen a crop has taken up some days after planting, g m⁻²: a logistic course whose steepest part lies at 55 %
 * of its time to harvest (after Greenwood et al. 1985 in shape), reaching its full need at harvest.
 */
export function cropNeed(crop: Pick<Crop, 'nitrogenG' | 'daysToHarvest'>, days: number): number {
  const course = (share: number) => 1 / (1 + Math.exp(-9 * (share - 0.55)))
  const share = Math.min(1, Math.max(0, days / crop.daysToHarvest))
  return (crop.nitrogenG * (course(share) - course(0))) / (course(1) - course(0))
}

/** Week by week from planting to harvest, or as far as the forecast reaches; the run has its ending in it. */
export function nitrogenWeeks(
  ended: StandRun,
  ensemble: WeatherEnsemble,
  crop: Pick<Crop, 'nitrogenG' | 'daysToHarvest'>,
  fertility: Bed['fertility'],
  plantingDay: number,
): NitrogenWeek[] {
  const from = plantingDay - ended.startDay
  const weeks = Math.min(MOST_WEEKS, Math.ceil(crop.daysToHarvest / 7))
  const list: NitrogenWeek[] = []
  // What was freed before planting and not washed out is there to begin with.
  let soilG = quantilesOf(valuesOn(ended, ended.mineralG, plantingDay))?.p50 ?? 0
  for (let week = 0; week <= weeks; week++) {
    const at = from + 7 * week
    if (from < 0 || at >= ended.days) break
    const residue = quantilesOf(
      Float64Array.from(
        { length: ended.members },
        (_, m) => ended.releasedG[placeIn(ended, m, at)] - ended.releasedG[placeIn(ended, m, from)],
      ),
    )
    list.push({
      week,
      needG: cropNeed(crop, week * 7),
      residue: residue ?? NOTHING,
      soilG,
    })
    soilG += soilWeek(ensemble, plantingDay + 7 * week, fertility)
  }
  return list
}

/** What the soil's organic matter frees in a week, by the mean of the members. */
function soilWeek(ensemble: WeatherEnsemble, fromDay: number, fertility: Bed['fertility']): number {
  let sum = 0
  for (const weather of ensemble.members)
    for (let i = 0; i < 7; i++)
      sum += soilRelease(weather.soilTempC[fromDay + i - ensemble.startDay] || 0, RELEASE_AT_20C_G[fertility])
  return sum / ensemble.members.length
}

/** What is wanting at most in any week up to harvest, g m⁻²; 0 when nothing is. An early lack counts as one at harvest does. */
export function nitrogenGap(weeks: readonly NitrogenWeek[]): Quantiles {
  const gap = ({ needG, soilG }: NitrogenWeek, residueG: number) =>
    Math.max(0, needG - CAUGHT * (Math.max(0, residueG) + soilG) + Math.max(0, -residueG))
  const most = (end: keyof Quantiles) => Math.max(0, ...weeks.map((week) => gap(week, week.residue[end])))
  return { p10: most('p90'), p50: most('p50'), p90: most('p10') }
}

/** Nitrogen, the share freed in a season and weight where nothing better is known: middling garden compost (extension). */
const USUAL_COMPOST = {
  nitrogenPct: { low: 0.5, mid: 0.9, high: 1.6 },
  firstSeason: { low: 0.08, mid: 0.15, high: 0.25 },
  kgPerM3: 600,
} as const

/** Nitrogen that a weight of a feed frees in its first season over an area, g m⁻². */
export function freedByFeed(
  kg: number,
  areaM2: number,
  source: Pick<NitrogenSource, 'nitrogenPct' | 'firstSeason'>,
): number {
  const percent = source.nitrogenPct ?? USUAL_COMPOST.nitrogenPct.mid
  const share = source.firstSeason ?? USUAL_COMPOST.firstSeason.mid
  return areaM2 > 0 ? (kg * 1000 * (percent / 100) * share) / areaM2 : 0
}

export type Feed = {
  /** Weight to spread over the area, kg. */
  kg: Range
  /** Litres and depth in m when the weight of a cubic metre is known or usual. */
  litres: number
  depthM: number
  /** What was missing and taken from usual compost. */
  assumed: ('nitrogen' | 'share freed' | 'weight of a cubic metre')[]
}

/** What to spread of a feed to bring `nitrogenG` per m² in the first season over `areaM2`. */
export function feedFor(nitrogenG: number, areaM2: number, source: NitrogenSource): Feed {
  const same = (value: number): Range => ({ low: value, mid: value, high: value })
  const percent = source.nitrogenPct === null ? USUAL_COMPOST.nitrogenPct : same(source.nitrogenPct)
  const share = source.firstSeason === null ? USUAL_COMPOST.firstSeason : same(source.firstSeason)
  const kgPerM3 = source.kgPerM3 ?? USUAL_COMPOST.kgPerM3
  const kgFor = (n: number, s: number) => (nitrogenG * areaM2) / 1000 / ((n / 100) * s)
  const kg = {
    low: kgFor(percent.high, share.high),
    mid: kgFor(percent.mid, share.mid),
    high: kgFor(percent.low, share.low),
  }
  return {
    kg,
    litres: (kg.mid / kgPerM3) * 1000,
    depthM: kg.mid / kgPerM3 / areaM2,
    assumed: [
      ...(source.nitrogenPct === null ? (['nitrogen'] as const) : []),
      ...(source.firstSeason === null ? (['share freed'] as const) : []),
      ...(source.kgPerM3 === null ? (['weight of a cubic metre'] as const) : []),
    ],
  }
}

/** What leaves when the residue is taken off, and what would bring it back. Masses for the part in all. */
export type Removal = {
  massKg: number
  nitrogenKg: number
  carbonKg: number
  /** Compost that holds as much nitrogen in all, kg. */
  compostKg: number
  /** Beds of the same size that it mulches at a depth. */
  bedsMulched: number
}

const CARBON_SHARE = 0.42

/** Taking residue or growth off: `massG` and `nitrogenG` per m² of `areaM2`; `depthM` is the mulch wanted elsewhere. */
export function removal(
  massG: number,
  nitrogenG: number,
  areaM2: number,
  depthM: number,
  source: NitrogenSource | null,
): Removal {
  const nitrogenKg = (nitrogenG * areaM2) / 1000
  return {
    massKg: (massG * areaM2) / 1000,
    nitrogenKg,
    carbonKg: (massG * areaM2 * CARBON_SHARE) / 1000,
    compostKg: nitrogenKg / ((source?.nitrogenPct ?? USUAL_COMPOST.nitrogenPct.mid) / 100),
    bedsMulched: massG / (depthM * MULCH_KG_PER_M3 * 1000),
  }
}
