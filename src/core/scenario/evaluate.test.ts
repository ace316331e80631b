import { describe, expect, test } from '@jest/globals'
import fc from '../testing/property'
import { dayNumber, isoDate } from '../foundations/day'
import type { EndDetails } from '../garden/ending'
import { findCrop } from '../plants/crops'
import { usualPlan } from '../termination/animals'
import { stopsOf } from '../termination/stops'
import { HARDEST_CUT, woodiness } from '../termination/woodiness'
import { harmNow } from '../termination/obstacles'
import { findMethod, METHODS } from '../termination/methods'
import { freshIndex, agedIndex, HARMLESS_INDEX } from '../residue/allelopathy'
import { testBed, testCase, testCover, testTool } from '../testing/beds'
import { BARE_FACTS, testMeans } from '../testing/questions'
import { TEST_SITES } from '../testing/sites'
import { generatedEnsemble } from '../site/ensemble'
import { cropNeed } from '../planting/feeding'
import { soilRelease } from '../soil/nitrogen'
import { standRun } from '../bed/standRun'
import { withoutEnd } from '../season/standCase'
import { bestOption, bestTermination } from './best'
import { compareTerminations, startSpan } from './compare'
import { HOPELESS } from './starts'
import { evaluate, evaluateWith } from './evaluate'
import { workable } from './sowing'
import type { CriterionId, Follows, Means, Scenario } from './types'
import { placeIn } from '../stand/series'

const SOWN = '2025-09-15'
const today = dayNumber('2025-09-10')
const ensemble = generatedEnsemble(TEST_SITES.maryland, today - 45, 420, 8, 11)

type Ask = {
  speciesId?: string
  end?: Partial<EndDetails> & { method: EndDetails['method']; date: string }
  follows?: Follows
  means?: Partial<Means>
  manure?: Scenario['ground']['manure']
}
const crop = (id: string, on: string, own: Partial<Extract<Follows, { kind: 'crop' }>> = {}): Follows => {
  const found = findCrop(id)!
  return {
    kind: 'crop',
    crop: found,
    establishment: found.establishment,
    plantingMethod: null,
    feedG: 0,
    day: dayNumber(on),
    done: false,
    ...own,
  }
}
function scenario({
  speciesId = 'cereal-rye',
  end,
  follows = { kind: 'nothing' },
  means,
  manure = [],
}: Ask): Scenario {
  const cover = testCover(speciesId, SOWN)
  const ending: EndDetails | null = end ? { passes: 1, note: '', ...end } : null
  const stand = {
    ...cover,
    start: { plan: cover.start.actual, actual: null },
    end: { plan: ending, actual: null },
  }
  return {
    standCase: testCase(stand, {
      nextStartDay: follows.kind === 'nothing' ? null : follows.day,
      establishment: follows.kind === 'nothing' ? 'transplant' : follows.establishment,
    }),
    follows,
    means: testMeans(means),
    ground: { ...BARE_FACTS, manure },
    today,
  }
}

/**
 * The chance of a plan told once more, slowly and plainly, one member after the other, from its runs and its weather; with
 * what fails first in each. It shares with the evaluation the runs, the table of what each way leaves, and the catalogue.
 */
function recount(
  plan: Scenario,
  evaluated: NonNullable<ReturnType<typeof evaluate>>,
): (CriterionId | null)[] {
  const { run, ensemble: weather } = evaluated.season
  const { ended } = evaluated
  const end = plan.standCase.stand.end.plan
  const { follows, means } = plan
  return weather.members.map((member, m): CriterionId | null => {
    const at = (day: number) => placeIn(run, m, day - run.startDay)
    const air = (day: number, of: 'tMinC' | 'tMaxC' | 'soilTempC' | 'snowMm') =>
      member[of][day - weather.startDay]
    // Loam: dry enough, thawed and free of snow.
    const sowOn = run.startDay
    if (air(sowOn, 'snowMm') > 2 || air(sowOn, 'soilTempC') <= 0.3) return 'ground'
    const method = end && findMethod(end.method)
    const begin = !end || !method ? Infinity : method.waits ? run.startDay : dayNumber(end.date)
    const target = follows.kind === 'nothing' ? Infinity : follows.day
    const lastDay = Math.min(target, method && !method.waits ? begin : target, run.startDay + run.days - 1)
    let covers = false
    for (let day = run.startDay; day <= lastDay; day++) covers ||= run.cover[at(day)] >= 0.3
    if (!covers) return 'established'
    if (!end || !method) return null
    const establishment = follows.kind === 'nothing' ? 'transplant' : follows.establishment
    const ending = evaluated.termination!.endings[m]
    const now = at(Math.min(begin, run.startDay + run.days - 1))
    const plants = run.sown.map(({ plant }, c) => ({ plant, bbch: run.species[c].bbch[now] }))
    const fit = (day: number) =>
      air(day, 'snowMm') <= 2 &&
      air(day, 'soilTempC') > 0.3 &&
      workable(weather, m, day, testBed.soil, 'raked')
    const week = Array.from({ length: 7 }, (_, k) => begin + k)
    if (method.disturbance >= 2 && !week.some(fit)) return 'unworkable'
    if (method.acts.includes('chop')) {
      const hard = Math.max(
        ...plants.map(({ plant, bbch }) => woodiness(plant.endingClass, bbch, run.heightM[now])),
      )
      const able = means.tools.some(({ kind }) => (HARDEST_CUT as Record<string, number>)[kind] >= hard)
      if (!able) return 'stems'
    }
    const leaves = end.animals ? begin + Math.ceil(stopsOf(end.animals, 10, 1.2, 0).at(-1)!.endDay) : null
    if (leaves !== null) {
      let frosted = false
      for (let day = begin - 14; day <= leaves; day++) frosted ||= air(day, 'tMinC') <= 0
      for (const day of [begin, leaves])
        for (const [c, { plant }] of run.sown.entries())
          if (
            harmNow(end.animals!.kind, plant, {
              bbch: run.species[c].bbch[at(day)],
              heightM: run.heightM[at(day)],
              frosted,
            })
          )
            return 'stock'
    }
    if ((method.flame || method.acts.includes('flame')) && run.residueG[now] > 200) return 'tinder'
    const longest = means.rules.longestSheetDays
    if (longest !== null && method.sheet && ending.sheetDays > longest) return 'own-rule'
    if (!method.waits && means.rules.seedSet === 'never' && plants.some(({ bbch }) => bbch >= 85))
      return 'own-rule'
    if (
      !method.waits &&
      means.rules.legumeFrom === 'bloom' &&
      plants.some(({ plant, bbch }) => plant.group === 'legume' && bbch < 61)
    )
      return 'own-rule'
    const dead = ending.deadDay
    if (!(dead <= target)) return 'dead'
    if (follows.kind !== 'crop') return null
    const manure = [
      ...plan.ground.manure
        .filter(({ day, from }) => day <= (from === 'animals' ? target : target + follows.crop.daysToHarvest))
        .map(({ day }) => day),
      ...(leaves === null ? [] : [leaves]),
    ]
    const keep = follows.crop.touchesSoil ? 120 : 90
    if (manure.some((day) => day + keep > target + follows.crop.daysToHarvest)) return 'manure'
    const seed = establishment === 'seed'
    if (dead + Math.max(means.waitDays[establishment], method.settleDays) > target) return 'wait'
    if (seed && dead + 14 > target) return 'bridge'
    if (method.buried >= 0.4) {
      const buried = begin + 10 * (end.passes - 1)
      let warmth = 0
      let past = buried + 60
      for (let day = 0; day < 60; day++) {
        if (day >= 21 && warmth >= 250) {
          past = buried + day
          break
        }
        warmth += Math.max(0, (air(buried + day, 'tMinC') + air(buried + day, 'tMaxC')) / 2 - 4)
      }
      if (past > target) return 'seed-flies'
    }
    const raked = follows.plantingMethod === 'rake'
    const composted = follows.plantingMethod === 'compost row'
    if (
      seed &&
      follows.crop.smallSeed &&
      !raked &&
      !composted &&
      plants.some(({ plant }) => plant.allelopathy > 0)
    ) {
      const from = method.waits ? Math.round(dead) : begin
      let strength = 0
      run.sown.forEach(({ plant }, c) => (strength += plant.allelopathy * run.species[c].massG[at(from)]))
      let warmth = 0
      let free = Math.round(dead)
      while (agedIndex(freshIndex(strength), warmth) > HARMLESS_INDEX) {
        warmth += Math.max(0, (air(free, 'tMinC') + air(free, 'tMaxC')) / 2)
        free++
      }
      if (free > target) return 'residue-hold'
    }
    const left = (series: Float32Array, day: number) => series[placeIn(ended!, m, day - ended!.startDay)]
    if (!composted) {
      const taken = left(ended!.releasedG, target) - left(ended!.releasedG, target + 28)
      let soil = left(ended!.mineralG, target)
      for (let day = target; day < target + 28; day++) soil += soilRelease(air(day, 'soilTempC'), 0.055)
      if (taken > 0.5 * soil && 0.65 * soil + follows.feedG - taken < cropNeed(follows.crop, 28))
        return 'tie-up'
    }
    if (seed && !raked && !composted && left(ended!.residueG, target) > (follows.crop.smallSeed ? 120 : 350))
      return 'seedbed'
    const warmer = method.sheet === 'black' ? 1 : method.sheet === 'clear' ? 2.5 : 0
    for (let day = target - 2; day <= target; day++)
      if (air(day, 'soilTempC') + warmer < follows.crop.soilMinC) return 'soil'
    for (let day = target; day <= target + 21; day++)
      if (air(day, 'tMinC') <= follows.crop.frostLimitC) return 'frost'
    return null
  })
}

const firsts = (evaluated: NonNullable<ReturnType<typeof evaluate>>, target: number) =>
  Array.from(
    { length: evaluated.season.run.members },
    (_, m) => evaluated.criteria.find(({ days }) => !(days[m] <= target && days[m] < Infinity))?.id ?? null,
  )

describe('a plan counted again, member by member', () => {
  const tools = (['scythe', 'hand shears', 'wheelbarrow', 'spade or fork', 'burner', 'mower'] as const)
    .map((kind) => testTool(kind))
    .concat(testTool('crimp board', 1.2), testTool('black tarp', 2, 12), testTool('clear film', 2, 12))
  const species = [
    'cereal-rye',
    'hairy-vetch',
    'oats',
    'crimson-clover',
    'white-mustard',
    'buckwheat',
    'sorghum-sudangrass',
  ] as const
  const asked = fc
    .record({
      speciesId: fc.constantFrom(...species, 'cereal-rye', 'hairy-vetch'),
      method: fc.constantFrom(
        null,
        ...METHODS.map(({ id }) => id),
        'tarp' as const,
        'bury' as const,
        'turn' as const,
        'chop' as const,
      ),
      plantAfter: fc.integer({ min: 190, max: 300 }),
      gap: fc.integer({ min: 3, max: 70 }),
      twice: fc.boolean(),
      kind: fc.constantFrom('crop', 'crop', 'crop', 'crop', 'deadline', 'nothing'),
      cropId: fc.constantFrom('tomato', 'cabbage', 'carrot', 'bush-bean', 'lettuce', 'pumpkin', 'beetroot'),
      plantingMethod: fc.constantFrom(null, null, 'rake' as const, 'compost row' as const),
      feedG: fc.constantFrom(0, 0, 3),
      owned: fc.oneof(fc.constant(tools), fc.constant(tools), fc.subarray(tools)),
      longestSheetDays: fc.constantFrom(null, null, 20),
      seedSet: fc.constantFrom('never' as const, 'allowed' as const),
      legumeFrom: fc.constantFrom('any stage' as const, 'any stage' as const, 'bloom' as const),
      manure: fc.constantFrom<Scenario['ground']['manure']>(
        [],
        [],
        [{ day: dayNumber('2026-02-01'), from: 'feed' }],
      ),
    })
    .filter(({ cropId }) => findCrop(cropId) !== null)
    .map(({ kind, cropId, plantAfter, plantingMethod, feedG, gap, ...own }) => {
      const day = dayNumber(SOWN) + plantAfter
      const follows: Follows =
        kind === 'crop'
          ? crop(cropId, isoDate(day), { plantingMethod, feedG })
          : kind === 'deadline'
            ? { kind, day, establishment: 'transplant' }
            : { kind: 'nothing' }
      return { ...own, follows, after: plantAfter - gap }
    })
  const kinds = { hens: 'hens', pigs: 'pigs', grazers: 'sheep' } as const

  test('every member fails first where the evaluation says it does, and the chance is their share', () =>
    fc.assert(
      fc.property(asked, ({ speciesId, method, after, twice, follows, owned, manure, ...rules }) => {
        const entry = method && findMethod(method)
        const plan = scenario({
          speciesId,
          follows,
          manure,
          means: { tools: owned, rules: { ...testMeans().rules, ...rules } },
          ...(method && {
            end: {
              method,
              date: isoDate(dayNumber(SOWN) + after),
              passes: twice && entry?.twice ? 2 : 1,
              ...(entry?.animals && {
                animals: usualPlan(
                  { kind: kinds[entry.animals], head: 4, penLengthM: 2, penWidthM: 1.2 },
                  12,
                ),
              }),
            },
          }),
        })
        const evaluated = evaluate(plan, ensemble)!
        const told = recount(plan, evaluated)
        const target = follows.kind === 'nothing' ? Infinity : follows.day
        expect(firsts(evaluated, target)).toEqual(told)
        const { outcome } = evaluated
        expect(outcome.chance.whole).toBeCloseTo(told.filter((id) => id === null).length / told.length, 9)
        for (const { id, share } of outcome.failures)
          expect(share).toBeCloseTo(told.filter((one) => one === id).length / told.length, 9)
        const failed = outcome.failures.reduce((sum, { share }) => sum + share, 0)
        expect(failed + outcome.chance.whole).toBeCloseTo(1, 9)
        expect(outcome.chance.established).toBeGreaterThanOrEqual(outcome.chance.dead ?? 0)
        expect(outcome.chance.dead ?? 1).toBeGreaterThanOrEqual(outcome.chance.ready ?? 0)
      }),
      { numRuns: 70, seed: 4 },
    ))

  test('holding every way against the others tells of each start what the plan with it comes to, and the best is found', () =>
    fc.assert(
      fc.property(
        asked,
        ({ speciesId, follows, owned, manure, method: _m, after: _a, twice: _t, ...rules }) => {
          const plan = scenario({
            speciesId,
            follows,
            manure,
            means: { tools: owned, rules: { ...testMeans().rules, ...rules } },
          })
          const season = standRun(plan.standCase, ensemble)!
          const options = compareTerminations(plan, season)
          for (const option of options)
            for (const start of option.starts.slice(-3)) {
              const whole = evaluateWith(plan, season, start.end).outcome.chance.whole
              if (start.worth > HOPELESS) expect(start.chance).toBeCloseTo(whole, 9)
              else expect(whole).toBeLessThanOrEqual(start.chance + 1e-9)
            }
          const best = bestTermination(plan, season)
          const listed = bestOption(plan, options)
          const told = (one: typeof best) =>
            one && [one.method, one.passes, one.day, one.chance, one.latestSafeDay]
          expect(told(best)).toEqual(told(listed))
        },
      ),
      { numRuns: 5, seed: 9 },
    ))

  test('the planned way is held against the others as it was planned, on its day and on any other', () => {
    const hens = { id: 'h', kind: 'hens' as const, head: 4, penLengthM: 2, penWidthM: 1.2 }
    const stubble = { method: 'chop' as const, date: '2026-05-06', stubbleCm: 25 }
    const rounds = {
      method: 'hens' as const,
      date: '2026-04-11',
      animals: { ...usualPlan(hens, 9.6), daysPerStop: 4, rounds: 1 },
    }
    for (const end of [stubble, rounds]) {
      const plan = scenario({ end, follows: crop('tomato', '2026-06-10'), means: { livestock: [hens] } })
      const planned = plan.standCase.stand.end.plan!
      const season = standRun(plan.standCase, ensemble)!
      const find = (options: ReturnType<typeof compareTerminations>) =>
        options.find(({ method, passes }) => method === end.method && passes === 1)!
      const usual = find(compareTerminations(plan, season))
      const option = find(compareTerminations(plan, season, { startDay: null, planned }))
      const start = option.starts.find(({ day }) => day === dayNumber(end.date))!
      expect(start.end).toEqual(planned)
      expect(start.chance).toBeCloseTo(evaluateWith(plan, season, planned).outcome.chance.whole, 9)
      expect(option.starts.length).toBeGreaterThanOrEqual(usual.starts.length)
      // How it is planned makes a difference, so that the usual way cannot stand in for it.
      const shared = (one: typeof usual) =>
        one.starts
          .filter(({ day }) => usual.starts.some((other) => other.day === day))
          .map(({ survivors }) => survivors.p50)
      expect(shared(option)).not.toEqual(shared(usual))
    }
  })
})

describe('where nothing says when the ground is wanted', () => {
  const spanOf = (speciesId: string) => {
    const plan = scenario({ speciesId, end: { method: 'chop', date: '2026-05-01' } })
    const open = { ...plan, standCase: withoutEnd(plan.standCase) }
    const season = standRun(open.standCase, ensemble)!
    return { open, season, ...startSpan(open, season.run) }
  }
  test('a cover that lives through winter is looked at until it bears seed, and can be chopped in bloom', () => {
    const { open, season, fromDay, toDay } = spanOf('cereal-rye')
    expect(toDay).toBeGreaterThan(dayNumber('2026-05-05'))
    expect(toDay).toBeLessThan(dayNumber('2026-07-25'))
    const chop = compareTerminations(open, season).find(
      ({ method, passes }) => method === 'chop' && passes === 2,
    )!
    expect(chop.shown!.day).toBeGreaterThan(dayNumber('2026-04-15'))
    expect(chop.shown!.day).toBeLessThan(toDay - 7)
    expect(chop.shown!.chance).toBeGreaterThan(0.5)
    expect(startSpan(open, { startDay: season.run.startDay, days: season.run.days }).toDay).toBe(
      fromDay + 120,
    )
  })
  test('one that winter takes is best ended when it has grown what it will, not on the last day looked at', () => {
    const { open, season, toDay } = spanOf('phacelia')
    for (const { shown, obstacle, method, starts } of compareTerminations(open, season)) {
      if (obstacle || !shown || findMethod(method)?.waits) continue
      expect(starts.at(-1)!.day).toBeLessThanOrEqual(toDay)
      expect(shown.day).toBeLessThan(dayNumber('2025-12-10'))
    }
  })
})

describe('a cover that would sow itself', () => {
  const asked = (follows: Follows, on: string) => {
    const plan = { ...scenario({ follows }), today: dayNumber(on) }
    const season = standRun(plan.standCase, ensemble)!
    return { plan, season, options: compareTerminations(plan, season) }
  }
  const workOf = (options: ReturnType<typeof compareTerminations>) =>
    options.filter(({ method, obstacle, shown }) => obstacle === null && shown && !findMethod(method)?.waits)

  test('is ended before its seed is fit to sprout, though a later day would be as sure', () => {
    const { plan, season, options } = asked(crop('tomato', '2026-08-10'), '2026-05-01')
    const chop = workOf(options).find(({ method, passes }) => method === 'chop' && passes === 2)!
    expect(chop.starts.some(({ seeds, chance }) => seeds > 0.9 && chance >= 0.8)).toBe(true)
    expect(chop.shown!.seeds).toBeLessThanOrEqual(0.1)
    expect(chop.shown!.chance).toBeGreaterThanOrEqual(0.8)
    expect(chop.starts.find(({ day }) => day === chop.latestSafeDay)!.seeds).toBeLessThanOrEqual(0.1)
    expect(bestTermination(plan, season)!.seeds).toBeLessThanOrEqual(0.1)
    // Chance comes first where no day before seed can be relied on.
    for (const { starts, shown } of workOf(options))
      if (shown!.seeds > 0.1)
        for (const { seeds, worth } of starts)
          if (seeds <= 0.1) expect(worth).toBeLessThan(Math.min(0.8, shown!.worth))
  })
  test('is ended today once it bears seed, whether or not anything follows', () => {
    for (const follows of [{ kind: 'nothing' } as const, crop('tomato', '2026-08-01')]) {
      const { plan, season, options } = asked(follows, '2026-06-25')
      const chop = workOf(options).find(({ method, passes }) => method === 'chop' && passes === 1)!
      expect(chop.shown!.seeds).toBeGreaterThan(0.5)
      expect(chop.shown!.day).toBe(plan.today)
      const best = bestTermination(plan, season)!
      const listed = bestOption(plan, options)!
      expect([best.method, best.day, best.latestSafeDay]).toEqual([
        listed.method,
        listed.day,
        listed.latestSafeDay,
      ])
    }
  })
})
