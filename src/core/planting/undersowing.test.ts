import { expect, test } from '@jest/globals'
import { findSpecies, SPECIES } from '../plants/catalogue'
import fc from '../testing/property'
import { yieldLost } from './undersowing'

const plant = (id: string) => findSpecies(id)!

test('sown at the last weeding it costs a twentieth at most, low clover less than tall rye', () => {
  expect(yieldLost([plant('white-clover')], 0)).toEqual({ low: 0, high: 0.025 })
  expect(yieldLost([plant('cereal-rye')], 0).high).toBeGreaterThan(0.05)
  expect(yieldLost([plant('white-clover'), plant('cereal-rye')], 0)).toEqual(
    yieldLost([plant('cereal-rye')], 0),
  )
})

test('sown earlier never costs less, and always a share of the harvest', () => {
  const day = fc.integer({ min: -60, max: 60 })
  fc.assert(
    fc.property(fc.constantFrom(...SPECIES), day, day, (species, a, b) => {
      const [early, late] = a <= b ? [a, b] : [b, a]
      const [before, after] = [yieldLost([species], early), yieldLost([species], late)]
      expect(before.low).toBeGreaterThanOrEqual(after.low)
      expect(before.high).toBeGreaterThanOrEqual(after.high)
      expect(before.low).toBeGreaterThanOrEqual(0)
      expect(before.low).toBeLessThanOrEqual(before.high)
      expect(before.high).toBeLessThanOrEqual(1)
    }),
  )
})

test('sown three weeks early it costs many times what it does two weeks late', () => {
  const early = yieldLost([plant('crimson-clover')], -21)
  expect(early.low).toBeGreaterThan(0.03)
  expect(early.high).toBeGreaterThan(0.2)
  expect(yieldLost([plant('crimson-clover')], 14).high).toBeLessThan(0.03)
})
