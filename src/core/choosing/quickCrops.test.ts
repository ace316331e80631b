import { describe, expect, test } from '@jest/globals'
import { dayNumber } from '../foundations/day'
import { findCrop } from '../plants/crops'
import { generatedEnsemble } from '../site/ensemble'
import { TEST_SITES } from '../testing/sites'
import { quickCrops } from './quickCrops'

const ensemble = generatedEnsemble(TEST_SITES.pennsylvania, dayNumber('2026-01-01'), 365, 60, 2)
const offered = (from: string, to: string) => quickCrops(ensemble, dayNumber(from), dayNumber(to))

describe('something to eat in a short gap', () => {
  test('six weeks of early summer grow radish and cress, the quicker the surer', () => {
    const crops = offered('2026-05-10', '2026-06-24')
    expect(crops.map(({ cropId }) => cropId)).toEqual(expect.arrayContaining(['radish-salad', 'cress']))
    for (const { cropId, chance, harvest } of crops) {
      expect(findCrop(cropId)!.daysToHarvest).toBeLessThanOrEqual(32)
      expect(chance).toBeGreaterThanOrEqual(0.5)
      expect(harvest.p10).toBeGreaterThan(dayNumber('2026-05-24'))
    }
    expect(crops.map(({ chance }) => chance)).toEqual(crops.map(({ chance }) => chance).sort((a, b) => b - a))
  })
  test('warm weeks ripen it sooner than cool ones', () => {
    const days = (from: string, to: string) =>
      offered(from, to).find(({ cropId }) => cropId === 'radish-salad')!.harvest.p50 - dayNumber(from)
    expect(days('2026-07-01', '2026-08-20')).toBeLessThan(days('2026-04-20', '2026-06-20'))
  })
  test('nothing is offered in a fortnight, in frost, or where the gap is long enough for a cover alone', () => {
    expect(offered('2026-05-10', '2026-05-24')).toEqual([])
    expect(offered('2026-11-20', '2026-12-31')).toEqual([])
    expect(offered('2026-05-10', '2026-09-10')).toEqual([])
  })
})
