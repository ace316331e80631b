import { dayNumber } from '../foundations/day'
import type { AnimalPlan, EndDetails, OwnResults } from '../garden/ending'
import type { Blade, Fate } from '../stand/fate'
import type { StandEvent } from '../stand/types'
import { droppings, eatenShare } from './animals'
import { stopsOf } from './stops'
import type { UnderSheet } from './flattening'
import { firmDays, sheetBed } from './sheets'
import { lastActAfter } from './lastAct'
import { findMethod, type Method } from './methods'

/** Stubble up to this height, m, is cut at the ground for what stands on. */
const LOW_STUBBLE_M = 0.02

/** Share of the survivors' growth that still stands after it (judgement): stubble, or stems that rise again. */
function topLeft(method: Method, stubbleM: number): number {
  if (method.sheet) return 0.25
  if (method.acts.at(-1) === 'crimp') return 0.6
  return method.acts.at(-1) === 'chop' ? (stubbleM > LOW_STUBBLE_M ? 0.12 : 0.06) : 0.03
}

const NONE_LIVES: Fate = { by: 'share', share: 0 }

/** Days a sheet is taken to lie when nothing says when it comes off. */
const USUAL_SHEET_DAYS = 35

/** Day a sheet of an ending comes off: as recorded, else when the ground is taken, else after the usual time. */
export function sheetOffDay(end: Pick<EndDetails, 'date' | 'liftedOn'>, clearDay: number | null): number {
  const lifted = end.liftedOn ? dayNumber(end.liftedOn) : Infinity
  return Math.min(lifted, clearDay ?? (end.liftedOn ? lifted : dayNumber(end.date) + USUAL_SHEET_DAYS))
}

/** What surrounds an ending: until when a sheet lies, the plot, own counts. */
export type EndingPlace = {
  /** First day a sheet is off again. */
  offDay: number
  plot: { lengthM: number; widthM: number }
  own?: OwnResults
  edgeKgPerM?: number
  bedKind?: 'in-ground' | 'framed' | 'planter'
  blades?: readonly Blade[]
  /** What a sheet lies on. */
  under: UnderSheet
}

/**
 * The ending as events of the stand's run. Acts take effect on their day by stage; a sheet with the dose it gathers
 * until the ground is taken; animals with every round; harvest clears everything; cold and heat are left to the run.
 */
export function endEvents(end: EndDetails, day: number, place: EndingPlace): StandEvent[] {
  const method = findMethod(end.method)
  if (!method) return [{ day, kind: 'end', topLeft: 0, fate: NONE_LIVES }]
  if (method.waits) return []
  const buried = method.buried || undefined
  if (method.animals) return end.animals ? animalEvents(end.animals, day, place, buried) : []
  const { offDay } = place
  const sheet = method.sheet && {
    kind: method.sheet,
    offDay: Math.min(offDay, day + firmDays(method.sheet)),
    lies: sheetBed(method, place.under),
    by: { method: method.id, own: place.own },
  }
  const stubbleM = end.stubbleCm === undefined ? undefined : end.stubbleCm / 100
  const event: StandEvent = {
    day,
    kind: 'end',
    topLeft: topLeft(method, stubbleM ?? 0),
    removed: method.removed || undefined,
    buried,
    ...(sheet && { sheet }),
    fate: {
      by: 'acts',
      method: method.id,
      passes: end.passes,
      stubbleM,
      own: place.own,
      bedKind: place.bedKind,
      edgeKgPerM: place.edgeKgPerM,
      ...(place.blades && method.acts.includes('chop') && { blades: place.blades }),
    },
  }
  // The last strip decides when the whole part is done; until then the mean of its strips stands in for it.
  return method.id === 'strips'
    ? [{ ...event, day: day + Math.round(lastActAfter(method, end) / 2) }]
    : [event]
}

/** Each round as one event on its middle day: the growth it finds is that of the run. */
function animalEvents(
  plan: AnimalPlan,
  day: number,
  { plot }: EndingPlace,
  buried: number | undefined,
): StandEvent[] {
  const plotM2 = plot.lengthM * plot.widthM
  const stops = stopsOf(plan, plot.lengthM, plot.widthM, day)
  return Array.from({ length: plan.rounds }, (_, round) => {
    const own = stops.filter((stop) => stop.round === round)
    return {
      day: Math.floor((own[0].startDay + own[own.length - 1].endDay) / 2),
      kind: 'graze',
      passing: { plan, plotM2, round },
      eaten: eatenShare(plan),
      droppings: droppings(plan, plotM2, round),
      buried,
    }
  })
}

/**
 * The next crop takes the ground: nothing lives on, and seed that has not come up is gone. After an ending the few
 * that still stand are `lifted`, for green growth is no mulch; a stand that nobody ended falls where it stood.
 */
export function takenOver(day: number, lifted: boolean): StandEvent[] {
  const gone: StandEvent = { day, kind: 'end', topLeft: 0, fate: NONE_LIVES }
  return lifted
    ? [{ day, kind: 'cut', heightM: 0, groundShare: 1, left: false, fate: NONE_LIVES }, gone]
    : [gone]
}
