import type { WeatherEnsemble } from '../site/weather'
import type { Fate } from '../stand/fate'
import { placeIn } from '../stand/series'
import type { SownSpecies, StandEvent, StandRun } from '../stand/types'
import { doseBetween } from './doses'
import { FATES } from './fates'
import { sheetSurvival } from './sheets'

/** What lives of a stand on its evenings, by species and member, between two days. */
export type Living = {
  fromDay: number
  /** The day after the last. */
  toDay: number
  /** Whether a species is up, and the share of its plants that lives, 0–1; 1 before it is up. */
  isUp: (c: number, member: number, day: number) => boolean
  alive: (c: number, member: number, day: number) => number
}

/** BBCH from which plants are up. */
const UP = 9

/** What lives of a run. */
export function livingOf(run: StandRun): Living {
  const { startDay, days, species } = run
  const place = (member: number, day: number) => placeIn(run, member, day - startDay)
  return {
    fromDay: startDay,
    toDay: startDay + days,
    isUp: (c, member, day) => species[c].bbch[place(member, day)] >= UP,
    alive: (c, member, day) => {
      const at = place(member, day)
      return species[c].bbch[at] >= UP ? species[c].alive[at] : 1
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
    if (!living.isUp(c, member, day)) continue
    up += shares[c]
    alive += shares[c] * Math.min(1, living.alive(c, member, day) * more(c))
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
  const { members, species, sown, seedLayer } = run
  const toDay = run.startDay + run.days
  const kinds = sown.length
  const room = () => new Float64Array(kinds).fill(1)
  const telling = events.filter(({ day: on }) => on >= run.startDay && on < toDay)
  // What each act leaves of each species of the member in hand, and the dose that each of them wants under each sheet.
  const acts = telling
    .flatMap((event) => (event.kind === 'end' || event.kind === 'graze' ? [{ event, share: room() }] : []))
    .sort((a, b) => a.event.day - b.event.day)
  const sheets = telling.flatMap(({ day: fromDay, ...event }) =>
    'sheet' in event && event.sheet ? [{ fromDay, sheet: event.sheet, needed: room() }] : [],
  )
  let member = -1

  /** Share alone of a species on a day. */
  const alone = (c: number, day: number) => {
    const at = (day - run.startDay) * members + member
    return species[c].bbch[at] >= UP ? species[c].alive[at] : 1
  }
  /** Share that the work and the sheets until a day leave of what lives alone. */
  const factor = (c: number, until: number, before = acts.length): number => {
    let share = 1
    for (let k = 0; k < before; k++) if (acts[k].event.day <= until) share *= acts[k].share[c]
    for (const { sheet, fromDay, needed } of sheets) {
      if (until < fromDay) continue
      const off = Math.min(until + 1, sheet.offDay)
      const kind = sheet.kind === 'clear' ? 'clear' : 'black'
      share *= sheetSurvival(doseBetween(ensemble, kind, member, fromDay, off), needed[c])
    }
    return share
  }
  /** All that stands of the member in hand when an act befalls it, g m⁻². */
  const standing = (k: number, day: number, at: number) => {
    let massG = 0
    for (let c = 0; c < kinds; c++) massG += species[c].massG[at] * Math.min(1, factor(c, day, k))
    return massG
  }
  const follow = (of: number) => {
    member = of
    for (const { fromDay, sheet, needed } of sheets) {
      const at = placeIn(run, member, fromDay - run.startDay)
      for (let c = 0; c < kinds; c++)
        needed[c] = FATES.smothers(
          sheet,
          { plant: sown[c].plant, bbch: species[c].bbch[at], member },
          seedLayer[at],
        )
    }
    acts.forEach(({ event, share }, k) => {
      const at = placeIn(run, member, event.day - run.startDay)
      const fate: Fate = event.kind === 'graze' ? { by: 'animals', ...event.passing } : event.fate
      const massG = event.kind === 'graze' ? standing(k, event.day, at) : run.massG[at]
      for (let c = 0; c < kinds; c++) {
        const bbch = species[c].bbch[at]
        const alive = fate.by === 'seen' ? alone(c, event.day) * factor(c, event.day, k) : 1
        const here = { plant: sown[c].plant, component: c, bbch, alive, massG, member, ensemble }
        share[c] = bbch >= UP ? FATES.outlives(fate, here) : 1
      }
    })
  }
  const place = (of: number, on: number) => placeIn(run, of, on - run.startDay)
  return {
    fromDay: Math.max(day, run.startDay),
    toDay,
    isUp: (c, of, on) => species[c].bbch[place(of, on)] >= UP,
    alive: (c, of, on) => {
      if (of !== member) follow(of)
      return alone(c, on) * factor(c, on)
    },
  }
}
