import { expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import { generatedEnsemble } from '../site/ensemble'
import { testPlan, type PlanOwn } from '../testing/plans'
import { TEST_SITES } from '../testing/sites'
import { evaluate } from './evaluate'
import { traysOf } from './trays'

const ensemble = generatedEnsemble(TEST_SITES.maryland, dayNumber('2025-08-01'), 480, 30, 1)
const traysFor = (endOn: string, cropId: string, plantOn: string, own: PlanOwn = {}) => {
  const plan = testPlan('cereal-rye', '2025-09-25', endOn, 'tarp', cropId, plantOn, 7, own)
  const evaluated = evaluate(plan, ensemble)!
  return { trays: traysOf(plan, evaluated), chance: evaluated.outcome.chance.whole }
}

test('trays are sown weeks before, plants wait some days, and a slip of a late ending costs seasons', () => {
  const { trays, chance } = traysFor('2026-05-18', 'tomato', '2026-06-20')
  expect(trays).toMatchObject({ sowDay: dayNumber('2026-05-02'), lastDay: dayNumber('2026-07-04'), weeks: 7 })
  expect(trays!.inTime).toBeGreaterThanOrEqual(chance)
  expect(trays!.slipped!).toBeLessThanOrEqual(trays!.inTime)
  const late = traysFor('2026-06-14', 'tomato', '2026-06-20').trays!
  expect(late.slipped!).toBeLessThan(late.inTime)
})

test('there are none for what is sown in place, bought, or planted already', () => {
  expect(traysFor('2026-05-18', 'carrot', '2026-06-20').trays).toBeNull()
  expect(traysFor('2026-05-18', 'strawberry', '2026-06-20').trays).toBeNull()
  expect(traysFor('2026-05-18', 'tomato', '2026-06-20', { crop: { done: true } }).trays).toBeNull()
  expect(traysFor('2026-05-18', 'tomato', '2026-06-20', { crop: { establishment: 'seed' } }).trays).toBeNull()
})
