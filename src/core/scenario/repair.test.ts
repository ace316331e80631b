import { describe, expect, test } from '@jest/globals'
import { standRun } from '../bed/standRun'
import { dayNumber } from '../foundations/day'
import { generatedEnsemble } from '../site/ensemble'
import { testPlan } from '../testing/plans'
import { TEST_SITES } from '../testing/sites'
import { evaluate } from './evaluate'
import { cheapestRepair, withChange } from './repair'
import type { Scenario } from './types'

const ensemble = generatedEnsemble(TEST_SITES.maryland, dayNumber('2025-08-01'), 480, 20, 1)
const repairOf = (plan: Scenario) =>
  cheapestRepair(plan, standRun({ ...plan.standCase, own: plan.means.own }, ensemble)!, ensemble)
const chanceOf = (plan: Scenario) => evaluate(plan, ensemble)!.outcome.chance.whole

type Plan = Parameters<typeof testPlan>
const sown = (plan: Scenario, own: Partial<Scenario> = {}): Scenario => {
  const { stand } = plan.standCase
  return {
    ...plan,
    standCase: { ...plan.standCase, stand: { ...stand, start: { plan: stand.start.actual, actual: null } } },
    ...own,
  }
}

describe('the change that helps with the least trouble', () => {
  const tooLate: Plan = ['cereal-rye', '2025-09-25', '2026-05-28', 'tarp', 'tomato', '2026-06-08']
  const intoResidue: Plan = ['cereal-rye', '2025-09-25', '2026-05-25', 'crimp', 'carrot', '2026-07-10']
  const plans: [string, Plan][] = [
    ['a tarp laid too late', tooLate],
    ['small seed into crimped rye', intoResidue],
    ['vetch chopped too early', ['hairy-vetch', '2025-09-20', '2026-04-20', 'chop', 'squash', '2026-05-20']],
    [
      'oats that are to be crimped green',
      ['oats', '2026-03-25', '2026-05-01', 'crimp', 'lettuce', '2026-05-20'],
    ],
  ]
  test.each(plans)('%s: with it the plan has the chance that is told', (_what, plan) => {
    const scenario = testPlan(...plan)
    const before = chanceOf(scenario)
    expect(before).toBeLessThan(0.8)
    const repair = repairOf(scenario)!
    expect(chanceOf(withChange(scenario, repair.change))).toBeCloseTo(repair.chance, 10)
    expect(repair.chance).toBeGreaterThanOrEqual(before + 0.1)
  })
  test('rows raked free are named before a later planting or another way', () => {
    const scenario = testPlan(...intoResidue)
    expect(repairOf(scenario)!.change.code).toBe('planting method')
  })
  test('nothing is named for a plan that can be relied on, nor where what helps costs more than it brings', () => {
    expect(
      repairOf(testPlan('cereal-rye', '2025-09-25', '2026-05-01', 'tarp', 'tomato', '2026-06-20')),
    ).toBeNull()
    const { means, ...plan } = testPlan(...tooLate)
    const { stand } = plan.standCase
    // Ended, and the crop planted: there is nothing left to change.
    const over = {
      ...plan,
      means,
      follows: { ...plan.follows, done: true } as Scenario['follows'],
      standCase: { ...plan.standCase, stand: { ...stand, end: { plan: null, actual: stand.end.plan } } },
    }
    expect(repairOf(over)).toBeNull()
  })
  test('what is done is not changed: not the sowing, not the end, not the planting', () => {
    const plan = testPlan(...tooLate)
    const { stand } = plan.standCase
    const ended = {
      ...plan,
      standCase: { ...plan.standCase, stand: { ...stand, end: { plan: null, actual: stand.end.plan } } },
    }
    expect(repairOf(ended)!.change.code).toBe('plant later')
  })
  test('a thin stand still to be sown is kept moist or sown on another day', () => {
    const dry = {
      ...TEST_SITES.maryland,
      rainMm: TEST_SITES.maryland.rainMm.map(() => 6),
      wetDays: TEST_SITES.maryland.wetDays.map(() => 1),
    }
    const weather = generatedEnsemble(dry, dayNumber('2025-06-01'), 400, 40, 1)
    const plan = sown(testPlan('hairy-vetch', '2025-09-10', '2025-11-01', 'tarp', 'garlic', '2025-12-05'), {
      today: dayNumber('2025-09-08'),
      follows: { kind: 'nothing' },
    })
    const { stand } = plan.standCase
    const open = {
      ...plan,
      standCase: { ...plan.standCase, stand: { ...stand, end: { plan: null, actual: null } } },
    }
    const season = standRun(open.standCase, weather)!
    const repair = cheapestRepair(open, season, weather)
    const before = evaluate(open, weather)!.outcome.chance.whole
    expect(before).toBeLessThan(0.7)
    expect(repair!.change.code).toBe('keep moist')
    expect(evaluate(withChange(open, repair!.change), weather)!.outcome.chance.whole).toBe(repair!.chance)
    expect(repair!.chance).toBeGreaterThan(before + 0.1)
  })
})
