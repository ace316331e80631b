import { describe, expect, test } from '@jest/globals'
import { standRun } from '../bed/standRun'
import { dayNumber } from '../foundations/day'
import { findCrop } from '../plants/crops'
import { generatedEnsemble } from '../site/ensemble'
import { testCase, testCover } from '../testing/beds'
import { TEST_SITES } from '../testing/sites'
import { aisleMowings, allowedOn, type Neighbour } from './aisle'

const today = dayNumber('2026-04-15')
const ensemble = generatedEnsemble(TEST_SITES.netherlands, dayNumber('2025-07-01'), 560, 20, 1)
const aisle = testCase(testCover('annual-ryegrass', '2025-08-25', { segment: { kind: 'path' } }))
const season = standRun(aisle, ensemble)!
const beside = (cropId: string): Neighbour[] => [
  { crop: findCrop(cropId)!, plantedDay: dayNumber('2026-05-10'), goneDay: dayNumber('2026-09-20') },
]

describe('a living aisle', () => {
  const lettuce = aisleMowings(aisle, season, beside('lettuce'), today)
  const corn = aisleMowings(aisle, season, beside('sweetcorn'), today)
  test('is mown when it outgrows what the crop beside it allows, never twice within days', () => {
    expect(lettuce.length).toBeGreaterThan(1)
    for (const { reachedM, allowedM } of lettuce) expect(reachedM).toBeGreaterThan(allowedM)
    for (let i = 1; i < lettuce.length; i++)
      expect(lettuce[i].day - lettuce[i - 1].day).toBeGreaterThanOrEqual(12)
  })
  test('more often beside what is low than beside what is tall', () => {
    expect(lettuce.length).toBeGreaterThanOrEqual(corn.length)
    expect(lettuce.some(({ beside: name }) => name === 'Lettuce')).toBe(true)
  })
  test('each mowing tells what lands on the strips', () => {
    for (const { massKg, nitrogenG } of lettuce) {
      expect(massKg).toBeGreaterThan(0)
      expect(nitrogenG).toBeGreaterThan(0)
    }
  })
  test('never lower than it lives on, and higher where no crop stands', () => {
    expect(allowedOn(dayNumber('2026-06-20'), beside('lettuce'), 0.06).allowedM).toBeCloseTo(0.14)
    expect(allowedOn(today, beside('lettuce'), 0.06)).toEqual({ allowedM: 0.4, beside: null })
    expect(allowedOn(dayNumber('2026-08-20'), beside('sweetcorn'), 0.06).allowedM).toBe(0.4)
  })
})
