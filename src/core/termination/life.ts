import type { Bed } from '../garden/schema'
import type { AnimalPlan, OwnResults } from '../garden/ending'
import type { WeatherEnsemble } from '../site/weather'
import { placeIn } from '../stand/series'
import type { StandRun } from '../stand/types'
import { doseBetween, doseDay } from './doses'
import { aliveOn, deadAlone, firstDay, livingOf, standShares, type Living } from './living'
import { FATES } from './fates'
import type { UnderSheet } from './flattening'
import { HAND_FINISH_SHARE, lastActAfter } from './lastAct'
import type { Method } from './method'
import { firmDays, sheetBed, sheetSurvival } from './sheets'
import { stopsOf } from './stops'
import { BROWNING_CD } from './survival'

/** Days from the last stop of animals until what they left has withered. */
const WITHER_DAYS = 5
/** Share of a species alive that is as good as none, of which nothing more can be told. */
const NONE = 1e-6

/** What one member's stand comes to after an ending: the share of its plants alive after the last act, the day it is dead, NaN if never, and the days it lies under a sheet until then. */
export type MemberEnding = { survival: number; deadDay: number; sheetDays: number }

/** How a way is carried out, and where. */
export type EndingSetup = {
  passes: number
  /** What a sheet would lie on. */
  under: UnderSheet
  /** Share alive that counts as dead, 0.05–0.1. */
  target: number
  bedKind?: Bed['kind']
  own?: OwnResults
  animals?: AnimalPlan
  plot?: { lengthM: number; widthM: number }
  lanes?: { count: number; everyDays: number }
  /** Weight on each metre of a crimp board's edge, kg; a heavy roller where left out. */
  edgeKgPerM?: number
  /** Day a sheet was taken off. */
  liftedDay?: number
  /** Stubble that a cut leaves, m; cut at the height that ends the plant where left out. */
  stubbleM?: number
}

/** A stand's life with an ending in it, by which all that is told of the ending is told. */
export type Ended = {
  /** Null for a harvest, which clears all. */
  method: Method | null
  setup: EndingSetup
  /** Day on which the ending begins. */
  day: number
  /** The stand without its ending, at least until that day. */
  before: StandRun
  /** What lives of the stand with it, from that day on; not asked where nothing is done. */
  ended: Living
  ensemble: WeatherEnsemble
  /** First day a sheet is off again. */
  offDay: number
  /** Day on which the ground is taken: what lives is told no further. */
  takenDay?: number
}

/** An act, what it kills, and until when that looks alive and may be killed by cold, in a member. */
type Act = { day: number; shownDay: (member: number) => number }

/** The acts of an ending that kill at once. */
function actsOf({ method, setup, day, ensemble }: Ended): Act[] {
  if (!method) return []
  if (method.animals) {
    const { animals, plot } = setup
    if (!animals || !plot) return []
    const stops = stopsOf(animals, plot.lengthM, plot.widthM, day)
    return Array.from({ length: animals.rounds }, (_, round) => {
      const own = stops.filter((stop) => stop.round === round)
      const last = own[own.length - 1].endDay
      const withered = Math.ceil(last) + WITHER_DAYS
      return { day: Math.floor((own[0].startDay + last) / 2), shownDay: () => withered }
    })
  }
  if (method.acts.length === 0) return []
  return [
    {
      day: method.id === 'strips' ? day + Math.round(lastActAfter(method, setup) / 2) : day,
      shownDay: (member) => brownDay(method, setup, day, ensemble, member),
    },
  ]
}

/** Day by which what the acts of a way have killed has browned in a member; Infinity where it does not in the weather known. */
export function brownDay(
  method: Method,
  setup: Pick<EndingSetup, 'passes' | 'lanes'>,
  day: number,
  ensemble: WeatherEnsemble,
  member: number,
): number {
  const act = method.acts.at(-1)
  if (!act) return day
  // Under a dark sheet it is warmer, and browns the sooner.
  const dose = method.sheet !== null && method.sheet !== 'clear' ? 'black' : 'air'
  const from = method.sheet ? day : day + lastActAfter(method, setup)
  const brown = doseDay(ensemble, dose, member, from, BROWNING_CD[act])
  return Number.isNaN(brown) ? Infinity : brown
}

/** What the stand of each member comes to by an ending. */
export function livesOf(of: Ended): MemberEnding[] {
  const { method, setup, day, before } = of
  const members = Array.from({ length: before.members }, (_, member) => member)
  if (!method) return members.map(() => ({ survival: 0, deadDay: day, sheetDays: 0 }))
  const alone = deadAlone(before, setup.target)
  const shares = standShares(before.sown)
  if (method.waits) {
    const living = livingOf(before)
    return members.map((member) => {
      const deadDay = alone[member]
      const last = Number.isNaN(deadDay) ? living.toDay - 1 : deadDay
      return { survival: aliveOn(living, shares, member, last), deadDay, sheetDays: 0 }
    })
  }
  if (day < before.startDay || of.ended.toDay <= of.ended.fromDay)
    return members.map(() => ({ survival: 1, deadDay: NaN, sheetDays: 0 }))
  const life = lifeIn(of, shares)
  return members.map((member) => life(member, alone[member]))
}

const upOr1 = (share: number) => (Number.isNaN(share) ? 1 : share)

/** Follows a member of an ending that does something through its life from the work on. */
function lifeIn(of: Ended, shares: readonly number[]): (member: number, alone: number) => MemberEnding {
  const { method, setup, day, ended, takenDay = Infinity } = of
  const sheet = method!.sheet
  const { target } = setup
  const finished = target + HAND_FINISH_SHARE
  const begins = Math.max(ended.fromDay, day)
  const ends = Math.min(ended.toDay, takenDay)
  const offDay = sheet ? Math.min(of.offDay, day + firmDays(sheet), ends) : ends
  const lastAct = Math.max(begins, Math.min(ends - 1, sheet ? offDay - 1 : lastWorkOf(of)))
  const acts = actsOf(of)
  const kinds = shares.length
  const shown = acts.map(() => 0)
  const left = new Float64Array(acts.length * kinds)
  let member = 0
  /** Share that lives on a day, with what has been killed and does not show it yet. */
  const alive = (on: number): number => {
    let up = 0
    let sum = 0
    for (let c = 0; c < kinds; c++) {
      let living = ended.alive(c, member, on)
      if (Number.isNaN(living)) continue
      let dying = false
      for (let k = 0; k < acts.length; k++)
        if (on >= acts[k].day && on < shown[k]) {
          living /= Math.max(NONE, left[k * kinds + c])
          dying = true
        }
      // What is dying lives no longer than it would have untouched.
      if (dying && on < before.toDay) living = Math.min(living, upOr1(before.alive(c, member, on)))
      up += shares[c]
      sum += shares[c] * (living < 1 ? living : 1)
    }
    return up > 0 ? sum / up : 1
  }
  const before = livingOf(of.before)
  /** Share of a species that an act of a day left. */
  const leftOf = (c: number, actDay: number): number => {
    if (actDay < ended.fromDay || actDay >= ended.toDay) return 1
    const eve = Math.max(before.fromDay, actDay - 1)
    const was = upOr1((eve >= ended.fromDay ? ended : before).alive(c, member, eve))
    return was > 0 ? Math.min(1, upOr1(ended.alive(c, member, actDay)) / was) : 1
  }
  const fewerThan = (limit: number) => (on: number) => alive(on) <= limit
  const isDead = fewerThan(target)
  const isFinished = fewerThan(finished)
  const told = (survival: number, deadDay: number): MemberEnding => ({
    survival,
    deadDay,
    sheetDays: sheet && deadDay > day ? deadDay - day : 0,
  })
  return (m, alone) => {
    member = m
    const survival = aliveOn(ended, shares, member, lastAct)
    // Dead before anything was done.
    if (alone < day) return told(survival, alone)
    let firstShown = ends
    let lastShown = day
    for (let k = 0; k < acts.length; k++) {
      shown[k] = acts[k].shownDay(member)
      for (let c = 0; c < kinds; c++) left[k * kinds + c] = leftOf(c, acts[k].day)
      firstShown = Math.min(firstShown, Math.max(begins, shown[k]))
      lastShown = Math.max(lastShown, shown[k])
    }
    // Ever fewer live from day to day, and once what was done shows, the few that do are pulled; under a sheet they are out of reach.
    const pulledFrom = sheet ? ends : firstShown
    if (pulledFrom > begins && isDead(pulledFrom - 1)) {
      const deadDay = firstDay(begins, pulledFrom - 1, isDead)
      const lying = sheet !== null && deadDay >= offDay ? leftLying(of, member, shares, offDay) : NaN
      return told(survival, lying < deadDay ? lying : deadDay)
    }
    if (ends > pulledFrom && isFinished(ends - 1))
      return told(survival, firstDay(pulledFrom, ends - 1, isFinished))
    // What is not known further: the sheet is left lying, or it shows later.
    if (sheet) return told(survival, leftLying(of, member, shares, offDay))
    return told(survival, survival <= finished && lastShown < Infinity ? Math.max(lastShown, ends) : NaN)
  }
}

/** Day of the last act, or the last stop of animals. */
function lastWorkOf({ method, setup, day }: Ended): number {
  const { animals, plot } = setup
  if (method!.animals && animals && plot)
    return Math.ceil(stopsOf(animals, plot.lengthM, plot.widthM, day).at(-1)!.endDay)
  return day + lastActAfter(method!, setup)
}

/** Day on which a sheet would have done its work were it left lying past the day its ground is taken; NaN where it never would. */
function leftLying(of: Ended, member: number, shares: readonly number[], fromDay: number): number {
  const { method, setup, day, before, ended, ensemble } = of
  if (setup.liftedDay !== undefined) return NaN
  const kind = method!.sheet!
  const soft = day + firmDays(kind)
  const begun = Math.min(before.days - 1, Math.max(0, day - before.startDay))
  const wasAt = placeIn(before, member, begun)
  const eve = Math.max(ended.fromDay, fromDay - 1)
  const sheet = {
    kind,
    offDay: Infinity,
    lies: sheetBed(method!, setup.under),
    by: { method: method!.id, own: setup.own },
  }
  const needed = before.sown.map(({ plant }, c) =>
    FATES.smothers(sheet, { plant, bbch: before.species[c].bbch[wasAt], member }, before.seedLayer[wasAt]),
  )
  const dose = kind === 'clear' ? 'clear' : 'black'
  const isDead = (on: number) => {
    const gathered = doseBetween(ensemble, dose, member, fromDay, on)
    return aliveOn(ended, shares, member, eve, (c) => sheetSurvival(gathered, needed[c])) <= setup.target
  }
  const last = Math.min(soft, ensemble.startDay + ensemble.days)
  return last > fromDay && isDead(last) ? firstDay(fromDay, last, isDead) : NaN
}
