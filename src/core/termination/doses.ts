import type { WeatherEnsemble } from '../site/weather'
import { sheetDay } from './sheets'

/** What a day is counted by: thermal time of the air above 0 °C, or what it gives under a black sheet or clear film. */
export type DoseKind = 'air' | 'black' | 'clear'

type Sums = Partial<Record<DoseKind, Float64Array[]>>
const known = new WeakMap<WeatherEnsemble, Sums>()

/** Dose gathered by the beginning of each day of the weather. */
export function dosesOf(ensemble: WeatherEnsemble, kind: DoseKind, member: number): Float64Array {
  let sums = known.get(ensemble)
  if (!sums) known.set(ensemble, (sums = {}))
  const of = (sums[kind] ??= [])
  return (of[member] ??= cumulative(ensemble, kind, member))
}

function cumulative(ensemble: WeatherEnsemble, kind: DoseKind, member: number): Float64Array {
  const { tMinC, tMaxC } = ensemble.members[member]
  const sums = new Float64Array(ensemble.days + 1)
  for (let i = 0; i < ensemble.days; i++) {
    const gain =
      kind === 'air'
        ? Math.max(0, (tMinC[i] + tMaxC[i]) / 2)
        : sheetDay(kind, ensemble, member, ensemble.startDay + i)
    sums[i + 1] = sums[i] + gain
  }
  return sums
}

/** The same on any day: before the weather none, after it all. */
export const dosesUntil = ({ startDay, days }: WeatherEnsemble, sums: Float64Array, day: number) =>
  sums[Math.min(days, Math.max(0, day - startDay))]

/** Dose gathered between two days, the last not counted; days outside the weather count nothing. */
export function doseBetween(
  ensemble: WeatherEnsemble,
  kind: DoseKind,
  member: number,
  fromDay: number,
  toDay: number,
): number {
  const sums = dosesOf(ensemble, kind, member)
  return Math.max(0, dosesUntil(ensemble, sums, toDay) - dosesUntil(ensemble, sums, fromDay))
}

/** First day on which the dose gathered since `fromDay` reaches `dose`; NaN where the weather ends before. */
export function doseDay(
  ensemble: WeatherEnsemble,
  kind: DoseKind,
  member: number,
  fromDay: number,
  dose: number,
): number {
  if (dose <= 0) return fromDay
  const sums = dosesOf(ensemble, kind, member)
  const first = fromDay - ensemble.startDay
  if (first < 0 || first > ensemble.days) return NaN
  const wanted = sums[first] + dose
  if (!(sums[ensemble.days] >= wanted)) return NaN
  let low = first
  let high = ensemble.days
  while (low < high) {
    const middle = (low + high) >> 1
    if (sums[middle] >= wanted) high = middle
    else low = middle + 1
  }
  return ensemble.startDay + low
}
