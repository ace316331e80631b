import { standRun } from '../../bed/standRun'
import { isoDate } from '../../foundations/day'
import type { RandomStream } from '../../foundations/random'
import type { Bed, Stand } from '../../garden/schema'
import { SPECIES } from '../../plants/catalogue'
import type { WeatherEnsemble } from '../../site/weather'
import { dateQuantiles, stageDays, valuesOn } from '../../stand/summary'
import type { StandRun } from '../../stand/types'
import { testBed, testCase } from '../beds'
import {
  between,
  drawSite,
  drawSowDay,
  drawStand,
  grown,
  mean,
  mowing,
  oneOf,
  pct,
  planned,
  weatherFor,
  whole,
  type Drawn,
} from './draw'
import { HOLDS, holdsIf, NO_CASE, violated, type Relation, type Verdict } from './relation'

/** A stand grown in a bed of its own. */
const inBed = (
  drawn: Drawn,
  own: Partial<Bed>,
  stand: Stand = drawn.stand,
  ensemble = drawn.ensemble,
): StandRun => standRun(testCase(stand, { bed: { ...testBed, ...own } }), ensemble)!.run

/** The stand sown at a rate, g for the bed, of each of its species. */
function atRate({ stand }: Drawn, grams: number): Stand {
  const actual = stand.start.actual!
  const components = actual.components.map((component) => ({ ...component, grams }))
  return { ...stand, start: { plan: null, actual: { ...actual, components } } }
}

const s2: Relation = {
  id: 'S2',
  says: 'Later sown never flowers earlier',
  of: (random) => {
    const drawn = drawStand(random, { mixes: 0 })
    const later = grownLater(drawn, whole(random, 4, 30))
    const [a, b] = [drawn.season.run, later].map((run) => dateQuantiles(stageDays(run, 0, 61)))
    if (a.chance < 0.9 || b.chance < 0.9) return NO_CASE
    return holdsIf(
      b.quantiles!.p50 >= a.quantiles!.p50 - 0.5,
      () => `${drawn.says}: ${isoDate(a.quantiles!.p50)}, later ${isoDate(b.quantiles!.p50)}`,
    )
  },
}

function grownLater({ stand, sowDay, ensemble }: Drawn, days: number): StandRun {
  const actual = { ...stand.start.actual!, date: isoDate(sowDay + days) }
  return standRun(testCase({ ...stand, start: { plan: null, actual } }), ensemble)!.run
}

const s3: Relation = {
  id: 'S3',
  says: 'The seed rate moves no stage',
  of: (random) => {
    const drawn = drawStand(random, { mixes: 0 })
    const [low, high] = [60, 240].map((grams) =>
      dateQuantiles(stageDays(inBed(drawn, {}, atRate(drawn, grams)), 0, 61)),
    )
    if (low.chance < 0.9 || high.chance < 0.9) return NO_CASE
    return holdsIf(
      Math.abs(low.quantiles!.p50 - high.quantiles!.p50) <= 1,
      () => `${drawn.says}: ${isoDate(low.quantiles!.p50)}, thick ${isoDate(high.quantiles!.p50)}`,
    )
  },
}

const g1: Relation = {
  id: 'G1',
  says: 'More seed never gives fewer plants',
  of: (random) => {
    const drawn = drawStand(random, { mixes: 0 })
    const day = drawn.sowDay + whole(random, 20, 200)
    const grams = between(random, 20, 300)
    const [a, b] = [grams, grams * between(random, 1.1, 3)].map((g) => {
      const run = inBed(drawn, {}, atRate(drawn, g))
      return mean(run.species[0].plantsPerM2) * mean(valuesOn(run, run.species[0].alive, day))
    })
    return holdsIf(
      b >= a - 1e-6,
      () => `${drawn.says}: ${a.toFixed(0)}, with more seed ${b.toFixed(0)} plants/m²`,
    )
  },
}

const g3: Relation = {
  id: 'G3',
  says: 'A cut balances: what stood is what stands, lies and was carried off',
  of: (random) => {
    const drawn = drawStand(random)
    const day = drawn.sowDay + whole(random, 50, 200)
    const { run } = drawn.season
    const stood = mean(valuesOn(run, run.massG, day - 1)) + mean(valuesOn(run, run.residueG, day - 1))
    if (stood < 50) return NO_CASE
    const removed = random.uniform() < 0.5
    const cut = {
      ...mowing(day, whole(random, 4, 15)),
      fate: removed ? ('carried off' as const) : ('dropped' as const),
    }
    const of = standRun(planned(drawn, { cuts: [cut] }).standCase, drawn.ensemble)!.run
    const stands = mean(valuesOn(of, of.massG, day))
    const lies = mean(valuesOn(of, of.residueG, day))
    const off = mean(of.carriedOff.massG) - mean(run.carriedOff.massG)
    return holdsIf(
      Math.abs(stands + lies + off - stood) <= 0.06 * stood + 12,
      () =>
        `${drawn.says}, cut ${isoDate(day)}: ${stood.toFixed(0)} stood; ${stands.toFixed(0)} stands, ${lies.toFixed(0)} lies, ${off.toFixed(0)} off`,
    )
  },
}

const g5: Relation = {
  id: 'G5',
  says: 'Half a bed says per area what the whole says',
  of: (random) => {
    const drawn = drawStand(random)
    const day = drawn.sowDay + whole(random, 30, 200)
    const half: Stand = { ...drawn.stand, segment: { kind: 'half', which: 'first' } }
    const [a, b] = [drawn.stand, half].map((stand) =>
      mean(valuesOn(inBed(drawn, {}, stand), inBed(drawn, {}, stand).massG, day)),
    )
    return holdsIf(
      Math.abs(a - b) <= 0.01 * a + 0.1,
      () => `${drawn.says}: ${a.toFixed(1)}, half ${b.toFixed(1)} g/m²`,
    )
  },
}

const g6: Relation = {
  id: 'G6',
  says: 'The mirrored hemisphere says the same',
  of: (random) => {
    const site = drawSite(random)
    const plant = oneOf(random, SPECIES)
    const sowDay = drawSowDay(random, plant, site)
    const seed = whole(random, 1, 1e6)
    const turn = (months: readonly number[]) => [...months.slice(6), ...months.slice(0, 6)]
    const mirrored = {
      ...site,
      latitude: -site.latitude,
      tMaxC: turn(site.tMaxC),
      tMinC: turn(site.tMinC),
      rainMm: turn(site.rainMm),
      wetDays: turn(site.wetDays),
    } as typeof site
    const here = grown(site, [plant], sowDay, seed, 80)
    const there = grown(mirrored, [plant], sowDay + 182, seed, 80)
    const stages = [here, there].map(({ season, sowDay: from }) => {
      const { chance, quantiles } = dateQuantiles(stageDays(season.run, 0, 61))
      return { chance, day: quantiles ? quantiles.p50 - from : NaN }
    })
    if (stages.every(({ chance }) => chance > 0.8) && Math.abs(stages[0].day - stages[1].day) > 6)
      return violated(
        `${here.says}: flower after ${stages.map(({ day }) => day.toFixed(0)).join(' and ')} days`,
      )
    const [a, b] = [here, there].map(({ season: { run }, sowDay: from }) =>
      mean(valuesOn(run, run.massG, from + 120)),
    )
    return holdsIf(
      Math.abs(a - b) <= 0.12 * Math.max(a, b) + 25,
      () => `${here.says}: ${a.toFixed(0)}, mirrored ${b.toFixed(0)} g/m²`,
    )
  },
}

/** The weather with some nights of all members colder. */
const colder = (ensemble: WeatherEnsemble, fromDay: number, days: number, byC: number): WeatherEnsemble => ({
  ...ensemble,
  members: ensemble.members.map((member) => {
    const chill = (values: ArrayLike<number>) =>
      Float64Array.from(values, (t, i) =>
        ensemble.startDay + i >= fromDay && ensemble.startDay + i < fromDay + days ? t - byC : t,
      )
    return { ...member, tMinC: chill(member.tMinC) } as typeof member
  }),
})

const g7: Relation = {
  id: 'G7',
  says: 'A colder night never saves plants',
  of: (random) => {
    const drawn = drawStand(random)
    const day = drawn.sowDay + whole(random, 40, 220)
    const ensemble = colder(drawn.ensemble, day, 1, between(random, 1, 10))
    const cold = inBed(drawn, {}, drawn.stand, ensemble)
    for (const [c, species] of cold.species.entries())
      for (const after of [0, 2]) {
        const [a, b] = [
          mean(valuesOn(drawn.season.run, drawn.season.run.species[c].alive, day + after)),
          mean(valuesOn(cold, species.alive, day + after)),
        ]
        if (b > a + 0.01) return violated(`${drawn.says}, ${isoDate(day)}: ${pct(a)}, colder ${pct(b)}`)
      }
    return HOLDS
  },
}

const grownBetter =
  (worse: (random: RandomStream) => Partial<Bed>, better: Partial<Bed>, what: string) =>
  (random: RandomStream): Verdict => {
    const drawn = drawStand(random)
    const [a, b] = [inBed(drawn, worse(random)), inBed(drawn, better)]
    for (const after of [40, 80, 140]) {
      const [bad, good] = [a, b].map((run) => mean(valuesOn(run, run.massG, drawn.sowDay + after)))
      const died = mean(valuesOn(b, b.species[0].alive, drawn.sowDay + after)) < 0.7
      if (!died && bad > good + 0.02 * good + 3)
        return violated(
          `${drawn.says}, ${what}: ${bad.toFixed(0)} against ${good.toFixed(0)} g/m² after ${after} days`,
        )
    }
    return HOLDS
  }

const g8: Relation = {
  id: 'G8',
  says: 'Shade never adds growth',
  of: grownBetter((random) => ({ shade: between(random, 0.1, 0.7) }), { shade: 0 }, 'shaded'),
}
const g8Fed: Relation = {
  id: 'G8f',
  says: 'Fertility never takes growth',
  of: grownBetter(() => ({ fertility: 'low' }), { fertility: 'high' }, 'poor ground'),
}

/** Weather over some years. */
const YEARS_DAYS = 1150

const g10: Relation = {
  id: 'G10',
  says: 'White clover, watered by rain and mown, closes, is worth mowing every year and does not jump',
  of: (random) => {
    const site = drawSite(random)
    const rain = site.rainMm.reduce((a, b) => a + b, 0)
    if (rain < 550 || Math.max(...site.tMaxC) > 31) return NO_CASE
    const white = SPECIES.find(({ id }) => id === 'white-clover')!
    const grass = SPECIES.find(({ endingClass }) => endingClass === 'ryegrass')!
    const plants = random.uniform() < 0.5 ? [white] : [white, grass]
    const sowDay = drawSowDay(random, white, site)
    const drawn = grown(site, plants, sowDay, whole(random, 1, 1e6), 12)
    const ensemble = weatherFor(site, sowDay, 7, 12, YEARS_DAYS)
    const mown = mownByRule(drawn, ensemble)
    const north = site.latitude > 0
    // Sown late in autumn it spends its first summer closing.
    const late = Number(isoDate(north ? sowDay : sowDay + 182).slice(5, 7)) >= 9
    const covers = (late ? [2] : [1, 2]).map((year) => coverIn(mown, sowDay, year, north))
    const jumps = jumpsOf(mown)
    return holdsIf(
      covers.every((cover) => cover >= 0.6) && jumps < 0.2,
      () =>
        `${drawn.says}: covers ${covers.map(pct).join(', ')} in its summers; a jump of ${pct(jumps)} in a day`,
    )
  },
}

/** A stand mown every five weeks of its summers at 8 cm. */
function mownByRule({ stand, sowDay, site }: Drawn, ensemble: WeatherEnsemble): StandRun {
  const cuts = []
  for (let day = sowDay + 70; day < sowDay + YEARS_DAYS - 60; day += 35) {
    const month = Number(isoDate(site.latitude > 0 ? day : day + 182).slice(5, 7))
    if (month >= 5 && month <= 9) cuts.push(mowing(day, 8))
  }
  const { standCase } = planned({ stand, sowDay }, { cuts })
  return standRun(standCase, ensemble)!.run
}

/** Days about the middle of June that its cover is the mean of: on a single one it may just have been mown. */
const JUNE_DAYS = 21

/** The cover in the middle of June of a year after its sowing, in December south of the equator. */
function coverIn(run: StandRun, sowDay: number, year: number, north: boolean): number {
  const sown = Number(isoDate(sowDay).slice(0, 4))
  const days = (at: string) => Math.round(Date.parse(at) / 86_400_000)
  const from = north ? days(`${sown + year}-06-10`) : days(`${sown + year}-12-10`)
  if (from + JUNE_DAYS > run.startDay + run.days) return 1
  return mean(Array.from({ length: JUNE_DAYS }, (_, i) => mean(valuesOn(run, run.cover, from + i))))
}

/** The most that the mean cover rises from one day to the next. */
function jumpsOf(run: StandRun): number {
  let most = 0
  for (let day = run.startDay + 30; day < run.startDay + run.days - 1; day++)
    most = Math.max(most, mean(valuesOn(run, run.cover, day + 1)) - mean(valuesOn(run, run.cover, day)))
  return most
}

export const GROWTH: readonly Relation[] = [s2, s3, g1, g3, g5, g6, g7, g8, g8Fed, g10]
