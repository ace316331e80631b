import { placeRank, quantilesOf, type Quantiles } from '../foundations/statistics'
import type { StandRun } from './types'
import { placeIn } from './series'

type SeriesName = 'cover' | 'massG' | 'nitrogenG' | 'fixedG' | 'residueG' | 'releasedG' | 'heightM'

/**
 * 10/50/90 % of a series on every `stepDays`-th day from the run's start, and on the last day before work that changes it at
 * once, where that lies between two steps; `exact` on a day that is told as it is.
 */
export type Bands = {
  startDay: number
  stepDays: number
  p10: number[]
  p50: number[]
  p90: number[]
  before?: { day: number; values: Quantiles }
  exact?: { day: number; values: Quantiles }
}

export const bandsOf = (run: StandRun, name: SeriesName, stepDays: number): Bands =>
  bandsOfSeries(run, run[name], stepDays)

/** 10/50/90 % of any daily series of a run's members. */
export function bandsOfSeries(run: StandRun, series: Float32Array, stepDays: number): Bands {
  const { startDay, days, members } = run
  const bands: Bands = { startDay, stepDays, p10: [], p50: [], p90: [] }
  const last = members - 1
  const [low, middle, high] = [0.1, 0.5, 0.9].map((p) => Math.min(last, Math.floor(p * members)))
  const column = new Float64Array(members)
  for (let day = 0; day < days; day += stepDays) {
    column.set(series.subarray(day * members, (day + 1) * members))
    placeRank(column, middle, 0, last)
    placeRank(column, low, 0, middle)
    placeRank(column, high, middle, last)
    bands.p10.push(column[low])
    bands.p50.push(column[middle])
    bands.p90.push(column[high])
  }
  return bands
}

/** Value of a series on a day number per member; NaN outside the run. */
export function valuesOn(run: StandRun, series: Float32Array, day: number): Float64Array {
  const index = day - run.startDay
  return Float64Array.from({ length: run.members }, (_, member) =>
    index >= 0 && index < run.days ? series[placeIn(run, member, index)] : NaN,
  )
}

export function quantilesOn(run: StandRun, name: SeriesName, day: number): Quantiles | null {
  return quantilesOf(valuesOn(run, run[name], day))
}

/** Mulch that was laid onto a stand by a day, which it did not grow: dry matter and nitrogen, g m⁻². */
export const broughtBy = ({ brought }: Pick<StandRun, 'brought'>, day: number) => ({
  massG: brought.reduce((sum, load) => (load.day <= day ? sum + load.massG : sum), 0),
  nitrogenG: brought.reduce((sum, load) => (load.day <= day ? sum + load.nitrogenG : sum), 0),
})

/** First day number per member on which `reached` holds; NaN where it never does. */
export function firstDays(run: StandRun, reached: (at: number) => boolean): Float64Array {
  const { members } = run
  const first = new Float64Array(members).fill(NaN)
  let open = members
  for (let day = 0; day < run.days && open > 0; day++)
    for (let member = 0; member < members; member++)
      if (Number.isNaN(first[member]) && reached(placeIn(run, member, day))) {
        first[member] = run.startDay + day
        open--
      }
  return first
}

/** A date as a distribution: its spread over the members that get there, and the share of members that do. */
export type DateQuantiles = { chance: number; quantiles: Quantiles | null }

export function dateQuantiles(days: Float64Array): DateQuantiles {
  const reached = days.filter((day) => !Number.isNaN(day)).length
  return { chance: reached / days.length, quantiles: quantilesOf(days) }
}

/** Fewer plants alive than this share reach no stage any more. */
const REACHING = 0.1

/** When a species of the run first reaches a BBCH code, alive. */
export const stageDays = (run: StandRun, component: number, bbch: number): Float64Array =>
  allStageDays(run, component, [bbch])[0]

/** The same for several codes, ascending: one walk through each member's days. */
export function allStageDays(run: StandRun, component: number, codes: readonly number[]): Float64Array[] {
  const { bbch, alive } = run.species[component]
  const { days, members, startDay } = run
  const reached = codes.map(() => new Float64Array(members).fill(NaN))
  for (let member = 0; member < members; member++) {
    let next = 0
    for (let d = 0, at = member; d < days && next < codes.length; d++, at += members)
      if (alive[at] > REACHING)
        while (next < codes.length && bbch[at] >= codes[next]) reached[next++][member] = startDay + d
  }
  return reached
}
