import { dayNumber } from '../foundations/day'
import { segmentSizeM } from '../garden/area'
import { latest } from '../garden/timeline'
import type { Bed } from '../garden/schema'
import { findCrop } from '../plants/crops'
import { grownFrostC, shadeByDay } from '../plants/shade'
import type { StandAbove, StandCase, UpperCrop } from '../season/cases'
import { quantilesOf } from '../foundations/statistics'
import { USUAL_LANES } from '../termination/lastAct'
import { endEvents, sheetOffDay } from '../termination/kill'
import { findMethod, takesWhatIsBelow } from '../termination/methods'
import type { StandEvent, StandRun } from '../stand/types'
import { cropCourse } from './cropCourse'
import { placeIn } from '../stand/series'

/** Covers are ended, not frosted, in what they keep from the light: their own run tells when cold takes them. */
const NO_FROST_KILLS_C = -99
/** Days after the first of strips on which they lie. */
const STRIPS_FALL_DAYS = Math.ceil(((USUAL_LANES.count - 1) * USUAL_LANES.everyDays) / 2)
/** Stubble that a cut over what grows below leaves, m, where none is planned (judgement, 0.05–0.12). */
const USUAL_STUBBLE_M = 0.08

/** A crop as what is sown under it feels it; null where it is not known or has no end. */
export function cropAbove(
  { cropId, startDay, goneDay }: UpperCrop,
  fertility: Bed['fertility'],
): StandAbove | null {
  const crop = findCrop(cropId)
  if (!crop || goneDay === null) return null
  return {
    canopyAbove: {
      fromDay: startDay,
      shares: shadeByDay(crop, startDay, goneDay),
      frostC: grownFrostC(crop),
    },
    crop: cropCourse(crop, fertility, startDay, goneDay),
    events: [],
  }
}

/**
 * A cover as what is sown under it feels it, by the middle of its run with its end: the light and the water it takes, the
 * nitrogen it takes from the soil, what falls when it is ended, and what its ending does to what grows below.
 * @param run the upper stand with its end in it
 * @param sowDay day on which the lower one is sown
 */
export function coverAbove(run: StandRun, upper: StandCase, lower: StandCase, sowDay: number): StandAbove {
  const middle = (series: Float32Array, d: number) => {
    const values = new Float64Array(run.members)
    for (let m = 0; m < run.members; m++) values[m] = series[placeIn(run, m, d)]
    return quantilesOf(values)?.p50 ?? 0
  }
  const days = Array.from({ length: run.days }, (_, d) => d)
  const cover = Float64Array.from(days, (d) => middle(run.cover, d))
  const wantedG = new Float64Array(run.days + 1)
  for (const d of days)
    wantedG[d + 1] = Math.max(wantedG[d], middle(run.nitrogenG, d) - middle(run.fixedG, d))
  const end = latest(upper.stand.end)
  const endDay = end && dayNumber(end.date)
  const goneDay = run.startDay + run.days
  // Strips fall one after the other, the middle of them on this day.
  const fellOn = Math.min(goneDay - 1, (endDay ?? 0) + (end?.method === 'strips' ? STRIPS_FALL_DAYS : 0))
  return {
    canopyAbove: { fromDay: run.startDay, shares: cover, frostC: NO_FROST_KILLS_C },
    crop: { plantedDay: run.startDay, goneDay, wantedG, cover, leavesG: 0, watered: false },
    events:
      endDay === null || endDay < sowDay || endDay + 1 >= goneDay
        ? []
        : [...fallen(fellOn, run, sowDay), ...reachedBelow(upper, lower)],
  }
}

/**
 * What an upper stand lays onto the ground from the morning of the sowing until the evening of its end, as mulch of that day,
 * member by member.
 */
function fallen(endDay: number, run: StandRun, sowDay: number): StandEvent[] {
  const { residueG, residueNitrogenG, startDay, members } = run
  const eve = Math.max(sowDay - 1, startDay)
  const since = (series: Float32Array) =>
    Float64Array.from({ length: members }, (_, m) =>
      Math.max(
        0,
        series[placeIn(run, m, endDay - startDay)] -
          (sowDay > startDay ? series[placeIn(run, m, eve - startDay)] : 0),
      ),
    )
  const byMember = { massG: since(residueG), nitrogenG: since(residueNitrogenG) }
  const mean = (values: Float64Array) => values.reduce((sum, value) => sum + value, 0) / members
  const massG = mean(byMember.massG)
  return massG > 0
    ? [{ day: endDay, kind: 'mulch', massG, nitrogenG: mean(byMember.nitrogenG), byMember }]
    : []
}

/** What the end of a stand does to what grows under it: a cut passes over at its height, rolling and cold leave it; all else ends both. */
function reachedBelow({ stand: { end } }: StandCase, { bed, stand, own, flattens }: StandCase): StandEvent[] {
  const planned = latest(end)
  const method = planned && findMethod(planned.method)
  if (!planned || !method || method.waits) return []
  const day = dayNumber(planned.date)
  if (takesWhatIsBelow(method))
    return endEvents(planned, day, {
      offDay: sheetOffDay(planned, null),
      plot: segmentSizeM(bed, stand.segment),
      own,
      bedKind: bed.kind,
      under: flattens ? 'flat' : 'standing',
    })
  if (!method.acts.includes('chop')) return []
  const heightM = planned.stubbleCm === undefined ? USUAL_STUBBLE_M : planned.stubbleCm / 100
  return [{ day, kind: 'cut', heightM, groundShare: 1, left: true, fate: { by: 'cut', heightM } }]
}
