import { describe, expect, test } from '@jest/globals'
import { dayNumber, isoDate as isoOf } from '../foundations/day'
import type { PlantingMethodId } from '../garden/schema'
import { findCrop } from '../plants/crops'
import { standRun } from '../bed/standRun'
import { generatedEnsemble } from '../site/ensemble'
import { testCase, testCover } from '../testing/beds'
import { testPlan, type PlanOwn } from '../testing/plans'
import { TEST_SITES } from '../testing/sites'
import { evaluate } from './evaluate'
import { sowingOutlook, bestSowingDays, latestSowing } from './sowingDays'
import type { CriterionId } from './types'

const start = dayNumber('2025-08-01')
const ensemble = generatedEnsemble(TEST_SITES.maryland, start, 480, 40, 1)

const ready = (...of: Parameters<typeof testPlan>) => evaluate(testPlan(...of), ensemble)!.outcome
const gate = ({ criteria }: ReturnType<typeof ready>, id: CriterionId) =>
  criteria.find(({ detail }) => detail.id === id)

test('a cover that is cut before it covers is not told to cover afterwards', () => {
  const cut = (on: string) => ready('hairy-vetch', '2025-09-20', on, 'chop', 'tomato', '2026-06-12').covered30
  const [early, late] = [cut('2025-10-02'), cut('2026-05-22')]
  expect(late.chance).toBeGreaterThan(0.9)
  expect(early.chance).toBeLessThan(0.1)
  expect(early.quantiles?.p90 ?? 0).toBeLessThanOrEqual(dayNumber('2025-10-02'))
})

describe('criteria before planting', () => {
  const vetch = ready('hairy-vetch', '2025-09-20', '2026-05-22', 'chop', 'tomato', '2026-06-12')
  test('the wait follows the grower’s own rule', () =>
    expect(gate(vetch, 'wait')!.open!.p50 - gate(vetch, 'dead')!.open!.p50).toBeCloseTo(7, 0))
  test('a count after the end says whether it is dead', () => {
    const counted = (date: string, standing: number) =>
      ready('hairy-vetch', '2025-09-20', '2026-05-22', 'crimp', 'tomato', '2026-06-25', 7, {
        stand: {
          end: { plan: null, actual: { date: '2026-05-22', method: 'crimp', passes: 1, note: '' } },
          followUps: [{ id: 'f', date, standing, groundM2: 1, before: 100, note: '' }],
        },
      })
    const few = gate(counted('2026-06-03', 3), 'dead')!
    expect(few.open!.p90).toBeLessThanOrEqual(dayNumber('2026-06-03'))
    expect(few.detail).toMatchObject({ counted: { share: 0.03, tooMany: false } })
    const many = counted('2026-06-03', 40)
    expect(gate(many, 'dead')).toMatchObject({
      open: null,
      chance: 0,
      detail: { counted: { tooMany: true } },
    })
    expect(many.chance.whole).toBe(0)
    expect(many.failures).toEqual([{ id: 'dead', share: 1 }])
  })
  test('the whole is open no sooner than the last of them, and no likelier', () => {
    const latest = Math.max(...vetch.criteria.map(({ open }) => open?.p50 ?? -Infinity))
    expect(vetch.ready!.p50).toBeGreaterThanOrEqual(latest - 1)
    for (const { chance } of vetch.criteria) expect(vetch.chance.whole).toBeLessThanOrEqual(chance + 1e-9)
  })
  test('poor ground under ripe rye starves a hungry crop; feed or a row of compost lifts it, rich ground needs neither', () => {
    const rye = (own: PlanOwn, fertility: 'low' | 'high' = 'low') => {
      const plan = testPlan('cereal-rye', '2025-09-25', '2026-05-28', 'crimp', 'tomato', '2026-06-25', 7, own)
      const bed = { ...plan.standCase.bed, fertility }
      return gate(evaluate({ ...plan, standCase: { ...plan.standCase, bed } }, ensemble)!.outcome, 'tie-up')!
    }
    expect(rye({}).chance).toBeLessThan(1)
    expect(rye({ crop: { feedG: 6 } }).chance).toBe(1)
    expect(rye({ crop: { plantingMethod: 'compost row' } }).chance).toBe(1)
    expect(rye({}, 'high').chance).toBeGreaterThan(rye({}).chance)
  })
  test('small seed into rye waits for the residue; rows raked free open it; transplants do not wait', () => {
    const rye = (own: PlanOwn = {}) =>
      ready('cereal-rye', '2025-09-25', '2026-05-25', 'crimp', 'carrot', '2026-07-10', 14, own)
    const seeded = rye()
    const held = gate(seeded, 'residue-hold')!.open!.p50 - gate(seeded, 'dead')!.open!.p50
    expect(held).toBeGreaterThan(10)
    expect(held).toBeLessThan(28)
    expect(gate(seeded, 'seedbed')!.chance).toBe(0)
    const raked = rye({ crop: { plantingMethod: 'rake' } })
    for (const id of ['seedbed', 'residue-hold'] as const) expect(gate(raked, id)!.chance).toBe(1)
    expect(raked.chance.whole).toBeGreaterThan(seeded.chance.whole)
    expect(gate(vetch, 'residue-hold')).toBeUndefined()
  })
  test('ground is a little warmer where a sheet lay until planting, not where it came off weeks before', () => {
    const pepper = (method: 'tarp' | 'chop-cardboard', liftedOn?: string) =>
      gate(
        ready('cereal-rye', '2025-09-25', '2026-04-05', method, 'pepper', '2026-05-05', 7, {
          stand: {
            end: { plan: null, actual: { date: '2026-04-05', method, passes: 1, note: '', liftedOn } },
          },
        }),
        'soil',
      )!.chance
    expect(pepper('tarp')).toBeGreaterThan(pepper('chop-cardboard'))
    expect(pepper('tarp', '2026-04-20')).toBe(pepper('chop-cardboard'))
  })
  test('a sheet may have to lie until the residue is thin: the sooner it is laid, the likelier', () => {
    const under = (endOn: string, untilThin?: boolean) =>
      ready('cereal-rye', '2025-09-25', endOn, 'tarp', 'tomato', '2026-07-20', 7, {
        stand: {
          end: { plan: { date: endOn, method: 'tarp', passes: 1, note: '', untilThin }, actual: null },
        },
      })
    expect(gate(under('2026-05-20'), 'seedbed')).toBeUndefined()
    const [early, late] = ['2026-04-20', '2026-06-10'].map((day) => gate(under(day, true), 'seedbed')!)
    expect(early.detail).toMatchObject({ limitG: 350, sheet: true })
    expect(early.chance).toBeGreaterThan(late.chance)
    expect(under('2026-06-10', true).chance.whole).toBeLessThan(under('2026-06-10').chance.whole)
  })
  test('a blanket of compost is a seedbed that feeds; pockets feed alone; film warms the ground a little', () => {
    const rye = (plantingMethod: PlantingMethodId | null, crop = 'tomato', on = '2026-05-12') =>
      ready('cereal-rye', '2025-09-25', '2026-04-20', 'crimp', crop, on, 7, { crop: { plantingMethod } })
    const sown = rye('compost blanket', 'carrot')
    for (const id of ['seedbed', 'residue-hold', 'tie-up'] as const) expect(gate(sown, id)!.chance).toBe(1)
    const pockets = rye('pockets')
    expect(gate(pockets, 'tie-up')!.chance).toBe(1)
    expect(gate(pockets, 'soil')).toEqual(gate(rye(null), 'soil'))
    const [film, open] = [rye('film', 'pepper'), rye(null, 'pepper')].map((plan) => gate(plan, 'soil')!)
    expect(film.open!.p50).toBeLessThan(open.open!.p50)
    expect(gate(rye('film'), 'tie-up')).toEqual(gate(rye(null), 'tie-up'))
  })
  test('a tender crop waits for frost and warmth that a hardy one does not', () => {
    const on = (crop: string) => ready('hairy-vetch', '2025-09-20', '2026-04-01', 'tarp', crop, '2026-05-10')
    expect(gate(on('pepper'), 'soil')!.chance).toBeLessThan(gate(on('kale'), 'soil')!.chance + 1e-9)
    expect(gate(on('pepper'), 'frost')!.chance).toBeLessThan(gate(on('kale'), 'frost')!.chance)
  })
  test('animals keep the harvest waiting by the rule, whatever the residue says', () => {
    const last = dayNumber('2026-05-20')
    const kept = ready('hairy-vetch', '2025-09-20', '2026-05-22', 'chop', 'lettuce', '2026-06-12', 7, {
      ground: { manure: [{ day: last, from: 'animals' }] },
    })
    const manure = gate(kept, 'manure')!
    expect(manure.open!.p50).toBe(last + 120 - findCrop('lettuce')!.daysToHarvest)
    expect(manure.detail).toMatchObject({ days: 120, from: 'animals', touches: true })
    expect(kept.chance.whole).toBe(0)
  })
  test('after turning fresh growth under, seed and transplants wait for the seed flies', () => {
    for (const crop of ['bean', 'tomato']) {
      const turned = ready('hairy-vetch', '2025-09-20', '2026-05-12', 'turn', crop, '2026-05-26')
      const flies = gate(turned, 'seed-flies')!.open!.p50 - dayNumber('2026-05-12')
      expect(flies).toBeGreaterThanOrEqual(21)
      expect(flies).toBeLessThanOrEqual(32)
      expect(turned.chance.whole).toBe(0)
    }
    expect(gate(vetch, 'seed-flies')).toBeUndefined()
  })
  test('bindweed and a nematode host after a host are advice: told, and no date moves', () => {
    const told = ready('hairy-vetch', '2025-09-20', '2026-05-22', 'chop', 'tomato', '2026-06-12', 7, {
      ground: { creeping: ['bindweed'], nematodes: true },
    })
    expect(told.advice).toEqual([
      { id: 'creeping', weeds: ['bindweed'] },
      { id: 'nematodes', fed: 'surely' },
    ])
    expect(told.ready).toEqual(vetch.ready)
    const onion = ready('hairy-vetch', '2025-09-20', '2026-05-22', 'chop', 'onion', '2026-06-12', 7, {
      ground: { nematodes: true },
    })
    expect(onion.advice).toEqual([])
  })
  test('seedlings wait for two weeks without green, transplants do not', () => {
    const beans = ready('hairy-vetch', '2025-09-20', '2026-05-22', 'chop', 'bean', '2026-06-25', 3)
    expect(gate(beans, 'bridge')!.open!.p50 - gate(beans, 'dead')!.open!.p50).toBeCloseTo(14, 0)
    expect(gate(vetch, 'bridge')).toBeUndefined()
  })
  test('what was buried to fumigate asks for its own wait when the grower’s is shorter', () => {
    const mustard = ready(
      'brown-mustard',
      '2025-09-01',
      '2025-10-25',
      'biofumigate',
      'tomato',
      '2026-05-20',
      3,
    )
    expect(gate(mustard, 'wait')!.detail).toMatchObject({ days: 14, fumigated: true })
  })
  test('what was planted is no longer in question', () => {
    const planted = ready('hairy-vetch', '2025-09-20', '2026-05-22', 'chop', 'tomato', '2026-05-25', 7, {
      crop: { done: true },
    })
    expect(planted.chance.whole).toBe(1)
    expect(planted.failures).toEqual([])
  })
})

describe('the plan on other sowing days', () => {
  const plan = testPlan('cereal-rye', '2025-09-20', '2026-05-28', 'crimp', 'tomato', '2026-06-25')
  const stand = { ...plan.standCase.stand, start: { plan: plan.standCase.stand.start.actual, actual: null } }
  const scenario = { ...plan, standCase: { ...plan.standCase, stand }, today: dayNumber('2025-09-01') }
  const days = ['2025-09-05', '2025-10-05', '2025-11-20', '2026-01-10', '2026-03-25'].map(dayNumber)
  const outlook = sowingOutlook(scenario, ensemble, days)
  test('each day is the same evaluation as the plan’s own; in deep winter the ground is not worked', () => {
    outlook.forEach(({ day, chance }) => {
      const date = stand.start.plan!
      const moved = { ...stand, start: { plan: { ...date, date: isoOf(day) }, actual: null } }
      const own = evaluate({ ...scenario, standCase: { ...scenario.standCase, stand: moved } }, ensemble)!
      expect(chance).toBe(own.outcome.chance.whole)
    })
    const winter = outlook.find(({ day }) => day === days[3])!
    expect(winter.failures.some(({ id }) => id === 'ground')).toBe(true)
  })
  test('the best days are in a total order, and the last to rely on is one of them', () => {
    const best = bestSowingDays(outlook)
    for (let i = 1; i < best.length; i++)
      expect(
        Math.round(best[i - 1].chance / 0.05) > Math.round(best[i].chance / 0.05) ||
          best[i - 1].day < best[i].day,
      ).toBe(true)
    const latest = latestSowing(outlook)
    if (latest !== null) expect(outlook.find(({ day }) => day === latest)!.chance).toBeGreaterThanOrEqual(0.8)
  })
})

test('a planted crop’s cover still runs, and a stand sown outside the weather does not', () => {
  expect(standRun(testCase(testCover('oats', '2020-01-01')), ensemble)).toBeNull()
  expect(
    evaluate({ ...testPlan('oats', '2020-01-01', '2020-05-01', 'chop', 'tomato', '2020-06-01') }, ensemble),
  ).toBeNull()
})
