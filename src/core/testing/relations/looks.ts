import type { RandomStream } from '../../foundations/random'
import { isoDate } from '../../foundations/day'
import { quantilesOf } from '../../foundations/statistics'
import type { Check } from '../../garden/check'
import { FRESH_CHECK } from '../../garden/fresh'
import type { Stand } from '../../garden/schema'
import { standRun } from '../../bed/standRun'
import type { SeasonRun } from '../../season/run'
import { dateQuantiles, stageDays, valuesOn } from '../../stand/summary'
import { testCase } from '../beds'
import { drawStand, mowing, pct, planned, whole, type Drawn } from './draw'
import { HOLDS, holdsIf, NO_CASE, violated, type Relation } from './relation'

/** Error of cover judged by eye, one standard deviation. */
export const BY_EYE = 0.08
export const middle = (values: Float64Array) => quantilesOf(values)!

export const look = (drawn: Drawn, day: number, own: Partial<Check>): Check => ({
  ...FRESH_CHECK,
  id: `check ${day}`,
  gardenId: 'g',
  standId: drawn.stand.id,
  date: isoDate(day),
  ...own,
})

export const withChecks = (drawn: Drawn, checks: Check[]): SeasonRun =>
  standRun(testCase(drawn.stand, { checks }), drawn.ensemble)!

/** A day on which most of a stand is up, and its cover then. */
export function lookDay(random: RandomStream, { sowDay, season: { run } }: Drawn) {
  const day = sowDay + whole(random, 25, 120)
  const up = run.species.every((species) => middle(valuesOn(run, species.bbch, day)).p50 >= 10)
  return up ? { day, cover: middle(valuesOn(run, run.cover, day)) } : null
}

/** The stand sown on a day that is known to within some days before and after it. */
export function sownAbout({ stand, sowDay }: Drawn, before: number, after: number): Stand {
  const sownBetween = { from: isoDate(sowDay - before), to: isoDate(sowDay + after) }
  return { ...stand, start: { plan: null, actual: { ...stand.start.actual!, sownBetween } } }
}

const t1: Relation = {
  id: 'T1',
  says: 'After a look the middle lies within two of its errors of what was seen',
  of: (random) => {
    const drawn = drawStand(random, { members: 60 })
    const at = lookDay(random, drawn)
    if (!at) return NO_CASE
    const { run } = drawn.season
    const truth = valuesOn(run, run.cover, at.day)[whole(random, 0, run.members - 1)]
    const seen = Math.min(1, Math.max(0, truth + BY_EYE * random.normal()))
    const after = withChecks(drawn, [look(drawn, at.day, { cover: seen })])
    const told = middle(valuesOn(after.run, after.run.cover, at.day)).p50
    return holdsIf(
      Math.abs(told - seen) <= 2 * BY_EYE,
      () =>
        `${drawn.says}: seen ${pct(seen)} on ${isoDate(at.day)}, told ${pct(told)}, before ${pct(at.cover.p50)}`,
    )
  },
}

const t1Far: Relation = {
  id: 'T1f',
  says: 'A look far off what was thought is believed within three of its errors',
  of: (random) => {
    const drawn = drawStand(random, { members: 60 })
    const at = lookDay(random, drawn)
    if (!at) return NO_CASE
    const off = (0.35 + 0.35 * random.uniform()) * (random.uniform() < 0.5 ? -1 : 1)
    const seen = at.cover.p50 + off
    if (seen < 0.03 || seen > 0.97 || at.cover.p50 < 0.05) return NO_CASE
    const after = withChecks(drawn, [look(drawn, at.day, { cover: seen })])
    const told = middle(valuesOn(after.run, after.run.cover, at.day)).p50
    return holdsIf(
      Math.abs(told - seen) <= 3 * BY_EYE,
      () =>
        `${drawn.says}: seen ${pct(seen)} on ${isoDate(at.day)}, told ${pct(told)}, before ${pct(at.cover.p50)}`,
    )
  },
}

const t4: Relation = {
  id: 'T4',
  says: 'A look of cover moves no stage by more than seven days',
  of: (random) => {
    const drawn = drawStand(random, { mixes: 0, members: 60 })
    const at = lookDay(random, drawn)
    if (!at) return NO_CASE
    const seen = Math.min(0.98, Math.max(0.02, at.cover.p50 + 0.4 * (random.uniform() - 0.5)))
    const after = withChecks(drawn, [look(drawn, at.day, { cover: seen })])
    for (const bbch of [61, 75]) {
      const [a, b] = [drawn.season.run, after.run].map((run) => dateQuantiles(stageDays(run, 0, bbch)))
      if (a.chance < 0.5 || b.chance < 0.5 || a.quantiles!.p50 <= at.day) continue
      if (Math.abs(a.quantiles!.p50 - b.quantiles!.p50) > 7)
        return violated(
          `${drawn.says}: seen ${pct(seen)} for ${pct(at.cover.p50)} on ${isoDate(at.day)}, BBCH ${bbch} ${isoDate(a.quantiles!.p50)} to ${isoDate(b.quantiles!.p50)}`,
        )
    }
    return HOLDS
  },
}

const t5: Relation = {
  id: 'T5',
  says: 'A look that says what was thought takes nothing and moves no stage by more than three days',
  of: (random) => {
    const drawn = drawStand(random, { mixes: 0, members: 200 })
    const at = lookDay(random, drawn)
    if (!at) return NO_CASE
    const bbch = middle(valuesOn(drawn.season.run, drawn.season.run.species[0].bbch, at.day)).p50
    const after = withChecks(drawn, [look(drawn, at.day, { cover: at.cover.p50, stageBbch: bbch })])
    const told = middle(valuesOn(after.run, after.run.cover, at.day)).p50
    if (Math.abs(told - at.cover.p50) > 0.08)
      return violated(
        `${drawn.says}: seen as thought ${pct(at.cover.p50)} on ${isoDate(at.day)}, told ${pct(told)}`,
      )
    const [a, b] = [drawn.season.run, after.run].map((run) => dateQuantiles(stageDays(run, 0, 61)))
    if (a.chance < 0.5 || b.chance < 0.5 || a.quantiles!.p50 <= at.day) return HOLDS
    return holdsIf(
      Math.abs(a.quantiles!.p50 - b.quantiles!.p50) <= 3.5,
      () =>
        `${drawn.says}: BBCH ${bbch.toFixed(0)} as thought on ${isoDate(at.day)}, flower ${isoDate(a.quantiles!.p50)} to ${isoDate(b.quantiles!.p50)}`,
    )
  },
}

const t6: Relation = {
  id: 'T6',
  says: 'A look on the morning of a cut is of what stood before it',
  of: (random) => {
    const drawn = drawStand(random, { members: 60 })
    const at = lookDay(random, drawn)
    if (!at || at.cover.p50 < 0.4) return NO_CASE
    const done = planned(drawn, { cuts: [mowing(at.day, 5)] }).standCase
    const cuts = done.stand.cuts.map(({ id, cut }) => ({ id, cut: { plan: null, actual: cut.plan } }))
    const stand = { ...drawn.stand, cuts }
    const runs = [[], [look(drawn, at.day, { cover: at.cover.p50 })]].map(
      (checks) => standRun(testCase(stand, { checks }), drawn.ensemble)!.run,
    )
    const [a, b] = runs.map((run) => middle(valuesOn(run, run.cover, at.day + 1)).p50)
    return holdsIf(
      Math.abs(a - b) <= 0.08,
      () =>
        `${drawn.says}, cut on ${isoDate(at.day)}: ${pct(a)} the day after, with a look as thought ${pct(b)}`,
    )
  },
}

const t9: Relation = {
  id: 'T9',
  says: 'One glance leaves a sowing day that is not known a range',
  of: (random) => {
    const drawn = drawStand(random, { mixes: 0, members: 60 })
    const at = lookDay(random, drawn)
    if (!at) return NO_CASE
    const stand = sownAbout(drawn, 0, 24)
    const bbch = middle(valuesOn(drawn.season.run, drawn.season.run.species[0].bbch, at.day)).p50
    const checks = [look(drawn, at.day, { cover: at.cover.p50, stageBbch: Math.round(bbch) })]
    const { sownOn } = standRun(testCase(stand, { checks }), drawn.ensemble)!
    const range = quantilesOf(sownOn!)!
    const different = new Set(sownOn!).size
    return holdsIf(
      range.p90 - range.p10 >= 4 && different >= 6,
      () =>
        `${drawn.says}: looked at on ${isoDate(at.day)}, sown ${isoDate(range.p10)} to ${isoDate(range.p90)}, ${different} days`,
    )
  },
}

const t10: Relation = {
  id: 'T10',
  says: 'The cover told does not jump from day to day',
  of: (random) => {
    const drawn = drawStand(random, { members: 60 })
    const at = lookDay(random, drawn)
    if (!at) return NO_CASE
    const seen = Math.min(0.98, Math.max(0.02, at.cover.p50 + 0.6 * (random.uniform() - 0.5)))
    const after = withChecks(drawn, [look(drawn, at.day, { cover: seen })])
    for (let day = at.day - 10; day < at.day + 10; day++) {
      const [a, b] = [day, day + 1].map((on) => middle(valuesOn(after.run, after.run.cover, on)).p50)
      if (Math.abs(a - b) > 0.15)
        return violated(
          `${drawn.says}: seen ${pct(seen)} for ${pct(at.cover.p50)} on ${isoDate(at.day)}, ${pct(a)} on ${isoDate(day)} and ${pct(b)} the day after`,
        )
    }
    return HOLDS
  },
}

export const LOOKS: readonly Relation[] = [t1, t1Far, t4, t5, t6, t9, t10]
