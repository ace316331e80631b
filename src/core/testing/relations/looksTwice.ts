import { isoDate } from '../../foundations/day'
import { dateQuantiles, stageDays, valuesOn } from '../../stand/summary'
import { standRun } from '../../bed/standRun'
import { testCase } from '../beds'
import { drawStand, mean, pct, whole } from './draw'
import { look, lookDay, middle, sownAbout, withChecks } from './looks'
import { HOLDS, holdsIf, NO_CASE, violated, type Relation } from './relation'

const t2: Relation = {
  id: 'T2',
  says: 'A look never moves what is told away from what was seen',
  of: (random) => {
    const drawn = drawStand(random, { members: 60 })
    const at = lookDay(random, drawn)
    if (!at) return NO_CASE
    const seen = Math.min(0.99, Math.max(0.01, at.cover.p50 + 0.9 * (random.uniform() - 0.5)))
    const { run } = withChecks(drawn, [look(drawn, at.day, { cover: seen })])
    const told = middle(valuesOn(run, run.cover, at.day)).p50
    return holdsIf(
      Math.abs(told - seen) <= Math.abs(at.cover.p50 - seen) + 0.02,
      () => `${drawn.says}: seen ${pct(seen)} on ${isoDate(at.day)}, ${pct(at.cover.p50)} to ${pct(told)}`,
    )
  },
}

const t7: Relation = {
  id: 'T7',
  says: 'Two equal looks do not widen what is told',
  slow: true,
  of: (random) => {
    const drawn = drawStand(random, { members: 200 })
    const at = lookDay(random, drawn)
    if (!at) return NO_CASE
    const seen = Math.min(0.97, Math.max(0.03, at.cover.p50 + 0.3 * (random.uniform() - 0.5)))
    const widths = [1, 2].map((looks) => {
      const checks = Array.from({ length: looks }, (_, i) =>
        look(drawn, at.day, { cover: seen, id: `look ${i}` }),
      )
      const { run } = withChecks(drawn, checks)
      const { p10, p90 } = middle(valuesOn(run, run.cover, at.day))
      return p90 - p10
    })
    return holdsIf(
      widths[1] <= widths[0] + 0.03,
      () => `${drawn.says}: seen ${pct(seen)} on ${isoDate(at.day)}, ${widths.map(pct).join(' then ')} wide`,
    )
  },
}

const t1Twice: Relation = {
  id: 'T1t',
  says: 'Two agreeing looks far off what was thought are believed within two of their errors',
  slow: true,
  of: (random) => {
    const drawn = drawStand(random, { members: 60 })
    const at = lookDay(random, drawn)
    if (!at) return NO_CASE
    const seen = at.cover.p50 + (0.35 + 0.3 * random.uniform()) * (random.uniform() < 0.5 ? -1 : 1)
    if (seen < 0.05 || seen > 0.95) return NO_CASE
    const days = [at.day, at.day + 2]
    const { run } = withChecks(
      drawn,
      days.map((day) => look(drawn, day, { cover: seen })),
    )
    const told = middle(valuesOn(run, run.cover, days[1])).p50
    return holdsIf(
      Math.abs(told - seen) <= 0.16,
      () =>
        `${drawn.says}: twice ${pct(seen)} on ${isoDate(at.day)}, told ${pct(told)}, before ${pct(at.cover.p50)}`,
    )
  },
}

const t8: Relation = {
  id: 'T8',
  says: 'A count of plants is what stands',
  of: (random) => {
    const drawn = drawStand(random, { mixes: 0, members: 60 })
    const at = lookDay(random, drawn)
    if (!at) return NO_CASE
    const { run } = drawn.season
    const stands = mean(run.species[0].plantsPerM2) * mean(valuesOn(run, run.species[0].alive, at.day))
    if (stands < 20) return NO_CASE
    const factor = 0.5 + random.uniform()
    const ringM = 0.3
    const perRing = Math.round(stands * factor * Math.PI * (ringM / 2) ** 2)
    if (perRing < 5) return NO_CASE
    const counted = perRing / (Math.PI * (ringM / 2) ** 2)
    const plants = {
      speciesId: null,
      ringM,
      counts: [perRing, perRing, perRing, perRing, perRing],
      gapShare: 0,
    }
    const after = withChecks(drawn, [look(drawn, at.day, { plants })]).run
    const told = middle(
      Float64Array.from(
        valuesOn(after, after.species[0].alive, at.day),
        (alive, m) => alive * after.species[0].plantsPerM2[m],
      ),
    ).p50
    return holdsIf(
      Math.abs(told - counted) <= 0.2 * counted,
      () =>
        `${drawn.says}: ${stands.toFixed(0)} thought, ${counted.toFixed(0)} counted, ${told.toFixed(0)} told on ${isoDate(at.day)}`,
    )
  },
}

const t11: Relation = {
  id: 'T11',
  says: 'A look in winter loses no plants',
  of: (random) => {
    const drawn = drawStand(random, { mixes: 0, members: 60, of: ({ season }) => season === 'cool' })
    const day = drawn.sowDay + whole(random, 70, 130)
    const { run } = drawn.season
    const alive = mean(valuesOn(run, run.species[0].alive, day))
    const cover = middle(valuesOn(run, run.cover, day)).p50
    if (alive < 0.8 || cover < 0.15) return NO_CASE
    const seen = Math.max(0.05, cover * (0.6 + 0.6 * random.uniform()))
    const after = withChecks(drawn, [look(drawn, day, { cover: Math.min(0.97, seen) })]).run
    const then = mean(valuesOn(after, after.species[0].alive, day))
    return holdsIf(
      then >= alive - 0.08,
      () =>
        `${drawn.says}: ${pct(seen)} for ${pct(cover)} on ${isoDate(day)}, alive ${pct(alive)} to ${pct(then)}`,
    )
  },
}

const t12: Relation = {
  id: 'T12',
  says: 'One glance at cover moves no stage by more than seven days where the sowing day is not known',
  of: (random) => {
    const drawn = drawStand(random, { mixes: 0, members: 60 })
    const at = lookDay(random, drawn)
    if (!at) return NO_CASE
    const stand = sownAbout(drawn, 8, 8)
    const grow = (cover: number | null) =>
      standRun(
        testCase(stand, {
          checks:
            cover === null ? [] : [look(drawn, at.day, { cover, coverBy: { kind: 'glance', error: 0.15 } })],
        }),
        drawn.ensemble,
      )!.run
    const seen = Math.min(0.95, Math.max(0.05, at.cover.p50 + 0.3 * (random.uniform() - 0.5)))
    const [a, b] = [null, seen].map((cover) => dateQuantiles(stageDays(grow(cover), 0, 61)))
    if (a.chance < 0.8 || b.chance < 0.5 || a.quantiles!.p50 <= at.day) return NO_CASE
    // A date that may fall before winter or long after it is spread over months, and its middle tells little.
    const allowed = Math.max(7, (a.quantiles!.p90 - a.quantiles!.p10) / 4)
    if (Math.abs(a.quantiles!.p50 - b.quantiles!.p50) > allowed)
      return violated(
        `${drawn.says}: a glance of ${pct(seen)} for ${pct(at.cover.p50)} on ${isoDate(at.day)}, flower ${isoDate(a.quantiles!.p50)} to ${isoDate(b.quantiles!.p50)}`,
      )
    return HOLDS
  },
}

const t13: Relation = {
  id: 'T13',
  says: 'A stage of one species of a mix leaves the sowing day and the other species a range',
  of: (random) => {
    const drawn = drawStand(random, { mixes: 1, members: 60 })
    const at = lookDay(random, drawn)
    if (!at) return NO_CASE
    const stand = sownAbout(drawn, 12, 12)
    const bbch = middle(valuesOn(drawn.season.run, drawn.season.run.species[0].bbch, at.day)).p50
    if (bbch > 85) return NO_CASE
    const stage = look(drawn, at.day, { stageBbch: Math.round(bbch), stageOf: drawn.plants[0].id })
    const [before, after] = [[], [stage]].map((checks) =>
      standRun(testCase(stand, { checks }), drawn.ensemble)!,
    )
    const days = new Set(after.sownOn!).size
    const [a, b] = [before, after].map(({ run }) => dateQuantiles(stageDays(run, 1, 61)))
    if (a.chance < 0.8 || b.chance < 0.8) return NO_CASE
    const [was, is] = [a, b].map(({ quantiles }) => quantiles!.p90 - quantiles!.p10)
    return holdsIf(
      days >= 6 && is >= 0.5 * was,
      () =>
        `${drawn.says}: BBCH ${bbch.toFixed(0)} on ${isoDate(at.day)}; sown on ${days} days, the other flowers within ${was.toFixed(0)} days, then ${is.toFixed(0)}`,
    )
  },
}

export const LOOKS_TWICE: readonly Relation[] = [t1Twice, t2, t7, t8, t11, t12, t13]
