import { expect, test } from '@jest/globals'
import fc from '../testing/property'
import { exponential, logarithm } from './exponential'

test('e^x keeps its bound from −128 to 8', () => {
  fc.assert(
    fc.property(fc.double({ min: -128, max: 8, noNaN: true }), (x) => {
      expect(Math.abs(exponential(x) / Math.exp(x) - 1)).toBeLessThan(2e-12)
    }),
    { numRuns: 5000 },
  )
  for (const x of [-128, 0, 8]) expect(exponential(x)).toBeCloseTo(Math.exp(x), 8)
})

test('the logarithm keeps its bound from 0.5 to 32 and is the true one elsewhere', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.5, max: 32, noNaN: true, maxExcluded: true }), (x) => {
      expect(Math.abs(logarithm(x) - Math.log(x))).toBeLessThan(1e-11)
    }),
    { numRuns: 5000 },
  )
  for (const x of [1e-6, 0.4999, 32, 4000]) expect(logarithm(x)).toBe(Math.log(x))
})
