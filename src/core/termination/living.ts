import type { WeatherEnsemble } from '../site/weather'
import type { Fate } from '../stand/fate'
import { placeIn } from '../stand/series'
import type { SownSpecies, StandEvent, StandRun } from '../stand/types'
import { dosesOf, dosesUntil } from './doses'
import { FATES } from './fates'
import { sheetSurvival } from './sheets'

/** What lives of a stand on its evenings, by species and member, between two days. */
export type Living = {
  fromDay: number
  /** The day after the last. */
  toDay: number
  /** Share of a species' plants that lives, 0–1; NaN before it is up. */
  alive: (c: number, member: number, day: number) => number
}

/** BBCH from which plants are up. */
const UP = 9

/** What lives of a run. */
export function livingOf(run: StandRun): Living {
  const { startDay, days, species } = run
  return {
    fromDay: startDay,
    toDay: startDay + days,
    alive: (c, member, day) => {
      const at = placeIn(run, member, day - startDay)
      return species[c].bbch[at] >= UP ? species[c].alive[at] : NaN
    },
  }
}

/** Share of a full stand that each species was sown at, of all of them together. */
export function standShares(sown: readonly SownSpecies[]): number[] {
  const rates = sown.map(
    ({ plant: { parameters }, seedsPerM2 }) => (seedsPerM2 * parameters.thousandSeedG) / parameters.drillKgHa,
  )
  const total = rates.reduce((sum, rate) => sum + rate, 0)
  return rates.map((rate) => (total > 0 ? rate / total : 1 / rates.length))
}

/**
 * Share of a member's plants that live on an evening, over the species by what they were sown at of a full stand, each more by
 * a factor of its own; those that are not up yet do not count, and 1 where none is.
 */
export function aliveOn(
  living: Living,
  shares: readonly number[],
  member: number,
  day: number,
  more: (c: number) => number = () => 1,
): number {
  let up = 0
  let alive = 0
  for (let c = 0; c < shares.length; c++) {
    const share = living.alive(c, member, day)
    if (Number.isNaN(share)) continue
    up += shares[c]
    alive += shares[c] * Math.min(1, share * more(c))
  }
  return up > 0 ? alive / up : 1
}

/** The first day from one on up to another on which few enough live, where ever fewer do; the last where none is. */
export function firstDay(fromDay: number, toDay: number, isDead: (day: number) => boolean): number {
  let low = fromDay
  let high = toDay
  while (low < high) {
    const middle = (low + high) >> 1
    if (isDead(middle)) high = middle
    else low = middle + 1
  }
  return low
}

const knownAlone = new WeakMap<StandRun, Map<number, Float64Array>>()

/** First day on which each member of a run has no more than a share alive, by whatever takes it; NaN where it never has. */
export function deadAlone(run: StandRun, target: number): Float64Array {
  let byTarget = knownAlone.get(run)
  if (!byTarget) knownAlone.set(run, (byTarget = new Map()))
  let days = byTarget.get(target)
  if (!days) {
    const shares = standShares(run.sown)
    const living = livingOf(run)
    days = Float64Array.from({ length: run.members }, (_, member) => {
      for (let day = living.fromDay; day < living.toDay; day++)
        if (aliveOn(living, shares, member, day) <= target) return day
      return NaN
    })
    byTarget.set(target, days)
  }
  return days
}

/**
 * What lives of a stand with its ending in it, from a day on, without following it: what is left meets the nights and days
 * that the stand left alone would meet, by the same tables as in a run of its own, but what it grows and lays down is left
 * out. Many times as quick as that run; for endings that are not looked at closely.
 */
export function bareLiving(
  run: StandRun,
  ensemble: WeatherEnsemble,
  events: readonly StandEvent[],
  day: number,
): Living {
  const { members, species, sown, seedLayer, startDay } = run
  const toDay = startDay + run.days
  const kinds = sown.length
  const room = () => new Float64Array(kinds).fill(1)
  const telling = events.filter(({ day: on }) => on >= startDay && on < toDay)
  // What each act leaves of each species of the member in hand, and what it gathers and wants under each sheet.
  const acts = telling
    .flatMap((event) => (event.kind === 'end' || event.kind === 'graze' ? [{ event, share: room() }] : []))
    .sort((a, b) => a.event.day - b.event.day)
  const sheets = telling.flatMap(({ day: fromDay, ...event }) =>
    'sheet' in event && event.sheet
      ? [{ fromDay, sheet: event.sheet, needed: room(), doses: NO_DOSES, before: 0 }]
      : [],
  )
  let member = -1

  /** Share that the first acts and the sheets until a day leave of what lives alone. */
  const factor = (c: number, until: number, before = acts.length): number => {
    let share = 1
    for (let k = 0; k < before; k++) if (acts[k].event.day <= until) share *= acts[k].share[c]
    for (const { sheet, fromDay, needed, doses, before } of sheets) {
      if (until < fromDay) continue
      const off = Math.min(until + 1, sheet.offDay)
      share *= sheetSurvival(Math.max(0, dosesUntil(ensemble, doses, off) - before), needed[c])
    }
    return share
  }
  const placeOn = (day: number) => (day - startDay) * members + member
  const follow = (of: number) => {
    member = of
    for (const laid of sheets) {
      const { fromDay, sheet, needed } = laid
      laid.doses = dosesOf(ensemble, sheet.kind === 'clear' ? 'clear' : 'black', member)
      laid.before = dosesUntil(ensemble, laid.doses, fromDay)
      const at = placeOn(fromDay)
      for (let c = 0; c < kinds; c++) {
        const here = { plant: sown[c].plant, bbch: species[c].bbch[at], member }
        needed[c] = FATES.smothers(sheet, here, seedLayer[at])
      }
    }
    for (let k = 0; k < acts.length; k++) {
      const { event, share } = acts[k]
      const at = placeOn(event.day)
      const fate: Fate = event.kind === 'graze' ? { by: 'animals', ...event.passing } : event.fate
      let massG = run.massG[at]
      if (event.kind === 'graze') {
        massG = 0
        for (let c = 0; c < kinds; c++) massG += species[c].massG[at] * factor(c, event.day, k)
      }
      for (let c = 0; c < kinds; c++) {
        const bbch = species[c].bbch[at]
        const alive = fate.by === 'seen' ? species[c].alive[at] * factor(c, event.day, k) : 1
        const here = { plant: sown[c].plant, component: c, bbch, alive, massG, member, ensemble }
        share[c] = bbch >= UP ? FATES.outlives(fate, here) : 1
      }
    }
  }
  return {
    fromDay: Math.max(day, startDay),
    toDay,
    alive: (c, of, on) => {
      if (of !== member) follow(of)
      const at = placeOn(on)
      return species[c].bbch[at] >= UP ? species[c].alive[at] * factor(c, on) : NaN
    },
  }
}

const NO_DOSES: Float64Array = new Float64Array()
