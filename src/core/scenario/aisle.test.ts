import { describe, expect, test } from '@jest/globals'
import { standRun } from '../bed/standRun'
import { dayNumber, isoDate } from '../foundations/day'
import { findCrop } from '../plants/crops'
import { generatedEnsemble } from '../site/ensemble'
import { testCase, testCover } from '../testing/beds'
import { TEST_SITES } from '../testing/sites'
import { aisleMowings, allowedOn, type Neighbour } from './aisle'
import { aisleYears, everyYear } from './aisleYears'

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

describe('an aisle over years', () => {
  const sown = (speciesId: string) =>
    testCase(testCover(speciesId, '2025-08-10', { segment: { kind: 'path' } }))
  const long = generatedEnsemble(TEST_SITES.pennsylvania, dayNumber('2025-07-01'), 2150, 20, 1)
  const followed = (speciesId: string) =>
    aisleYears(sown(speciesId), standRun(sown(speciesId), long)!, beside('lettuce'), today)

  test('white clover is mown each summer and stays closed; an annual does not come again', () => {
    const clover = followed('white-clover')
    expect(clover).toHaveLength(5)
    for (const { mowings, massKg, closed } of clover.slice(0, 4)) {
      expect(mowings).toBeGreaterThan(0)
      expect(massKg).toBeGreaterThan(0)
      expect(closed).toBeGreaterThan(0.5)
    }
    const crimson = followed('crimson-clover')
    expect(crimson.at(-1)).toMatchObject({ mowings: 0, thin: true })
  })
  test('the crops of the coming year are taken to come again, unless others are planned', () => {
    const next = {
      ...beside('sweetcorn')[0],
      plantedDay: dayNumber('2027-05-20'),
      goneDay: dayNumber('2027-09-01'),
    }
    const all = everyYear([...beside('lettuce'), next], today, 3)
    expect(all.map(({ crop, plantedDay }) => [crop.id, isoDate(plantedDay)])).toEqual([
      ['lettuce', '2026-05-10'],
      ['sweetcorn', '2027-05-20'],
      ['lettuce', '2028-05-10'],
    ])
  })
})
