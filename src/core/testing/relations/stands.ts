import { isoDate } from '../../foundations/day'
import { SPECIES } from '../../plants/catalogue'
import { standRun } from '../../bed/standRun'
import { forecastOf } from '../../season/forecast'
import { ensembleOf } from '../../season/weatherSpec'
import { NOTHING_OBSERVED } from '../../site/record'
import { followedAlone } from '../../season/horizon'
import { valuesOn } from '../../stand/summary'
import { testCase } from '../beds'
import {
  coverOf,
  drawSite,
  drawSowDay,
  drawStand,
  endBy,
  grown,
  mean,
  mowing,
  oneOf,
  planned,
  WAYS,
  weatherFor,
  whole,
} from './draw'
import { excepted, HOLDS, holdsIf, NO_CASE, violated, type Relation } from './relation'

const s1: Relation = {
  id: 'S1',
  says: 'Stage dates do not depend on the planned end',
  of: (random) => {
    const drawn = drawStand(random)
    const method = oneOf(random, WAYS)
    const end = endBy(method, drawn.sowDay + whole(random, 50, 280))
    const standCase = testCase({ ...drawn.stand, end: { plan: end, actual: null } })
    const season = standRun(standCase, drawn.ensemble, [], followedAlone(standCase, drawn.ensemble))!
    const alone = forecastOf(testCase(drawn.stand), drawn.season).stages
    const told = forecastOf(standCase, season).stages
    for (const [i, { bbch, date }] of told.entries()) {
      const [a, b] = [alone[i].date.quantiles, date.quantiles]
      if (alone[i].date.chance < 0.2) continue
      if (!a || !b || Math.abs(a.p50 - b.p50) > 1 || Math.abs(a.p90 - a.p10 - (b.p90 - b.p10)) > 2)
        return violated(
          `${drawn.says}, ${method} ${end.date}: BBCH ${bbch} ${a && isoDate(a.p50)}, with the end ${b && isoDate(b.p50)}`,
        )
    }
    return HOLDS
  },
}

const s4: Relation = {
  id: 'S4',
  says: 'A cereal of 150 g/m² and 80 % green is tillering at least',
  of: (random) => {
    const drawn = drawStand(random, { mixes: 0, of: ({ endingClass }) => endingClass.endsWith('cereal') })
    const { run } = drawn.season
    const day = drawn.sowDay + whole(random, 20, 150)
    if (mean(valuesOn(run, run.massG, day)) < 150 || mean(valuesOn(run, run.cover, day)) < 0.8) return NO_CASE
    const bbch = mean(valuesOn(run, run.species[0].bbch, day))
    return holdsIf(bbch >= 21, () => `${drawn.says}: BBCH ${bbch.toFixed(0)} on ${isoDate(day)}`)
  },
}

const g2: Relation = {
  id: 'G2',
  says: 'Erect species of 150 g/m² and 80 % green stand 10 cm or taller',
  of: (random) => {
    const drawn = drawStand(random, { mixes: 0, of: ({ habit }) => habit === 'upright' })
    const { run } = drawn.season
    const day = drawn.sowDay + whole(random, 25, 250)
    if (mean(valuesOn(run, run.massG, day)) < 150 || mean(valuesOn(run, run.cover, day)) < 0.8) return NO_CASE
    const heightM = mean(valuesOn(run, run.heightM, day))
    return holdsIf(heightM >= 0.1, () => `${drawn.says}: ${(100 * heightM).toFixed(0)} cm on ${isoDate(day)}`)
  },
}

const g4: Relation = {
  id: 'G4',
  says: 'On the evening of a cut and the next day the height is that of the stubble',
  of: (random) => {
    const drawn = drawStand(random)
    const day = drawn.sowDay + whole(random, 50, 250)
    const { run } = drawn.season
    const heightCm = whole(random, 4, 12)
    if (mean(valuesOn(run, run.heightM, day)) < 0.01 * heightCm + 0.1) return NO_CASE
    const scenario = planned(drawn, { cuts: [mowing(day, heightCm)] })
    const cut = standRun(scenario.standCase, drawn.ensemble)!.run
    const [eve, next] = [day, day + 1].map((on) => 100 * mean(valuesOn(cut, cut.heightM, on)))
    return holdsIf(
      eve <= heightCm + 0.5 && next <= heightCm + 3,
      () =>
        `${drawn.says}, cut at ${heightCm} cm on ${isoDate(day)}: ${eve.toFixed(0)} cm, next day ${next.toFixed(0)} cm`,
    )
  },
}

const g9: Relation = {
  id: 'G9',
  says: 'A mix of a species with itself is that species',
  of: (random) => {
    const site = drawSite(random)
    const plant = oneOf(random, SPECIES)
    const sowDay = drawSowDay(random, plant, site)
    const seed = whole(random, 1, 1e6)
    const alone = grown(site, [plant], sowDay, seed)
    const ensemble = weatherFor(site, sowDay, seed)
    const mixed = standRun(testCase(coverOf([plant, plant], sowDay)), ensemble)!
    for (const after of [40, 100, 180]) {
      const [a, b] = [alone.season.run, mixed.run].map((run) =>
        mean(valuesOn(run, run.massG, sowDay + after)),
      )
      if (Math.abs(a - b) > 0.03 * Math.max(20, a))
        return violated(
          `${alone.says}: ${a.toFixed(0)} g/m², as two halves ${b.toFixed(0)} after ${after} days`,
        )
    }
    return HOLDS
  },
}

const g13: Relation = {
  id: 'G13',
  says: 'The order of the parts of a mix does not matter',
  of: (random) => {
    const drawn = drawStand(random, { mixes: 1 })
    const turned = standRun(testCase(coverOf([...drawn.plants].reverse(), drawn.sowDay)), drawn.ensemble)!
    for (const after of [40, 100, 180])
      for (const c of [0, 1]) {
        const [a, b] = [
          mean(valuesOn(drawn.season.run, drawn.season.run.species[c].massG, drawn.sowDay + after)),
          mean(valuesOn(turned.run, turned.run.species[1 - c].massG, drawn.sowDay + after)),
        ]
        if (Math.abs(a - b) > 0.02 * Math.max(20, a))
          return violated(
            `${drawn.says}: ${a.toFixed(0)} g/m², turned round ${b.toFixed(0)} after ${after} days`,
          )
      }
    return HOLDS
  },
}

const g12: Relation = {
  id: 'G12',
  says: 'What is cut down over a sowing lies there the next day less its rot',
  of: (random) => {
    const upper = drawStand(random, { mixes: 0 })
    const day = upper.sowDay + whole(random, 70, 200)
    const { run } = upper.season
    if (mean(valuesOn(run, run.massG, day)) < 60) return NO_CASE
    const plant = oneOf(
      random,
      SPECIES.filter(({ season }) => season === upper.plants[0].season),
    )
    const cover = { ...upper.stand, id: 'upper', end: { plan: endBy('chop', day), actual: null } }
    const lower = coverOf([plant], day, { id: 'lower', underStandId: 'upper' })
    lower.start.actual!.covering = 'crop dropped over'
    const use = { kind: 'cover' as const, startDay: upper.sowDay, standCase: testCase(cover) }
    const of = standRun(testCase(lower, { upper: use, before: [use] }), upper.ensemble)!
    const laid = mean(valuesOn(of.run, of.run.residueG, day + 1))
    const stood = mean(valuesOn(run, run.massG, day - 1)) + mean(valuesOn(run, run.residueG, day - 1))
    const standing = 0.1 * stood + 15
    if (stood > 2000) return excepted('more than ever stands')
    return holdsIf(
      laid >= 0.8 * (stood - standing),
      () =>
        `${upper.says}, dropped over ${plant.id} on ${isoDate(day)}: stood ${stood.toFixed(0)}, next day ${laid.toFixed(0)} g/m²`,
    )
  },
}

const g11: Relation = {
  id: 'G11',
  says: 'A day on with nothing recorded changes nothing before today',
  of: (random) => {
    const drawn = drawStand(random)
    const today = drawn.sowDay + whole(random, 20, 250)
    const spec = {
      site: drawn.site,
      recordKey: '',
      startDay: drawn.sowDay - 40,
      days: 400,
      members: 40,
      seed: 7,
    }
    const [a, b] = [today, today + 1].map(
      (on) => standRun(testCase(drawn.stand), ensembleOf({ ...spec, today: on }, NOTHING_OBSERVED))!.run,
    )
    for (const before of [1, 8, 15]) {
      const [was, is] = [a, b].map((run) => mean(valuesOn(run, run.massG, today - before)))
      if (Math.abs(was - is) > 0.01 * Math.max(10, was))
        return violated(
          `${drawn.says}: ${was.toFixed(1)} g/m² on ${isoDate(today - before)} as told on ${isoDate(today)}, a day later ${is.toFixed(1)}`,
        )
    }
    return HOLDS
  },
}

export const STANDS: readonly Relation[] = [s1, s4, g2, g4, g9, g11, g12, g13]
